import { CLABBER_COOLING, CLABBER_GROUPS, CLABBER_STAGES } from './clabber.js';
import { HANGS } from './curd-choices.js';
import { vary, withMore, type ChoiceGroup, type Method, type NumberChoice } from './method.js';
import { MONEY, price } from './common-choices.js';

const percent = (key: string, label: string, max: number, initial: number, why: string): NumberChoice => ({
  key,
  label,
  kind: 'number',
  unit: '% of the curd',
  min: 0,
  max,
  step: 0.1,
  initial,
  why,
});

const CURD: ChoiceGroup = {
  title: 'Curd',
  choices: [
    {
      key: 'scaldC',
      label: 'Warm the cut curd to',
      kind: 'number',
      unit: '°C',
      min: 38,
      max: 52,
      step: 1,
      initial: 46,
      why: 'Slowly: it firms and gives its whey; too fast the skin closes.',
    },
    HANGS,
    ...CLABBER_COOLING.choices,
  ],
};

const MELTING: ChoiceGroup = {
  title: 'Soda and melting',
  choices: [
    {
      key: 'sodaPh',
      label: 'Soda until pH',
      kind: 'number',
      unit: 'pH',
      min: 5.3,
      max: 6.2,
      step: 0.05,
      initial: 5.6,
      why: 'Between 5.4 and 5.9 it melts smooth; above it tastes of soap.',
    },
    {
      key: 'sodaRestMin',
      label: 'Rest with the soda',
      kind: 'number',
      unit: 'min',
      min: 60,
      max: 480,
      step: 15,
      initial: 270,
      why: 'Four to five hours, until no white crumb is left.',
    },
    percent('butterPct', 'Butter', 25, 8, 'Shines and keeps it from catching.'),
    percent('milkPct', 'Milk', 40, 15, 'Softer with more.'),
    percent('eggPct', 'Egg', 20, 6, 'Binds it; none is a plainer cheese.'),
    percent('saltPct', 'Salt', 3, 1.2, 'There is sodium in the soda too.'),
    {
      key: 'cookC',
      label: 'Melt it to',
      kind: 'number',
      unit: '°C',
      min: 65,
      max: 92,
      step: 1,
      initial: 82,
      why: 'With egg never under 74.',
    },
  ],
};

export const sodaCheese: Method = {
  id: 'soda-cheese',
  code: 'A4',
  name: 'Cooked soda cheese',
  short: 'Soda cheese',
  family: 'Curd',
  summary: 'Clabber curd warmed, hung, ripened with soda and melted with butter, milk and egg to a slicing cheese.',
  groups: [
    ...CLABBER_GROUPS,
    CURD,
    MELTING,
    withMore(
      vary(MONEY, {
        potG: { initial: 200, label: 'Pieces of', why: 'Weight of one piece.' },
        shopPrice: { initial: 17 },
      }),
      price('butter', 'Butter costs', 'per kg', 11),
      price('egg', 'Egg costs', 'per kg', 5),
    ),
  ],
  stages: [
    ...CLABBER_STAGES,
    { id: 'cut', kind: 'cut', params: {} },
    { id: 'scald', kind: 'heat', params: { targetC: { choice: 'scaldC' }, paceCPerMin: 0.6 } },
    { id: 'ladle', kind: 'ladle', params: { how: 'ladle' } },
    { id: 'strain', kind: 'strain', params: { method: 'hung', share: 0.9, where: { choice: 'where' } } },
    { id: 'soda', kind: 'neutralise', params: { targetPh: { choice: 'sodaPh' } } },
    { id: 'rest', kind: 'rest', params: { minutes: { choice: 'sodaRestMin' }, why: 'soda' } },
    {
      id: 'melt',
      kind: 'cook',
      params: {
        targetC: { choice: 'cookC' },
        butterPct: { choice: 'butterPct' },
        milkPct: { choice: 'milkPct' },
        eggPct: { choice: 'eggPct' },
        saltPct: { choice: 'saltPct' },
      },
    },
    { id: 'mould', kind: 'mould', params: { pieceG: { choice: 'potG' }, shape: 'mould' } },
    { id: 'chill', kind: 'chill', params: { targetC: 5, holdBackPct: 0, pieceG: { choice: 'potG' } } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no', as: 'pieces' } },
  ],
};
