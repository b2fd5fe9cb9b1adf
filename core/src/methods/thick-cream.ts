import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import { ACID_PRICE, ACID_STRENGTH, AGENT } from './acid-curd.js';
import { CLOTH, CLOTH_PARAMS, drainingEnds } from './curd-choices.js';
import { endingParams } from './ending-choices.js';
import { vary, type ChoiceGroup } from './method.js';
import { BLEND, CREAM_OR_FAT, MILK, MONEY_AND_BESIDES } from './common-choices.js';
import { method } from './typed.js';

const CREAM = vary(
  { ...MILK, title: say('methods.thickCream.cream') },
  {
    blendBy: CREAM_OR_FAT,
    massG: { initial: 1000, why: say('methods.thickCream.creamMilkBringsFat') },
    vesselL: { initial: 2 },
    fatPct: { min: 25, max: 48, step: 1, initial: 36, why: say('methods.thickCream.thirtyLeastMoreStiffer') },
  },
);

/** A cream that is thickened, not curdled, is heated to here, °C; and between the two heats let down to there. */
const HOT_C = 85;
const BETWEEN_C = 65;
const THICKENING = {
  title: say('methods.thickCream.acidHeat'),
  choices: [
    {
      key: 'way',
      label: say('methods.thickCream.acidGoes'),
      kind: 'option',
      initial: 'two-stage',
      why: say('methods.thickCream.eitherWayMustNot'),
      options: [
        {
          id: 'two-stage',
          label: say('methods.thickCream.coolerHeatedAgain'),
          why: say('methods.thickCream.downAcidBackSmooth', { temp: temp(85), temp2: temp(65), temp3: temp(85) }),
        },
        {
          id: 'simmer',
          label: say('methods.thickCream.whileHot'),
          why: say('methods.thickCream.eightTenMinutesJust'),
        },
      ],
    },
    {
      key: 'betweenC',
      onlyIf: { choice: 'way', is: 'two-stage' },
      label: say('methods.thickCream.letDownTo'),
      kind: 'number',
      unit: '°C',
      min: 55,
      max: 75,
      step: 1,
      initial: BETWEEN_C,
      why: say('methods.thickCream.coolerSmoother'),
    },
    AGENT,
    ACID_STRENGTH,
    {
      key: 'targetPh',
      label: say('methods.thickCream.downMeasuredCold'),
      kind: 'number',
      unit: 'pH',
      min: 5.3,
      max: 6.1,
      step: 0.05,
      initial: 5.7,
      why: say('methods.thickCream.moreAcidThickerTastes'),
    },
    {
      key: 'holdMin',
      label: say('methods.thickCream.holdHot'),
      kind: 'number',
      unit: 'min',
      min: 2,
      max: 15,
      step: 1,
      initial: 8,
      why: say('methods.thickCream.longerThicker'),
    },
    ...drainingEnds(12, 'drip'),
    ...CLOTH,
    ACID_PRICE,
  ],
} as const satisfies ChoiceGroup;

const twoStage = { choice: 'way', is: 'two-stage' } as const;

export const thickCream = method({
  id: 'thick-cream',
  code: 'A3',
  name: say('methods.thickCream.thickAcidCream'),
  short: say('methods.thickCream.thickCream'),
  family: FAMILIES.cream,
  summary: say('methods.thickCream.creamThickenedLittleAcid'),
  groups: [CREAM, THICKENING, vary(MONEY_AND_BESIDES, { potG: { initial: 250 }, shopPrice: { initial: 15 } })],
  stages: [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: HOT_C } },
    {
      id: 'let-down',
      kind: 'cool',
      params: { targetC: { choice: 'betweenC' }, method: 'covered', toward: 'acid' },
      onlyIf: twoStage,
    },
    {
      id: 'acid',
      kind: 'acidify',
      params: {
        agent: { choice: 'agent' },
        strengthPct: { choice: 'acidPct' },
        targetPh: { choice: 'targetPh' },
        parts: 4,
        into: 'thick cream',
      },
    },
    { id: 'again', kind: 'heat', params: { targetC: HOT_C } },
    { id: 'hold', kind: 'hold', params: { minutes: { choice: 'holdMin' }, targetC: HOT_C } },
    { id: 'cool', kind: 'cool', params: { targetC: 20, method: 'water-bath', toward: 'cold' } },
    {
      id: 'strain',
      kind: 'strain',
      params: { ...CLOTH_PARAMS, method: 'flat', share: 0.93, where: 'cold', ...endingParams('drain') },
    },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no', eaten: 'an hour out' } },
  ],
});
