import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import type { ChoiceGroup } from './method.js';
import {
  BLEND,
  CHILLING,
  CHILLING_PARAMS,
  HEATING,
  KEEPING,
  KEEPING_PARAMS,
  PLAIN_MILK,
  MONEY,
  STARTER,
  STARTER_PARAMS,
} from './common-choices.js';
import { method, type TypedTemplate } from './typed.js';

/** From cold milk to cold set yogurt; strained yogurt goes on from here. */
export const SCALDED_STAGES = [
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
  { id: 'chill', kind: 'chill', params: { holdBackPct: 3, ...CHILLING_PARAMS } },
] as const satisfies readonly TypedTemplate[];

const DRINKING = {
  title: say('methods.scaldedYogurt.toDrink'),
  choices: [
    {
      key: 'thinPct',
      nought: say('methods.scaldedYogurt.notThinned'),
      label: say('methods.scaldedYogurt.thinItBy'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 150,
      step: 5,
      initial: 0,
      why: say('methods.scaldedYogurt.noneSpoonThirtyPours'),
    },
    {
      key: 'thinWith',
      onlyIf: { choice: 'thinPct', above: 0 },
      label: say('methods.scaldedYogurt.with'),
      kind: 'option',
      initial: 'water',
      why: say('methods.scaldedYogurt.coldClean'),
      options: [
        {
          id: 'water',
          label: say('methods.scaldedYogurt.water'),
          why: say('methods.scaldedYogurt.lighterTartBoiledCooled'),
        },
        { id: 'milk', label: say('methods.scaldedYogurt.milk'), why: say('methods.scaldedYogurt.rounder') },
      ],
    },
  ],
} as const satisfies ChoiceGroup;

export const scaldedYogurt = method({
  id: 'scalded-yogurt',
  code: 'Y1',
  name: say('methods.scaldedYogurt.scaldedYogurt'),
  short: say('methods.scaldedYogurt.scalded'),
  family: FAMILIES.yogurt,
  summary: say('methods.scaldedYogurt.milkHeatedHighHeld'),
  groups: [PLAIN_MILK, HEATING, STARTER, KEEPING, CHILLING, DRINKING, MONEY],
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
});
