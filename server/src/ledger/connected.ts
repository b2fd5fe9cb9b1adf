import type { Traces } from '@oat-crock/contract';
import { madeFrom } from '@oat-crock/core';
import type { Kitchen } from '../kitchen.js';

/** So many makes can be drawn and read; of more, the newest are told. */
export const MOST_TRACED = 200;

/**
 * The makes that something came of, and those that came of it, through whatever lies between, each with its log by hand.
 *
 * @param id of a make, a lot, a culture, a piece of gear, or of who got some
 */
export function connected({ makes, lots, entries }: Pick<Kitchen, 'makes' | 'lots' | 'entries'>, id: string): Traces {
  const origins = new Map(lots.all().map(({ item }) => [item.id, madeFrom(item)]));
  const offspring = new Map<string, string[]>();
  for (const [lotId, from] of origins)
    for (const parent of from) offspring.set(parent, [...(offspring.get(parent) ?? []), lotId]);
  const before = (thing: string) =>
    origins.get(thing) ?? (isReceiver(thing) ? makes.ofThing(thing) : makes.madeOf(thing));
  const after = (thing: string) =>
    isReceiver(thing) ? [] : [...(offspring.get(thing) ?? []), ...makes.ofThing(thing)];
  const found = new Set([...reach(id, before), ...reach(id, after)]);
  const batches = [...found].filter((thing) => entries.has(thing));
  // Ids are in order of time.
  const told = batches.sort().slice(-MOST_TRACED);
  return { entries: entries.byHandOf(told), makes: batches.length, told: told.length };
}

const isReceiver = (id: string) => id.startsWith('receiver:');

/** A thing and everything that is reached from it, step by step. */
function reach(id: string, next: (id: string) => readonly string[]): ReadonlySet<string> {
  const seen = new Set([id]);
  for (const thing of seen) for (const further of next(thing)) seen.add(further);
  return seen;
}
