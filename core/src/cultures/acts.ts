import type { CultureId, StarterStore } from '../constants/cultures.js';
import { starterActivity } from '../physics/starter-activity.js';
import { movedTo, storeOf, type CultureLot, type Origin } from '../lots/culture-lot.js';
import type { Activity } from './activity.js';

const DAY_MS = 86_400_000;

/** A culture with so much of it left, as counted at a moment. */
function counted(lot: CultureLot, leftG: number, atMs: number): CultureLot {
  return { ...lot, amount: Math.max(0, leftG), countedMs: atMs };
}

/**
 * Part of a culture put into a jar, a bag or a tray of its own, in some store: what is left, and the part.
 *
 * @param leftG how much of it there is, g
 * @throws RangeError where there is less than is taken
 */
export function divided(
  lot: CultureLot,
  leftG: number,
  part: { readonly id: string; readonly massG: number; readonly store: StarterStore; readonly name: string },
  atMs: number,
): readonly [CultureLot, CultureLot] {
  if (!(part.massG > 0 && part.massG <= leftG)) throw new RangeError(`there are ${leftG.toFixed(1)} g of it`);
  const child = {
    ...counted(lot, part.massG, atMs),
    id: part.id,
    name: part.name,
    origin: 'divided' as const,
    parents: [lot.id],
  };
  return [counted(lot, leftG - part.massG, atMs), movedTo(child, part.store, atMs)];
}

/** Two cultures stirred together: the mixture is as old as its older part, and of its elder's generation. */
export function mixed(
  a: CultureLot,
  b: CultureLot,
  part: { readonly id: string; readonly massG: number; readonly name: string },
  atMs: number,
): CultureLot {
  const cultures: readonly CultureId[] = [
    ...new Set([a.culture, b.culture, a.beside, b.beside].filter((c) => c !== null)),
  ];
  const elder = a.bornMs <= b.bornMs ? a : b;
  return {
    ...jarOf(part.id, part.name, part.massG, atMs),
    price: a.price,
    origin: 'mixed',
    form: a.form,
    culture: cultures[0]!,
    beside: cultures[1] ?? null,
    parents: [a.id, b.id],
    generation: Math.max(a.generation, b.generation),
    bornMs: elder.bornMs,
    stays: elder.stays,
  };
}

/** What every new jar has. */
const jarOf = (id: string, name: string, massG: number, atMs: number) =>
  ({
    id,
    kind: 'culture',
    name,
    amount: massG,
    countedMs: atMs,
    pack: null,
    useBy: null,
    note: '',
    retiredMs: null,
  }) as const;

/** Given up: it stays in its line, so that what was made of it can be traced. */
export const retired = (lot: CultureLot, atMs: number): CultureLot => ({ ...lot, retiredMs: atMs });

/** Taken up again after all: the time between counts as spent where it stood. */
export const revived = (lot: CultureLot): CultureLot => ({ ...lot, retiredMs: null });

/** What a make gives its line: a spoon held back, grains that were sieved out, or the whole of a feeding. */
export interface Given {
  readonly id: string;
  readonly name: string;
  readonly massG: number;
  readonly batchId: string;
  readonly culture: CultureId;
  readonly beside: CultureId | null;
  readonly form: CultureLot['form'];
  readonly origin: Extract<Origin, 'held back' | 'fed'>;
  readonly store: StarterStore;
  /** Generation of the starter that the make took. */
  readonly generation: number;
  readonly parents: readonly string[];
  readonly atMs: number;
  readonly price: number;
}

/** A culture that a make gave: a generation on, and fresh. Grains are the same grains. */
export function givenBy(given: Given): CultureLot {
  const { id, name, massG, batchId, culture, beside, form, origin, store, parents, atMs, price } = given;
  return {
    ...jarOf(id, name, massG, atMs),
    price,
    from: batchId,
    culture,
    beside,
    form,
    origin,
    parents,
    generation: given.generation + (form === 'grains' ? 0 : 1),
    bornMs: atMs,
    stays: [{ store, fromMs: atMs }],
  };
}

/**
 * How a culture answers the choices of a make sheet that ask for a starter: its age is that in the store it is in. What its
 * earlier stores and its line's makes make of its activity, against what that age and store say, goes along as a percentage.
 */
export function asStarter(lot: CultureLot, atMs: number, { likely }: Pick<Activity, 'likely'>) {
  const ageDays = Math.min(120, Math.max(0, Math.round((atMs - lot.stays.at(-1)!.fromMs) / DAY_MS)));
  const starter = { form: lot.form, ageDays, store: storeOf(lot), generation: Math.min(200, lot.generation) };
  const vigourPct = Math.round((100 * likely) / starterActivity(starter, lot.culture));
  return { ...starter, vigourPct: Math.min(300, Math.max(5, vigourPct)) };
}
