import { CLOTH, CLOTH_PARAMS } from './curd-choices.js';
import type { ChoiceGroup, Method } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { HEATING, KEEPING, MILK, MONEY, STARTER } from './common-choices.js';

const STRAINING: ChoiceGroup = {
  title: 'Straining',
  choices: [
    {
      key: 'texture',
      label: 'Until it is',
      kind: 'option',
      initial: 'very-thick',
      why: 'A texture, not a time: the scale tells when.',
      options: [
        { id: 'thick', label: 'Thick', why: 'Pours off a spoon slowly; 17 % solids.' },
        { id: 'very-thick', label: 'Very thick', why: 'Stands on the spoon; 21 % solids.' },
        { id: 'spreadable', label: 'Spreadable', why: 'Holds a furrow; 25 % solids.' },
        { id: 'firm', label: 'Firm', why: 'Rolls into balls; 30 % solids.' },
      ],
    },
    {
      key: 'drain',
      label: 'How',
      kind: 'option',
      initial: 'hung',
      why: 'More weight on the curd presses more whey out of it.',
      options: [
        { id: 'flat', label: 'Flat in a sieve', why: 'Gentlest; stops by itself near 28 % solids.' },
        { id: 'hung', label: 'Hung in cloth', why: 'To spreadable overnight.' },
        { id: 'pressed', label: 'Pressed in a mould', why: 'For firm.' },
      ],
    },
    {
      key: 'where',
      label: 'Where',
      kind: 'option',
      initial: 'cold',
      why: 'On the counter it drains faster but goes on souring.',
      options: [
        { id: 'cold', label: 'In the cold', why: 'Slower, and safe at any hour.' },
        { id: 'counter', label: 'On the counter', why: 'Only at pH 4.6 or below, up to 6 h.' },
      ],
    },
    ...CLOTH,
    {
      key: 'stopping',
      label: 'And stop',
      kind: 'option',
      initial: 'scale',
      why: 'Somebody must be there when it is as wanted, or some whey goes back in.',
      options: [
        { id: 'scale', label: 'By the scale', why: 'Just as thick as wanted.' },
        { id: 'overnight', label: 'When it hardly drips', why: 'Nobody need be there; whey is whisked back in.' },
      ],
    },
  ],
};

export const strainedYogurt: Method = {
  id: 'strained-yogurt',
  code: 'Y5',
  name: 'Strained yogurt',
  short: 'Strained',
  family: 'Yogurt',
  summary: 'Scalded yogurt, chilled, then on the cloth to the thickness you want; the whey is weighed.',
  groups: [MILK, HEATING, STARTER, KEEPING, STRAINING, MONEY],
  stages: [
    ...SCALDED_STAGES,
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
      id: 'whey-back',
      kind: 'whey-back',
      params: { texture: { choice: 'texture' } },
      onlyIf: { choice: 'stopping', is: 'overnight' },
    },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
};
