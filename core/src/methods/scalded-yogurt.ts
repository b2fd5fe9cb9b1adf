import type { Method, StageTemplate } from './method.js';
import { BLEND, HEATING, KEEPING, MILK, MONEY, STARTER } from './yogurt-choices.js';

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
      dosePct: { choice: 'dosePct' },
      form: { choice: 'form' },
      ageDays: { choice: 'ageDays' },
      store: { choice: 'store' },
    },
  },
  {
    id: 'warm',
    kind: 'incubate',
    params: { keeper: { choice: 'keeper' }, keepC: { choice: 'keepC' }, targetPh: { choice: 'targetPh' } },
  },
  { id: 'chill', kind: 'chill', params: { holdBackPct: 3 } },
];

export const scaldedYogurt: Method = {
  id: 'scalded-yogurt',
  code: 'Y1',
  name: 'Scalded yogurt',
  short: 'Scalded',
  family: 'Yogurt',
  summary: 'Milk heated high and held, soured warm by a spoon of the last, chilled undisturbed.',
  groups: [MILK, HEATING, STARTER, KEEPING, MONEY],
  stages: [...SCALDED_STAGES, { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } }],
};
