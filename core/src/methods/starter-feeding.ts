import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { between, temp } from '../messages/quantity.js';
import { vary, type ChoiceGroup } from './method.js';
import { HEATING, KEEPING, PLAIN_MILK, MONEY, STARTER, STARTER_PARAMS } from './common-choices.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { method, stagesNamed } from './typed.js';

const WHICH = {
  title: say('methods.starterFeeding.culture'),
  choices: [
    {
      key: 'culture',
      label: say('methods.starterFeeding.itIs'),
      kind: 'option',
      initial: 'thermophilic',
      why: say('methods.starterFeeding.eachRipensOwnWarmth'),
      options: [
        {
          id: 'thermophilic',
          label: say('methods.starterFeeding.yogurtCulture'),
          why: say('methods.starterFeeding.warm', { temp: between(temp(40), temp(44)) }),
        },
        {
          id: 'mesophilic',
          label: say('methods.starterFeeding.butterCreamCulture'),
          why: say('methods.starterFeeding.at', { temp: between(temp(21), temp(26)) }),
        },
        {
          id: 'room-yogurt',
          label: say('methods.starterFeeding.roomTemperatureHeirloom'),
          why: say('methods.starterFeeding.onTheCounter'),
        },
        {
          id: 'kefir-grains',
          label: say('methods.starterFeeding.kefirWithoutGrains'),
          why: say('methods.starterFeeding.onTheCounter'),
        },
        {
          id: 'clabber',
          label: say('methods.starterFeeding.clabber'),
          why: say('methods.starterFeeding.onTheCounter'),
        },
      ],
    },
  ],
} as const satisfies ChoiceGroup;

const INCUBATORS = KEEPING.choices.find((c) => c.key === 'keeper')!;

/** Milk for a culture to live on: a small make of its own, all of it kept as starter. */
export const starterFeeding = method({
  id: 'starter-feeding',
  code: 'M1',
  name: say('methods.starterFeeding.starterFed'),
  short: say('methods.starterFeeding.fed'),
  family: FAMILIES.starters,
  gives: 'starter',
  summary: say('methods.starterFeeding.littleScaldedMilkSoured'),
  groups: [
    WHICH,
    vary(PLAIN_MILK, {
      massG: {
        initial: 500,
        min: 50,
        step: 50,
        max: 20_000,
        label: say('methods.starterFeeding.milk'),
        why: say('methods.starterFeeding.whatNextMakeNeeds'),
      },
      vesselL: { initial: 1, min: 0.1, step: 0.1 },
    }),
    vary(HEATING, { heatC: { initial: 90 }, holdMin: { initial: 10 } }),
    vary(STARTER, { starterC: { min: 18 }, dosePct: { initial: 3 } }),
    vary(KEEPING, {
      keeper: {
        options: [
          ...(INCUBATORS.kind === 'option' ? INCUBATORS.options : []),
          {
            id: 'counter',
            label: say('methods.starterFeeding.onTheCounter2'),
            why: say('methods.starterFeeding.whatSoursWarmthRoom'),
          },
        ],
      },
      keepC: { min: 18 },
      targetPh: { initial: 4.5, why: say('methods.starterFeeding.ripeSetBrightNot') },
    }),
    vary(MONEY, { potG: { initial: 100 }, shopPrice: { initial: 8 } }),
  ],
  stages: [
    ...stagesNamed(SCALDED_STAGES, ['blend', 'heat', 'hold', 'cool']),
    // Of any culture, and nothing is held back of what is kept whole.
    { id: 'starter', kind: 'inoculate', params: { ...STARTER_PARAMS, culture: { choice: 'culture' } } },
    ...stagesNamed(SCALDED_STAGES, ['warm']),
    { id: 'chill', kind: 'chill', params: { holdBackPct: 0 } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
});
