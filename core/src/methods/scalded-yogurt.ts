import type { ChoiceGroup, Method, StageTemplate } from './method.js';
import { BLEND, HEATING, KEEPING, KEEPING_PARAMS, MILK, MONEY, STARTER, STARTER_PARAMS } from './common-choices.js';

/** From cold milk to cold set yogurt; strained yogurt goes on from here. */
export const SCALDED_STAGES: readonly StageTemplate[] = [
  BLEND,
  { id: 'heat', kind: 'heat', params: { targetC: { choice: 'heatC' } } },
  {
    id: 'hold',
    kind: 'hold',
    params: { minutes: { choice: 'holdMin' }, targetC: { choice: 'heatC' }, lid: { choice: 'lid' } },
    onlyIf: { choice: 'holdMin', above: 0 },
  },
  { id: 'cool', kind: 'cool', params: { targetC: { choice: 'starterC' }, method: { choice: 'coolMethod' } } },
  {
    id: 'starter',
    kind: 'inoculate',
    params: {
      culture: 'thermophilic',
      ...STARTER_PARAMS,
    },
  },
  {
    id: 'warm',
    kind: 'incubate',
    params: KEEPING_PARAMS,
  },
  { id: 'chill', kind: 'chill', params: { holdBackPct: 3 } },
];

const DRINKING: ChoiceGroup = {
  title: 'To drink',
  choices: [
    {
      key: 'thinPct',
      nought: 'not thinned',
      label: 'Thin it by',
      kind: 'number',
      unit: '%',
      min: 0,
      max: 150,
      step: 5,
      initial: 0,
      why: 'None for the spoon; thirty pours, a hundred is a summer drink.',
    },
    {
      key: 'thinWith',
      onlyIf: { choice: 'thinPct', above: 0 },
      label: 'With',
      kind: 'option',
      initial: 'water',
      why: 'Cold and clean.',
      options: [
        { id: 'water', label: 'Water', why: 'Lighter and tart; boiled and cooled.' },
        { id: 'milk', label: 'Milk', why: 'Rounder.' },
      ],
    },
  ],
};

export const scaldedYogurt: Method = {
  id: 'scalded-yogurt',
  code: 'Y1',
  name: 'Scalded yogurt',
  short: 'Scalded',
  family: 'Yogurt',
  summary: 'Milk heated high and held, soured warm by a spoon of the last, chilled undisturbed.',
  groups: [MILK, HEATING, STARTER, KEEPING, DRINKING, MONEY],
  stages: [
    ...SCALDED_STAGES,
    {
      id: 'thin',
      kind: 'dilute',
      params: { into: { choice: 'thinWith' }, pct: { choice: 'thinPct' } },
      onlyIf: { choice: 'thinPct', above: 0 },
    },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
