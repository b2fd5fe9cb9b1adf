import { saltChoice, SALT_STAGE } from './curd-choices.js';
import { vary, when, type ChoiceGroup, type Method } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { HEATING, KEEPING, MILK, MONEY, STARTER } from './common-choices.js';

const FROM: ChoiceGroup = {
  title: 'Beginning',
  choices: [
    {
      key: 'from',
      label: 'Begin with',
      kind: 'option',
      initial: 'milk',
      why: 'Any plain yogurt does that has no starch or gelatine in it.',
      options: [
        { id: 'milk', label: 'Milk', why: 'Yogurt made in the same go.' },
        { id: 'bought', label: 'Yogurt, bought or made', why: 'Straight to the cloth.' },
      ],
    },
    {
      key: 'boughtG',
      label: 'Yogurt',
      kind: 'number',
      unit: 'g',
      min: 250,
      max: 60_000,
      step: 250,
      initial: 2000,
      why: 'A fifth of it comes out pressed.',
      onlyIf: { choice: 'from', is: 'bought' },
    },
    {
      key: 'boughtFatPct',
      label: 'Its fat',
      kind: 'number',
      unit: '%',
      min: 0,
      max: 12,
      step: 0.1,
      initial: 3.6,
      why: 'On its label.',
      onlyIf: { choice: 'from', is: 'bought' },
    },
  ],
};

const ofMilk = { choice: 'from', is: 'milk' };

const PRESSING: ChoiceGroup = {
  title: 'Draining and pressing',
  choices: [
    {
      key: 'texture',
      label: 'Press it until it is',
      kind: 'option',
      initial: 'pressed',
      why: 'Flat first, then hung overnight in the cold, then under a weight.',
      options: [
        { id: 'firm', label: 'Firm', why: 'Rolls into balls; 30 % solids.' },
        { id: 'pressed', label: 'Pressed', why: 'Turns out of its mould and slices; 36 % solids.' },
      ],
    },
    saltChoice(0.8, 'Half to one per cent, worked in before the mould.'),
  ],
};

export const yogurtCheese: Method = {
  id: 'yogurt-cheese',
  code: 'F3',
  name: 'Pressed yogurt cheese',
  short: 'Yogurt cheese',
  family: 'Fresh cheese',
  summary: 'Yogurt drained flat, hung overnight in the cold, salted, pressed in a mould and turned out.',
  groups: [
    FROM,
    when(ofMilk, MILK),
    when(ofMilk, HEATING),
    when(ofMilk, STARTER),
    when(ofMilk, KEEPING),
    PRESSING,
    vary(MONEY, {
      potG: { initial: 250, label: 'Pieces of', why: 'Weight of one piece.' },
      shopPrice: { initial: 16 },
    }),
  ],
  stages: [
    ...SCALDED_STAGES.map((stage) => when(ofMilk, stage)),
    {
      id: 'bought',
      kind: 'bought',
      params: { massG: { choice: 'boughtG' }, fatPct: { choice: 'boughtFatPct' } },
      onlyIf: { choice: 'from', is: 'bought' },
    },
    { id: 'flat', kind: 'strain', params: { method: 'flat', share: 0.4, where: 'cold' } },
    { id: 'hang', kind: 'strain', params: { method: 'hung', share: 0.7, where: 'cold' } },
    SALT_STAGE,
    { id: 'strain', kind: 'strain', params: { method: 'pressed', texture: { choice: 'texture' }, where: 'cold' } },
    { id: 'mould', kind: 'mould', params: { pieceG: { choice: 'potG' }, shape: 'mould' } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no', as: 'pieces' } },
  ],
};
