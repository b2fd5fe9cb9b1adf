import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { FLAVOUR, FOLD_STAGE } from './flavour-choices.js';
import { STRAIN_STAGES, STRAINING } from './straining-choices.js';
import { MONEY_AND_BESIDES } from './common-choices.js';
import { MILK_OR_YOGURT, OF_MILK_GROUPS, YOGURT_STAGES } from './soured-choices.js';
import { method } from './typed.js';

export const strainedYogurt = method({
  id: 'strained-yogurt',
  code: 'Y5',
  name: say('methods.strainedYogurt.strainedYogurt'),
  short: say('methods.strainedYogurt.strained'),
  family: FAMILIES.yogurt,
  summary: say('methods.strainedYogurt.scaldedYogurtChilledCloth'),
  groups: [MILK_OR_YOGURT, ...OF_MILK_GROUPS, STRAINING, FLAVOUR, MONEY_AND_BESIDES],
  stages: [
    ...YOGURT_STAGES,
    ...STRAIN_STAGES,
    FOLD_STAGE,
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
});
