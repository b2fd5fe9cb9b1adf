import type { Batch } from '../batch/replay.js';
import type { CultureLot } from '../lots/culture-lot.js';

/** Cultures by their id. */
export type Cultures = ReadonlyMap<string, CultureLot>;

export function culturesById(lots: readonly CultureLot[]): Cultures {
  return new Map(lots.map((lot) => [lot.id, lot]));
}

/** All that a culture came from, nearest first; each once, however often it was crossed. */
export function ancestorsOf(lot: CultureLot, all: Cultures): readonly CultureLot[] {
  return walk(lot, ({ parents }) => parents.flatMap((id) => all.get(id) ?? []));
}

/** All that came of a culture, nearest first. */
export function descendantsOf(lot: CultureLot, all: Cultures): readonly CultureLot[] {
  const children = childrenOf(all);
  return walk(lot, ({ id }) => children.get(id) ?? []);
}

function childrenOf(all: Cultures): ReadonlyMap<string, readonly CultureLot[]> {
  const children = new Map<string, CultureLot[]>();
  for (const lot of all.values()) {
    for (const parent of lot.parents) children.set(parent, [...(children.get(parent) ?? []), lot]);
  }
  return children;
}

function walk(from: CultureLot, next: (lot: CultureLot) => readonly CultureLot[]): CultureLot[] {
  const seen = new Set([from.id]);
  const found: CultureLot[] = [];
  let edge: readonly CultureLot[] = [from];
  while (edge.length > 0) {
    edge = edge.flatMap(next).filter(({ id }) => !seen.has(id) && seen.add(id));
    found.push(...edge);
  }
  return found;
}

/** What a line began with: the oldest ancestor on the first parents' side, or itself. */
export function rootOf(lot: CultureLot, all: Cultures): CultureLot {
  const seen = new Set<string>();
  let at = lot;
  for (;;) {
    seen.add(at.id);
    const parent = at.parents.map((id) => all.get(id)).find((p) => p !== undefined);
    if (!parent || seen.has(parent.id)) return at;
    at = parent;
  }
}

/** The line that a make's culture belongs to: the id of what it began with; null where it took of none that is kept. */
export function lineOfMake(batch: Batch, all: Cultures): string | null {
  const [lot] = cultureOfMake(batch, all);
  return lot ? rootOf(lot, all).id : null;
}

/** Makes that took of any of some cultures. */
export function makesOf(lots: readonly CultureLot[], batches: readonly Batch[]): readonly Batch[] {
  const ids = new Set(lots.map((lot) => lot.id));
  return batches.filter((batch) => batch.taken.some((t) => ids.has(t.lotId)));
}

/** Everything a recall has to look at: back to what was bought, and every culture and make that came of that. */
export interface Recall {
  readonly from: readonly CultureLot[];
  readonly cultures: readonly CultureLot[];
  readonly makes: readonly Batch[];
}

export function recallOf(lot: CultureLot, all: Cultures, batches: readonly Batch[]): Recall {
  const ancestors = ancestorsOf(lot, all);
  const from = [lot, ...ancestors].filter(({ parents }) => !parents.some((id) => all.has(id)));
  const cultures = [...new Set(from.flatMap((root) => [root, ...descendantsOf(root, all)]))];
  return { from, cultures, makes: makesOf(cultures, batches) };
}

/** The cultures that a make took of. */
export function cultureOfMake(batch: Batch, all: Cultures): readonly CultureLot[] {
  return [...new Set(batch.taken.map((t) => t.lotId))].flatMap((id) => all.get(id) ?? []);
}
