import { vary, type ChoiceGroup, type Method, type StageTemplate } from './method.js';
import { HEATING, KEEPING, MILK, MONEY, STARTER } from './common-choices.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';

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

const INCUBATORS = KEEPING.choices.find((c) => c.key === 'keeper')!;

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
          ...(INCUBATORS.kind === 'option' ? INCUBATORS.options : []),
          { id: 'counter', label: 'On the counter', why: 'For what sours at the warmth of the room.' },
        ],
      },
      keepC: { min: 18 },
      targetPh: { initial: 4.5, why: 'Ripe is set and bright, not sharp: too sour a mother is a slow one.' },
    }),
    vary(MONEY, { potG: { initial: 100 }, shopPrice: { initial: 8 } }),
  ],
  stages: [
    ...SCALDED_STAGES.map(ofFeeding),
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};

/** A stage of a scalded yogurt as a feeding has it: of any culture, and nothing is held back of what is kept whole. */
function ofFeeding(stage: StageTemplate): StageTemplate {
  if (stage.kind === 'inoculate') return { ...stage, params: { ...stage.params, culture: { choice: 'culture' } } };
  return stage.kind === 'chill' ? { ...stage, params: { holdBackPct: 0 } } : stage;
}
