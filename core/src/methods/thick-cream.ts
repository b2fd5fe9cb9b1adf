import { ACID_PRICE, ACID_STRENGTH, AGENT } from './acid-curd.js';
import { vary, type ChoiceGroup, type Method } from './method.js';
import { BLEND, MILK, MONEY } from './common-choices.js';

const CREAM = vary(
  { ...MILK, title: 'Cream' },
  {
    massG: { initial: 1000, why: 'Cream, and the milk that brings it to the fat wanted.' },
    vesselL: { initial: 2 },
    fatPct: { min: 25, max: 48, step: 1, initial: 36, why: 'Thirty at least; more is stiffer.' },
  },
);

const THICKENING: ChoiceGroup = {
  title: 'Acid and heat',
  choices: [
    {
      key: 'way',
      label: 'The acid goes in',
      kind: 'option',
      initial: 'two-stage',
      why: 'Either way it must not boil.',
      options: [
        {
          id: 'two-stage',
          label: 'Cooler, then heated again',
          why: 'To 85 °C, down to 65 °C, acid, back to 85 °C: smooth.',
        },
        {
          id: 'simmer',
          label: 'While it is hot',
          why: 'Eight to ten minutes just under the simmer: quicker, a little grain.',
        },
      ],
    },
    AGENT,
    ACID_STRENGTH,
    {
      key: 'targetPh',
      label: 'Down to, measured cold',
      kind: 'number',
      unit: 'pH',
      min: 5.3,
      max: 6.1,
      step: 0.05,
      initial: 5.7,
      why: 'More acid is thicker, and tastes of it.',
    },
    {
      key: 'holdMin',
      label: 'Hold it hot',
      kind: 'number',
      unit: 'min',
      min: 2,
      max: 15,
      step: 1,
      initial: 8,
      why: 'Longer is thicker.',
    },
    ACID_PRICE,
  ],
};

/** A cream that is thickened, not curdled, is heated to here, °C; and between the two heats let down to there. */
const HOT_C = 85;
const BETWEEN_C = 65;
const twoStage = { choice: 'way', is: 'two-stage' };

export const thickCream: Method = {
  id: 'thick-cream',
  code: 'A3',
  name: 'Thick acid cream',
  short: 'Thick cream',
  family: 'Cream',
  summary: 'Cream thickened by a little acid and heat, cooled in water, set in a doubled cloth overnight.',
  groups: [CREAM, THICKENING, vary(MONEY, { potG: { initial: 250 }, shopPrice: { initial: 15 } })],
  stages: [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: HOT_C } },
    { id: 'let-down', kind: 'cool', params: { targetC: BETWEEN_C, method: 'covered' }, onlyIf: twoStage },
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
    { id: 'cool', kind: 'cool', params: { targetC: 20, method: 'water-bath' } },
    {
      id: 'strain',
      kind: 'strain',
      params: { method: 'flat', share: 0.93, where: 'cold' },
    },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
