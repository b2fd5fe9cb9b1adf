import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import {
  CLOTH,
  CLOTH_PARAMS,
  BY_CLOCK,
  BY_TEXTURE,
  CALCIUM_STAGE,
  CHILL_AFTER_COUNTER,
  DRAINED_BY,
  flatHours,
  HANG_ENDS,
  HANGS,
  LADLE_STAGE,
  RENNET_STAGE,
  saltChoice,
  SALT_STAGE,
  SETTING,
  TRANSFER,
  warmTo,
} from './curd-choices.js';
import { endingParams } from './ending-choices.js';
import { FLAVOUR, FOLD_STAGE } from './flavour-choices.js';
import { only, vary, type ChoiceGroup, type OptionChoice, withFirst } from './method.js';
import {
  BLEND,
  KEEPING,
  KEEPING_PARAMS,
  MILK,
  MONEY_AND_BESIDES,
  STARTER,
  STARTER_KEYS,
  STARTER_PARAMS,
} from './common-choices.js';
import { between, temp } from '../messages/quantity.js';
import { method, type TypedTemplate } from './typed.js';
import type { CultureId } from '../constants/cultures.js';

const CREAM_MILK = vary(
  { ...MILK, title: say('methods.creamCheese.milkCream') },
  {
    massG: { initial: 4000 },
    fatPct: {
      min: 5,
      max: 16,
      step: 0.5,
      initial: 10,
      why: say('methods.creamCheese.sixLightTenUsual'),
    },
  },
);

/** Where it drains flat, where the clock ends that. */
const FLAT_WHERE = {
  ...HANGS,
  key: 'flatWhere',
  label: say('methods.endingChoices.flatWhere'),
  initial: 'counter',
  onlyIf: BY_CLOCK,
} as const satisfies OptionChoice;

const DRAINING = {
  title: say('methods.creamCheese.draining'),
  choices: [
    TRANSFER,
    DRAINED_BY,
    flatHours(2),
    FLAT_WHERE,
    ...HANG_ENDS,
    {
      key: 'texture',
      onlyIf: BY_TEXTURE,
      label: say('methods.creamCheese.untilItIs'),
      kind: 'option',
      initial: 'cream-cheese',
      why: say('methods.creamCheese.stiffensColdStopLittle'),
      options: [
        { id: 'cream-cheese', label: say('methods.creamCheese.forSpreading'), why: say('methods.creamCheese.solids') },
        {
          id: 'firm-cream-cheese',
          label: say('methods.creamCheese.slicingBaking'),
          why: say('methods.creamCheese.solidsRicherMilkGets'),
        },
      ],
    },
    HANGS,
    ...CLOTH,
    saltChoice(0.8, say('methods.creamCheese.lastStirEarlierStops')),
  ],
} as const satisfies ChoiceGroup;

