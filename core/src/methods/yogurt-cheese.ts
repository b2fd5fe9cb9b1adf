import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { BY_CLOCK, BY_TEXTURE, DRAINED_BY, flatHours, HANG_ENDS, saltChoice, SALT_STAGE } from './curd-choices.js';
import { endingChoices, endingParams } from './ending-choices.js';
import { vary, type ChoiceGroup } from './method.js';
import { MONEY_AND_BESIDES } from './common-choices.js';
import { MILK_OR_YOGURT, OF_MILK_GROUPS, YOGURT_STAGES } from './soured-choices.js';
import { method } from './typed.js';

/** When it is taken out of the press, where the clock ends that. */
const PRESS_ENDS = endingChoices('press', {
  label: say('methods.endingChoices.pressedUntil'),
  hours: 12,
  onlyIf: BY_CLOCK,
});

const PRESSING = {
  title: say('methods.yogurtCheese.drainingPressing'),
  choices: [
    DRAINED_BY,
    flatHours(3),
    ...HANG_ENDS,
    ...PRESS_ENDS,
    {
      key: 'texture',
      onlyIf: BY_TEXTURE,
      label: say('methods.yogurtCheese.pressUntil'),
      kind: 'option',
      initial: 'pressed',
      why: say('methods.yogurtCheese.flatFirstHungOvernight'),
      options: [
        { id: 'firm', label: say('methods.yogurtCheese.firm'), why: say('methods.yogurtCheese.rollsIntoBallsSolids') },
        {
          id: 'pressed',
          label: say('methods.yogurtCheese.pressed'),
          why: say('methods.yogurtCheese.turnsOutMouldSlices'),
        },
      ],
    },
    saltChoice(0.8, say('methods.yogurtCheese.halfOnePerCent')),
  ],
} as const satisfies ChoiceGroup;

export const yogurtCheese = method({
  id: 'yogurt-cheese',
  code: 'F3',
  name: say('methods.yogurtCheese.pressedYogurtCheese'),
  short: say('methods.yogurtCheese.yogurtCheese'),
  family: FAMILIES.freshCheese,
  summary: say('methods.yogurtCheese.yogurtDrainedFlatHung'),
  groups: [
    MILK_OR_YOGURT,
    ...OF_MILK_GROUPS,
    PRESSING,
    vary(MONEY_AND_BESIDES, {
      potG: {
        initial: 250,
        label: say('methods.yogurtCheese.piecesOf'),
        why: say('methods.yogurtCheese.weightOnePiece'),
      },
      shopPrice: { initial: 16 },
    }),
  ],
  stages: [
    ...YOGURT_STAGES,
    { id: 'flat', kind: 'strain', params: { method: 'flat', share: 0.4, where: 'cold' }, onlyIf: BY_TEXTURE },
    { id: 'hang', kind: 'strain', params: { method: 'hung', share: 0.7, where: 'cold' }, onlyIf: BY_TEXTURE },
    {
      id: 'flat',
      kind: 'strain',
      params: { method: 'flat', where: 'cold', until: 'hours', untilH: { choice: 'flatH' } },
      onlyIf: BY_CLOCK,
    },
    {
      id: 'hang',
      kind: 'strain',
      params: { method: 'hung', where: 'cold', ...endingParams('hang') },
      onlyIf: BY_CLOCK,
    },
    SALT_STAGE,
    {
      id: 'strain',
      kind: 'strain',
      params: { method: 'pressed', texture: { choice: 'texture' }, where: 'cold' },
      onlyIf: BY_TEXTURE,
    },
    {
      id: 'strain',
      kind: 'strain',
      params: { method: 'pressed', where: 'cold', ...endingParams('press') },
      onlyIf: BY_CLOCK,
    },
    { id: 'mould', kind: 'mould', params: { pieceG: { choice: 'potG' }, shape: 'mould' } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no', as: 'pieces' } },
  ],
});
