import { REFERENCE_CREAMS, REFERENCE_MILKS } from '../constants/reference-materials.js';
import type { Stock, Treatment } from '../state/materials.js';
import type { ChoiceGroup, StageTemplate } from './method.js';

const TREATED: Readonly<Record<Treatment, string>> = {
  raw: 'raw: heat it in this make',
  '63C-30min': 'pasteurised slowly',
  '72C-15s': 'pasteurised',
  'ultra-heated': 'ultra-heated',
  ultrafiltered: 'ultrafiltered',
};

/** A milk as an option of a choice. */
export const milkOption = (m: Stock) => ({
  id: m.id,
  label: m.name,
  why: `${m.proteinPct} % protein, ${TREATED[m.treatment]}.`,
});

/** Choices that every scalded yogurt shares. */
export const MILK: ChoiceGroup = {
  title: 'Milk',
  choices: [
    {
      key: 'massG',
      label: 'Milk and cream together',
      kind: 'number',
      unit: 'g',
      min: 250,
      max: 60_000,
      step: 250,
      initial: 4000,
      why: 'What goes into the pot, before the starter.',
    },
    {
      key: 'vesselL',
      label: 'The pot holds',
      kind: 'number',
      unit: 'L',
      min: 0.5,
      max: 80,
      step: 0.5,
      initial: 5,
      why: 'A tenth is left free, so that it can be stirred and does not boil over.',
    },
    {
      key: 'milk',
      label: 'Milk',
      kind: 'option',
      initial: 'whole',
      why: 'Protein makes the gel; fat rounds it.',
      options: REFERENCE_MILKS.map(milkOption),
    },
    {
      key: 'cream',
      label: 'Cream to raise it',
      kind: 'option',
      initial: 'cream-36',
      why: 'Used only when the wanted fat is above the milk’s.',
      options: REFERENCE_CREAMS.map((m) => ({
        id: m.id,
        label: m.name,
        why: `${m.fatPct} % fat, ${TREATED[m.treatment]}.`,
      })),
    },
    {
      key: 'fatPct',
      label: 'Fat wanted',
      kind: 'number',
      unit: '%',
      min: 0.1,
      max: 20,
      step: 0.1,
      initial: 3.6,
      why: 'More fat softens the tang and thickens; 3.6 % is whole milk as it comes.',
    },
  ],
};

/** The stage that weighs in what {@link MILK} chose. */
export const BLEND: StageTemplate = {
  id: 'blend',
  kind: 'blend',
  params: {
    massG: { choice: 'massG' },
    vesselL: { choice: 'vesselL' },
    fatPct: { choice: 'fatPct' },
    milk: { choice: 'milk' },
    cream: { choice: 'cream' },
  },
};

export const HEATING: ChoiceGroup = {
  title: 'Heat',
  choices: [
    {
      key: 'heatC',
      label: 'Heat to',
      kind: 'number',
      unit: '°C',
      min: 63,
      max: 95,
      step: 1,
      initial: 85,
      why: 'High and held unfolds the whey protein, which then holds water: firmer, less whey. Just to the simmer is quicker and thinner.',
    },
    {
      key: 'holdMin',
      label: 'Hold for',
      kind: 'number',
      unit: 'min',
      min: 0,
      max: 45,
      step: 1,
      initial: 15,
      why: 'Fifteen minutes at 85 °C does nearly all of it; at 90 °C five will do.',
    },
    {
      key: 'lid',
      onlyIf: { choice: 'holdMin', above: 0 },
      label: 'Lid while it holds',
      kind: 'option',
      initial: 'on',
      why: 'Open, some water leaves and the yogurt is thicker.',
      options: [
        { id: 'on', label: 'Lid on', why: 'Nothing lost, no skin.' },
        { id: 'off', label: 'Lid off', why: 'A skin to lift and a little thicker.' },
      ],
    },
    {
      key: 'coolMethod',
      label: 'Cool by',
      kind: 'option',
      initial: 'water-bath',
      why: 'Quick cooling leaves no time for anything else to grow.',
      options: [
        { id: 'water-bath', label: 'Cold-water bath', why: 'About twenty minutes for a full pot.' },
        { id: 'ice-bath', label: 'Ice bath, stirred', why: 'Ten minutes, and easy to overshoot.' },
        { id: 'covered', label: 'Covered on the counter', why: 'No hands, but two hours or more.' },
      ],
    },
  ],
};

