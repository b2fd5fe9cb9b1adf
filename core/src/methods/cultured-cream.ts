import { vary, type ChoiceGroup, type Method } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { BLEND, MILK, MONEY } from './common-choices.js';

const SOURED_BY: ChoiceGroup = {
  title: 'Starter',
  choices: [
    {
      key: 'culture',
      label: 'Soured by',
      kind: 'option',
      initial: 'mesophilic',
      why: 'Grains themselves are a nuisance to pick out of thick cream: take a live starter.',
      options: [
        { id: 'mesophilic', label: 'Live buttermilk', why: 'Clean and buttery.' },
        { id: 'kefir-grains', label: 'Live kefir', why: 'A little yeast, sharper.' },
        { id: 'room-yogurt', label: 'Room-temperature yogurt', why: 'Mild and even.' },
      ],
    },
    {
      key: 'beside',
      label: 'And beside it',
      kind: 'option',
      initial: 'none',
      why: 'Two starters share the cream, half of the dose each: rounder, and surer if one is tired.',
      options: [
        { id: 'none', label: 'Nothing', why: 'One starter, one taste.' },
        { id: 'kefir-grains', label: 'Live kefir', why: 'A little yeast.' },
        { id: 'room-yogurt', label: 'Room-temperature yogurt', why: 'Milder.' },
        { id: 'thermophilic', label: 'Yogurt', why: 'Works only while it is warm.' },
      ],
    },
    ...vary(ROOM_STARTER, {
      dosePct: { initial: 3, min: 1, max: 12, why: 'A spoon or two to the pint; more is quicker and sharper.' },
    }).choices,
  ],
};

export const culturedCream: Method = {
  id: 'cultured-cream',
  code: 'C1',
  name: 'Cultured cream',
  short: 'Cultured',
  family: 'Cream',
  summary: 'Cream thickened and soured on the counter under a cloth, overnight or for days, then chilled.',
  groups: [
    vary(
      { ...MILK, title: 'Cream' },
      {
        massG: { initial: 1000, why: 'Cream, and the milk that brings it to the fat wanted.' },
        vesselL: { initial: 2 },
        fatPct: {
          min: 12,
          max: 45,
          step: 1,
          initial: 30,
          why: 'Eighteen is for spooning, thirty for dolloping, forty for butter.',
        },
      },
    ),
    SOURED_BY,
    vary(ROOM, {
      targetPh: { min: 4.3, max: 5.1, initial: 4.6, why: 'Overnight is mild; left for days it is sharp, pH 4.4.' },
      roomC: { max: 30 },
    }),
    vary(MONEY, { potG: { initial: 200 }, shopPrice: { initial: 12 } }),
  ],
  stages: [
    BLEND,
    ...roomStages({ choice: 'culture' }, { choice: 'beside' }),
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
};
