import type { FindWords } from './find-words.js';
import { useFirst } from './use-first.js';
import type { StockLot } from '../lots/lot.js';
import { CROCK_G_PER_ML } from '../constants/vessels.js';
import { phraseAt, tokensOf } from '../amounts/amount-phrase.js';
import { saidUnit, type Dimension } from '../amounts/said-units.js';
import { METRIC, type Units } from '../units/system.js';

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

/**
 * Reads a line such as "2 L cream near its date, no thermostat, 5 hours": an amount, a lot of one's own by its name, its kind or
 * its animal (the first to be used where several answer), a time, the want of a thermostat. What is none of that stays as words.
 *
 * @param by the words of the language it is written in
 */
export function askedFor(line: string, lots: readonly LotLeft[], by: FindWords, units: Units = METRIC): AskedFor {
  const plain = line.toLowerCase().replace(/[’']/g, '');
  const rest = plain.replace(by.noThermostat, ' , ');
  const { massG, withinH, others } = amountsIn(rest, by, units);
  const words = others.filter((w) => !by.idle.has(w));
  const meant = massG !== null || namesAll(words, lots) ? lotMeant(words, lots, by) : null;
  return {
    lot: meant && { lot: meant.lot.lot, leftG: Math.min(massG ?? Infinity, meant.lot.leftG) },
    withinH,
    thermostat: rest === plain ? null : false,
    words: (meant ? words.filter((w) => !meant.by.has(w)) : words).join(' '),
  };
}

/** The first mass or volume that a line says, g; the first time, h; and the words that are neither. */
function amountsIn(
  line: string,
  { amounts }: FindWords,
  units: Units,
): { readonly massG: number | null; readonly withinH: number | null; readonly others: readonly string[] } {
  const tokens = tokensOf(line, '.');
  let massG: number | null = null;
  let withinMin: number | null = null;
  const others: string[] = [];
  for (let i = 0; i < tokens.length;) {
    const phrase = phraseAt(tokens, i, amounts);
    const known = phrase?.parts.map(({ count, unit }) => ({ count, unit: unit && saidUnit(unit[0]!, units) })) ?? [];
    const sum = (of: Dimension, factor: number) => {
      const parts = known.filter(({ unit }) => unit?.dimension === of);
      return parts.length > 0 ? factor * parts.reduce((total, { count, unit }) => total + count * unit!.each, 0) : null;
    };
    const [grams, ofVolumeG, minutes] = [sum('mass', 1), sum('volume', CROCK_G_PER_ML), sum('time', 1)];
    const saidG = grams === null && ofVolumeG === null ? null : (grams ?? 0) + (ofVolumeG ?? 0);
    massG ??= saidG;
    withinMin ??= minutes;
    const isTaken = saidG !== null || minutes !== null;
    if (!isTaken && tokens[i]!.is !== 'sign') others.push(tokens[i]!.text);
    i = isTaken ? phrase!.next : i + 1;
  }
  return { massG, withinH: withinMin === null ? null : withinMin / 60, others };
}

/** True where every word is of a lot: "evening milk" asks for what stands there, "cultured cream" for a make. */
const namesAll = (words: readonly string[], lots: readonly LotLeft[]) =>
  words.length > 1 && lots.some(({ lot }) => words.every((w) => lot.name.toLowerCase().includes(w)));

/** The lot most of the words are of, and the words that are. */
function lotMeant(
  words: readonly string[],
  lots: readonly LotLeft[],
  known: FindWords,
): { readonly lot: LotLeft; readonly by: ReadonlySet<string> } | null {
  const order = useFirst(lots.map((l) => l.lot));
  const scored = lots
    .map((lot) => ({ lot, by: new Set(words.filter((w) => isOf(w, lot.lot, known))) }))
    .filter(({ by }) => by.size > 0)
    .sort((a, b) => b.by.size - a.by.size || order.indexOf(a.lot.lot) - order.indexOf(b.lot.lot));
  return scored[0] ?? null;
}

function isOf(word: string, lot: StockLot, { kindOf, traitOf }: FindWords): boolean {
  const kind = kindOf.get(word);
  if (kind !== undefined) return kind === lot.kind;
  const trait = traitOf.get(word);
  if (trait !== undefined && (trait === lot.species || trait === lot.treatment)) return true;
  return (
    word.length > 2 &&
    lot.name
      .toLowerCase()
      .replace(/[’']/g, '')
      .split(/[^\p{L}\p{N}]+/u)
      .includes(word)
  );
}
