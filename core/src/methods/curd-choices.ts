import { CALCIUM, RENNET_BOTTLE } from '../constants/rennet.js';
import type { ChoiceGroup, NumberChoice, OptionChoice, StageTemplate } from './method.js';

/** Calcium and rennet for a curd that souring sets. */
export const SETTING: ChoiceGroup = {
  title: 'Setting',
  choices: [
    {
      key: 'rennet',
      label: 'Rennet',
      kind: 'option',
      initial: 'trace',
      why: 'A trace gives a curd that can be ladled and drains clean; culture alone is softer and finer.',
      options: [
        { id: 'trace', label: 'A trace', why: 'A tenth of what a pressed cheese takes.' },
        { id: 'none', label: 'Culture alone', why: 'Softer; more fines in the whey.' },
      ],
    },
    {
      key: 'imcuPerKg',
      onlyIf: { choice: 'rennet', is: 'trace' },
      label: 'Strength of the set',
      kind: 'number',
      unit: 'IMCU a kg',
      min: 1,
      max: 12,
      step: 0.5,
      initial: 4,
      why: '2 to 8 IMCU a kg for a lactic curd; much more sets it sweet and rubbery, and may taste bitter.',
    },
    {
      key: 'imcuPerMl',
      onlyIf: { choice: 'rennet', is: 'trace' },
      label: 'The bottle holds',
      kind: 'number',
      unit: 'IMCU a mL',
      min: 50,
      max: 800,
      step: 10,
      initial: RENNET_BOTTLE.imcuPerMl,
      why: 'On its label; rennet loses about a twentieth a month.',
    },
    {
      key: 'dropsPerMl',
      onlyIf: { choice: 'rennet', is: 'trace' },
      label: 'Its dropper gives',
      kind: 'number',
      unit: 'drops a mL',
      min: 10,
      max: 60,
      step: 1,
      initial: RENNET_BOTTLE.dropsPerMl,
      why: 'Count them into a measuring spoon once.',
    },
    {
      key: 'calciumGPerKg',
      nought: 'no calcium',
      label: 'Calcium chloride',
      kind: 'number',
      unit: 'g a kg',
      min: 0,
      max: 0.3,
      step: 0.01,
      initial: CALCIUM.usualGPerKg,
      why: 'Pasteurising takes some calcium away; none for raw milk.',
    },
    {
      key: 'solutionPct',
      onlyIf: { choice: 'calciumGPerKg', above: 0 },
      label: 'As a solution of',
      kind: 'number',
      unit: '%',
      min: 5,
      max: 50,
      step: 1,
      initial: CALCIUM.solutionPct,
      why: 'On the bottle.',
    },
  ],
};

export const CALCIUM_STAGE: StageTemplate = {
  id: 'calcium',
  kind: 'calcium',
  params: { gPerKg: { choice: 'calciumGPerKg' }, solutionPct: { choice: 'solutionPct' } },
  onlyIf: { choice: 'calciumGPerKg', above: 0 },
};

export const RENNET_STAGE: StageTemplate = {
  id: 'rennet',
  kind: 'rennet',
  params: {
    imcuPerKg: { choice: 'imcuPerKg' },
    imcuPerMl: { choice: 'imcuPerMl' },
    dropsPerMl: { choice: 'dropsPerMl' },
  },
  onlyIf: { choice: 'rennet', is: 'trace' },
};

/** Out of the pot and on to the cloth. */
export const TRANSFER: OptionChoice = {
  key: 'transfer',
  label: 'On to the cloth',
  kind: 'option',
  initial: 'ladle',
  why: 'Whole slices drain faster and lose less than broken curd.',
  options: [
    { id: 'ladle', label: 'Ladle', why: 'Ten minutes, clear whey.' },
    { id: 'pour', label: 'Pour', why: 'Quick; fines blind the cloth.' },
  ],
};

export const LADLE_STAGE: StageTemplate = { id: 'ladle', kind: 'ladle', params: { how: { choice: 'transfer' } } };

/** Where a soured curd hangs. */
export const HANGS: OptionChoice = {
  key: 'where',
  label: 'It hangs',
  kind: 'option',
  initial: 'cold',
  why: 'In the cold it takes longer and sours no further.',
  options: [
    { id: 'cold', label: 'In the cold', why: 'Safe at any hour.' },
    { id: 'counter', label: 'On the counter', why: 'Faster; only at pH 4.6 or below, up to 6 h.' },
  ],
};

/** A curd that hung in the cold is cold already. */
export const CHILL_AFTER_COUNTER: StageTemplate = {
  id: 'chill',
  kind: 'chill',
  params: { holdBackPct: 0 },
  onlyIf: { choice: 'where', is: 'counter' },
};

/** The cloth and the sieve under it. */
export const CLOTH: readonly [OptionChoice, NumberChoice] = [
  {
    key: 'weave',
    label: 'Cloth',
    kind: 'option',
    initial: 'fine',
    why: 'Rich curd goes through an open weave.',
    options: [
      { id: 'fine', label: 'Fine, or doubled', why: 'Keeps the fat in.' },
      { id: 'open', label: 'Open, one layer', why: 'Faster, and some fat is lost.' },
    ],
  },
  {
    key: 'strainerL',
    nought: 'sieve big enough',
    label: 'The sieve holds',
    kind: 'number',
    unit: 'L',
    min: 0,
    max: 80,
    step: 0.5,
    initial: 0,
    why: 'Nought where it is big enough for sure.',
  },
];

/** What a stage that strains is told of {@link CLOTH}. */
export const CLOTH_PARAMS: StageTemplate['params'] = {
  weave: { choice: 'weave' },
  strainerL: { choice: 'strainerL' },
};

/** How warm the milk is made before its culture goes in. */
export const warmTo = (initial: number, min: number, max: number, why: string): NumberChoice => ({
  key: 'warmC',
  label: 'Warm the milk to',
  kind: 'number',
  unit: '°C',
  min,
  max,
  step: 1,
  initial,
  why,
});

/** Salt of a curd, by its usual amount. */
export const saltChoice = (initial: number, why: string): NumberChoice => ({
  key: 'saltPct',
  nought: 'no salt',
  label: 'Salt',
  kind: 'number',
  unit: '%',
  min: 0,
  max: 2.5,
  step: 0.1,
  initial,
  why,
});

export const SALT_STAGE: StageTemplate = {
  id: 'salt',
  kind: 'salt',
  params: { saltPct: { choice: 'saltPct' } },
  onlyIf: { choice: 'saltPct', above: 0 },
};
