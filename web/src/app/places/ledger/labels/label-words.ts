import type { Settings } from '@oat-crock/contract/api';
import { amount, type Batch, listOf, type PotLabel, temp } from '@oat-crock/core';
import { written } from '../../../shared/ui/dates';
import { noonOf } from '../../../shared/ui/days';
import { lotCode } from '../../../shared/ui/lot-code';
import { quantity, tell, textOf, untitled } from '../../../shared/ui/said';
import { grams, mass } from '../../../shared/ui/words';
import type { LabelPart } from './label-fit';

/** What is to stand on a pot besides what must. */
export interface LabelWish {
  /** What the product is called on it. */
  readonly name: string;
  readonly ingredients: boolean;
  readonly nutrition: boolean;
}

/** The parts of a pot's label in the household's words, from top to bottom. */
export function labelParts(
  batch: Batch,
  label: PotLabel,
  eachG: number,
  { dairyName, dairyAddress }: Pick<Settings, 'dairyName' | 'dairyAddress'>,
  wish: LabelWish,
): readonly LabelPart[] {
  const { ended } = batch;
  if (ended?.how !== 'finished') return [];
  const { contains, ingredients, storeC, openDays, per100g: per } = label;
  const useBy = ended.useBy === null ? '' : written(noonOf(ended.useBy), 'dayYear');
  const made = written(ended.atMs, 'dayYear');
  const maker = [dairyName, dairyAddress].filter(Boolean).join(', ');
  const parts: readonly (LabelPart | false)[] = [
    { is: 'name', weight: 'name', text: wish.name },
    {
      is: 'dates',
      weight: 'bold',
      text: useBy ? tell('page.ledger.label.useBy', { day: useBy }) : tell('page.ledger.label.made', { day: made }),
    },
    { is: 'lot', weight: 'bold', text: tell('page.ledger.label.lotNet', { lot: lotCode(batch), net: mass(eachG) }) },
    contains.length > 0 && {
      ...{ is: 'contains', weight: 'bold' },
      text: tell('page.ledger.label.contains', { all: listOf(contains, 'comma') }),
    },
    label.warns.length > 0 && { is: 'warns', weight: 'bold', text: label.warns.map(textOf).join(' ') },
    wish.ingredients && {
      ...{ is: 'ingredients', weight: 'plain' },
      text: tell('page.ledger.label.ingredients', { all: listOf(ingredients.map(untitled), 'comma') }),
    },
    {
      ...{ is: 'keep', weight: 'plain' },
      text: tell('page.ledger.label.keep', {
        store: quantity(temp(Math.floor(storeC), 0)),
        count: ended.openDays ?? openDays,
      }),
    },
    wish.nutrition && {
      ...{ is: 'nutrition', weight: 'plain' },
      text: tell('page.ledger.label.nutrition', {
        kj: amount(per.energyKJ, 0),
        kcal: amount(per.energyKcal, 0),
        fat: grams(per.fatG, 1),
        saturates: grams(per.saturatesG, 1),
        // Milk has no starch: its carbohydrate is its sugars.
        carbohydrate: grams(per.sugarsG, 1),
        sugars: grams(per.sugarsG, 1),
        protein: grams(per.proteinG, 1),
        salt: grams(per.saltG, 2),
      }),
    },
    maker !== '' && { is: 'maker', weight: 'plain', text: maker },
  ];
  return parts.filter((part) => part !== false);
}

/** What the code on a pot says: the page of its lot where others reach this server, else its lot. */
export function codeText(batch: Batch, { origin, hostname }: Pick<Location, 'origin' | 'hostname'>): string {
  const isAlone = hostname === 'localhost' || hostname.startsWith('127.') || hostname === '[::1]';
  return isAlone ? lotCode(batch) : `${origin}/ledger/trace/${batch.id}`;
}
