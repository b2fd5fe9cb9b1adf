import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import {
  CLOTH,
  CLOTH_PARAMS,
  CALCIUM_STAGE,
  CHILL_AFTER_COUNTER,
  drainingEnds,
  HANGS,
  LADLE_STAGE,
  RENNET_STAGE,
  saltChoice,
  SALT_STAGE,
  SETTING,
  TRANSFER,
  warmTo,
} from './curd-choices.js';
import { FLAVOUR, FOLD_STAGE } from './flavour-choices.js';
import { only, vary, withFirst, withMore, type ChoiceGroup, type NumberChoice } from './method.js';
import { ROOM_STARTER } from './room-choices.js';
import { endingParams } from './ending-choices.js';
import {
  BLEND,
  KEEPING,
  PLAIN_MILK,
  MONEY_AND_BESIDES,
  SOURING_END_KEYS,
  SOURING_END_PARAMS,
  STARTER_PARAMS,
} from './common-choices.js';
import { method } from './typed.js';

const DRAINING = {
  title: say('methods.quark.draining'),
  choices: [
    TRANSFER,
    ...drainingEnds(8),
    {
      key: 'texture',
      onlyIf: { choice: 'drainUntil', is: 'aim' },
      label: say('methods.quark.untilItIs'),
      kind: 'option',
      initial: 'quark',
      why: say('methods.quark.textureNotTime'),
      options: [
        { id: 'quark', label: say('methods.quark.quark'), why: say('methods.quark.spoonsSolids') },
        { id: 'lactic-curd', label: say('methods.quark.lacticCurd'), why: say('methods.quark.holdsShapeSolids') },
      ],
    },
    HANGS,
    ...CLOTH,
    {
      key: 'smooth',
      label: say('methods.quark.inTheEnd'),
      kind: 'option',
      initial: 'smooth',
      why: say('methods.quark.quarkStirredSmoothLactic'),
      options: [
        { id: 'smooth', label: say('methods.quark.stirredSmooth'), why: say('methods.quark.forTheSpoon') },
        { id: 'whole', label: say('methods.quark.asItIs'), why: say('methods.quark.forShaping') },
      ],
    },
    saltChoice(0, say('methods.quark.noneQuarkOnePer')),
  ],
} as const satisfies ChoiceGroup;

const RIPEN = {
  key: 'ripenMin',
  nought: say('methods.quark.notRipened'),
  label: say('methods.quark.ripenBeforeRennet'),
  kind: 'number',
  unit: 'min',
  min: 0,
  max: 180,
  step: 15,
  initial: 60,
  why: say('methods.quark.headStartCulture'),
} as const satisfies NumberChoice;

export const quark = method({
  id: 'quark',
  code: 'F4',
  name: say('methods.quark.quarkLacticCurd'),
  short: say('methods.quark.quark'),
  family: FAMILIES.freshCheese,
  summary: say('methods.quark.milkSetButterCulture'),
  groups: [
    vary(PLAIN_MILK, { fatPct: { min: 0, max: 5, initial: 3.6, why: say('methods.quark.leanGrainierLighterWhole') } }),
    withMore(
      withFirst(
        vary(ROOM_STARTER, { dosePct: { initial: 3 } }),
        warmTo(28, 20, 33, say('methods.quark.whereCultureGetsAway')),
      ),
      RIPEN,
    ),
    SETTING,
    vary(only(KEEPING, ['keepC', ...SOURING_END_KEYS, 'roomC']), {
      keepC: { min: 20, max: 30, initial: 26, why: say('methods.quark.sixHoursThirtyOvernight') },
      targetPh: { initial: 4.6, max: 4.8, why: say('methods.quark.firmEnoughLadleAcid') },
    }),
    DRAINING,
    FLAVOUR,
    vary(MONEY_AND_BESIDES, { potG: { initial: 250 }, shopPrice: { initial: 7 } }),
  ],
  stages: [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'warmC' }, paceCPerMin: 1.5 } },
    CALCIUM_STAGE,
    {
      id: 'starter',
      kind: 'inoculate',
      params: {
        culture: 'mesophilic',
        ...STARTER_PARAMS,
      },
    },
    {
      id: 'ripen',
      kind: 'ripen',
      params: { minutes: { choice: 'ripenMin' }, keeper: 'thermostat', keepC: { choice: 'keepC' } },
      onlyIf: { choice: 'ripenMin', above: 0 },
    },
    RENNET_STAGE,
    {
      id: 'warm',
      kind: 'incubate',
      params: {
        keeper: 'thermostat',
        keepC: { choice: 'keepC' },
        ...SOURING_END_PARAMS,
      },
    },
    LADLE_STAGE,
    {
      id: 'strain',
      kind: 'strain',
      params: {
        ...CLOTH_PARAMS,
        method: 'hung',
        texture: { choice: 'texture' },
        where: { choice: 'where' },
        ...endingParams('drain'),
      },
    },
    { id: 'stir', kind: 'stir-down', params: {}, onlyIf: { choice: 'smooth', is: 'smooth' } },
    SALT_STAGE,
    FOLD_STAGE,
    CHILL_AFTER_COUNTER,
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
});