export const STARTER: ChoiceGroup = {
  title: 'Starter',
  choices: [
    {
      key: 'starterC',
      label: 'Starter goes in at',
      kind: 'number',
      unit: '°C',
      min: 35,
      max: 70,
      step: 1,
      initial: 44,
      why: 'A degree or two above the keeping temperature, as the starter and the spoon cool it.',
    },
    {
      key: 'dosePct',
      label: 'Dose',
      kind: 'number',
      unit: '% of the milk',
      min: 0.5,
      max: 10,
      step: 0.1,
      initial: 2.5,
      why: 'More is faster and sharper, less is slower and rounder; 2 to 3 % suits most.',
    },
    {
      key: 'form',
      label: 'Kind',
      kind: 'option',
      initial: 'active',
      why: 'A powder needs an hour or two to wake.',
      options: [
        { id: 'active', label: 'Live yogurt', why: 'A held-back spoon or a bought pot.' },
        { id: 'freeze-dried', label: 'Powder', why: 'Slower off the mark, very even.' },
      ],
    },
    {
      key: 'ageDays',
      label: 'Age',
      kind: 'number',
      unit: 'days',
      min: 0,
      max: 120,
      step: 1,
      initial: 4,
      why: 'Days since it was made; in the cold it loses about a tenth of its vigour a day.',
    },
    {
      key: 'store',
      label: 'Kept',
      kind: 'option',
      initial: 'cold',
      why: 'Freezing costs two thirds at once and then keeps it for months.',
      options: [
        { id: 'cold', label: 'In the cold', why: 'Best within ten days.' },
        { id: 'frozen', label: 'Frozen', why: 'A reserve.' },
        { id: 'room', label: 'At room temperature', why: 'Weak after two days.' },
      ],
    },
    {
      key: 'generation',
      label: 'Carried on',
      kind: 'number',
      unit: 'times',
      min: 0,
      max: 200,
      step: 1,
      initial: 1,
      why: 'Makes since it was bought: a bought yogurt drifts, sourer and slower, after three to six; heirlooms do not.',
    },
  ],
};

/** What the stage that takes in what {@link STARTER} chose is told. */
export const STARTER_PARAMS: StageTemplate['params'] = {
  dosePct: { choice: 'dosePct' },
  form: { choice: 'form' },
  ageDays: { choice: 'ageDays' },
  store: { choice: 'store' },
  generation: { choice: 'generation' },
};

/** Keys of the choices that {@link STARTER_PARAMS} asks for. */
export const STARTER_KEYS = Object.keys(STARTER_PARAMS);

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
        { id: 'flask', label: 'Vacuum flask', why: 'Loses about a degree an hour for one litre.' },
        { id: 'wrapped', label: 'Box or towels', why: 'A big pot keeps well, a small one does not.' },
      ],
    },
    {
      key: 'preheated',
      onlyIf: { choice: 'keeper', is: 'flask' },
      label: 'A flask is',
      kind: 'option',
      initial: 'yes',
      why: 'A cold flask takes two degrees at once.',
      options: [
        { id: 'yes', label: 'Rinsed hot first', why: 'Keeps what you give it.' },
        { id: 'no', label: 'Cold', why: 'Fill it two degrees warmer.' },
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

/** What a batch is worth: used for the cost against the shop. */
export const MONEY: ChoiceGroup = {
  title: 'Pots and prices',
  choices: [
    {
      key: 'potG',
      label: 'Pots of',
      kind: 'number',
      unit: 'g',
      min: 50,
      max: 5000,
      step: 25,
      initial: 400,
      why: 'Net weight of one pot.',
    },
    {
      key: 'milkPrice',
      label: 'Milk costs',
      kind: 'number',
      unit: 'per kg',
      min: 0,
      max: 100,
      step: 0.05,
      initial: 1.3,
      why: 'In your own money.',
    },
    {
      key: 'creamPrice',
      label: 'Cream costs',
      kind: 'number',
      unit: 'per kg',
      min: 0,
      max: 100,
      step: 0.05,
      initial: 6.4,
      why: 'In your own money.',
    },
    {
      key: 'shopPrice',
      label: 'The shop asks',
      kind: 'number',
      unit: 'per kg',
      min: 0,
      max: 200,
      step: 0.1,
      initial: 7.5,
      why: 'For the same thing, so the two can be compared.',
    },
    {
      key: 'potPrice',
      label: 'A pot costs',
      kind: 'number',
      unit: 'each',
      min: 0,
      max: 20,
      step: 0.05,
      initial: 0.25,
      why: 'Pot, lid and label, or wrapper.',
    },
    {
      key: 'handsPerHour',
      label: 'An hour of hands',
      kind: 'number',
      unit: 'per hour',
      min: 0,
      max: 200,
      step: 1,
      initial: 0,
      why: 'Nought leaves your own time out.',
    },
  ],
};
