import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { BOTTLES, BOTTLES_STAGE } from './bottle-choices.js';
import { vary, type ChoiceGroup } from './method.js';
import { ROOM } from './room-choices.js';
import { BLEND, CHILLING, CHILLING_PARAMS, PLAIN_MILK, MONEY, SOURING_END_PARAMS } from './common-choices.js';
import { ACTIVITY } from './starter-choices.js';
import { method } from './typed.js';

const GRAINS = {
  title: say('methods.grainKefir.grains'),
  choices: [
    {
      key: 'grainsPct',
      label: say('methods.grainKefir.grains'),
      kind: 'number',
      unit: '% of the milk',
      min: 1,
      max: 15,
      step: 0.5,
      initial: 5,
      why: say('methods.grainKefir.twoFourSummerSix'),
    },
    {
      key: 'ageDays',
      label: say('methods.grainKefir.lastFed'),
      kind: 'number',
      unit: 'days ago',
      min: 0,
      max: 60,
      step: 1,
      initial: 1,
      why: say('methods.grainKefir.theyWantNextMilk'),
    },
    {
      key: 'store',
      label: say('methods.grainKefir.waited'),
      kind: 'option',
      initial: 'room',
      why: say('methods.grainKefir.unfedWarmTheyDrown'),
      options: [
        { id: 'room', label: say('methods.grainKefir.lastKefir'), why: say('methods.grainKefir.forADay') },
        { id: 'cold', label: say('methods.grainKefir.milkCold'), why: say('methods.grainKefir.forWeeks') },
        {
          id: 'frozen',
          label: say('methods.grainKefir.frozen'),
          why: say('methods.grainKefir.reserveTwoThreeBatches'),
        },
      ],
    },
    ACTIVITY,
    {
      key: 'then',
      label: say('methods.grainKefir.theyGo'),
      kind: 'option',
      initial: 'next milk',
      why: say('methods.grainKefir.neverRinsedMilkThem'),
      options: [
        { id: 'next milk', label: say('methods.grainKefir.intoNextMilk'), why: say('methods.grainKefir.atOnce') },
        { id: 'rest', label: say('methods.grainKefir.toRest'), why: say('methods.grainKefir.underFreshMilkCold') },
      ],
    },
  ],
} as const satisfies ChoiceGroup;

export const grainKefir = method({
  id: 'grain-kefir',
  code: 'K1',
  name: say('methods.grainKefir.kefirGrains'),
  short: say('methods.grainKefir.onGrains'),
  family: FAMILIES.kefir,
  summary: say('methods.grainKefir.grainsSourMilkOvernight'),
  groups: [
    vary(PLAIN_MILK, { massG: { initial: 1000 }, vesselL: { initial: 2 } }),
    GRAINS,
    vary(ROOM, {
      targetPh: { initial: 4.5, max: 4.6, why: say('methods.grainKefir.goesBottleStopLittle') },
      roomC: { min: 16, max: 30 },
    }),
    BOTTLES,
    CHILLING,
    vary(MONEY, { potG: { initial: 500 }, shopPrice: { initial: 5 } }),
  ],
  stages: [
    BLEND,
    {
      id: 'starter',
      kind: 'grains',
      params: {
        grainsPct: { choice: 'grainsPct' },
        ageDays: { choice: 'ageDays' },
        store: { choice: 'store' },
        vigourPct: { choice: 'vigourPct' },
      },
    },
    {
      id: 'warm',
      kind: 'incubate',
      params: {
        keeper: 'counter',
        cover: { choice: 'cover' },
        ...SOURING_END_PARAMS,
      },
    },
    { id: 'sieve', kind: 'sieve', params: { then: { choice: 'then' } } },
    BOTTLES_STAGE,
    { id: 'chill', kind: 'chill', params: { holdBackPct: 0, bottledH: { choice: 'bottleH' }, ...CHILLING_PARAMS } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, bottledH: { choice: 'bottleH' } } },
  ],
});
