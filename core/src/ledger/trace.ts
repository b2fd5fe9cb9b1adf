import type { Batch } from '../batch/replay.js';
import type { Gear } from '../lots/gear.js';
import { isCulture, type Lot } from '../lots/lot.js';
import { finishedStockOf, movedIn } from './finished-stock.js';

/** Something in the history of a food: a lot of the larder, a culture, a piece of gear, a make, or who got some of it. */
export interface TraceNode {
  readonly id: string;
  readonly is: 'lot' | 'culture' | 'gear' | 'make' | 'receiver';
  readonly name: string;
  /** Of a culture: makes it has been carried through. */
  readonly generation?: number;
  /** How far it is from what was asked for: before it (negative), itself (0) or after it. */
  readonly level: number;
}

/** How much of one thing went into another: grams, or pots of a make; null where it was only used in it. */
export interface TraceLink {
  readonly from: string;
  readonly to: string;
  readonly massG: number | null;
  readonly pots: number | null;
}

export interface Trace {
  readonly nodes: readonly TraceNode[];
  readonly links: readonly TraceLink[];
}

/** All that a trace is read off. Lots and gear that were taken away are among them. */
export interface Traced {
  readonly batches: readonly Batch[];
  readonly lots: readonly Lot[];
  readonly gear: readonly Gear[];
}

/** Who got some of a make, as an id: people have none of their own. */
export const receiverId = (name: string): string => `receiver:${name.trim().toLocaleLowerCase()}`;

/** What a lot came of: the make that gave it, or the cultures that it was fed or divided off; nothing where it was bought. */
export function madeFrom(lot: Lot): readonly string[] {
  if (lot.from) return [lot.from];
  return isCulture(lot) ? lot.parents : [];
}

/** Everything there is, and what went into what. */
function graphOf({ batches, lots, gear }: Traced): {
  named: Map<string, Omit<TraceNode, 'level'>>;
  links: TraceLink[];
} {
  const named = new Map<string, Omit<TraceNode, 'level'>>();
  const links: TraceLink[] = [];
  const link = (from: string, to: string, massG: number | null, pots: number | null = null) =>
    links.push({ from, to, massG, pots });
  for (const lot of lots) {
    const { id, name } = lot;
    named.set(id, isCulture(lot) ? { id, is: 'culture', name, generation: lot.generation } : { id, is: 'lot', name });
    for (const parent of madeFrom(lot)) link(parent, lot.id, lot.from ? lot.amount : null);
  }
  for (const thing of gear) named.set(thing.id, { id: thing.id, is: 'gear', name: thing.name });
  for (const batch of batches) {
    named.set(batch.id, { id: batch.id, is: 'make', name: batch.name });
    for (const { lotId, massG } of batch.taken) link(lotId, batch.id, massG);
    for (const id of batch.gear) link(id, batch.id, null);
    const unit = finishedStockOf(batch)?.unit ?? 'g';
    for (const movement of batch.movements) {
      if (movement.is !== 'issued' || !movement.to) continue;
      const id = receiverId(movement.to);
      if (!named.has(id)) named.set(id, { id, is: 'receiver', name: movement.to });
      const count = movedIn(unit, movement);
      link(batch.id, id, unit === 'g' ? count : null, unit === 'pots' ? count : null);
    }
  }
  return { named, links: summed(links.filter((l) => named.has(l.from) && named.has(l.to))) };
}

/** Several lines between two things are one, with all that they moved. */
function summed(links: readonly TraceLink[]): TraceLink[] {
  const by = new Map<string, TraceLink>();
  const add = (a: number | null, b: number | null) => (a === null ? b : b === null ? a : a + b);
  for (const link of links) {
    const key = `${link.from} ${link.to}`;
    const before = by.get(key);
    by.set(key, before ? { ...link, massG: add(before.massG, link.massG), pots: add(before.pots, link.pots) } : link);
  }
  return [...by.values()];
}

/**
 * All that something was made of, back to what was bought, and all that was made of it, on to who got it. What only shares an
 * ancestor with it is left out.
 *
 * @param id of a make, a lot, a culture, a piece of gear, or of a receiver
 */
export function traceOf(id: string, traced: Traced): Trace {
  const { named, links } = graphOf(traced);
  if (!named.has(id)) return { nodes: [], links: [] };
  const level = new Map<string, number>([[id, 0]]);
  const kept = new Set<TraceLink>();
  for (const way of [-1, 1] as const) {
    const [at, next] = way === 1 ? (['from', 'to'] as const) : (['to', 'from'] as const);
    const byEnd = groupedBy(links, at);
    const seen = new Set([id]);
    let front = [id];
    for (let step = way; front.length > 0; step += way) {
      const reached: string[] = [];
      for (const link of front.flatMap((here) => byEnd.get(here) ?? [])) {
        kept.add(link);
        if (seen.has(link[next])) continue;
        seen.add(link[next]);
        level.set(link[next], step);
        reached.push(link[next]);
      }
      front = reached;
    }
  }
  return {
    nodes: [...level].map(([nodeId, at]) => ({ ...named.get(nodeId)!, level: at })),
    links: [...kept],
  };
}

function groupedBy(links: readonly TraceLink[], end: 'from' | 'to'): ReadonlyMap<string, readonly TraceLink[]> {
  const by = new Map<string, TraceLink[]>();
  for (const link of links) {
    const before = by.get(link[end]);
    if (before) before.push(link);
    else by.set(link[end], [link]);
  }
  return by;
}

/** What a recall of something is about: the makes it is in, what of them is still here, and who got how much. */
export interface Recall {
  readonly makes: readonly { readonly batch: Batch; readonly left: number; readonly unit: 'pots' | 'g' }[];
  readonly receivers: readonly { readonly name: string; readonly makes: readonly string[]; readonly pots: number }[];
}

/** Who to call and what to block where something was not sound. */
export function recalled(id: string, traced: Traced): Recall {
  const { nodes, links } = traceOf(id, traced);
  const onward = new Map(nodes.filter(({ level }) => level >= 0).map((node) => [node.id, node]));
  const makes = traced.batches
    .filter((batch) => onward.has(batch.id))
    .map((batch) => {
      const stock = finishedStockOf(batch);
      return { batch, left: stock?.left ?? 0, unit: stock?.unit ?? ('g' as const) };
    });
  const receivers = nodes
    .filter(({ is, level }) => is === 'receiver' && level > 0)
    .map(({ id: to, name }) => {
      const got = links.filter((l) => l.to === to && onward.has(l.from));
      return {
        name,
        makes: got.map((l) => onward.get(l.from)!.name),
        pots: got.reduce((sum, l) => sum + (l.pots ?? 0), 0),
      };
    });
  return { makes, receivers };
}
