import { REFERENCE_MILKS, WHEYS } from '../materials/reference-materials.js';
import { saltChoice } from './curd-choices.js';
import {
  only,
  vary,
  type ChoiceGroup,
  type Method,
  type NumberChoice,
  type OptionChoice,
  type StageTemplate,
} from './method.js';
import { BLEND, HEATING, MILK, milkOption, MONEY, price } from './common-choices.js';

/** Which acid. */
export const AGENT: OptionChoice = {
  key: 'agent',
  label: 'Acid',
  kind: 'option',
  initial: 'lemon',
  why: 'Fruit and bottles differ: clear whey is the end, not the spoon.',
  options: [
    { id: 'lemon', label: 'Lemon juice', why: 'About 5.5 % citric acid, and its own flavour.' },
    { id: 'vinegar', label: 'Vinegar, 5 %', why: 'Always to be had; a trace of it stays.' },
    { id: 'citric', label: 'Citric acid', why: 'Crystals, weighed: clean and even.' },
    { id: 'tartaric', label: 'Tartaric acid', why: 'Crystals, weighed: from wine.' },
  ],
};

/** How strong the bottle or the fruit is. */
export const ACID_STRENGTH: NumberChoice = {
  key: 'acidPct',
  nought: 'acid as it usually comes',
  label: 'Its strength',
  kind: 'number',
  unit: '% acid',
  min: 0,
  max: 100,
  step: 0.1,
  initial: 0,
  why: 'On the bottle, or measured; nought takes lemon as 5.5 %, vinegar as 5 %, crystals as pure.',
};

/** What the acid costs. */
export const ACID_PRICE = price('acid', 'The acid costs', 'per kg', 6);

/**
 * Acid to a pH, with a reasoned one for the make. Hot milk is 0.2 to 0.3 pH sourer than the same milk cold (its calcium
 * phosphate comes out), so it parts with less acid than the cold figure seems to ask: some 2.0 to 2.6 g citric acid to the litre
 * of whole milk, which is pH 5.55 to 5.75 measured cold.
 */
const acid = (initial: number, why: string): ChoiceGroup => ({
  title: 'Acid',
  choices: [
    AGENT,
    ACID_STRENGTH,
    {
      key: 'targetPh',
      label: 'Down to, measured cold',
      kind: 'number',
      unit: 'pH',
      min: 5.1,
      max: 6,
      step: 0.05,
      initial,
      why,
    },
    ACID_PRICE,
  ],
});

const draining = (texture: 'soft-curd' | 'dry-curd'): ChoiceGroup => ({
  title: 'Draining',
  choices: [
    {
      key: 'texture',
      label: 'Until it is',
      kind: 'option',
      initial: texture,
      why: 'It drains fast while hot: half an hour, not a night.',
      options: [
        { id: 'soft-curd', label: 'Soft', why: 'Moist, for spooning; 34 % solids.' },
        { id: 'dry-curd', label: 'Dry', why: 'Crumbles, for baking and blending; 42 % solids.' },
      ],
    },
    {
      key: 'drain',
      label: 'How',
      kind: 'option',
      initial: 'flat',
      why: 'Gently, or the finest of it goes through the cloth.',
      options: [
        { id: 'flat', label: 'Flat in a sieve', why: 'Gentlest.' },
        { id: 'hung', label: 'Hung in cloth', why: 'A little drier.' },
      ],
    },
    saltChoice(0.5, 'Of the curd, to taste.'),
  ],
});

const HEAT = only(
  vary(HEATING, {
    heatC: {
      min: 80,
      max: 96,
      initial: 90,
      why: 'High enough that the whey protein comes into the curd with the casein.',
    },
  }),
  ['heatC'],
);

function stages(restMin: number, salt: StageTemplate): readonly StageTemplate[] {
  return [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'heatC' } } },
    {
      id: 'acid',
      kind: 'acidify',
      params: { agent: { choice: 'agent' }, strengthPct: { choice: 'acidPct' }, targetPh: { choice: 'targetPh' } },
    },
    { id: 'rest', kind: 'rest', params: { minutes: restMin } },
    {
      id: 'strain',
      kind: 'strain',
      params: { method: { choice: 'drain' }, texture: { choice: 'texture' }, where: 'hot' },
    },
    salt,
    { id: 'chill', kind: 'chill', params: { targetC: 5, holdBackPct: 0, depthCm: 2 } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ];
}

const CURD_MONEY = vary(MONEY, { potG: { initial: 250 }, shopPrice: { initial: 11 } });

export const acidHeatCurd: Method = {
  id: 'acid-heat-curd',
  code: 'A1',
  name: 'Soft curd by acid and heat',
  short: 'Soft curd',
  family: 'Curd',
  summary: 'Milk and a little cream brought near the boil, parted by acid, drained half an hour: sweet and soft.',
  groups: [
    vary(MILK, {
      milk: {
        why: 'Milk gives most; sweet whey gives a little, while its pH is above 6.0; acid whey gives none.',
        options: [...REFERENCE_MILKS, ...WHEYS].map(milkOption),
        lots: ['milk', 'whey'],
      },
      fatPct: { max: 10, initial: 6.5, why: 'A little cream makes it tender and gives more.' },
    }),
    HEAT,
    acid(
      5.7,
      'Little acid is sweet and soft, 5.8 to 6.0; more, 5.3 to 5.5, is firm and dry. Hot, a meter shows some 0.25 less.',
    ),
    draining('soft-curd'),
    CURD_MONEY,
  ],
  stages: stages(10, {
    id: 'salt',
    kind: 'salt',
    params: { saltPct: { choice: 'saltPct' } },
    onlyIf: { choice: 'saltPct', above: 0 },
  }),
};

export const smoothCurd: Method = {
  id: 'smooth-curd',
  code: 'A2',
  name: 'Smooth acid curd',
  short: 'Blended smooth',
  family: 'Curd',
  summary: 'Milk near the boil, acid until the whey is clear, drained and blended with salt to a spread.',
  groups: [
    vary(MILK, { fatPct: { max: 8 } }),
    vary(HEAT, { heatC: { initial: 95 } }),
    acid(5.6, 'Until the whey is clear: about 5.5 to 5.7 once cold; a meter in the hot milk shows some 0.25 less.'),
    draining('soft-curd'),
    CURD_MONEY,
  ],
  stages: stages(5, { id: 'smooth', kind: 'salt', params: { saltPct: { choice: 'saltPct' }, texture: 'smooth' } }),
};
