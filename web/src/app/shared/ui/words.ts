import {
  acidity as acidityOf,
  amount as amountOf,
  percent as percentOf,
  priceIn,
  shownIn,
  temp as tempOf,
  tempBy,
  volume,
  weighed,
  type Text,
  SaidError,
} from '@oat-crock/core';
import { isSameDay } from '@oat-crock/calendar';
import { written } from './dates';
import { units } from './reader';
import { quantity, tell, textList, textOf } from './said';
import { kitchenZone } from './zone';
import { unitWords } from './unit-words';

/** Clock time: "19:10", or "Thu 19:10" on another day than `nowMs`. */
export function clockTime(atMs: number, nowMs: number): string {
  return written(atMs, isSameDay(atMs, nowMs, kitchenZone()) ? 'clock' : 'weekdayClock');
}

/** Always with the weekday: "Thu 19:10". */
export function dayTime(atMs: number): string {
  return written(atMs, 'weekdayClock');
}

/** "Thursday 23 November" */
export function longDay(atMs: number): string {
  return written(atMs, 'longDay');
}

/** Rounds a moment to five minutes: a forecast is not finer than that. */
export function toFive(atMs: number): number {
  const five = 5 * 60_000;
  return Math.round(atMs / five) * five;
}

/** From these chances on a starter may be dead, or is taken for dead. */
const MAYBE_DEAD = 0.05;
const LIKELY_DEAD = 0.5;

/** A forecast window in words: "likely 06:50, between 06:10 and 07:40". */
export function windowWords(
  window: {
    readonly p10Ms: number | null;
    readonly p50Ms: number | null;
    readonly p90Ms: number | null;
    readonly deadChance?: number;
    readonly byClock?: boolean;
  },
  nowMs: number,
): string {
  const { p10Ms, p50Ms, p90Ms, deadChance = 0, byClock = false } = window;
  if (byClock && p50Ms !== null) return tell('page.ui.words.windowByClock', { at: clockTime(toFive(p50Ms), nowMs) });
  const dead = percentOf(Math.min(99, 100 * deadChance), 0);
  if (p50Ms === null)
    return deadChance >= LIKELY_DEAD ? tell('page.ui.words.windowDead', { dead }) : tell('page.ui.words.windowNever');
  const perhaps = deadChance >= MAYBE_DEAD ? tell('page.ui.words.windowMaybeDead', { dead }) : '';
  const likely = clockTime(toFive(p50Ms), nowMs);
  if (p10Ms === null) return tell('page.ui.words.windowLikely', { likely, perhaps });
  const from = toFive(p10Ms);
  if (p90Ms === null) return tell('page.ui.words.windowFrom', { likely, from: clockTime(from, nowMs), perhaps });
  const until = clockTime(toFive(p90Ms), from);
  return tell('page.ui.words.window', { likely, from: clockTime(from, nowMs), until, perhaps });
}

/** Mass, in the household's units: "1.99 kg", "620 g". */
export const mass = (massG: number): string => quantity(weighed(massG));

/** Grams as a label has them, whatever the household weighs in: "3.6 g". */
export const grams = (massG: number, decimals?: number): string => `${quantity(amountOf(massG, decimals))} g`;

/** Temperature, in the household's units: "42.1 °C". */
export const temp = (tempC: number): string => quantity(tempOf(tempC, 1));

/** A difference of temperatures, in the household's units: "2.8 °C", "5.0 °F". */
export const degrees = (byC: number): string => quantity(tempBy(byC, 1));

/** What a vessel holds, in the household's units: "4 L". */
export const litres = (volumeL: number): string => quantity(volume(volumeL, 2));

/** A number with just so many decimals, as the household writes it: "1.20", "1,20". */
export const number = (value: number, decimals: number): string => quantity(amountOf(value, decimals));

/** A number with the metric unit it has, in the household's: "8.82 lb", "185 °F"; `stepBy` as of the field it is typed into. */
export function amount(value: number, unit: string, stepBy = 1): string {
  const way = shownIn(unit, units(), stepBy);
  return `${quantity(amountOf(way.toShown(value)))} ${unitWords(way.unit)}`.trimEnd();
}

/** Money for what a kilo costs, for the weight the household buys by: "¤ 1.20 per kg". */
export function pricePer(perKg: number, currency: string): string {
  const { amount: price, unit } = priceIn(perKg, units());
  return tell('page.ui.words.pricePer', { price: `${currency} ${number(price, 2)}`, unit });
}

export const acidity = (ph: number): string => tell('page.ui.words.acidity', { ph: acidityOf(ph) });

/** Some things one after another: "a, b, c". */
export const listed = (all: readonly string[]): string => textList(all, 'comma');

/** How long until a moment, or how long it has been waiting: "in 2 h 10", "now", "25 min ago". */
export function fromNow(atMs: number, nowMs: number): string {
  const minutes = Math.round((atMs - nowMs) / 60_000);
  if (Math.abs(minutes) < 1) return tell('page.ui.words.now');
  return minutes > 0
    ? tell('page.ui.words.in', { time: span(minutes) })
    : tell('page.ui.words.ago', { time: span(-minutes) });
}

/** A duration in minutes as "35 min", "2 h 10", "14 h". */
export function span(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rounded = whole >= 600 ? Math.round(whole / 30) * 30 : Math.round(whole / 5) * 5;
  const rest = rounded % 60;
  const hours = Math.floor(rounded / 60);
  return rest ? `${hours} h ${String(rest).padStart(2, '0')}` : `${hours} h`;
}

/** What a pH tastes of. */
export function tasteOf(ph: number): string {
  if (ph > 5.6) return tell('page.ui.words.tasteSweet');
  if (ph > 4.85) return tell('page.ui.words.tasteBarely');
  if (ph > 4.5) return tell('page.ui.words.tasteMild');
  if (ph > 4.25) return tell('page.ui.words.tasteTangy');
  return tell('page.ui.words.tasteSharp');
}

/** The first letter large. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** What is wrong, and what to do about it. */
export const problemWords = ({ message, remedy }: { readonly message: Text; readonly remedy: Text }): string =>
  `${textOf(message)} ${textOf(remedy)}`;

/** What an error says: in the household's words where it has them, else as it was thrown. */
export const wordsOfError = (error: unknown): string =>
  error instanceof SaidError ? textOf(error.says) : error instanceof Error ? `${error.message}.` : String(error);
