import { SOUR_AGENT_IDS, SOUR_AGENTS } from '../constants/acids.js';
import { FAMILIES } from './families.js';
import { say, type Text } from '../messages/message.js';
import { REFERENCE_MILKS, WHEYS } from '../materials/reference-materials.js';
import { drainingEnds, saltChoice } from './curd-choices.js';
import { endingParams } from './ending-choices.js';
import { FLAVOUR, FOLD_STAGE } from './flavour-choices.js';
import { only, vary, type ChoiceGroup, type NumberChoice, type OptionChoice } from './method.js';
import { BLEND, HEATING, MILK, milkOption, MONEY_AND_BESIDES, PLAIN_MILK, price } from './common-choices.js';
import { method, type TypedTemplate } from './typed.js';

/** Which acid. */
export const AGENT = {
  key: 'agent',
  label: say('methods.acidCurd.acid'),
  kind: 'option',
  initial: 'lemon',
  why: say('methods.acidCurd.fruitBottlesDifferClear'),
  options: SOUR_AGENT_IDS.map((id) => ({ id, label: SOUR_AGENTS[id].label, why: SOUR_AGENTS[id].why })),
} as const satisfies OptionChoice;

/** How strong the bottle or the fruit is. */
export const ACID_STRENGTH = {
  key: 'acidPct',
  nought: say('methods.acidCurd.acidUsuallyComes'),
  label: say('methods.acidCurd.itsStrength'),
  kind: 'number',
  unit: '% acid',
  min: 0,
  max: 100,
  step: 0.1,
  initial: 0,
  why: say('methods.acidCurd.bottleMeasuredNoughtTakes'),
} as const satisfies NumberChoice;

/** What the acid costs. */
export const ACID_PRICE = price('acid', say('methods.acidCurd.acidCosts'), 'per kg', 6);

/**
 * Acid to a pH, with a reasoned one for the make. Hot milk is 0.2 to 0.3 pH sourer than the same milk cold (its calcium
 * phosphate comes out), so it parts with less acid than the cold figure seems to ask: some 2.0 to 2.6 g citric acid to the litre
 * of whole milk, which is pH 5.55 to 5.75 measured cold.
 */
const acid = (initial: number, why: Text) =>
  ({
    title: say('methods.acidCurd.acid'),
    choices: [
      AGENT,
      ACID_STRENGTH,
      {
        key: 'targetPh',
        label: say('methods.acidCurd.downMeasuredCold'),
        kind: 'number',
        unit: 'pH',
        min: 5.1,
        max: 6,
        step: 0.05,
        initial,
        why,
      },
      {
        key: 'acidParts',
        label: say('methods.acidCurd.inSoManyParts'),
        kind: 'number',
        unit: 'parts',
        min: 1,
        max: 12,
        step: 1,
        initial: 3,
        why: say('methods.acidCurd.spoonAtATime'),
      },
      {
        key: 'potSaltPct',
        nought: say('methods.acidCurd.noneInThePot'),
        label: say('methods.acidCurd.saltInThePot'),
        kind: 'number',
        unit: '%',
        min: 0,
        max: 2,
        step: 0.1,
        initial: 0,
        why: say('methods.acidCurd.mostLeavesWithWhey'),
      },
      {
        key: 'restBy',
        label: say('methods.acidCurd.thenItStands'),
        kind: 'option',
        initial: 'off',
        why: say('methods.acidCurd.eitherGathers'),
        options: [
          { id: 'off', label: say('methods.acidCurd.offTheHeat'), why: say('methods.acidCurd.softerCurd') },
          { id: 'simmer', label: say('methods.acidCurd.justSimmering'), why: say('methods.acidCurd.firmerCurd') },
        ],
      },
      ACID_PRICE,
    ],
  }) as const satisfies ChoiceGroup;

