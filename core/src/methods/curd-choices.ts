import { say, type Text } from '../messages/message.js';
import { between, rennetPerKilo } from '../messages/quantity.js';
import { CALCIUM, RENNET_BOTTLE } from '../constants/rennet.js';
import { endingChoices } from './ending-choices.js';
import type { ChoiceGroup, NumberChoice, OptionChoice } from './method.js';
import type { ParamsFor, TypedTemplate } from './typed.js';

/** Calcium and rennet for a curd that souring sets. */
export const SETTING = {
  title: say('methods.curdChoices.setting'),
  choices: [
    {
      key: 'rennet',
      label: say('methods.curdChoices.rennet'),
      kind: 'option',
      initial: 'trace',
      why: say('methods.curdChoices.traceGivesCurdCan'),
      options: [
        {
          id: 'trace',
          label: say('methods.curdChoices.aTrace'),
          why: say('methods.curdChoices.tenthWhatPressedCheese'),
        },
        {
          id: 'none',
          label: say('methods.curdChoices.cultureAlone'),
          why: say('methods.curdChoices.softerMoreFinesWhey'),
        },
      ],
    },
    {
      key: 'imcuPerKg',
      onlyIf: { choice: 'rennet', is: 'trace' },
      label: say('methods.curdChoices.strengthSet'),
      kind: 'number',
      unit: 'IMCU a kg',
      min: 1,
      max: 12,
      step: 0.5,
      initial: 4,
      why: say('methods.curdChoices.lacticCurdMuchMore', { dose: between(rennetPerKilo(2), rennetPerKilo(8)) }),
    },
    {
      key: 'imcuPerMl',
      onlyIf: { choice: 'rennet', is: 'trace' },
      label: say('methods.curdChoices.bottleHolds'),
      kind: 'number',
      unit: 'IMCU a mL',
      min: 50,
      max: 800,
      step: 10,
      initial: RENNET_BOTTLE.imcuPerMl,
      why: say('methods.curdChoices.labelRennetLosesAbout'),
    },
    {
      key: 'dropsPerMl',
      onlyIf: { choice: 'rennet', is: 'trace' },
      label: say('methods.curdChoices.dropperGives'),
      kind: 'number',
      unit: 'drops a mL',
      min: 10,
      max: 60,
      step: 1,
      initial: RENNET_BOTTLE.dropsPerMl,
      why: say('methods.curdChoices.countThemIntoMeasuring'),
    },
    {
      key: 'calciumGPerKg',
      nought: say('methods.curdChoices.noCalcium'),
      label: say('methods.curdChoices.calciumChloride'),
      kind: 'number',
      unit: 'g a kg',
      min: 0,
      max: 0.3,
      step: 0.01,
      initial: CALCIUM.usualGPerKg,
      why: say('methods.curdChoices.pasteurisingTakesSomeCalcium'),
    },
    {
      key: 'solutionPct',
      onlyIf: { choice: 'calciumGPerKg', above: 0 },
      label: say('methods.curdChoices.asASolutionOf'),
      kind: 'number',
      unit: '%',
      min: 5,
      max: 50,
      step: 1,
      initial: CALCIUM.solutionPct,
      why: say('methods.curdChoices.onTheBottle'),
    },
  ],
} as const satisfies ChoiceGroup;

export const CALCIUM_STAGE = {
  id: 'calcium',
  kind: 'calcium',
  params: { gPerKg: { choice: 'calciumGPerKg' }, solutionPct: { choice: 'solutionPct' } },
  onlyIf: { choice: 'calciumGPerKg', above: 0 },
} as const satisfies TypedTemplate;

export const RENNET_STAGE = {
  id: 'rennet',
  kind: 'rennet',
  params: {
    imcuPerKg: { choice: 'imcuPerKg' },
    imcuPerMl: { choice: 'imcuPerMl' },
    dropsPerMl: { choice: 'dropsPerMl' },
  },
  onlyIf: { choice: 'rennet', is: 'trace' },
} as const satisfies TypedTemplate;

/** Out of the pot and on to the cloth. */
export const TRANSFER = {
  key: 'transfer',
  label: say('methods.curdChoices.onToTheCloth'),
  kind: 'option',
  initial: 'ladle',
  why: say('methods.curdChoices.wholeSlicesDrainFaster'),
  options: [
    { id: 'ladle', label: say('methods.curdChoices.ladle'), why: say('methods.curdChoices.tenMinutesClearWhey') },
    { id: 'pour', label: say('methods.curdChoices.pour'), why: say('methods.curdChoices.quickFinesBlindCloth') },
  ],
} as const satisfies OptionChoice;

export const LADLE_STAGE = {
  id: 'ladle',
  kind: 'ladle',
  params: { how: { choice: 'transfer' } },
} as const satisfies TypedTemplate;

