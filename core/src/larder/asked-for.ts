import { G_PER_LB, G_PER_OZ } from '../units/system.js';
import { CROCK_G_PER_ML } from '../constants/vessels.js';
import { ML_PER_UNIT } from '../units/volume.js';
import { useFirst } from './use-first.js';
import type { StockLot } from '../lots/lot.js';

/** A lot and how much of it is left, g. */
export interface LotLeft {
  readonly lot: StockLot;
  readonly leftG: number;
}

/** What somebody who looks for a make has said in a line: what is at hand, the time there is, what is not there, and the rest. */
export interface AskedFor {
  /** The lot that was meant, and as much of it as was said, or all. */
  readonly lot: LotLeft | null;
  readonly withinH: number | null;
  /** False where it was said that nothing holds a warmth; null where nothing was said of it. */
  readonly thermostat: false | null;
  /** Words that were none of that: what the make is called, or like. */
  readonly words: string;
}

/** Grams of each unit that somebody may say, by its singular. */
const GRAMS: Readonly<Record<string, number>> = {
  g: 1,
  kg: 1000,
  kilo: 1000,
  oz: G_PER_OZ,
  lb: G_PER_LB,
  ...ofMl({ ml: 1, l: 1000, litre: 1000, liter: 1000 }),
  ...ofMl({ qt: ML_PER_UNIT['US quart'], quart: ML_PER_UNIT['US quart'] }),
  ...ofMl({ pt: ML_PER_UNIT['imperial pint'], pint: ML_PER_UNIT['imperial pint'] }),
};

function ofMl(units: Readonly<Record<string, number>>): Record<string, number> {
  return Object.fromEntries(Object.entries(units).map(([unit, ml]) => [unit, ml * CROCK_G_PER_ML]));
}

const HOURS: Readonly<Record<string, number>> = { h: 1, hour: 1, hr: 1, day: 24, d: 24 };

/** Words that say nothing by themselves here. */
const IDLE = new Set(
  'a an and at by for from have i in its is it left make me my near of old on or our some something that the to use up want date with within without no have hand'.split(
    ' ',
  ),
);

const KINDS: Readonly<Record<string, StockLot['kind']>> = {
  milk: 'milk',
  cream: 'cream',
  whey: 'whey',
  coconut: 'base',
  plant: 'base',
};

const NO_THERMOSTAT =
  /\b(?:no|without|not? (?:a|any))\s+(?:a\s+)?(?:thermostat|warm box|yogurt maker|water bath|incubator)\b/g;
/** A number with one of some units, one or many of it. */
const numberOf = (units: Readonly<Record<string, number>>) =>
  new RegExp(String.raw`(\d+(?:[.,]\d+)?)\s*(${Object.keys(units).join('|')})s?\b`, 'g');
const AMOUNT = numberOf(GRAMS);
const TIME = numberOf(HOURS);

/**
 * Reads a line such as "2 L cream near its date, no thermostat, 5 hours": an amount, a lot of one's own by its name, its kind or
 * its animal (the first to be used where several answer), a time, the want of a thermostat. What is none of that stays as words.
 */
export function askedFor(line: string, lots: readonly LotLeft[]): AskedFor {
  let rest = ` ${line.toLowerCase().replace(/[’']/g, '')} `;
  const take = (pattern: RegExp): RegExpMatchArray | null => {
    const [found] = [...rest.matchAll(pattern)];
    if (found) rest = rest.replace(found[0], ' , ');
    return found ?? null;
  };
  const thermostat = take(NO_THERMOSTAT) ? (false as const) : null;
  const time = take(TIME);
  const amount = take(AMOUNT);
  const words = rest.split(/[^\p{L}\p{N}%-]+/u).filter((w) => w && !IDLE.has(w));
  const meant = amount || namesAll(words, lots) ? lotMeant(words, lots) : null;
  const saidG = amount ? asNumber(amount[1]!) * GRAMS[amount[2]!]! : Infinity;
  return {
    lot: meant && { lot: meant.lot.lot, leftG: Math.min(saidG, meant.lot.leftG) },
    withinH: time ? asNumber(time[1]!) * HOURS[time[2]!]! : null,
    thermostat,
    words: (meant ? words.filter((w) => !meant.by.has(w)) : words).join(' '),
  };
}

const asNumber = (digits: string) => Number(digits.replace(',', '.'));

/** True where every word is of a lot: "evening milk" asks for what stands there, "cultured cream" for a make. */
const namesAll = (words: readonly string[], lots: readonly LotLeft[]) =>
  words.length > 1 && lots.some(({ lot }) => words.every((w) => lot.name.toLowerCase().includes(w)));

/** The lot most of the words are of, and the words that are. */
function lotMeant(
  words: readonly string[],
  lots: readonly LotLeft[],
): { readonly lot: LotLeft; readonly by: ReadonlySet<string> } | null {
  const order = useFirst(lots.map((l) => l.lot));
  const scored = lots
    .map((lot) => ({ lot, by: new Set(words.filter((w) => isOf(w, lot.lot))) }))
    .filter(({ by }) => by.size > 0)
    .sort((a, b) => b.by.size - a.by.size || order.indexOf(a.lot.lot) - order.indexOf(b.lot.lot));
  return scored[0] ?? null;
}

function isOf(word: string, lot: StockLot): boolean {
  if (KINDS[word] !== undefined) return KINDS[word] === lot.kind;
  const singular = word.replace(/s$/, '');
  if (singular === lot.species || word === lot.treatment) return true;
  return (
    word.length > 2 &&
    lot.name
      .toLowerCase()
      .replace(/[’']/g, '')
      .split(/[^\p{L}\p{N}]+/u)
      .includes(word)
  );
}
