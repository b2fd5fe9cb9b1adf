import { percent, type TrendFigure } from '@oat-crock/core';
import { quantity, tell } from '../../../shared/ui/said';
import { acidity, number, pricePer, span } from '../../../shared/ui/words';

/** What a figure of a make is called: "Yield". */
export const figureName = (figure: TrendFigure): string => tell('page.ledger.figures.name', { figure });

/** A figure as it is read. */
export function figureWords(figure: TrendFigure, value: number, currency: string): string {
  return WORDS[figure](value, currency);
}

/** How much more or less of it, without a sign. */
export function figureBy(figure: TrendFigure, by: number, currency: string): string {
  if (figure === 'endPh') return tell('page.ledger.figures.ofPh', { by: number(Math.abs(by), 2) });
  return WORDS[figure](Math.abs(by), currency);
}

const percentOf = (value: number) => quantity(percent(value, 1));
const hours = (value: number) => span(Math.round(Math.abs(value) * 60));
const mark = (value: number) => number(value, 1);

const WORDS: Readonly<Record<TrendFigure, (value: number, currency: string) => string>> = {
  yieldPct: percentOf,
  lostPct: percentOf,
  perKg: (value, currency) => pricePer(value, currency),
  outlay: (value, currency) => `${currency} ${number(value, 2)}`,
  endPh: (value) => acidity(value),
  souredH: hours,
  lateH: (value) => (value < 0 ? tell('page.ledger.figures.sooner', { by: hours(value) }) : hours(value)),
  taste: mark,
  sourness: mark,
  thickness: mark,
};
