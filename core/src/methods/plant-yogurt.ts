import { PLANT_BASES } from '../materials/reference-materials.js';
import { only, vary, withMore, type ChoiceGroup, type Method } from './method.js';
import { KEEPING, KEEPING_PARAMS, MONEY, price } from './common-choices.js';

const BASE: ChoiceGroup = {
  title: 'Base',
  choices: [
    {
      key: 'massG',
      label: 'Base',
      kind: 'number',
      unit: 'g',
      min: 200,
      max: 20_000,
      step: 50,
      initial: 800,
      why: 'What the cans or cartons hold, before the sugar.',
    },
    {
      key: 'base',
      lots: ['base'],
      label: 'Of',
      kind: 'option',
      initial: 'coconut-cream',
      why: 'There is no casein to set it: its own fat makes the body.',
      options: PLANT_BASES.map((b) => ({
        id: b.id,
        label: b.name,
        why: `${b.fatPct} % fat, ${b.proteinPct} % protein.`,
      })),
    },
    {
      key: 'sugarPct',
      nought: 'no sugar',
      label: 'Sugar',
      kind: 'number',
      unit: '%',
      min: 0,
      max: 5,
      step: 0.5,
      initial: 1,
      why: 'There is no lactose: the culture lives on this, and sours it away.',
    },
  ],
};

const CAPSULES: ChoiceGroup = {
  title: 'Culture',
  choices: [
    {
      key: 'as',
      label: 'As',
      kind: 'option',
      initial: 'capsules',
      why: 'Either must be alive: look at its date.',
      options: [
        { id: 'capsules', label: 'Live capsules', why: 'A supplement, not an assayed starter.' },
        {
          id: 'powder',
          label: 'Culture powder',
          why: 'Made for it, without milk; a quarter teaspoon is about a capsule.',
        },
      ],
    },
    {
      key: 'perLitre',
      label: 'How many',
      kind: 'number',
      unit: 'a litre',
      min: 1,
      max: 12,
      step: 1,
      initial: 2,
      why: 'Of some ten thousand million live cells each; more are sooner.',
    },
    {
      key: 'ageDays',
      label: 'Opened',
      kind: 'number',
      unit: 'days ago',
      min: 0,
      max: 400,
      step: 1,
      initial: 60,
      why: 'An open bottle loses its life in the warm.',
    },
    {
      key: 'store',
      label: 'Kept',
      kind: 'option',
      initial: 'cold',
      why: 'Cold and dry.',
      options: [
        { id: 'cold', label: 'In the cold', why: 'Lasts a year.' },
        { id: 'room', label: 'At room temperature', why: 'Half gone in a month.' },
      ],
    },
  ],
};

export const plantYogurt: Method = {
  id: 'plant-yogurt',
  code: 'Y6',
  name: 'Plant-based yogurt',
  short: 'Plant-based',
  family: 'Yogurt',
  summary: 'Thick coconut cream or another base soured by live capsules for a day and more; acid is its only guard.',
  groups: [
    BASE,
    CAPSULES,
    vary(only(KEEPING, ['keeper', 'preheated', 'keepC', 'targetPh', 'leave', 'roomC']), {
      keepC: { min: 36, max: 46, initial: 42, why: 'Forty to forty-six suits what is in the capsules.' },
      targetPh: { initial: 4.4, max: 4.6, why: 'To taste, but never above 4.6: nothing else guards it.' },
    }),
    withMore(
      vary(only(MONEY, ['potG', 'milkPrice', 'shopPrice', 'potPrice', 'handsPerHour']), {
        potG: { initial: 200 },
        milkPrice: { label: 'The base costs', initial: 9 },
        shopPrice: { initial: 14 },
      }),
      price('capsule', 'A capsule costs', 'each', 0.4),
    ),
  ],
  stages: [
    {
      id: 'base',
      kind: 'base',
      params: { massG: { choice: 'massG' }, base: { stock: 'base' }, sugarPct: { choice: 'sugarPct' } },
    },
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'keepC' }, paceCPerMin: 4 } },
    {
      id: 'starter',
      kind: 'capsule',
      params: {
        as: { choice: 'as' },
        perLitre: { choice: 'perLitre' },
        ageDays: { choice: 'ageDays' },
        store: { choice: 'store' },
      },
    },
    {
      id: 'warm',
      kind: 'incubate',
      params: KEEPING_PARAMS,
    },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 0 } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
};
