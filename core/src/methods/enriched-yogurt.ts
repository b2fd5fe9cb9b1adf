import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { vary, withMore, type NumberChoice } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { CHILLING, HEATING, KEEPING, MILK, MONEY, STARTER, price } from './common-choices.js';
import { method } from './typed.js';

const POWDER = {
  key: 'powderPct',
  label: say('methods.enrichedYogurt.milkPowder'),
  kind: 'number',
  unit: '% of the milk',
  min: 0,
  max: 6,
  step: 0.5,
  initial: 2,
  why: say('methods.enrichedYogurt.powderBringsProteinFirms'),
} as const satisfies NumberChoice;

const POWDER_PRICE = price('powder', say('methods.enrichedYogurt.powderCosts'), 'per kg', 9);

export const enrichedYogurt = method({
  id: 'enriched-yogurt',
  code: 'Y3',
  name: say('methods.enrichedYogurt.enrichedYogurt'),
  short: say('methods.enrichedYogurt.enriched'),
  family: FAMILIES.yogurt,
  summary: say('methods.enrichedYogurt.scaldedYogurtCreamRoundness'),
  groups: [
    withMore(
      vary(MILK, { fatPct: { initial: 7, why: say('methods.enrichedYogurt.creamSoftensTangThickens') } }),
      POWDER,
    ),
    HEATING,
    STARTER,
    KEEPING,
    CHILLING,
    withMore(MONEY, POWDER_PRICE),
  ],
  stages: [
    ...SCALDED_STAGES.map((stage) =>
      stage.kind === 'blend'
        ? ({ ...stage, params: { ...stage.params, powderPct: { choice: 'powderPct' } } } as const)
        : stage,
    ),
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
});
