import { only, vary, type ChoiceGroup, type Method, type OptionChoice, type StageTemplate } from './method.js';
import { ROOM, ROOM_STARTER } from './room-choices.js';
import { BLEND, HEATING, MILK, MONEY, STARTER_PARAMS } from './common-choices.js';

const SEEDING: OptionChoice = {
  key: 'seeding',
  label: 'Soured by',
  kind: 'option',
  initial: 'clabber',
  why: 'Seeded it is faster and safer; by itself takes one to three days and what it gets.',
  options: [
    { id: 'clabber', label: 'A spoon of the last', why: 'Your own line, sourer each year.' },
    { id: 'mesophilic', label: 'Live buttermilk', why: 'Clean and even.' },
    { id: 'wild', label: 'By itself', why: 'Raw milk only; as the old way was.' },
  ],
};

const PASTEURISE: OptionChoice = {
  key: 'pasteurise',
  label: 'Pasteurise it first',
  kind: 'option',
  initial: 'no',
  why: 'Raw milk carries what the cow met; heat within this make is entered in the record. Bought pasteurised, it needs none.',
  options: [
    { id: 'no', label: 'As it comes', why: 'Pasteurised already; or raw milk you know, as your law allows.' },
    { id: 'yes', label: '63 °C for half an hour', why: 'Then it must be seeded.' },
  ],
};

/** Choices of clabber, which soda cheese shares. */
export const CLABBER_GROUPS: readonly [ChoiceGroup, ChoiceGroup, ChoiceGroup] = [
  { ...MILK, choices: [...clabberMilk().choices, PASTEURISE] },
  { title: 'Starter', choices: [SEEDING, ...vary(ROOM_STARTER, { dosePct: { initial: 2.5 } }).choices] },
  vary(ROOM, {
    targetPh: { min: 4.2, max: 4.7, initial: 4.5, why: 'Set like a junket at 4.6; sharper below.' },
    roomC: { min: 16, max: 30, initial: 23 },
  }),
];

function clabberMilk(): ChoiceGroup {
  return vary(MILK, {
    massG: { initial: 2000 },
    vesselL: { initial: 3 },
    milk: { initial: 'raw' },
    fatPct: { max: 6, initial: 4.2 },
  });
}

const heated = { choice: 'pasteurise', is: 'yes' };
const seeded = (culture: string): StageTemplate => ({
  id: 'starter',
  kind: 'inoculate',
  params: {
    culture,
    ...STARTER_PARAMS,
  },
  onlyIf: { choice: 'seeding', is: culture },
});

/** From milk to set clabber in its jar. */
export const CLABBER_STAGES: readonly StageTemplate[] = [
  BLEND,
  { id: 'heat', kind: 'heat', params: { targetC: 63.5 }, onlyIf: heated },
  { id: 'hold', kind: 'hold', params: { minutes: 31, targetC: 63.5, lid: 'on' }, onlyIf: heated },
  { id: 'cool', kind: 'cool', params: { targetC: 26, method: { choice: 'coolMethod' } }, onlyIf: heated },
  seeded('clabber'),
  seeded('mesophilic'),
  { id: 'wild', kind: 'wild', params: {}, onlyIf: { choice: 'seeding', is: 'wild' } },
  {
    id: 'warm',
    kind: 'incubate',
    params: {
      keeper: 'counter',
      cover: { choice: 'cover' },
      targetPh: { choice: 'targetPh' },
      leave: { choice: 'leave' },
    },
  },
];

/** How it is cooled where it was heated. */
export const CLABBER_COOLING = only(
  vary(HEATING, { coolMethod: { why: 'Before the starter goes in.', onlyIf: { choice: 'pasteurise', is: 'yes' } } }),
  ['coolMethod'],
);

const CREAM: OptionChoice = {
  key: 'skim',
  label: 'The cream on top',
  kind: 'option',
  initial: 'yes',
  why: 'On milk that is not homogenised it rises while it sours.',
  options: [
    { id: 'yes', label: 'Lift it off', why: 'Soured cream for the spoon or the churn.' },
    { id: 'no', label: 'Leave it', why: 'Richer clabber.' },
  ],
};

export const clabber: Method = {
  id: 'clabber',
  code: 'L1',
  name: 'Clabber',
  short: 'Clabber',
  family: 'Soured milk',
  summary: 'Milk left warm in its jar until it sets, its cream risen and lifted off.',
  groups: [
    ...CLABBER_GROUPS,
    { title: 'After', choices: [CREAM, ...CLABBER_COOLING.choices] },
    vary(MONEY, { potG: { initial: 500 }, shopPrice: { initial: 5 } }),
  ],
  stages: [
    ...CLABBER_STAGES,
    { id: 'skim', kind: 'skim', params: {}, onlyIf: { choice: 'skim', is: 'yes' } },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 3 } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
