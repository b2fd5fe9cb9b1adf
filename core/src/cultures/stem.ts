import type { CultureLot } from '../lots/culture-lot.js';
import type { Cultures } from './lineage.js';

/** A culture on the stem: its lane, counted from the root's, and the ways that lead to it. */
export interface Bud {
  readonly lot: CultureLot;
  readonly lane: number;
  /** Places of its parents on the same stem: the first is what it grew out of. */
  readonly from: readonly { readonly id: string; readonly lane: number; readonly bornMs: number }[];
}

/** A line of descent, drawn as a stem that branches. */
export interface Stem {
  readonly rootId: string;
  readonly buds: readonly Bud[];
  readonly lanes: number;
}

/**
 * Lines of descent as stems. The newest child that was carried on keeps its parent's lane, so that the living line runs
 * straight; each other, and what was only divided off, gets the next free lane. What was mixed grows out of its first parent's stem.
 */
export function stemsOf(all: Cultures): readonly Stem[] {
  const firstParent = (lot: CultureLot) => lot.parents.find((id) => all.has(id)) ?? null;
  const children = new Map<string, CultureLot[]>();
  for (const lot of all.values()) {
    const parent = firstParent(lot) ?? '';
    children.set(parent, [...(children.get(parent) ?? []), lot]);
  }
  const carried = (lot: CultureLot): number =>
    Math.max(lot.retiredMs === null ? lot.bornMs : 0, ...(children.get(lot.id) ?? []).map(carried));
  return (children.get('') ?? []).map((root) => {
    let lanes = 1;
    const placed = new Map<string, Bud>();
    const place = (lot: CultureLot, lane: number) => {
      const from = lot.parents.flatMap((id) => {
        const parent = placed.get(id);
        return parent ? [{ id, lane: parent.lane, bornMs: parent.lot.bornMs }] : [];
      });
      placed.set(lot.id, { lot, lane, from });
      const grown = [...(children.get(lot.id) ?? [])].sort((a, b) => carried(b) - carried(a) || b.bornMs - a.bornMs);
      const straight = grown.find((child) => child.origin !== 'divided');
      grown.forEach((child) => place(child, child === straight ? lane : lanes++));
    };
    place(root, 0);
    return { rootId: root.id, buds: [...placed.values()], lanes };
  });
}
