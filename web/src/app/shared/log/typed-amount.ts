import { amount, CROCK_G_PER_ML, type ReadAmount, readAmount, type Shown } from '@oat-crock/core';
import { amountsSaid } from '../ui/amounts-said';
import { units } from '../ui/reader';
import { quantity, tell } from '../ui/said';
import type { PadOption } from './pad-options';

/** What may stand in an amount, key by key: digits, letters, signs between parts. */
const IN_AMOUNTS = /^[\p{L}\d.+/%°½¼¾⅓⅔×\- ]$/u;
const MOST_TYPED = 28;

/** What is typed on the pad after one more key; as it was where the key means nothing there. */
export function typedWith(typed: string, key: string): string {
  if (key === '⌫') return typed.slice(0, -1);
  const isSecondPoint = key === '.' && /\.\d*$/.test(typed);
  return isSecondPoint ? typed : (typed + key).slice(0, MOST_TYPED);
}

/** A key of an amount, a comma as the decimal sign it is on many keyboards; null for what stands in none. */
export function keyOfAmount(key: string): string | null {
  if (key === ',') return '.';
  return IN_AMOUNTS.test(key) ? key : null;
}

/** What is typed, in any words for amounts, for something the pad asks for. */
export function readTyped(typed: string, { unit, gPerMl }: PadOption): ReadAmount {
  const asked = { unit, units: units(), decimal: '.', gPerMl: gPerMl === 1 ? CROCK_G_PER_ML : gPerMl };
  return readAmount(typed, asked, amountsSaid());
}

/** What was understood of an amount in other words than the pad's own unit; empty where there is nothing to say. */
export function understoodOf(read: ReadAmount, { toShown, unit }: Shown): string {
  if (read.is !== 'amount' || read.own) return '';
  return tell('page.ui.numberField.thatIs', { amount: `${quantity(amount(toShown(read.value)))} ${unit}` });
}