const draining = (texture: 'soft-curd' | 'dry-curd') =>
  ({
    title: say('methods.acidCurd.draining'),
    choices: [
      ...drainingEnds(1),
      {
        key: 'texture',
        onlyIf: { choice: 'drainUntil', is: 'aim' },
        label: say('methods.acidCurd.untilItIs'),
        kind: 'option',
        initial: texture,
        why: say('methods.acidCurd.drainsFastWhileHot'),
        options: [
          { id: 'soft-curd', label: say('methods.acidCurd.soft'), why: say('methods.acidCurd.moistSpooningSolids') },
          {
            id: 'dry-curd',
            label: say('methods.acidCurd.dry'),
            why: say('methods.acidCurd.crumblesBakingBlendingSolids'),
          },
        ],
      },
      {
        key: 'drain',
        label: say('methods.acidCurd.how'),
        kind: 'option',
        initial: 'flat',
        why: say('methods.acidCurd.gentlyFinestGoesThrough'),
        options: [
          { id: 'flat', label: say('methods.acidCurd.flatSieve'), why: say('methods.acidCurd.gentlest') },
          { id: 'hung', label: say('methods.acidCurd.hungCloth'), why: say('methods.acidCurd.littleDrier') },
        ],
      },
      saltChoice(0.5, say('methods.acidCurd.curdTaste')),
      {
        key: 'eaten',
        label: say('methods.acidCurd.eaten'),
        kind: 'option',
        initial: 'cold',
        why: say('methods.acidCurd.notAcidEnoughToKeep'),
        options: [
          { id: 'cold', label: say('methods.acidCurd.chilledFirst'), why: say('methods.acidCurd.keepsDays') },
          { id: 'warm', label: say('methods.acidCurd.warmAtOnce'), why: say('methods.acidCurd.readyWhenDrained') },
        ],
      },
    ],
  }) as const satisfies ChoiceGroup;

const HEAT = only(
  vary(HEATING, {
    heatC: {
      min: 80,
      max: 96,
      initial: 90,
      why: say('methods.acidCurd.highEnoughWheyProtein'),
    },
  }),
  ['heatC'],
);

function stages<const T extends TypedTemplate>(restMin: number, salt: T) {
  return [
    BLEND,
    {
      id: 'pot-salt',
      kind: 'salt',
      params: { saltPct: { choice: 'potSaltPct' }, into: 'milk' },
      onlyIf: { choice: 'potSaltPct', above: 0 },
    },
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'heatC' } } },
    {
      id: 'acid',
      kind: 'acidify',
      params: {
        agent: { choice: 'agent' },
        strengthPct: { choice: 'acidPct' },
        targetPh: { choice: 'targetPh' },
        parts: { choice: 'acidParts' },
      },
    },
    { id: 'rest', kind: 'rest', params: { minutes: restMin, heat: { choice: 'restBy' } } },
    {
      id: 'strain',
      kind: 'strain',
      params: { method: { choice: 'drain' }, texture: { choice: 'texture' }, where: 'hot', ...endingParams('drain') },
    },
    salt,
    FOLD_STAGE,
    {
      id: 'chill',
      kind: 'chill',
      params: { targetC: 5, holdBackPct: 0, depthCm: 2 },
      onlyIf: { choice: 'eaten', is: 'cold' },
    },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ] as const;
}

const CURD_MONEY = vary(MONEY_AND_BESIDES, { potG: { initial: 250 }, shopPrice: { initial: 11 } });

const SOFT_STAGES = stages(10, {
  id: 'salt',
  kind: 'salt',
  params: { saltPct: { choice: 'saltPct' } },
  onlyIf: { choice: 'saltPct', above: 0 },
});
const SMOOTH_STAGES = stages(5, {
  id: 'smooth',
  kind: 'salt',
  params: { saltPct: { choice: 'saltPct' }, texture: 'smooth' },
});

export const acidHeatCurd = method({
  id: 'acid-heat-curd',
  code: 'A1',
  name: say('methods.acidCurd.softCurdAcidHeat'),
  short: say('methods.acidCurd.softCurd'),
  family: FAMILIES.curd,
  summary: say('methods.acidCurd.milkLittleCreamBrought'),
  groups: [
    vary(MILK, {
      milk: {
        why: say('methods.acidCurd.milkGivesMostSweet'),
        options: [...REFERENCE_MILKS, ...WHEYS].map(milkOption),
        lots: ['milk', 'whey'],
      },
      fatPct: { max: 10, initial: 6.5, why: say('methods.acidCurd.littleCreamMakesTender') },
    }),
    HEAT,
    acid(5.7, say('methods.acidCurd.littleAcidSweetSoft')),
    draining('soft-curd'),
    FLAVOUR,
    CURD_MONEY,
  ],
  stages: SOFT_STAGES,
});

export const smoothCurd = method({
  id: 'smooth-curd',
  code: 'A2',
  name: say('methods.acidCurd.smoothAcidCurd'),
  short: say('methods.acidCurd.blendedSmooth'),
  family: FAMILIES.curd,
  summary: say('methods.acidCurd.milkNearBoilAcid'),
  groups: [
    vary(PLAIN_MILK, { fatPct: { max: 8 } }),
    vary(HEAT, { heatC: { initial: 95 } }),
    acid(5.6, say('methods.acidCurd.untilWheyClearAbout')),
    draining('soft-curd'),
    FLAVOUR,
    CURD_MONEY,
  ],
  stages: SMOOTH_STAGES,
});
