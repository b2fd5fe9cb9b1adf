import {
  CLOTH,
  CLOTH_PARAMS,
  CALCIUM_STAGE,
  CHILL_AFTER_COUNTER,
  HANGS,
  LADLE_STAGE,
  RENNET_STAGE,
  saltChoice,
  SALT_STAGE,
  SETTING,
  TRANSFER,
  warmTo,
} from './curd-choices.js';
import { only, vary, type ChoiceGroup, type Method, type StageTemplate } from './method.js';
import {
  BLEND,
  KEEPING,
  KEEPING_PARAMS,
  MILK,
  MONEY,
  STARTER,
  STARTER_KEYS,
  STARTER_PARAMS,
} from './common-choices.js';

const CREAM_MILK = vary(
  { ...MILK, title: 'Milk and cream' },
  {
    massG: { initial: 4000 },
    fatPct: {
      min: 5,
      max: 16,
      step: 0.5,
      initial: 10,
      why: 'Six is light, ten is usual, twelve and more is double cream.',
    },
  },
);

const DRAINING: ChoiceGroup = {
  title: 'Draining',
  choices: [
    TRANSFER,
    {
      key: 'texture',
      label: 'Until it is',
      kind: 'option',
      initial: 'cream-cheese',
      why: 'It stiffens in the cold: stop a little soft.',
      options: [
        { id: 'cream-cheese', label: 'For spreading', why: '40 % solids.' },
        { id: 'firm-cream-cheese', label: 'For slicing and baking', why: '45 % solids; richer milk gets there.' },
      ],
    },
    HANGS,
    ...CLOTH,
    saltChoice(0.8, 'At the last stir: earlier it stops the souring and goes with the whey.'),
  ],
};

/** Flat first, then hung, turned once half-way, to its texture; salted at the last stir. */
const DRAIN_STAGES: readonly StageTemplate[] = [
  LADLE_STAGE,
  { id: 'flat', kind: 'strain', params: { ...CLOTH_PARAMS, method: 'flat', share: 0.3, where: { choice: 'where' } } },
  { id: 'hang', kind: 'strain', params: { ...CLOTH_PARAMS, method: 'hung', share: 0.6, where: { choice: 'where' } } },
  { id: 'turn', kind: 'turn', params: {} },
  {
    id: 'strain',
    kind: 'strain',
    params: { ...CLOTH_PARAMS, method: 'hung', texture: { choice: 'texture' }, where: { choice: 'where' } },
  },
  SALT_STAGE,
  CHILL_AFTER_COUNTER,
  { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
];

const sownWith = (culture: string): StageTemplate => ({
  id: 'starter',
  kind: 'inoculate',
  params: {
    culture,
    ...STARTER_PARAMS,
    how: 'sprinkled',
  },
});

const setting = (culture: string): readonly StageTemplate[] => [
  BLEND,
  { id: 'heat', kind: 'heat', params: { targetC: { choice: 'warmC' }, paceCPerMin: 1.5 } },
  CALCIUM_STAGE,
  sownWith(culture),
  RENNET_STAGE,
  {
    id: 'warm',
    kind: 'incubate',
    params: KEEPING_PARAMS,
  },
];

const CHEESE_STARTER = vary(only(STARTER, STARTER_KEYS), {
  dosePct: { initial: 1.5, min: 0.2, why: 'Overnight wants little: one to two per cent.' },
  form: {
    options: [
      { id: 'active', label: 'Live', why: 'Buttermilk or the last batch.' },
      { id: 'freeze-dried', label: 'Powder', why: 'Sprinkled, left five minutes, stirred in.' },
    ],
  },
});

const COUNTER = { id: 'counter', label: 'On the counter, covered', why: 'Where the room is at 21 to 26 °C.' };
const THERMOSTAT = { id: 'thermostat', label: 'Thermostat or water bath', why: 'Holds what you set.' };

const CHEESE_MONEY = vary(MONEY, { potG: { initial: 200 }, shopPrice: { initial: 16 } });

export const creamCheese: Method = {
  id: 'cream-cheese',
  code: 'F1',
  name: 'Cultured cream cheese',
  short: 'Cream cheese',
  family: 'Fresh cheese',
  summary:
    'Milk and cream set overnight by culture and a trace of rennet, ladled, drained flat, hung, turned and salted.',
  groups: [
    CREAM_MILK,
    {
      ...CHEESE_STARTER,
      choices: [warmTo(29, 24, 33, 'Where the culture gets away well.'), ...CHEESE_STARTER.choices],
    },
    SETTING,
    vary(KEEPING, {
      keeper: { initial: 'thermostat', options: [THERMOSTAT, COUNTER] },
      keepC: {
        min: 20,
        max: 30,
        initial: 24,
        why: 'Twenty-one to twenty-six overnight; warmer is sooner and sharper.',
      },
      targetPh: { initial: 4.6, max: 4.8, why: 'At 4.6 it sets firm and acid guards it.' },
    }),
    DRAINING,
    CHEESE_MONEY,
  ],
  stages: [...setting('mesophilic'), ...DRAIN_STAGES],
};

export const yogurtCreamCheese: Method = {
  id: 'yogurt-cream-cheese',
  code: 'F2',
  name: 'Live-yogurt cream cheese',
  short: 'By yogurt',
  family: 'Fresh cheese',
  summary: 'Cream cheese soured warm by live yogurt with a trace of rennet: set in an afternoon, drained by night.',
  groups: [
    CREAM_MILK,
    {
      ...CHEESE_STARTER,
      choices: [warmTo(40, 36, 44, 'Yogurt wants its own warmth.'), ...CHEESE_STARTER.choices],
    },
    SETTING,
    vary(KEEPING, {
      keeper: { options: KEEPING.choices.flatMap((c) => (c.key === 'keeper' && c.kind === 'option' ? c.options : [])) },
      keepC: { min: 34, max: 46, initial: 40 },
      targetPh: { initial: 4.6, max: 4.8 },
    }),
    DRAINING,
    CHEESE_MONEY,
  ],
  stages: [...setting('thermophilic'), ...DRAIN_STAGES],
};
