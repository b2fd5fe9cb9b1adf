import type { ChoiceGroup, StageTemplate } from './method.js';

/** Where it is kept warm, how warm, and until when. */
export const KEEPING: ChoiceGroup = {
  title: 'Keeping warm',
  choices: [
    {
      key: 'keeper',
      label: 'Where',
      kind: 'option',
      initial: 'thermostat',
      why: 'Even warmth sets evenly.',
      options: [
        { id: 'thermostat', label: 'Thermostat or water bath', why: 'Holds what you set.' },
        { id: 'lamp-oven', label: 'Oven with its lamp on', why: 'Holds what it holds: measure it once.' },
        { id: 'flask', label: 'Vacuum flask', why: 'Cools by about 1 °C an hour where it holds a litre.' },
        { id: 'wrapped', label: 'Box or towels', why: 'A big pot keeps well, a small one does not.' },
      ],
    },
    {
      key: 'preheated',
      onlyIf: { choice: 'keeper', is: 'flask' },
      label: 'A flask is',
      kind: 'option',
      initial: 'yes',
      why: 'A cold flask cools what is poured in by 2 °C at once.',
      options: [
        { id: 'yes', label: 'Rinsed hot first', why: 'Keeps what you give it.' },
        { id: 'no', label: 'Cold', why: 'Fill it 2 °C warmer.' },
      ],
    },
    {
      key: 'keepC',
      label: 'Set to',
      kind: 'number',
      unit: '°C',
      min: 30,
      max: 50,
      step: 0.5,
      initial: 43,
      why: 'Cooler is slower, firmer and rounder; hotter is quicker and sheds whey.',
    },
    {
      key: 'targetPh',
      label: 'Sour until',
      kind: 'number',
      unit: 'pH',
      min: 4,
      max: 5,
      step: 0.05,
      initial: 4.5,
      why: '4.6 is mild, 4.4 tangy, 4.2 sharp. At 4.6 or below acid guards it.',
    },
    {
      key: 'leave',
      label: 'Sour in the night',
      kind: 'option',
      initial: 'chill',
      why: 'Left till somebody is up it is sharper and sheds more whey; the figures here say by how much.',
      options: [
        { id: 'chill', label: 'Into the cold then', why: 'Somebody gets up for it, unless it can wait without harm.' },
        { id: 'morning', label: 'Left till morning', why: 'Nobody gets up for it.' },
      ],
    },
    {
      key: 'roomC',
      label: 'Room',
      kind: 'number',
      unit: '°C',
      min: 5,
      max: 38,
      step: 1,
      initial: 20,
      why: 'Sets how fast things cool.',
    },
  ],
};

/** What the stage that keeps warm what {@link KEEPING} chose is told. */
export const KEEPING_PARAMS: StageTemplate['params'] = {
  keeper: { choice: 'keeper' },
  keepC: { choice: 'keepC' },
  preheated: { choice: 'preheated' },
  targetPh: { choice: 'targetPh' },
  leave: { choice: 'leave' },
};
