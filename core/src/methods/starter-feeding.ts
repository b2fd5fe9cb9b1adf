import { vary, type ChoiceGroup, type Method } from './method.js';
import { BLEND, HEATING, KEEPING, KEEPING_PARAMS, MILK, MONEY, STARTER, STARTER_PARAMS } from './common-choices.js';

const WHICH: ChoiceGroup = {
  title: 'Culture',
  choices: [
    {
      key: 'culture',
      label: 'It is',
      kind: 'option',
      initial: 'thermophilic',
      why: 'Each ripens at its own warmth.',
      options: [
        { id: 'thermophilic', label: 'Yogurt culture', why: 'Warm, 40 to 44 °C.' },
        { id: 'mesophilic', label: 'Butter and cream culture', why: 'At 21 to 26 °C.' },
        { id: 'room-yogurt', label: 'Room-temperature heirloom', why: 'On the counter.' },
        { id: 'kefir-grains', label: 'Kefir without grains', why: 'On the counter.' },
        { id: 'clabber', label: 'Clabber', why: 'On the counter.' },
      ],
    },
  ],
};

const KEEPERS = KEEPING.choices.find((c) => c.key === 'keeper')!;

/** Milk for a culture to live on: a small make of its own, all of it kept as starter. */
export const starterFeeding: Method = {
  id: 'starter-feeding',
  code: 'M1',
  name: 'Starter, fed',
  short: 'Fed',
  family: 'Starters',
  gives: 'starter',
  summary: 'A little scalded milk, soured by a culture so that it lives on: all of it is kept as the next starter.',
  groups: [
    WHICH,
    vary(MILK, {
      massG: {
        initial: 500,
        min: 50,
        step: 50,
        max: 20_000,
        label: 'Milk',
        why: 'What the next make needs, and a spoon to feed again.',
      },
      vesselL: { initial: 1, min: 0.1, step: 0.1 },
    }),
    vary(HEATING, { heatC: { initial: 90 }, holdMin: { initial: 10 } }),
    vary(STARTER, { starterC: { min: 18 }, dosePct: { initial: 3 } }),
    vary(KEEPING, {
      keeper: {
        options: [
          ...(KEEPERS.kind === 'option' ? KEEPERS.options : []),
          { id: 'counter', label: 'On the counter', why: 'For what sours at the warmth of the room.' },
        ],
      },
      keepC: { min: 18 },
      targetPh: { initial: 4.5, why: 'Ripe is set and bright, not sharp: too sour a mother is a slow one.' },
    }),
    vary(MONEY, { potG: { initial: 100 }, shopPrice: { initial: 8 } }),
  ],
  stages: [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'heatC' } } },
    {
      id: 'hold',
      kind: 'hold',
      params: { minutes: { choice: 'holdMin' }, targetC: { choice: 'heatC' }, lid: { choice: 'lid' } },
      onlyIf: { choice: 'holdMin', above: 0 },
    },
    { id: 'cool', kind: 'cool', params: { targetC: { choice: 'starterC' }, method: { choice: 'coolMethod' } } },
    { id: 'starter', kind: 'inoculate', params: { culture: { choice: 'culture' }, ...STARTER_PARAMS } },
    { id: 'warm', kind: 'incubate', params: KEEPING_PARAMS },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 0 } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
