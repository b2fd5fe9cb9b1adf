import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { PLANT_BASES } from '../materials/reference-materials.js';
import { only, vary, withMore, type ChoiceGroup } from './method.js';
import {
  CHILLING,
  CHILLING_PARAMS,
  KEEPING,
  KEEPING_PARAMS,
  MONEY,
  price,
  SOURING_END_KEYS,
} from './common-choices.js';
import { percent } from '../messages/quantity.js';
import { method } from './typed.js';

const BASE = {
  title: say('methods.plantYogurt.base'),
  choices: [
    {
      key: 'massG',
      label: say('methods.plantYogurt.base'),
      kind: 'number',
      unit: 'g',
      min: 200,
      max: 20_000,
      step: 50,
      initial: 800,
      why: say('methods.plantYogurt.whatCansCartonsHold'),
    },
    {
      key: 'base',
      lots: ['base'],
      label: say('methods.plantYogurt.of'),
      kind: 'option',
      initial: 'coconut-cream',
      why: say('methods.plantYogurt.thereNoCaseinSet'),
      options: PLANT_BASES.map((b) => ({
        id: b.id,
        label: b.name,
        why: say('methods.plantYogurt.fatProtein', { fat: percent(b.fatPct), protein: percent(b.proteinPct) }),
      })),
    },
    {
      key: 'sugarPct',
      nought: say('methods.plantYogurt.noSugar'),
      label: say('methods.plantYogurt.sugar'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 5,
      step: 0.5,
      initial: 1,
      why: say('methods.plantYogurt.thereNoLactoseCulture'),
    },
  ],
} as const satisfies ChoiceGroup;

const CAPSULES = {
  title: say('methods.plantYogurt.culture'),
  choices: [
    {
      key: 'as',
      label: say('methods.plantYogurt.as'),
      kind: 'option',
      initial: 'capsules',
      why: say('methods.plantYogurt.eitherMustAliveLook'),
      options: [
        {
          id: 'capsules',
          label: say('methods.plantYogurt.liveCapsules'),
          why: say('methods.plantYogurt.supplementNotAssayedStarter'),
        },
        {
          id: 'powder',
          label: say('methods.plantYogurt.culturePowder'),
          why: say('methods.plantYogurt.madeWithoutMilkQuarter'),
        },
      ],
    },
    {
      key: 'perLitre',
      label: say('methods.plantYogurt.howMany'),
      kind: 'number',
      unit: 'a litre',
      min: 1,
      max: 12,
      step: 1,
      initial: 2,
      why: say('methods.plantYogurt.someTenThousandMillion'),
    },
    {
      key: 'ageDays',
      label: say('methods.plantYogurt.opened'),
      kind: 'number',
      unit: 'days ago',
      min: 0,
      max: 400,
      step: 1,
      initial: 60,
      why: say('methods.plantYogurt.openBottleLosesLife'),
    },
    {
      key: 'store',
      label: say('methods.plantYogurt.kept'),
      kind: 'option',
      initial: 'cold',
      why: say('methods.plantYogurt.coldDry'),
      options: [
        { id: 'cold', label: say('methods.plantYogurt.inTheCold'), why: say('methods.plantYogurt.lastsYear') },
        {
          id: 'room',
          label: say('methods.plantYogurt.roomTemperature'),
          why: say('methods.plantYogurt.halfGoneMonth'),
        },
      ],
    },
  ],
} as const satisfies ChoiceGroup;

export const plantYogurt = method({
  id: 'plant-yogurt',
  code: 'Y6',
  name: say('methods.plantYogurt.plantBasedYogurt'),
  short: say('methods.plantYogurt.plantBased'),
  family: FAMILIES.yogurt,
  summary: say('methods.plantYogurt.thickCoconutCreamAnother'),
  groups: [
    BASE,
    CAPSULES,
    vary(only(KEEPING, ['keeper', 'preheated', 'keepC', ...SOURING_END_KEYS, 'roomC']), {
      keepC: { min: 36, max: 46, initial: 42, why: say('methods.plantYogurt.fortyFortySixSuits') },
      targetPh: { initial: 4.4, max: 4.6, why: say('methods.plantYogurt.tasteButNeverAbove') },
    }),
    CHILLING,
    withMore(
      vary(only(MONEY, ['potG', 'milkPrice', 'shopPrice', 'potPrice', 'handsPerHour']), {
        potG: { initial: 200 },
        milkPrice: { label: say('methods.plantYogurt.baseCosts'), initial: 9 },
        shopPrice: { initial: 14 },
      }),
      price('capsule', say('methods.plantYogurt.capsuleCosts'), 'each', 0.4),
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
    { id: 'chill', kind: 'chill', params: { holdBackPct: 0, ...CHILLING_PARAMS } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
});
