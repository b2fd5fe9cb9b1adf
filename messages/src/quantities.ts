import {
  CM_PER_IN,
  fromMl,
  G_PER_LB,
  G_PER_OZ,
  PSI_PER_BAR,
  toFahrenheit,
  type SaidQuantity,
  type SimpleQuantity,
} from '@oat-crock/core';
import { durationOf } from './durations.js';
import { measureOf } from './measures.js';
import { fixed, trimmed } from './numbers.js';
import type { Reader } from './reader.js';
import { textOf } from './text.js';

/** A quantity in words: its number, and its unit. */
interface Said {
  readonly number: string;
  /** What follows the number; nothing where it has no unit. */
  readonly unit?: string;
}

type Kind =
  | 'massG'
  | 'weighedG'
  | 'tempC'
  | 'byC'
  | 'ml'
  | 'spoonsMl'
  | 'litres'
  | 'cm'
  | 'bar'
  | 'gPerKg'
  | 'imcuPerKg'
  | 'wPerC'
  | 'pct'
  | 'ph'
  | 'minutes'
  | 'hourOfDay'
  | 'amount';
type Say = (value: number, reader: Reader, decimals: number | undefined) => Said | string;

/** How each kind of quantity is said, at the precision of the gear it is measured with. */
const KINDS: Readonly<Record<Kind, Say>> = {
  massG: (massG, reader, decimals) =>
    reader.units.mass === 'oz' ? ounces(massG, reader) : grams(massG, reader, decimals),
  weighedG: (massG, reader) => (reader.units.mass === 'oz' ? ounces(massG, reader) : onScale(massG, reader)),
  tempC: (tempC, { units, language }, decimals = 0) =>
    units.temperature === 'C'
      ? { number: fixed(language, tempC, decimals), unit: '°C' }
      : { number: fixed(language, toFahrenheit(tempC), decimals), unit: '°F' },
  byC: (byC, { units, language }, decimals) => {
    const by = units.temperature === 'C' ? byC : 1.8 * byC;
    return {
      number: decimals === undefined ? trimmed(language, by, 1) : fixed(language, by, decimals),
      unit: units.temperature === 'C' ? '°C' : '°F',
    };
  },
  ml: smallVolume,
  spoonsMl: measureOf,
  litres: (l, { units, language }, decimals = 1) => {
    if (units.volume === 'metric') return { number: trimmed(language, l, decimals), unit: 'L' };
    const inUnit = fromMl(1000 * l, units.volume === 'us' ? 'US quart' : 'imperial pint');
    return {
      number: trimmed(language, inUnit, Math.min(decimals, inUnit < 1 ? 2 : 1)),
      unit: units.volume === 'us' ? 'qt' : 'pt',
    };
  },
  cm: (cm, { units, language }) =>
    units.volume === 'metric'
      ? { number: trimmed(language, cm, 1), unit: 'cm' }
      : { number: trimmed(language, cm / CM_PER_IN, 1), unit: 'in' },
  bar: (bar, { units, language }) =>
    units.volume === 'metric'
      ? { number: fixed(language, bar, 1), unit: 'bar' }
      : { number: fixed(language, bar * PSI_PER_BAR, 0), unit: 'psi' },
  gPerKg: (gPerKg, { units, language }) =>
    units.mass === 'g'
      ? { number: trimmed(language, gPerKg, 2), unit: 'g/kg' }
      : { number: trimmed(language, gPerKg / 10, 3), unit: '%' },
  imcuPerKg: (imcu, { units, language }) =>
    units.mass === 'g'
      ? { number: fixed(language, imcu, 0), unit: 'IMCU/kg' }
      : { number: fixed(language, (imcu * G_PER_LB) / 1000, 0), unit: 'IMCU/lb' },
  wPerC: (w, { units, language }) =>
    units.temperature === 'C'
      ? { number: fixed(language, w, 2), unit: 'W/°C' }
      : { number: fixed(language, w / 1.8, 2), unit: 'W/°F' },
  pct: (pct, { language }, decimals) => ({
    number: decimals === undefined ? trimmed(language, pct, 1) : fixed(language, pct, decimals),
    unit: '%',
  }),
  ph: (ph, { language }, decimals = 2) => ({ number: fixed(language, ph, decimals) }),
  minutes: durationOf,
  hourOfDay: (hour) => {
    const minutes = Math.round(hour * 60) % (24 * 60);
    const two = (n: number) => String(n).padStart(2, '0');
    return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
  },
  amount: (value, { language }, decimals) => ({
    number: decimals === undefined ? trimmed(language, value, 2) : fixed(language, value, decimals),
  }),
};

