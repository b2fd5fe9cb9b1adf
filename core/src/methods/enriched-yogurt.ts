import { vary, withMore, type Method, type NumberChoice } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { HEATING, KEEPING, MILK, MONEY, STARTER, price } from './common-choices.js';

const POWDER: NumberChoice = {
  key: 'powderPct',
  label: 'Milk powder',
  kind: 'number',
  unit: '% of the milk',
  min: 0,
  max: 6,
  step: 0.5,
  initial: 2,
  why: 'Powder brings protein and firms; more than 4 % tastes of it.',
};

const POWDER_PRICE = price('powder', 'Powder costs', 'per kg', 9);

export const enrichedYogurt: Method = {
  id: 'enriched-yogurt',
  code: 'Y3',
  name: 'Enriched yogurt',
  short: 'Enriched',
  family: 'Yogurt',
  summary: 'Scalded yogurt with cream for roundness, or milk powder for body, or both.',
  groups: [
    withMore(
      vary(MILK, { fatPct: { initial: 7, why: 'Cream softens the tang and thickens: six to ten is double-fat.' } }),
      POWDER,
    ),
    HEATING,
    STARTER,
    KEEPING,
    withMore(MONEY, POWDER_PRICE),
  ],
  stages: [
    ...SCALDED_STAGES.map((stage) =>
      stage.kind === 'blend' ? { ...stage, params: { ...stage.params, powderPct: { choice: 'powderPct' } } } : stage,
    ),
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
