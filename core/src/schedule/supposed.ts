import type { LotKind } from '../lots/lot-of.js';
import type { Person, Stretch } from './hours.js';
import { lotKindOf } from './materials.js';
import type { PlanAsked, PlannedMake } from './planning-problem.js';
import type { PlanSupply } from './supplies.js';

/** Something that might come otherwise than is planned. */
export type Supposition =
  /** A can of milk that is named comes so much later; or not at all where that is null. */
  | { readonly is: 'can late'; readonly supplyId: string; readonly byMin: number | null }
  /** A material comes so much later than the first make of the plan that wants it. */
  | { readonly is: 'comes late'; readonly what: LotKind; readonly byMin: number }
  /** A piece of gear cannot be used. */
  | { readonly is: 'out of use'; readonly gear: string }
  /** Nobody is at home; or somebody who is named is not there. */
  | { readonly is: 'away'; readonly time: Stretch; readonly who?: string };

/** What a plan would be made of, were something otherwise. */
export function supposed(asked: PlanAsked, makes: readonly PlannedMake[], what: Supposition): PlanAsked {
  if (what.is === 'out of use') return { ...asked, gear: without(asked.gear, what.gear) };
  if (what.is === 'away') {
    const { who, time } = what;
    return { ...asked, people: asked.people.map((p) => (who === undefined || p.name === who ? awayIn(p, time) : p)) };
  }
  if (what.is === 'can late') return { ...asked, supplies: (asked.supplies ?? []).map((s) => canLate(s, what)) };
  const users = new Set(makes.filter((m) => weighsIn(m, what.what)).flatMap((m) => m.shares.map((s) => s.orderId)));
  const firsts = makes.filter((m) => users.has(m.orderId)).map((m) => m.mode.startMin);
  if (firsts.length === 0) return asked;
  const fromMin = Math.min(...firsts) + what.byMin;
  return {
    ...asked,
    orders: asked.orders.map((o) => (users.has(o.id) ? { ...o, fromMin: Math.max(o.fromMin ?? 0, fromMin) } : o)),
  };
}

/** A can that comes later, and is as fresh then as it would have been. */
function canLate(
  supply: PlanSupply,
  { supplyId, byMin }: { readonly supplyId: string; readonly byMin: number | null },
) {
  if (supply.id !== supplyId) return supply;
  if (byMin === null) return { ...supply, massG: 0 };
  const { fromMin, untilMin } = supply;
  return { ...supply, fromMin: fromMin + byMin, untilMin: untilMin === null ? null : untilMin + byMin };
}

/** True where a make weighs in something of a kind. */
export const weighsIn = ({ network }: PlannedMake, kind: LotKind): boolean =>
  network.amounts.some((a) => a.massG > 0 && lotKindOf(a) === kind);

/** One piece less of what is called so. */
const without = (gear: PlanAsked['gear'], name: string): PlanAsked['gear'] =>
  gear.map((g) => (g.name === name ? { ...g, count: Math.max(0, g.count - 1) } : g));

const awayIn = (person: Person, time: Stretch): Person => ({ ...person, away: [...person.away, time] });