/** When a draining of one stage ends. */
export const drainingEnds = (hours: number, aim: 'texture' | 'drip' = 'texture') =>
  endingChoices('drain', {
    label: say('methods.endingChoices.drainingEnds'),
    aim:
      aim === 'texture'
        ? { label: say('methods.endingChoices.whenThick'), why: say('methods.endingChoices.textureWanted') }
        : { label: say('methods.endingChoices.whenHardlyDrips'), why: say('methods.endingChoices.dripWanted') },
    hours,
  });

/** Drainings of several stages go by the texture, or each by the clock. */
export const DRAINED_BY = {
  key: 'drainBy',
  label: say('methods.endingChoices.drainingEnds'),
  kind: 'option',
  initial: 'texture',
  why: say('methods.endingChoices.sheetSaysWhatComes'),
  options: [
    {
      id: 'texture',
      label: say('methods.endingChoices.whenThick'),
      why: say('methods.endingChoices.textureWanted'),
    },
    { id: 'clock', label: say('methods.endingChoices.byTheClock'), why: say('methods.endingChoices.eachItsHours') },
  ],
} as const satisfies OptionChoice;

export const BY_TEXTURE = { choice: 'drainBy', is: 'texture' } as const;
export const BY_CLOCK = { choice: 'drainBy', is: 'clock' } as const;

/** Hours flat on the cloth, where the clock ends it. */
export const flatHours = (initial: number) =>
  ({
    key: 'flatH',
    label: say('methods.endingChoices.flatFor'),
    kind: 'number',
    unit: 'h',
    min: 0.5,
    max: 24,
    step: 0.5,
    initial,
    why: say('methods.endingChoices.flatGathers'),
    onlyIf: BY_CLOCK,
  }) as const satisfies NumberChoice;

/** When what hangs is taken down, where the clock ends it. */
export const HANG_ENDS = endingChoices('hang', {
  label: say('methods.endingChoices.hangsUntil'),
  hours: 12,
  onlyIf: BY_CLOCK,
});

/** Where a soured curd hangs. */
export const HANGS = {
  key: 'where',
  label: say('methods.curdChoices.itHangs'),
  kind: 'option',
  initial: 'cold',
  why: say('methods.curdChoices.coldTakesLongerSours'),
  options: [
    { id: 'cold', label: say('methods.curdChoices.inTheCold'), why: say('methods.curdChoices.safeAnyHour') },
    {
      id: 'counter',
      label: say('methods.curdChoices.onTheCounter'),
      why: say('methods.curdChoices.fasterOnlyPhBelow'),
    },
  ],
} as const satisfies OptionChoice;

/** A curd that hung in the cold is cold already. */
export const CHILL_AFTER_COUNTER = {
  id: 'chill',
  kind: 'chill',
  params: { holdBackPct: 0 },
  onlyIf: { choice: 'where', is: 'counter' },
} as const satisfies TypedTemplate;

/** The cloth and the sieve under it. */
export const CLOTH = [
  {
    key: 'weave',
    label: say('methods.curdChoices.cloth'),
    kind: 'option',
    initial: 'fine',
    why: say('methods.curdChoices.richCurdGoesThrough'),
    options: [
      { id: 'fine', label: say('methods.curdChoices.fineDoubled'), why: say('methods.curdChoices.keepsFat') },
      { id: 'open', label: say('methods.curdChoices.openOneLayer'), why: say('methods.curdChoices.fasterSomeFatLost') },
    ],
  },
  {
    key: 'strainerL',
    nought: say('methods.curdChoices.sieveBigEnough'),
    label: say('methods.curdChoices.sieveHolds'),
    kind: 'number',
    unit: 'L',
    min: 0,
    max: 80,
    step: 0.5,
    initial: 0,
    why: say('methods.curdChoices.noughtWhereBigEnough'),
  },
] as const satisfies readonly [OptionChoice, NumberChoice];

/** What a stage that strains is told of {@link CLOTH}. */
export const CLOTH_PARAMS = {
  weave: { choice: 'weave' },
  strainerL: { choice: 'strainerL' },
} as const satisfies ParamsFor<'strain'>;

/** How warm the milk is made before its culture goes in. */
export const warmTo = (initial: number, min: number, max: number, why: Text) =>
  ({
    key: 'warmC',
    label: say('methods.curdChoices.warmMilk'),
    kind: 'number',
    unit: '°C',
    min,
    max,
    step: 1,
    initial,
    why,
  }) as const satisfies NumberChoice;

/** Salt of a curd, by its usual amount. */
export const saltChoice = (initial: number, why: Text) =>
  ({
    key: 'saltPct',
    nought: say('methods.curdChoices.noSalt'),
    label: say('methods.curdChoices.salt'),
    kind: 'number',
    unit: '%',
    min: 0,
    max: 2.5,
    step: 0.1,
    initial,
    why,
  }) as const satisfies NumberChoice;

export const SALT_STAGE = {
  id: 'salt',
  kind: 'salt',
  params: { saltPct: { choice: 'saltPct' } },
  onlyIf: { choice: 'saltPct', above: 0 },
} as const satisfies TypedTemplate;
