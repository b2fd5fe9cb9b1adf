import { say, type Text } from '../messages/message.js';
import { REFERENCE_CREAMS, REFERENCE_MILKS } from '../materials/reference-materials.js';
import type { Treatment } from '../constants/milk.js';
import type { Stock } from '../materials/materials.js';
import { vary, type ChoiceGroup } from './method.js';
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

const AS_MILK = {
  id: 'milk',
  label: say('methods.milkChoices.asMilkComes'),
  why: say('methods.milkChoices.milkAndNothingElse'),
};
const AS_CREAM = {
  id: 'cream',
  label: say('methods.milkChoices.asCreamComes'),
  why: say('methods.milkChoices.creamAndNothingElse'),
};
const TO_FAT = {
  id: 'fat',
  label: say('methods.milkChoices.blendedToFat'),
  why: say('methods.milkChoices.milkAndCreamToFat'),
};

/** Of milk as it comes, unless a fat is wanted. */
export const MILK_AS_IT_COMES = { initial: 'milk' } as const;
/** Of cream: as it comes, or with milk to a fat. */
export const CREAM_OR_FAT = { initial: 'fat', options: [TO_FAT, AS_CREAM] };

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
      key: 'blendBy',
      label: say('methods.milkChoices.fat2'),
      kind: 'option',
      initial: 'fat',
      implied: { fatPct: 'fat' },
      why: say('methods.milkChoices.nothingBlendedUnasked'),
      options: [AS_MILK, TO_FAT],
    },
    {
      key: 'milk',
      onlyIf: { choice: 'blendBy', not: 'cream' },
      label: say('methods.milkChoices.milk'),
      kind: 'option',
      initial: 'whole',
      why: say('methods.milkChoices.proteinMakesGelFat'),
      lots: ['milk'],
      options: REFERENCE_MILKS.map(milkOption),
    },
    {
      key: 'cream',
      onlyIf: { choice: 'blendBy', not: 'milk' },
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
      onlyIf: { choice: 'blendBy', is: 'fat' },
      label: say('methods.milkChoices.fatWanted'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 20,
      step: 0.1,
      initial: 3.6,
      why: say('methods.milkChoices.moreFatSoftensTang'),
    },
  ],
} as const satisfies ChoiceGroup;

/** The same of milk as it comes, unless a fat is wanted. */
export const PLAIN_MILK = vary(MILK, { blendBy: MILK_AS_IT_COMES });

/** The stage that weighs in what {@link MILK} chose. */
export const BLEND = {
  id: 'blend',
  kind: 'blend',
  params: {
    massG: { choice: 'massG' },
    vesselL: { choice: 'vesselL' },
    by: { choice: 'blendBy' },
    fatPct: { choice: 'fatPct' },
    milk: { stock: 'milk' },
    cream: { stock: 'cream' },
  },
} as const satisfies TypedTemplate;
