import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { READY_MILKS, REFERENCE_MILKS } from '../materials/reference-materials.js';
import { only, vary, when, withFirst, type OptionChoice } from './method.js';
import { STRAIN_STAGES, STRAINING } from './straining-choices.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import {
  CHILLING,
  KEEPING,
  PLAIN_MILK,
  milkOption,
  MONEY_AND_BESIDES,
  STARTER,
  STARTER_KEYS,
} from './common-choices.js';
import { method, stagesNamed } from './typed.js';

const STAGES = stagesNamed(SCALDED_STAGES, ['blend', 'starter', 'warm', 'chill']);

const STRAINED = { choice: 'strainIt', is: 'yes' } as const;
const STRAIN_IT = {
  key: 'strainIt',
  label: say('methods.coldStartYogurt.strainIt'),
  kind: 'option',
  initial: 'no',
  why: say('methods.coldStartYogurt.thickerLessOfIt'),
  options: [
    { id: 'no', label: say('methods.coldStartYogurt.asItSets'), why: say('methods.coldStartYogurt.nothingMoreToDo') },
    { id: 'yes', label: say('methods.coldStartYogurt.strained'), why: say('methods.coldStartYogurt.thickerLessOfIt') },
  ],
} as const satisfies OptionChoice;

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
    withFirst(when(STRAINED, STRAINING), STRAIN_IT),
    MONEY_AND_BESIDES,
  ],
  stages: [
    ...STAGES,
    ...STRAIN_STAGES.map((stage) => when(STRAINED, stage)),
    {
      id: 'finish',
      kind: 'finish',
      params: { potG: { choice: 'potG' }, whisk: 'no' },
      onlyIf: { choice: 'strainIt', is: 'no' },
    },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } }, onlyIf: STRAINED },
  ],
});
