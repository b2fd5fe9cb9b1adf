import { REFERENCE_CREAMS, REFERENCE_MILKS } from '../materials/reference-materials.js';
import type { Treatment } from '../constants/milk.js';
import type { Stock } from '../materials/materials.js';
import type { ChoiceGroup, StageTemplate } from './method.js';

const TREATED: Readonly<Record<Treatment, string>> = {
  raw: 'raw: heat it in this make',
  '63C-30min': 'pasteurised slowly',
  '72C-15s': 'pasteurised',
  scalded: 'scalded',
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
      lots: ['milk'],
      options: REFERENCE_MILKS.map(milkOption),
    },
    {
      key: 'cream',
      label: 'Cream to raise it',
      kind: 'option',
      initial: 'cream-36',
      why: 'Used only when the wanted fat is above the milk’s.',
      lots: ['cream'],
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
    milk: { stock: 'milk' },
    cream: { stock: 'cream' },
  },
};
