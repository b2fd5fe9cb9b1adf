import { priceIn, sayDegreesIn, sayLitresIn, sayMassIn, sayTempIn, shownIn } from '@oat-crock/core';
import { isSameDay } from '@oat-crock/calendar';
import { written } from './dates';
import { units } from './units';
import { kitchenZone } from './zone';

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
  },
  nowMs: number,
): string {
  const { p10Ms, p50Ms, p90Ms, deadChance = 0 } = window;
  const dead = `${Math.min(99, Math.round(100 * deadChance))} %`;
  if (p50Ms === null)
    return deadChance >= LIKELY_DEAD
      ? `never, by all there is to go by: the starter is dead (${dead})`
      : 'not as things stand';
  const perhaps = deadChance >= MAYBE_DEAD ? `; the starter may be dead (${dead})` : '';
  const likely = `likely ${clockTime(toFive(p50Ms), nowMs)}`;
  if (p10Ms === null) return likely + perhaps;
  if (p90Ms === null) return `${likely}, not before ${clockTime(toFive(p10Ms), nowMs)}${perhaps}`;
  const from = toFive(p10Ms);
  return `${likely}, between ${clockTime(from, nowMs)} and ${clockTime(toFive(p90Ms), from)}${perhaps}`;
}

/** Mass, in the household's units: "1.99 kg", "620 g". */
export function mass(massG: number): string {
  return sayMassIn(massG, units());
}

/** Temperature, in the household's units: "42.1 °C". */
export function temp(tempC: number): string {
  return sayTempIn(tempC, units());
}

/** A difference of temperatures, in the household's units: "2.8 °C", "5.0 °F". */
export function degrees(byC: number): string {
  return sayDegreesIn(byC, units());
}

/** What a vessel holds, in the household's units: "4 L". */
export function litres(volumeL: number): string {
  return sayLitresIn(volumeL, units());
}

/** A number with the metric unit it has, in the household's: "8.82 lb", "185 °F"; `stepBy` as of the field it is typed into. */
export function amount(value: number, unit: string, stepBy = 1): string {
  const way = shownIn(unit, units(), stepBy);
  return `${Number(way.toShown(value).toFixed(2))} ${way.unit}`.trimEnd();
}

/** Money for what a kilo costs, for the weight the household buys by: "¤ 1.20 per kg". */
export function pricePer(perKg: number, currency: string): string {
  const { amount, unit } = priceIn(perKg, units());
  return `${currency} ${amount.toFixed(2)} per ${unit}`;
}

export function acidity(ph: number): string {
  return `pH ${ph.toFixed(2)}`;
}

/** How long until a moment, or how long it has been waiting: "in 2 h 10", "now", "25 min ago". */
export function fromNow(atMs: number, nowMs: number): string {
  const minutes = Math.round((atMs - nowMs) / 60_000);
  if (Math.abs(minutes) < 1) return 'now';
  return minutes > 0 ? `in ${span(minutes)}` : `${span(-minutes)} ago`;
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
  if (ph > 5.6) return 'sweet';
  if (ph > 4.85) return 'barely sour';
  if (ph > 4.5) return 'mild';
  if (ph > 4.25) return 'tangy';
  return 'sharp';
}

/** The first letter large. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
