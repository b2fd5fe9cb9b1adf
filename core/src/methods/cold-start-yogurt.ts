import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { READY_MILKS, REFERENCE_MILKS } from '../materials/reference-materials.js';
import { only, vary } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { CHILLING, KEEPING, PLAIN_MILK, milkOption, MONEY, STARTER, STARTER_KEYS } from './common-choices.js';
import { method, stagesNamed } from './typed.js';

const STAGES = stagesNamed(SCALDED_STAGES, ['blend', 'starter', 'warm', 'chill']);

/** What can warm a cold crock, and not only keep a warm one. */
const WARMING = ['thermostat', 'lamp-oven'];

export const coldStartYogurt = method({
  id: 'cold-start-yogurt',
  code: 'Y2',
  name: say('methods.coldStartYogurt.coldStartYogurt'),
  short: say('methods.coldStartYogurt.coldStart'),
  family: FAMILIES.yogurt,
  summary: say('methods.coldStartYogurt.milkHeatedHighBefore'),
  groups: [
    vary(PLAIN_MILK, {
      milk: {
        initial: 'ultra-heated',
        why: say('methods.coldStartYogurt.ultraHeatedUltrafilteredMilk'),
        options: [...READY_MILKS, ...REFERENCE_MILKS].map(milkOption),
      },
      fatPct: { initial: 3.5, why: say('methods.coldStartYogurt.moreFatSoftensTang') },
    }),
    only(STARTER, STARTER_KEYS),
    vary(KEEPING, {
      keeper: {
        options: KEEPING.choices.flatMap((c) =>
          c.kind === 'option' ? c.options.filter((o) => WARMING.includes(o.id)) : [],
        ),
        why: say('methods.coldStartYogurt.warmColdMilkNot'),
      },
      keepC: { min: 36 },
    }),
    CHILLING,
    MONEY,
  ],
  stages: [...STAGES, { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } }],
});
