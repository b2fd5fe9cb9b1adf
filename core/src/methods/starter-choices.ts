import { say } from '../messages/message.js';
import type { ChoiceGroup, Condition, NumberChoice } from './method.js';
import { price } from './money-choices.js';
import type { ParamsFor } from './typed.js';

const LIVE: Condition = { choice: 'form', is: 'active' };
const POWDER: Condition = { choice: 'form', is: 'freeze-dried' };

/** What is known of a starter beyond its age and store. */
export const ACTIVITY = {
  key: 'vigourPct',
  label: say('methods.starterChoices.vigourAge'),
  kind: 'number',
  unit: '%',
  min: 5,
  max: 300,
  step: 5,
  initial: 100,
  why: say('methods.starterChoices.hundredWhatAgeStore'),
} as const satisfies NumberChoice;

/** The starter: how much, of what kind, how old and how kept. */
export const STARTER = {
  title: say('methods.starterChoices.starter'),
  choices: [
    {
      key: 'starterC',
      label: say('methods.starterChoices.starterGoes'),
      kind: 'number',
      unit: '°C',
      min: 35,
      max: 70,
      step: 1,
      initial: 44,
      why: say('methods.starterChoices.degreeTwoAboveKeeping'),
    },
    {
      key: 'sownBy',
      label: say('methods.starterChoices.sownBy'),
      kind: 'option',
      initial: 'spoon',
      why: say('methods.starterChoices.residueVaries'),
      options: [
        {
          id: 'spoon',
          label: say('methods.starterChoices.weighedIn'),
          why: say('methods.starterChoices.sameEachTime'),
        },
        {
          id: 'residue',
          label: say('methods.starterChoices.leftInPot'),
          why: say('methods.starterChoices.pourOverIt'),
        },
      ],
      onlyIf: LIVE,
    },
    {
      key: 'dosePct',
      label: say('methods.starterChoices.dose'),
      kind: 'number',
      unit: '% of the milk',
      min: 0.5,
      max: 25,
      step: 0.1,
      initial: 2.5,
      why: say('methods.starterChoices.moreFasterSharperLess'),
      onlyIf: [LIVE, { choice: 'sownBy', is: 'spoon' }],
    },
    {
      key: 'form',
      label: say('methods.starterChoices.kind'),
      kind: 'option',
      initial: 'active',
      why: say('methods.starterChoices.powderNeedsHourTwo'),
      options: [
        {
          id: 'active',
          label: say('methods.starterChoices.liveYogurt'),
          why: say('methods.starterChoices.heldBackSpoonBought'),
        },
        {
          id: 'freeze-dried',
          label: say('methods.starterChoices.powder'),
          why: say('methods.starterChoices.slowerOffMarkVery'),
        },
      ],
    },
    {
      key: 'packets',
      label: say('methods.starterChoices.powder'),
      kind: 'number',
      unit: 'packets',
      min: 0.05,
      max: 20,
      step: 0.05,
      initial: 1,
      why: say('methods.starterChoices.partOneGoesGrams'),
      onlyIf: POWDER,
    },
    {
      key: 'packetSetsL',
      label: say('methods.starterChoices.oneSets'),
      kind: 'number',
      unit: 'L',
      min: 0.25,
      max: 500,
      step: 0.25,
      initial: 4,
      why: say('methods.starterChoices.labelSaysMuchMilk'),
      onlyIf: POWDER,
    },
    {
      key: 'packetG',
      label: say('methods.starterChoices.oneWeighs'),
      kind: 'number',
      unit: 'g',
      min: 0.05,
      max: 10,
      step: 0.05,
      initial: 1,
      why: say('methods.starterChoices.labelWeighedOncePart'),
      onlyIf: POWDER,
    },
    {
      key: 'ageDays',
      label: say('methods.starterChoices.age'),
      kind: 'number',
      unit: 'days',
      min: 0,
      max: 120,
      step: 1,
      initial: 4,
      why: say('methods.starterChoices.daysSinceMadeCold'),
    },
    {
      key: 'store',
      label: say('methods.starterChoices.kept'),
      kind: 'option',
      initial: 'cold',
      why: say('methods.starterChoices.freezingCostsTwoThirds'),
      options: [
        {
          id: 'cold',
          label: say('methods.starterChoices.inTheCold'),
          why: say('methods.starterChoices.bestWithinTenDays'),
        },
        { id: 'frozen', label: say('methods.starterChoices.frozen'), why: say('methods.starterChoices.aReserve') },
        {
          id: 'room',
          label: say('methods.starterChoices.roomTemperature'),
          why: say('methods.starterChoices.weakAfterTwoDays'),
        },
      ],
    },
    {
      key: 'generation',
      nought: say('methods.starterChoices.firstMake'),
      label: say('methods.starterChoices.carriedOn'),
      kind: 'number',
      unit: 'makes',
      min: 0,
      max: 200,
      step: 1,
      initial: 1,
      why: say('methods.starterChoices.makesSinceBoughtBought'),
    },
    ACTIVITY,
    { ...price('packet', say('methods.starterChoices.packetCosts'), 'each', 1.8), onlyIf: POWDER },
  ],
} as const satisfies ChoiceGroup;

/** What the stage that takes in what {@link STARTER} chose is told. */
export const STARTER_PARAMS = {
  sownBy: { choice: 'sownBy' },
  dosePct: { choice: 'dosePct' },
  packets: { choice: 'packets' },
  packetSetsL: { choice: 'packetSetsL' },
  packetG: { choice: 'packetG' },
  form: { choice: 'form' },
  ageDays: { choice: 'ageDays' },
  store: { choice: 'store' },
  generation: { choice: 'generation' },
  vigourPct: { choice: 'vigourPct' },
} as const satisfies ParamsFor<'inoculate'>;

/** Keys of the choices that {@link STARTER_PARAMS} asks for, and of what a packet costs. */
export const STARTER_KEYS = [
  ...(Object.keys(STARTER_PARAMS) as (keyof typeof STARTER_PARAMS)[]),
  'packetPrice',
] as const;
