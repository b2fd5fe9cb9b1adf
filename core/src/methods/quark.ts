import {
  CLOTH,
  CLOTH_PARAMS,
  CALCIUM_STAGE,
  CHILL_AFTER_COUNTER,
  HANGS,
  LADLE_STAGE,
  RENNET_STAGE,
  saltChoice,
  SALT_STAGE,
  SETTING,
  TRANSFER,
  warmTo,
} from './curd-choices.js';
import { only, vary, type ChoiceGroup, type Method } from './method.js';
import { ROOM_STARTER } from './room-choices.js';
import { BLEND, KEEPING, MILK, MONEY, STARTER_PARAMS } from './common-choices.js';

const DRAINING: ChoiceGroup = {
  title: 'Draining',
  choices: [
    TRANSFER,
    {
      key: 'texture',
      label: 'Until it is',
      kind: 'option',
      initial: 'quark',
      why: 'A texture, not a time.',
      options: [
        { id: 'quark', label: 'Quark', why: 'Spoons, 18 % solids.' },
        { id: 'lactic-curd', label: 'Lactic curd', why: 'Holds its shape, 26 % solids.' },
      ],
    },
    HANGS,
    ...CLOTH,
    {
      key: 'smooth',
      label: 'In the end',
      kind: 'option',
      initial: 'smooth',
      why: 'Quark is stirred smooth; lactic curd is left in its slices.',
      options: [
        { id: 'smooth', label: 'Stirred smooth', why: 'For the spoon.' },
        { id: 'whole', label: 'As it is', why: 'For shaping.' },
      ],
    },
    saltChoice(0, 'None for quark; one per cent for lactic curd.'),
  ],
};

export const quark: Method = {
  id: 'quark',
  code: 'F4',
  name: 'Quark and lactic curd',
  short: 'Quark',
  family: 'Fresh cheese',
  summary:
    'Milk set by butter culture and a trace of rennet, ladled and hung: quark for the spoon or curd for shaping.',
  groups: [
    vary(MILK, { fatPct: { min: 0.1, max: 5, initial: 3.6, why: 'Lean is grainier and lighter; whole is round.' } }),
    {
      ...ROOM_STARTER,
      choices: [
        warmTo(28, 20, 33, 'Where the culture gets away well.'),
        ...vary(ROOM_STARTER, { dosePct: { initial: 3 } }).choices,
        {
          key: 'ripenMin',
          nought: 'not ripened',
          label: 'Ripen before the rennet',
          kind: 'number',
          unit: 'min',
          min: 0,
          max: 180,
          step: 15,
          initial: 60,
          why: 'A head start for the culture.',
        },
      ],
    },
    SETTING,
    vary(only(KEEPING, ['keepC', 'targetPh', 'leave', 'roomC']), {
      keepC: { min: 20, max: 30, initial: 26, why: 'Six hours at thirty, overnight at twenty-two.' },
      targetPh: { initial: 4.6, max: 4.8, why: 'At 4.6 it is firm enough to ladle, and acid guards it.' },
    }),
    DRAINING,
    vary(MONEY, { potG: { initial: 250 }, shopPrice: { initial: 7 } }),
  ],
  stages: [
    BLEND,
    { id: 'heat', kind: 'heat', params: { targetC: { choice: 'warmC' }, paceCPerMin: 1.5 } },
    CALCIUM_STAGE,
    {
      id: 'starter',
      kind: 'inoculate',
      params: {
        culture: 'mesophilic',
        ...STARTER_PARAMS,
      },
    },
    {
      id: 'ripen',
      kind: 'ripen',
      params: { minutes: { choice: 'ripenMin' }, keeper: 'thermostat', keepC: { choice: 'keepC' } },
      onlyIf: { choice: 'ripenMin', above: 0 },
    },
    RENNET_STAGE,
    {
      id: 'warm',
      kind: 'incubate',
      params: {
        keeper: 'thermostat',
        keepC: { choice: 'keepC' },
        targetPh: { choice: 'targetPh' },
        leave: { choice: 'leave' },
      },
    },
    LADLE_STAGE,
    {
      id: 'strain',
      kind: 'strain',
      params: { ...CLOTH_PARAMS, method: 'hung', texture: { choice: 'texture' }, where: { choice: 'where' } },
    },
    { id: 'stir', kind: 'stir-down', params: {}, onlyIf: { choice: 'smooth', is: 'smooth' } },
    SALT_STAGE,
    CHILL_AFTER_COUNTER,
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