/** Flat first, then hung, turned once half-way, to its texture; salted at the last stir. */
const DRAIN_STAGES = [
  LADLE_STAGE,
  {
    id: 'flat',
    kind: 'strain',
    params: { ...CLOTH_PARAMS, method: 'flat', share: 0.3, where: { choice: 'where' } },
    onlyIf: BY_TEXTURE,
  },
  {
    id: 'hang',
    kind: 'strain',
    params: { ...CLOTH_PARAMS, method: 'hung', share: 0.6, where: { choice: 'where' } },
    onlyIf: BY_TEXTURE,
  },
  {
    id: 'flat',
    kind: 'strain',
    params: {
      ...CLOTH_PARAMS,
      method: 'flat',
      where: { choice: 'flatWhere' },
      until: 'hours',
      untilH: { choice: 'flatH' },
    },
    onlyIf: BY_CLOCK,
  },
  { id: 'turn', kind: 'turn', params: {} },
  {
    id: 'strain',
    kind: 'strain',
    params: { ...CLOTH_PARAMS, method: 'hung', where: { choice: 'where' }, ...endingParams('hang') },
    onlyIf: BY_CLOCK,
  },
  {
    id: 'strain',
    kind: 'strain',
    params: { ...CLOTH_PARAMS, method: 'hung', texture: { choice: 'texture' }, where: { choice: 'where' } },
    onlyIf: BY_TEXTURE,
  },
  SALT_STAGE,
  FOLD_STAGE,
  CHILL_AFTER_COUNTER,
  { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
] as const satisfies readonly TypedTemplate[];

const sownWith = (culture: CultureId) =>
  ({
    id: 'starter',
    kind: 'inoculate',
    params: {
      culture,
      ...STARTER_PARAMS,
    },
  }) as const satisfies TypedTemplate;

const setting = (culture: CultureId) =>
  [
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
  ] as const satisfies readonly TypedTemplate[];

const CHEESE_STARTER = vary(only(STARTER, STARTER_KEYS), {
  dosePct: { initial: 1.5, min: 0.2, why: say('methods.creamCheese.overnightWantsLittleOne') },
  form: {
    options: [
      { id: 'active', label: say('methods.creamCheese.live'), why: say('methods.creamCheese.buttermilkLastBatch') },
      {
        id: 'freeze-dried',
        label: say('methods.creamCheese.powder'),
        why: say('methods.creamCheese.sprinkledLeftFiveMinutes'),
      },
    ],
  },
});

const COUNTER = {
  id: 'counter',
  label: say('methods.creamCheese.onTheCounter'),
  why: say('methods.creamCheese.whereRoomIs', { range: between(temp(21), temp(26)) }),
};
const THERMOSTAT = {
  id: 'thermostat',
  label: say('methods.creamCheese.thermostatOrBath'),
  why: say('methods.creamCheese.holdsWhatYouSet'),
};

const CHEESE_MONEY = vary(MONEY_AND_BESIDES, { potG: { initial: 200 }, shopPrice: { initial: 16 } });

export const creamCheese = method({
  id: 'cream-cheese',
  code: 'F1',
  name: say('methods.creamCheese.culturedCreamCheese'),
  short: say('methods.creamCheese.creamCheese'),
  family: FAMILIES.freshCheese,
  summary: say('methods.creamCheese.milkCreamSetOvernight'),
  groups: [
    CREAM_MILK,
    withFirst(CHEESE_STARTER, warmTo(29, 24, 33, say('methods.creamCheese.whereCultureGetsAway'))),
    SETTING,
    vary(KEEPING, {
      keeper: { initial: 'thermostat', options: [THERMOSTAT, COUNTER] },
      keepC: {
        min: 20,
        max: 30,
        initial: 24,
        why: say('methods.creamCheese.twentyOneTwentySix'),
      },
      targetPh: { initial: 4.6, max: 4.8, why: say('methods.creamCheese.setsFirmAcidGuards') },
    }),
    DRAINING,
    FLAVOUR,
    CHEESE_MONEY,
  ],
  stages: [...setting('mesophilic'), ...DRAIN_STAGES],
});

export const yogurtCreamCheese = method({
  id: 'yogurt-cream-cheese',
  code: 'F2',
  name: say('methods.creamCheese.liveYogurtCreamCheese'),
  short: say('methods.creamCheese.byYogurt'),
  family: FAMILIES.freshCheese,
  summary: say('methods.creamCheese.creamCheeseSouredWarm'),
  groups: [
    CREAM_MILK,
    withFirst(CHEESE_STARTER, warmTo(40, 24, 44, say('methods.creamCheese.yogurtWantsOwnWarmth'))),
    SETTING,
    vary(KEEPING, {
      keeper: { options: KEEPING.choices.flatMap((c) => (c.key === 'keeper' && c.kind === 'option' ? c.options : [])) },
      keepC: { min: 22, max: 46, initial: 40, why: say('methods.creamCheese.coolSetsOvernight') },
      targetPh: { initial: 4.6, max: 4.8 },
    }),
    DRAINING,
    FLAVOUR,
    CHEESE_MONEY,
  ],
  stages: [...setting('thermophilic'), ...DRAIN_STAGES],
});
