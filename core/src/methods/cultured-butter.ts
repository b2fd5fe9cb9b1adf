import { culturedCream } from './cultured-cream.js';
import { saltChoice } from './curd-choices.js';
import { vary, type ChoiceGroup, type Method } from './method.js';

const [CREAM, SOURED_BY, ROOM, MONEY] = culturedCream.groups as [ChoiceGroup, ChoiceGroup, ChoiceGroup, ChoiceGroup];

const CHURNING: ChoiceGroup = {
  title: 'Churning',
  choices: [
    {
      key: 'churnC',
      label: 'Churn at',
      kind: 'number',
      unit: '°C',
      min: 8,
      max: 21,
      step: 1,
      initial: 12,
      why: 'Cold is slower and firmer and leaves little fat behind; at room temperature it takes minutes and is softer.',
    },
    {
      key: 'device',
      label: 'With',
      kind: 'option',
      initial: 'mixer',
      why: 'Anything that beats it; the hands differ.',
      options: [
        { id: 'mixer', label: 'Mixer', why: 'Whisk first, the paddle once it stiffens.' },
        { id: 'crank', label: 'Cranked churn', why: 'Steady, easy to stop in time.' },
        { id: 'jar', label: 'Jar, shaken', why: 'No gear, some patience.' },
        { id: 'processor', label: 'Food processor', why: 'Very quick: watch it.' },
      ],
    },
    {
      key: 'churnL',
      label: 'It holds',
      kind: 'number',
      unit: 'L',
      min: 0.5,
      max: 80,
      step: 0.5,
      initial: 4,
      why: 'Half of it stays empty, or the cream cannot whip.',
    },
    {
      key: 'washing',
      label: 'Wash it',
      kind: 'option',
      initial: 'clear',
      why: 'What buttermilk is left in it turns it.',
      options: [
        { id: 'clear', label: 'Until clear', why: 'Keeps for weeks.' },
        { id: 'press', label: 'Press only', why: 'More flavour; eat it within days.' },
      ],
    },
    {
      key: 'butterFatPct',
      label: 'Work it to',
      kind: 'number',
      unit: '% fat',
      min: 78,
      max: 86,
      step: 1,
      initial: 82,
      why: 'Eighty-two is butter; drier is for pastry, and takes longer.',
    },
    saltChoice(1, 'Of the butter: none, or one per cent for the table, two for keeping.'),
    {
      key: 'shape',
      label: 'Shape it',
      kind: 'option',
      initial: 'wrap',
      why: 'Air left in it turns it.',
      options: [
        { id: 'wrap', label: 'By hand, wrapped', why: 'With wet paddles, in paper.' },
        { id: 'mould', label: 'In a mould', why: 'Pressed in cold, turned out.' },
      ],
    },
  ],
};

export const culturedButter: Method = {
  id: 'cultured-butter',
  code: 'B1',
  name: 'Cultured butter',
  short: 'Butter',
  family: 'Cream',
  summary: 'Cultured cream, ripened cold, churned to grains, washed, worked and salted; the buttermilk is kept.',
  groups: [
    vary(CREAM, {
      fatPct: { min: 22, initial: 36, why: 'Thirty to forty churns best; leaner takes long and gives little.' },
    }),
    SOURED_BY,
    vary(ROOM, { targetPh: { initial: 4.7, why: 'Ripe at 4.7: clean and nutty. Lower is sharper.' } }),
    CHURNING,
    vary(MONEY, { potG: { initial: 250 }, shopPrice: { initial: 18 } }),
  ],
  stages: [
    ...culturedCream.stages.filter((s) => s.kind !== 'finish'),
    { id: 'temper', kind: 'temper', params: { targetC: { choice: 'churnC' } } },
    { id: 'churn', kind: 'churn', params: { device: { choice: 'device' }, churnL: { choice: 'churnL' } } },
    { id: 'draw', kind: 'draw', params: {} },
    { id: 'wash', kind: 'wash', params: {}, onlyIf: { choice: 'washing', is: 'clear' } },
    { id: 'work', kind: 'work', params: { butterFatPct: { choice: 'butterFatPct' }, saltPct: { choice: 'saltPct' } } },
    { id: 'mould', kind: 'mould', params: { pieceG: { choice: 'potG' }, shape: { choice: 'shape' } } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no', as: 'pieces' } },
  ],
};
