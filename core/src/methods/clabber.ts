import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import { only, vary, type ChoiceGroup, type OptionChoice } from './method.js';
import { ROOM, ROOM_STARTER } from './room-choices.js';
import {
  BLEND,
  CHILLING,
  CHILLING_PARAMS,
  HEATING,
  PLAIN_MILK,
  MONEY_AND_BESIDES,
  SOURING_END_PARAMS,
  STARTER_PARAMS,
} from './common-choices.js';
import { method, type TypedTemplate } from './typed.js';
import type { CultureId } from '../constants/cultures.js';

const SEEDING = {
  key: 'seeding',
  label: say('methods.clabber.souredBy'),
  kind: 'option',
  initial: 'clabber',
  why: say('methods.clabber.seededFasterSaferItself'),
  options: [
    { id: 'clabber', label: say('methods.clabber.spoonLast'), why: say('methods.clabber.yourOwnLineSourer') },
    { id: 'mesophilic', label: say('methods.clabber.liveButtermilk'), why: say('methods.clabber.cleanEven') },
    { id: 'wild', label: say('methods.clabber.byItself'), why: say('methods.clabber.rawMilkOnlyOld') },
  ],
} as const satisfies OptionChoice;

const PASTEURISE = {
  key: 'pasteurise',
  label: say('methods.clabber.pasteuriseFirst'),
  kind: 'option',
  initial: 'no',
  why: say('methods.clabber.rawMilkCarriesWhat'),
  options: [
    { id: 'no', label: say('methods.clabber.asItComes'), why: say('methods.clabber.pasteurisedAlreadyRawMilk') },
    { id: 'yes', label: say('methods.clabber.halfHour', { temp: temp(63) }), why: say('methods.clabber.mustSeeded') },
  ],
} as const satisfies OptionChoice;

/** Choices of clabber, which soda cheese shares. */
export const CLABBER_GROUPS = [
  { ...PLAIN_MILK, choices: [...clabberMilk().choices, PASTEURISE] },
  {
    title: say('methods.clabber.starter'),
    choices: [SEEDING, ...vary(ROOM_STARTER, { dosePct: { initial: 2.5 } }).choices],
  },
  vary(ROOM, {
    targetPh: { min: 4.2, max: 4.7, initial: 4.5, why: say('methods.clabber.setLikeJunketSharper') },
    roomC: { min: 16, max: 30, initial: 23 },
  }),
] as const satisfies readonly [ChoiceGroup, ChoiceGroup, ChoiceGroup];

function clabberMilk(): ChoiceGroup {
  return vary(PLAIN_MILK, {
    massG: { initial: 2000 },
    vesselL: { initial: 3 },
    milk: { initial: 'raw' },
    fatPct: { max: 6, initial: 4.2 },
  });
}

const heated = { choice: 'pasteurise', is: 'yes' };
const seeded = (culture: CultureId) =>
  ({
    id: 'starter',
    kind: 'inoculate',
    params: {
      culture,
      ...STARTER_PARAMS,
    },
    onlyIf: { choice: 'seeding', is: culture },
  }) as const satisfies TypedTemplate;

/** From milk to set clabber in its jar. */
export const CLABBER_STAGES = [
  BLEND,
  { id: 'heat', kind: 'heat', params: { targetC: 63.5 }, onlyIf: heated },
  { id: 'hold', kind: 'hold', params: { minutes: 31, targetC: 63.5, lid: 'on' }, onlyIf: heated },
  { id: 'cool', kind: 'cool', params: { targetC: 26, method: { choice: 'coolMethod' } }, onlyIf: heated },
  seeded('clabber'),
  seeded('mesophilic'),
  { id: 'wild', kind: 'wild', params: {}, onlyIf: { choice: 'seeding', is: 'wild' } },
  {
    id: 'warm',
    kind: 'incubate',
    params: {
      keeper: 'counter',
      cover: { choice: 'cover' },
      ...SOURING_END_PARAMS,
    },
  },
] as const satisfies readonly TypedTemplate[];

/** How it is cooled where it was heated. */
export const CLABBER_COOLING = only(
  vary(HEATING, {
    coolMethod: { why: say('methods.clabber.beforeStarterGoes'), onlyIf: { choice: 'pasteurise', is: 'yes' } },
  }),
  ['coolMethod'],
);

const CREAM = {
  key: 'skim',
  label: say('methods.clabber.creamTop'),
  kind: 'option',
  initial: 'yes',
  why: say('methods.clabber.milkNotHomogenisedRises'),
  options: [
    { id: 'yes', label: say('methods.clabber.liftOff'), why: say('methods.clabber.souredCreamSpoonChurn') },
    { id: 'no', label: say('methods.clabber.leaveIt'), why: say('methods.clabber.richerClabber') },
  ],
} as const satisfies OptionChoice;

export const clabber = method({
  id: 'clabber',
  code: 'L1',
  name: say('methods.clabber.clabber'),
  short: say('methods.clabber.clabber'),
  family: FAMILIES.souredMilk,
  summary: say('methods.clabber.milkLeftWarmJar'),
  groups: [
    ...CLABBER_GROUPS,
    { title: say('methods.clabber.after'), choices: [CREAM, ...CLABBER_COOLING.choices] },
    CHILLING,
    vary(MONEY_AND_BESIDES, { potG: { initial: 500 }, shopPrice: { initial: 5 } }),
  ],
  stages: [
    ...CLABBER_STAGES,
    { id: 'skim', kind: 'skim', params: {}, onlyIf: { choice: 'skim', is: 'yes' } },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 3, ...CHILLING_PARAMS } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
});
