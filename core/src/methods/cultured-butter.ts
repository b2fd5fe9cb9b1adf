import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { CULTURED_GROUPS, CULTURED_STAGES } from './cultured-cream.js';
import { MONEY_AND_BESIDES } from './common-choices.js';
import { saltChoice } from './curd-choices.js';
import { FLAVOUR, FOLD_STAGE } from './flavour-choices.js';
import { vary, when, type ChoiceGroup } from './method.js';
import { OF_CREAM, SOUR_CREAM_TAKEN, SWEET_OR_SOUR_CREAM } from './soured-choices.js';
import { method } from './typed.js';

const [CREAM, SOURED_BY, ROOM, CHILLING] = CULTURED_GROUPS;

const CHURNING = {
  title: say('methods.culturedButter.churning'),
  choices: [
    {
      key: 'churnC',
      label: say('methods.culturedButter.churnAt'),
      kind: 'number',
      unit: '°C',
      min: 8,
      max: 21,
      step: 1,
      initial: 12,
      why: say('methods.culturedButter.coldSlowerFirmerLeaves'),
    },
    {
      key: 'device',
      label: say('methods.culturedButter.with'),
      kind: 'option',
      initial: 'mixer',
      why: say('methods.culturedButter.anythingBeatsHandsDiffer'),
      options: [
        {
          id: 'mixer',
          label: say('methods.culturedButter.mixer'),
          why: say('methods.culturedButter.whiskFirstPaddleOnce'),
        },
        {
          id: 'crank',
          label: say('methods.culturedButter.crankedChurn'),
          why: say('methods.culturedButter.steadyEasyStopTime'),
        },
        {
          id: 'jar',
          label: say('methods.culturedButter.jarShaken'),
          why: say('methods.culturedButter.noGearSomePatience'),
        },
        {
          id: 'processor',
          label: say('methods.culturedButter.foodProcessor'),
          why: say('methods.culturedButter.veryQuickWatch'),
        },
      ],
    },
    {
      key: 'churnL',
      label: say('methods.culturedButter.itHolds'),
      kind: 'number',
      unit: 'L',
      min: 0.5,
      max: 80,
      step: 0.5,
      initial: 4,
      why: say('methods.culturedButter.halfStaysEmptyCream'),
    },
    {
      key: 'washing',
      label: say('methods.culturedButter.washIt'),
      kind: 'option',
      initial: 'clear',
      why: say('methods.culturedButter.whatButtermilkLeftTurns'),
      options: [
        { id: 'clear', label: say('methods.culturedButter.untilClear'), why: say('methods.culturedButter.keepsWeeks') },
        {
          id: 'counted',
          label: say('methods.culturedButter.soOften'),
          why: say('methods.culturedButter.yourOwnCount'),
        },
        {
          id: 'press',
          label: say('methods.culturedButter.pressOnly'),
          why: say('methods.culturedButter.moreFlavourEatWithin'),
        },
      ],
    },
    {
      key: 'washTimes',
      onlyIf: { choice: 'washing', is: 'counted' },
      label: say('methods.culturedButter.washes'),
      kind: 'number',
      unit: 'times',
      min: 1,
      max: 8,
      step: 1,
      initial: 3,
      why: say('methods.culturedButter.eachDilutes'),
    },
    {
      key: 'washWater',
      onlyIf: { choice: 'washing', not: 'press' },
      label: say('methods.culturedButter.waterIs'),
      kind: 'option',
      initial: 'cold',
      why: say('methods.culturedButter.iceFirmsWarmChurned'),
      options: [
        {
          id: 'cold',
          label: say('methods.culturedButter.tapCold'),
          why: say('methods.culturedButter.enoughForColdChurned'),
        },
        { id: 'ice', label: say('methods.culturedButter.withIce'), why: say('methods.culturedButter.iceWhy') },
      ],
    },
    {
      key: 'butterFatPct',
      label: say('methods.culturedButter.workItTo'),
      kind: 'number',
      unit: '% fat',
      min: 78,
      max: 86,
      step: 1,
      initial: 82,
      why: say('methods.culturedButter.eightyTwoButterDrier'),
    },
    saltChoice(1, say('methods.culturedButter.butterNoneOnePer')),
    {
      key: 'shape',
      label: say('methods.culturedButter.shapeIt'),
      kind: 'option',
      initial: 'wrap',
      why: say('methods.culturedButter.airLeftTurns'),
      options: [
        {
          id: 'wrap',
          label: say('methods.culturedButter.handWrapped'),
          why: say('methods.culturedButter.wetPaddlesPaper'),
        },
        {
          id: 'mould',
          label: say('methods.culturedButter.inAMould'),
          why: say('methods.culturedButter.pressedColdTurnedOut'),
        },
      ],
    },
    {
      key: 'keptIn',
      label: say('methods.culturedButter.keepIt'),
      kind: 'option',
      initial: 'cold',
      why: say('methods.culturedButter.wrappedTightEitherWay'),
      options: [
        {
          id: 'cold',
          label: say('methods.culturedButter.inTheCold'),
          why: say('methods.culturedButter.sheetSaysDays'),
        },
        { id: 'frozen', label: say('methods.culturedButter.frozen'), why: say('methods.culturedButter.monthsThawDay') },
      ],
    },
  ],
} as const satisfies ChoiceGroup;

const STAGES = [
  ...CULTURED_STAGES.map((stage) => when(OF_CREAM, stage)),
  SOUR_CREAM_TAKEN,
  { id: 'temper', kind: 'temper', params: { targetC: { choice: 'churnC' } } },
  { id: 'churn', kind: 'churn', params: { device: { choice: 'device' }, churnL: { choice: 'churnL' } } },
  { id: 'draw', kind: 'draw', params: {} },
  {
    id: 'wash',
    kind: 'wash',
    params: { water: { choice: 'washWater' } },
    onlyIf: { choice: 'washing', is: 'clear' },
  },
  {
    id: 'wash',
    kind: 'wash',
    params: { water: { choice: 'washWater' }, times: { choice: 'washTimes' } },
    onlyIf: { choice: 'washing', is: 'counted' },
  },
  { id: 'work', kind: 'work', params: { butterFatPct: { choice: 'butterFatPct' }, saltPct: { choice: 'saltPct' } } },
  FOLD_STAGE,
  { id: 'mould', kind: 'mould', params: { pieceG: { choice: 'potG' }, shape: { choice: 'shape' } } },
  {
    id: 'finish',
    kind: 'finish',
    params: { potG: { choice: 'potG' }, whisk: 'no', as: 'pieces', keptIn: { choice: 'keptIn' } },
  },
] as const;

export const culturedButter = method({
  id: 'cultured-butter',
  code: 'B1',
  name: say('methods.culturedButter.culturedButter'),
  short: say('methods.culturedButter.butter'),
  family: FAMILIES.cream,
  summary: say('methods.culturedButter.culturedCreamRipenedCold'),
  groups: [
    SWEET_OR_SOUR_CREAM,
    when(
      OF_CREAM,
      vary(CREAM, {
        fatPct: { min: 22, initial: 36, why: say('methods.culturedButter.thirtyFortyChurnsBest') },
      }),
    ),
    when(OF_CREAM, SOURED_BY),
    when(OF_CREAM, vary(ROOM, { targetPh: { initial: 4.7, why: say('methods.culturedButter.ripeCleanNuttyLower') } })),
    when(OF_CREAM, CHILLING),
    CHURNING,
    FLAVOUR,
    vary(MONEY_AND_BESIDES, { potG: { initial: 250 }, shopPrice: { initial: 18 } }),
  ],
  stages: STAGES,
});
