import { vary, type ChoiceGroup, type Method } from './method.js';
import { BLEND, MILK, MONEY } from './common-choices.js';

const SCALDING: ChoiceGroup = {
  title: 'Scalding',
  choices: [
    {
      key: 'scaldC',
      label: 'Keep it at',
      kind: 'number',
      unit: '°C',
      min: 72,
      max: 92,
      step: 1,
      initial: 80,
      why: 'Steady at 75 to 85; a slow oven or a water bath.',
    },
    {
      key: 'scaldH',
      label: 'For',
      kind: 'number',
      unit: 'h',
      min: 6,
      max: 16,
      step: 1,
      initial: 11,
      why: 'Eight is pale and thin, fourteen golden and thick.',
    },
    {
      key: 'depthCm',
      label: 'It stands',
      kind: 'number',
      unit: 'cm deep',
      min: 2,
      max: 12,
      step: 0.5,
      initial: 2.5,
      why: 'Shallow gives more crust, and is cold in time.',
    },
    {
      key: 'taking',
      label: 'Take the crust',
      kind: 'option',
      initial: 'lift',
      why: 'What is left under it is thin cream.',
      options: [
        { id: 'lift', label: 'Lift it', why: 'Thick; some cream stays behind.' },
        { id: 'drain', label: 'Pierce and drain', why: 'More of it, softer.' },
      ],
    },
  ],
};

export const scaldedCream: Method = {
  id: 'scalded-cream',
  code: 'S1',
  name: 'Scalded thick cream',
  short: 'Scalded',
  family: 'Cream',
  summary: 'Rich cream kept hot in a shallow pan through the night, cooled, its crust lifted off.',
  groups: [
    vary(
      { ...MILK, title: 'Cream' },
      {
        massG: { initial: 1500, why: 'Cream, and the milk that brings it to the fat wanted.' },
        vesselL: { label: 'The pan holds', initial: 3 },
        cream: { initial: 'cream-48' },
        fatPct: { min: 30, max: 48, step: 1, initial: 42, why: 'Thirty-five at least; richer gives more crust.' },
      },
    ),
    SCALDING,
    vary(MONEY, { potG: { initial: 200 }, creamPrice: { initial: 8.2 }, shopPrice: { initial: 20 } }),
  ],
  stages: [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'scaldC' }, paceCPerMin: 2 } },
    {
      id: 'scald',
      kind: 'scald-cream',
      params: { keepC: { choice: 'scaldC' }, hours: { choice: 'scaldH' }, depthCm: { choice: 'depthCm' } },
    },
    { id: 'cool', kind: 'cool', params: { targetC: 32, method: 'open', depthCm: { choice: 'depthCm' } } },
    { id: 'chill', kind: 'chill', params: { targetC: 5, holdBackPct: 0, depthCm: { choice: 'depthCm' } } },
    { id: 'lift', kind: 'lift', params: { how: { choice: 'taking' }, scaldedH: { choice: 'scaldH' } } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
