import { say, type Text } from '../messages/message.js';
import { REFERENCE_CREAMS, REFERENCE_MILKS } from '../materials/reference-materials.js';
import type { Treatment } from '../constants/milk.js';
import type { Stock } from '../materials/materials.js';
import type { ChoiceGroup } from './method.js';
import { percent } from '../messages/quantity.js';
import type { TypedTemplate } from './typed.js';

const TREATED: Readonly<Record<Treatment, Text>> = {
  raw: say('treated.raw'),
  '63C-30min': say('treated.slowly'),
  '72C-15s': say('treated.pasteurised'),
  scalded: say('treated.scalded'),
  'ultra-heated': say('treated.ultraHeated'),
  ultrafiltered: say('treated.ultrafiltered'),
};

/** A milk as an option of a choice. */
export const milkOption = (m: Stock) => ({
  id: m.id,
  label: m.name,
  why: say('methods.milkChoices.protein', { protein: percent(m.proteinPct), treated: TREATED[m.treatment] }),
});

/** Choices that every scalded yogurt shares. */
export const MILK = {
  title: say('methods.milkChoices.milk'),
  choices: [
    {
      key: 'massG',
      label: say('methods.milkChoices.milkCreamTogether'),
      kind: 'number',
      unit: 'g',
      min: 250,
      max: 60_000,
      step: 250,
      initial: 4000,
      why: say('methods.milkChoices.whatGoesIntoPot'),
    },
    {
      key: 'vesselL',
      label: say('methods.milkChoices.potHolds'),
      kind: 'number',
      unit: 'L',
      min: 0.5,
      max: 80,
      step: 0.5,
      initial: 5,
      why: say('methods.milkChoices.tenthLeftFreeCan'),
    },
    {
      key: 'milk',
      label: say('methods.milkChoices.milk'),
      kind: 'option',
      initial: 'whole',
      why: say('methods.milkChoices.proteinMakesGelFat'),
      lots: ['milk'],
      options: REFERENCE_MILKS.map(milkOption),
    },
    {
      key: 'cream',
      label: say('methods.milkChoices.creamRaise'),
      kind: 'option',
      initial: 'cream-36',
      why: say('methods.milkChoices.usedOnlyWhenWanted'),
      lots: ['cream'],
      options: REFERENCE_CREAMS.map((m) => ({
        id: m.id,
        label: m.name,
        why: say('methods.milkChoices.fat', { fat: percent(m.fatPct), treated: TREATED[m.treatment] }),
      })),
    },
    {
      key: 'fatPct',
      label: say('methods.milkChoices.fatWanted'),
      kind: 'number',
      unit: '%',
      min: 0.1,
      max: 20,
      step: 0.1,
      initial: 3.6,
      why: say('methods.milkChoices.moreFatSoftensTang'),
    },
  ],
} as const satisfies ChoiceGroup;

/** The stage that weighs in what {@link MILK} chose. */
export const BLEND = {
  id: 'blend',
  kind: 'blend',
  params: {
    massG: { choice: 'massG' },
    vesselL: { choice: 'vesselL' },
    fatPct: { choice: 'fatPct' },
    milk: { stock: 'milk' },
    cream: { stock: 'cream' },
  },
} as const satisfies TypedTemplate;
