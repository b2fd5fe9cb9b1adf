import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { CLOTH, CLOTH_PARAMS } from './curd-choices.js';
import { endingChoices, endingParams } from './ending-choices.js';
import { FLAVOUR, FOLD_STAGE } from './flavour-choices.js';
import { when, type ChoiceGroup } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { CHILLING, HEATING, KEEPING, PLAIN_MILK, MONEY_AND_BESIDES, STARTER } from './common-choices.js';
import { MILK_OR_YOGURT, OF_MILK, YOGURT_TAKEN } from './soured-choices.js';
import { method } from './typed.js';

const STRAINING = {
  title: say('methods.strainedYogurt.straining'),
  choices: [
    {
      key: 'texture',
      onlyIf: { choice: 'stopping', not: 'clock' },
      label: say('methods.strainedYogurt.untilItIs'),
      kind: 'option',
      initial: 'very-thick',
      why: say('methods.strainedYogurt.textureNotTimeScale'),
      options: [
        {
          id: 'thick',
          label: say('methods.strainedYogurt.thick'),
          why: say('methods.strainedYogurt.poursOffSpoonSlowly'),
        },
        {
          id: 'very-thick',
          label: say('methods.strainedYogurt.veryThick'),
          why: say('methods.strainedYogurt.standsSpoonSolids'),
        },
        {
          id: 'spreadable',
          label: say('methods.strainedYogurt.spreadable'),
          why: say('methods.strainedYogurt.holdsFurrowSolids'),
        },
        {
          id: 'firm',
          label: say('methods.strainedYogurt.firm'),
          why: say('methods.strainedYogurt.rollsIntoBallsSolids'),
        },
      ],
    },
    {
      key: 'drain',
      label: say('methods.strainedYogurt.how'),
      kind: 'option',
      initial: 'hung',
      why: say('methods.strainedYogurt.moreWeightCurdPresses'),
      options: [
        {
          id: 'flat',
          label: say('methods.strainedYogurt.flatSieve'),
          why: say('methods.strainedYogurt.gentlestStopsItselfNear'),
        },
        {
          id: 'hung',
          label: say('methods.strainedYogurt.hungCloth'),
          why: say('methods.strainedYogurt.spreadableOvernight'),
        },
        {
          id: 'pressed',
          label: say('methods.strainedYogurt.pressedMould'),
          why: say('methods.strainedYogurt.forFirm'),
        },
      ],
    },
    {
      key: 'where',
      label: say('methods.strainedYogurt.where'),
      kind: 'option',
      initial: 'cold',
      why: say('methods.strainedYogurt.counterDrainsFasterBut'),
      options: [
        {
          id: 'cold',
          label: say('methods.strainedYogurt.inTheCold'),
          why: say('methods.strainedYogurt.slowerSafeAnyHour'),
        },
        {
          id: 'counter',
          label: say('methods.strainedYogurt.onTheCounter'),
          why: say('methods.strainedYogurt.onlyPhBelowUp'),
        },
      ],
    },
    ...CLOTH,
    {
      key: 'stopping',
      label: say('methods.strainedYogurt.andStop'),
      kind: 'option',
      initial: 'scale',
      why: say('methods.strainedYogurt.somebodyMustThereWhen'),
      options: [
        {
          id: 'scale',
          label: say('methods.strainedYogurt.byTheScale'),
          why: say('methods.strainedYogurt.justThickWanted'),
        },
        {
          id: 'overnight',
          label: say('methods.strainedYogurt.whenHardlyDrips'),
          why: say('methods.strainedYogurt.nobodyNeedThereWhey'),
        },
        {
          id: 'clock',
          label: say('methods.endingChoices.byTheClock'),
          why: say('methods.endingChoices.sheetSaysWhatComes'),
        },
      ],
    },
    ...endingChoices('drain', {
      label: say('methods.endingChoices.drainingEnds'),
      hours: 12,
      onlyIf: { choice: 'stopping', is: 'clock' },
    }),
  ],
} as const satisfies ChoiceGroup;

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
    {
      id: 'strain',
      kind: 'strain',
      params: {
        ...CLOTH_PARAMS,
        method: { choice: 'drain' },
        texture: { choice: 'texture' },
        where: { choice: 'where' },
      },
      onlyIf: { choice: 'stopping', is: 'scale' },
    },
    {
      id: 'strain',
      kind: 'strain',
      params: { ...CLOTH_PARAMS, method: { choice: 'drain' }, share: 0.8, where: { choice: 'where' } },
      onlyIf: { choice: 'stopping', is: 'overnight' },
    },
    {
      id: 'strain',
      kind: 'strain',
      params: { ...CLOTH_PARAMS, method: { choice: 'drain' }, where: { choice: 'where' }, ...endingParams('drain') },
      onlyIf: { choice: 'stopping', is: 'clock' },
    },
    {
      id: 'whey-back',
      kind: 'whey-back',
      params: { texture: { choice: 'texture' } },
      onlyIf: { choice: 'stopping', is: 'overnight' },
    },
    FOLD_STAGE,
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
});
