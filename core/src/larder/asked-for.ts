import type { FindWords } from './find-words.js';
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

/**
 * Reads a line such as "2 L cream near its date, no thermostat, 5 hours": an amount, a lot of one's own by its name, its kind or
 * its animal (the first to be used where several answer), a time, the want of a thermostat. What is none of that stays as words.
 *
 * @param by the words of the language it is written in
 */
export function askedFor(line: string, lots: readonly LotLeft[], by: FindWords): AskedFor {
  let rest = ` ${line.toLowerCase().replace(/[’']/g, '')} `;
  const take = (pattern: RegExp): RegExpMatchArray | null => {
    const [found] = [...rest.matchAll(pattern)];
    if (found) rest = rest.replace(found[0], ' , ');
    return found ?? null;
  };
  const thermostat = take(by.noThermostat) ? (false as const) : null;
  const time = take(by.time);
  const amount = take(by.amount);
  const words = rest.split(/[^\p{L}\p{N}%-]+/u).filter((w) => w && !by.idle.has(w));
  const meant = amount || namesAll(words, lots) ? lotMeant(words, lots, by) : null;
  const saidG = amount ? asNumber(amount[1]!) * by.gramsOf.get(amount[2]!)! : Infinity;
  return {
    lot: meant && { lot: meant.lot.lot, leftG: Math.min(saidG, meant.lot.leftG) },
    withinH: time ? asNumber(time[1]!) * by.hoursOf.get(time[2]!)! : null,
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
