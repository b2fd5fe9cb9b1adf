import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { vary, type ChoiceGroup } from './method.js';
import { BLEND, CHILLING, CHILLING_PARAMS, CREAM_OR_FAT, MILK, MONEY_AND_BESIDES } from './common-choices.js';
import { method } from './typed.js';

const SCALDING = {
  title: say('methods.scaldedCream.scalding'),
  choices: [
    {
      key: 'scaldC',
      label: say('methods.scaldedCream.keepItAt'),
      kind: 'number',
      unit: '°C',
      min: 72,
      max: 92,
      step: 1,
      initial: 80,
      why: say('methods.scaldedCream.steadySlowOvenWater'),
    },
    {
      key: 'scaldH',
      label: say('methods.scaldedCream.for'),
      kind: 'number',
      unit: 'h',
      min: 6,
      max: 16,
      step: 1,
      initial: 11,
      why: say('methods.scaldedCream.eightPaleThinFourteen'),
    },
    {
      key: 'depthCm',
      label: say('methods.scaldedCream.itStands'),
      kind: 'number',
      unit: 'cm deep',
      min: 2,
      max: 12,
      step: 0.5,
      initial: 2.5,
      why: say('methods.scaldedCream.shallowGivesMoreCrust'),
    },
    {
      key: 'taking',
      label: say('methods.scaldedCream.takeCrust'),
      kind: 'option',
      initial: 'lift',
      why: say('methods.scaldedCream.whatLeftUnderThin'),
      options: [
        { id: 'lift', label: say('methods.scaldedCream.liftIt'), why: say('methods.scaldedCream.thickSomeCreamStays') },
        { id: 'drain', label: say('methods.scaldedCream.pierceDrain'), why: say('methods.scaldedCream.moreSofter') },
      ],
    },
    {
      key: 'withThinPct',
      nought: say('methods.scaldedCream.noneOfIt'),
      label: say('methods.scaldedCream.thinCreamWithIt'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 60,
      step: 5,
      initial: 0,
      why: say('methods.scaldedCream.softerMoreOfIt'),
    },
  ],
} as const satisfies ChoiceGroup;

export const scaldedCream = method({
  id: 'scalded-cream',
  code: 'S1',
  name: say('methods.scaldedCream.scaldedThickCream'),
  short: say('methods.scaldedCream.scalded'),
  family: FAMILIES.cream,
  summary: say('methods.scaldedCream.richCreamKeptHot'),
  groups: [
    vary(
      { ...MILK, title: say('methods.scaldedCream.cream') },
      {
        blendBy: CREAM_OR_FAT,
        massG: { initial: 1500, why: say('methods.scaldedCream.creamMilkBringsFat') },
        vesselL: { label: say('methods.scaldedCream.panHolds'), initial: 3 },
        cream: { initial: 'cream-48' },
        fatPct: { min: 30, max: 48, step: 1, initial: 42, why: say('methods.scaldedCream.thirtyFiveLeastRicher') },
      },
    ),
    SCALDING,
    CHILLING,
    vary(MONEY_AND_BESIDES, { potG: { initial: 200 }, creamPrice: { initial: 8.2 }, shopPrice: { initial: 20 } }),
  ],
  stages: [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'scaldC' }, paceCPerMin: 2 } },
    {
      id: 'scald',
      kind: 'scald-cream',
      params: { keepC: { choice: 'scaldC' }, hours: { choice: 'scaldH' }, depthCm: { choice: 'depthCm' } },
    },
    {
      id: 'cool',
      kind: 'cool',
      params: { targetC: 32, method: 'open', depthCm: { choice: 'depthCm' }, toward: 'cold' },
    },
    {
      id: 'chill',
      kind: 'chill',
      params: { targetC: 5, holdBackPct: 0, depthCm: { choice: 'depthCm' }, inPan: 'yes', ...CHILLING_PARAMS },
    },
    {
      id: 'lift',
      kind: 'lift',
      params: { how: { choice: 'taking' }, scaldedH: { choice: 'scaldH' }, withThinPct: { choice: 'withThinPct' } },
    },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
});