/** A mass as a maker weighs it: to 5 g from 100 g on, to 1 g from 10 g on. */
function grams(massG: number, { language }: Reader, asked: number | undefined): Said {
  if (asked !== undefined) return { number: fixed(language, massG, asked), unit: 'g' };
  if (massG >= 997.5)
    return {
      number: massG >= 9995 ? trimmed(language, massG / 1000, 1) : fixed(language, massG / 1000, 2),
      unit: 'kg',
    };
  if (massG >= 100) return { number: fixed(language, Math.round(massG / 5) * 5, 0), unit: 'g' };
  const decimals = massG >= 9.95 || massG <= 0 ? 0 : massG < 0.95 ? 2 : 1;
  return { number: trimmed(language, massG, decimals), unit: 'g' };
}

/** A mass as a scale shows it: "1.99 kg", "620 g", "0.40 g". */
function onScale(massG: number, { language }: Reader): Said {
  if (massG >= 999.5) return { number: fixed(language, massG / 1000, massG >= 9995 ? 1 : 2), unit: 'kg' };
  const decimals = massG >= 9.95 || massG <= 0 ? 0 : massG < 0.95 ? 2 : 1;
  return { number: fixed(language, massG, decimals), unit: 'g' };
}

/** Ounces are split off pounds below this many of them; above, tenths of a pound will do. */
const OUNCES_BELOW_LB = 20;

function ounces(massG: number, { language }: Reader): string {
  const oz = massG / G_PER_OZ;
  if (oz <= 0) return '0 oz';
  if (oz < 15.95) return `${fixed(language, oz, oz < 0.0995 ? 3 : oz < 0.995 ? 2 : 1)} oz`;
  if (massG >= OUNCES_BELOW_LB * G_PER_LB) return `${fixed(language, massG / G_PER_LB, 1)} lb`;
  const tenths = Math.round(oz * 10);
  const rest = tenths % 160;
  const lb = `${(tenths - rest) / 160} lb`;
  return rest === 0 ? lb : `${lb} ${trimmed(language, rest / 10, 1)} oz`;
}

/** Below this a measure has no spoon: it is said as a syringe has it, which is in mL everywhere. */
const SPOONS_FROM_ML = 1.2;
/** Below this a spoon is too rough to stand alone. */
const EXACT_BELOW_ML = 15;

/** A small volume, by spoon and syringe: "60 mL (4 tbsp)", "¼ cup", "½ tsp (2.2 mL)", "0.6 mL". */
function smallVolume(amountMl: number, reader: Reader): string {
  const exact = `${fixed(reader.language, amountMl, amountMl < 9.95 ? 1 : 0)} mL`;
  if (amountMl < SPOONS_FROM_ML) return exact;
  const measure = measureOf(amountMl, reader);
  if (reader.units.volume === 'metric') return amountMl >= 1000 ? measure : `${exact} (${measure})`;
  return amountMl < EXACT_BELOW_ML ? `${measure} (${exact})` : measure;
}

/** A quantity as the reader has it; several spans of the same unit have that once. */
export function sayQuantity(quantity: SaidQuantity, reader: Reader): string {
  if ('from' in quantity) return saySpan(said(quantity.from, reader), said(quantity.to, reader), reader);
  return words(said(quantity, reader));
}

function said(quantity: SimpleQuantity, reader: Reader): Said | string {
  if ('atMs' in quantity) return sayMoment(quantity, reader);
  const kind = KIND_NAMES.find((name) => name in quantity);
  if (!kind) throw new RangeError(`no kind of quantity: ${JSON.stringify(quantity)}`);
  const { decimals, [kind]: value } = quantity as { decimals?: number } & Record<Kind, number>;
  return KINDS[kind](value, reader, decimals);
}

const KIND_NAMES = Object.keys(KINDS) as Kind[];

const words = (one: Said | string): string => {
  if (typeof one === 'string') return one;
  return one.unit === undefined ? one.number : `${one.number} ${one.unit}`;
};

function saySpan(from: Said | string, to: Said | string, reader: Reader): string {
  const [a, b] = [words(from), words(to)];
  if (a === b) return b;
  const isShared = typeof from !== 'string' && typeof to !== 'string' && from.unit === to.unit;
  return textOf(reader, 'quantity.span', { from: isShared ? from.number : a, to: b });
}

const MOMENTS = {
  time: { hour: 'numeric', minute: '2-digit' },
  day: { weekday: 'long' },
  'day and time': { weekday: 'long', hour: 'numeric', minute: '2-digit' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

const moments = new Map<string, Intl.DateTimeFormat>();

/** Hours of a clock that goes to twenty-four keep their two digits. */
const CLOCKS = { whole: { hour: '2-digit', hourCycle: 'h23' }, half: { hour12: true } } as const;

function sayMoment({ atMs, as }: { atMs: number; as: keyof typeof MOMENTS }, reader: Reader): string {
  const { language, zone, halfDays = false } = reader;
  const clock = as === 'day' ? {} : CLOCKS[halfDays ? 'half' : 'whole'];
  const name = `${language} ${zone} ${as} ${halfDays}`;
  let format = moments.get(name);
  if (!format) {
    format = new Intl.DateTimeFormat(language, { ...MOMENTS[as], ...clock, timeZone: zone });
    moments.set(name, format);
  }
  return format.format(atMs);
}
