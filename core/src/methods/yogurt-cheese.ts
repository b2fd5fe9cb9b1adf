import { saltChoice, SALT_STAGE } from './curd-choices.js';
import { vary, type ChoiceGroup, type Method } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { HEATING, KEEPING, MILK, MONEY, STARTER } from './yogurt-choices.js';

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
    MILK,
    HEATING,
    STARTER,
    KEEPING,
    PRESSING,
    vary(MONEY, {
      potG: { initial: 250, label: 'Pieces of', why: 'Weight of one piece.' },
      shopPrice: { initial: 16 },
    }),
  ],
  stages: [
    ...SCALDED_STAGES,
    { id: 'flat', kind: 'strain', params: { method: 'flat', share: 0.4, where: 'cold' } },
    { id: 'hang', kind: 'strain', params: { method: 'hung', share: 0.7, where: 'cold' } },
    SALT_STAGE,
    { id: 'strain', kind: 'strain', params: { method: 'pressed', texture: { choice: 'texture' }, where: 'cold' } },
    { id: 'mould', kind: 'mould', params: { pieceG: { choice: 'potG' }, shape: 'mould' } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no', as: 'pieces' } },
  ],
};
