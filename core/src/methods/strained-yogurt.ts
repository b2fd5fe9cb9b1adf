import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { FLAVOUR, FOLD_STAGE } from './flavour-choices.js';
import { when } from './method.js';
import { STRAIN_STAGES, STRAINING } from './straining-choices.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { CHILLING, HEATING, KEEPING, PLAIN_MILK, MONEY_AND_BESIDES, STARTER } from './common-choices.js';
import { MILK_OR_YOGURT, OF_MILK, YOGURT_TAKEN } from './soured-choices.js';
import { method } from './typed.js';

export const strainedYogurt = method({
  id: 'strained-yogurt',
  code: 'Y5',
  name: say('methods.strainedYogurt.strainedYogurt'),
  short: say('methods.strainedYogurt.strained'),
  family: FAMILIES.yogurt,
  summary: say('methods.strainedYogurt.scaldedYogurtChilledCloth'),
  groups: [
    MILK_OR_YOGURT,
    when(OF_MILK, PLAIN_MILK),
    when(OF_MILK, HEATING),
    when(OF_MILK, STARTER),
    when(OF_MILK, KEEPING),
    when(OF_MILK, CHILLING),
    STRAINING,
    FLAVOUR,
    MONEY_AND_BESIDES,
  ],
  stages: [
    ...SCALDED_STAGES.map((stage) => when(OF_MILK, stage)),
    YOGURT_TAKEN,
    ...STRAIN_STAGES,
    FOLD_STAGE,
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
});
