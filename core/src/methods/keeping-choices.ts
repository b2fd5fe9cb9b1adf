import { endingChoices, endingParams } from './ending-choices.js';
import { say } from '../messages/message.js';
import { tempBy } from '../messages/quantity.js';
import type { ChoiceGroup } from './method.js';
import type { ParamsFor } from './typed.js';

/** When a souring ends. */
const SOURING_ENDS = endingChoices('warm', {
  label: say('methods.endingChoices.souringEnds'),
  aim: { label: say('methods.endingChoices.whenSour'), why: say('methods.endingChoices.sournessWanted') },
  hours: 8,
});

/** How long it stays in the cold before what follows. */
export const CHILLING = {
  title: say('methods.endingChoices.coldTitle'),
  choices: endingChoices('chill', {
    label: say('methods.endingChoices.coldEnds'),
    aim: { label: say('methods.endingChoices.whenCold'), why: say('methods.endingChoices.coldWanted') },
    hours: 12,
    most: 120,
  }),
} as const satisfies ChoiceGroup;

/** What the stage that chills is told of {@link CHILLING}. */
export const CHILLING_PARAMS = endingParams('chill') satisfies ParamsFor<'chill'>;

/** Where it is kept warm, how warm, and until when. */
export const KEEPING = {
  title: say('methods.keepingChoices.keepingWarm'),
  choices: [
    {
      key: 'keeper',
      label: say('methods.keepingChoices.where'),
      kind: 'option',
      initial: 'thermostat',
      why: say('methods.keepingChoices.evenWarmthSetsEvenly'),
      options: [
        {
          id: 'thermostat',
          label: say('methods.keepingChoices.thermostatWaterBath'),
          why: say('methods.keepingChoices.holdsWhatYouSet'),
        },
        {
          id: 'lamp-oven',
          label: say('methods.keepingChoices.ovenLamp'),
          why: say('methods.keepingChoices.holdsWhatHoldsMeasure'),
        },
        {
          id: 'flask',
          label: say('methods.keepingChoices.vacuumFlask'),
          why: say('methods.keepingChoices.coolsAboutHourWhere', { temp: tempBy(1) }),
        },
        {
          id: 'wrapped',
          label: say('methods.keepingChoices.boxTowels'),
          why: say('methods.keepingChoices.bigPotKeepsWell'),
        },
        {
          id: 'bath',
          label: say('methods.keepingChoices.jarsInBath'),
          why: say('methods.keepingChoices.bathKeepsJars'),
        },
      ],
    },
    {
      key: 'preheated',
      onlyIf: { choice: 'keeper', is: 'flask' },
      label: say('methods.keepingChoices.aFlaskIs'),
      kind: 'option',
      initial: 'yes',
      why: say('methods.keepingChoices.coldFlaskCoolsWhat', { temp: tempBy(2) }),
      options: [
        {
          id: 'yes',
          label: say('methods.keepingChoices.rinsedHotFirst'),
          why: say('methods.keepingChoices.keepsWhatYouGive'),
        },
        {
          id: 'no',
          label: say('methods.keepingChoices.cold'),
          why: say('methods.keepingChoices.fillWarmer', { temp: tempBy(2) }),
        },
      ],
    },
    {
      key: 'keepC',
      label: say('methods.keepingChoices.setTo'),
      kind: 'number',
      unit: '°C',
      min: 30,
      max: 50,
      step: 0.5,
      initial: 43,
      why: say('methods.keepingChoices.coolerSlowerFirmerRounder'),
    },
    ...SOURING_ENDS,
    {
      key: 'targetPh',
      onlyIf: { choice: 'warmUntil', is: 'aim' },
      label: say('methods.keepingChoices.sourUntil'),
      kind: 'number',
      unit: 'pH',
      min: 4,
      max: 5,
      step: 0.05,
      initial: 4.5,
      why: say('methods.keepingChoices.mildTangySharpBelow'),
    },
    {
      key: 'leave',
      onlyIf: { choice: 'warmUntil', is: 'aim' },
      label: say('methods.keepingChoices.sourNight'),
      kind: 'option',
      initial: 'chill',
      why: say('methods.keepingChoices.leftTillSomebodyUp'),
      options: [
        {
          id: 'chill',
          label: say('methods.keepingChoices.intoCold'),
          why: say('methods.keepingChoices.somebodyGetsUpUnless'),
        },
        {
          id: 'morning',
          label: say('methods.keepingChoices.leftTillMorning'),
          why: say('methods.keepingChoices.nobodyGetsUp'),
        },
      ],
    },
    {
      key: 'roomC',
      label: say('methods.keepingChoices.room'),
      kind: 'number',
      unit: '°C',
      min: 5,
      max: 38,
      step: 1,
      initial: 20,
      why: say('methods.keepingChoices.setsHowFastThings'),
    },
  ],
} as const satisfies ChoiceGroup;

/** Keys of the choices of when a souring ends. */
export const SOURING_END_KEYS = ['warmUntil', 'warmH', 'warmHour', 'targetPh', 'leave'] as const;

/** What a stage that sours by the warmth of the room is told of when it ends. */
export const SOURING_END_PARAMS = {
  targetPh: { choice: 'targetPh' },
  leave: { choice: 'leave' },
  ...endingParams('warm'),
} as const satisfies ParamsFor<'incubate'>;

/** What the stage that keeps warm what {@link KEEPING} chose is told. */
export const KEEPING_PARAMS = {
  keeper: { choice: 'keeper' },
  keepC: { choice: 'keepC' },
  preheated: { choice: 'preheated' },
  targetPh: { choice: 'targetPh' },
  leave: { choice: 'leave' },
  ...endingParams('warm'),
} as const satisfies ParamsFor<'incubate'>;
