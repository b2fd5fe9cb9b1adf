import type { Text } from '../messages/message.js';
import { isSouredReference } from '../lots/reference-kind.js';
import { lotKindOf } from './materials.js';
import type { Resource, Use } from './instance.js';
import type { Network } from './network.js';
import type { Need } from './starters.js';

/** What comes by the can and does not keep. */
export type SupplyKind = 'milk' | 'cream';
const KINDS: readonly SupplyKind[] = ['milk', 'cream'];

/** Milk or cream that is here, or comes: from when, and until when it may be weighed in, minutes of the plan; null where it keeps. */
export interface PlanSupply {
  readonly id: string;
  readonly name: Text;
  readonly kind: SupplyKind;
  readonly massG: number;
  readonly fromMin: number;
  readonly untilMin: number | null;
}

/** What can be weighed in after one minute and before another is no more than all that is there at any time between them. */
export interface SupplyWindow {
  readonly afterMin: number;
  readonly beforeMin: number;
  readonly massG: number;
  /** The slot of its row that it is reckoned in. */
  readonly slot: number;
}

/** A kind of which only so much comes, as a resource: each of its slots is a window, and no time. */
export interface SupplyRow {
  readonly kind: SupplyKind;
  readonly resource: number;
  readonly windows: readonly SupplyWindow[];
}

/** Grams of a unit of a row: no scale in a kitchen shows less of a can. */
const UNIT_G = 10;

const untilOf = ({ untilMin }: PlanSupply) => untilMin ?? Infinity;

/**
 * The windows of what comes of one kind. Where none of it outlasts what comes after it, makes that fit into every window can all have
 * theirs (Hall's condition for intervals of one order); else a window may allow a little more than there is.
 *
 * @param wantedG all that is wanted of it: a window with more than that binds nobody
 */
export function windowsOf(supplies: readonly PlanSupply[], wantedG: number): readonly SupplyWindow[] {
  const afters = [-Infinity, ...supplies.map(untilOf).filter(Number.isFinite)];
  const befores = [Infinity, ...supplies.map((s) => s.fromMin)];
  const all = afters.flatMap((afterMin) =>
    befores.flatMap((beforeMin) => {
      if (afterMin >= beforeMin) return [];
      const there = supplies.filter((s) => s.fromMin < beforeMin && untilOf(s) > afterMin);
      const massG = there.reduce((sum, s) => sum + s.massG, 0);
      return massG < wantedG ? [{ afterMin, beforeMin, massG }] : [];
    }),
  );
  // One within another that holds no more says nothing of its own.
  const isWithin = (a: (typeof all)[number], b: (typeof all)[number]) =>
    a.afterMin >= b.afterMin && a.beforeMin <= b.beforeMin && a.massG >= b.massG;
  return all
    .filter((one, i) => !all.some((other, k) => i !== k && isWithin(one, other) && (k < i || !isWithin(other, one))))
    .map((window, slot) => ({ ...window, slot }));
}

/** What a make weighs in of a kind, g; what it names a lot for that is none of the supplies is not of it. */
export function weighedOf(
  { amounts }: Pick<Network, 'amounts'>,
  kind: SupplyKind,
  supplies: readonly PlanSupply[],
): number {
  const ids = new Set(supplies.map((s) => s.id));
  return amounts.reduce((sum, amount) => {
    const isNamed = amount.lotId !== null;
    const isOfIt =
      lotKindOf(amount) === kind && (isNamed ? ids.has(amount.lotId) : !isSouredReference(amount.stockId ?? ''));
    return isOfIt ? sum + amount.massG : sum;
  }, 0);
}

/** More than is weighed in may be wanted for feedings, as a share of it. */
const FEEDINGS = 1.1;

/** Kinds of which only so much comes, as resources after those that there are; and the rows they are reckoned in. */
export function supplyRows(
  supplies: readonly PlanSupply[],
  networks: readonly Pick<Network, 'amounts'>[],
  slots: number,
  firstResource: number,
): { readonly rows: readonly SupplyRow[]; readonly resources: readonly Resource[] } {
  const rows: SupplyRow[] = [];
  const resources: Resource[] = [];
  for (const kind of KINDS) {
    const own = supplies.filter((s) => s.kind === kind);
    if (own.length === 0) continue;
    const wantedG = FEEDINGS * networks.reduce((sum, network) => sum + weighedOf(network, kind, own), 0);
    const windows = windowsOf(own, wantedG).slice(0, slots);
    if (windows.length === 0) continue;
    const capacity = new Int32Array(slots);
    for (const { slot, massG } of windows) capacity[slot] = Math.floor(massG / UNIT_G);
    rows.push({ kind, resource: firstResource + resources.length, windows });
    resources.push({ id: kind, capacity });
  }
  return { rows, resources };
}

/** A row, and what a make weighs in of it, g. */
export interface Supplied {
  readonly row: SupplyRow;
  readonly massG: number;
}

/** What a make that begins at a minute takes of what comes, with the milk of the feeding before it. */
export function suppliedUses(supplied: readonly Supplied[], startMin: number, starter: Need): readonly Use[] {
  return supplied.flatMap(({ row: { kind, resource, windows }, massG }) => {
    const feed = kind === 'milk' && starter.is === 'feed' ? starter.feed : null;
    const takes = [{ atMin: startMin, massG }, ...(feed ? [{ atMin: feed.beginMin, massG: feed.milkG }] : [])];
    return windows.flatMap(({ afterMin, beforeMin, slot }): Use[] => {
      const within = takes.filter(({ atMin }) => atMin > afterMin && atMin < beforeMin);
      const units = within.reduce((sum, take) => sum + Math.ceil(take.massG / UNIT_G), 0);
      return units > 0 ? [{ resource, from: slot, to: slot + 1, units, setting: 0 }] : [];
    });
  });
}

/** Units of a row in grams. */
export const gramsOf = (units: number): number => units * UNIT_G;
