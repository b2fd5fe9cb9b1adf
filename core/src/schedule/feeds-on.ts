import { SLOT_MIN } from './instance.js';
import { lotsLeft, neededBy, type LotLeftThen, type SourceKind } from './materials.js';
import type { Order } from './orders.js';
import type { Pin, PlanAsked, PlannedMake } from './planning-problem.js';

/** What one make leaves for another, or has over: nobody would buy it where it comes by itself a little later. */
const FED: ReadonlySet<SourceKind> = new Set<SourceKind>(['whey', 'cream', 'yogurt', 'clabber']);
/** What comes later is waited for where it is so much of what is wanted, as a share: else something is bought all the same. */
const WORTH_WAITING = 0.5;
/** Going without what nobody need buy costs a plan as much as so many minutes of hands outside working hours: judgement. */
export const FED_WORTH = 120;

/** A make that is begun too early for what it could be fed with, and when that is there. */
interface Early {
  readonly make: PlannedMake;
  readonly fromMin: number;
  /** The make of the plan that leaves it; null where it is none of them. */
  readonly giver: PlannedMake | null;
}

/** Makes that buy what is left by another make, or comes, only after they are begun. */
export function fedTooEarly(makes: readonly PlannedMake[], lots: readonly LotLeftThen[]): readonly Early[] {
  const giverOf = new Map(makes.flatMap((make) => lotsLeft([make]).map((lot) => [lot.id, make] as const)));
  const all = [...lots, ...lotsLeft(makes)].filter(({ kind }) => FED.has(kind));
  const needs = neededBy(makes, all);
  // The same, were everything that comes there from the first: what is met only so is waited for.
  const anytime = neededBy(
    makes,
    all.map((lot) => ({ ...lot, fromMin: 0 })),
  );
  const found = new Map<PlannedMake, Early>();
  for (const [i, { make, massG, shortG }] of needs.entries()) {
    if (shortG <= (1 - WORTH_WAITING) * massG || anytime[i]!.shortG > (1 - WORTH_WAITING) * massG) continue;
    const from = anytime[i]!.from.flatMap(({ lotId }) => all.filter((lot) => lot.id === lotId));
    const fromMin = Math.max(...from.map((lot) => lot.fromMin ?? 0));
    const giver = from.map((lot) => giverOf.get(lot.id) ?? null).find((g) => g !== null) ?? null;
    if (giver !== make && fromMin > make.mode.startMin) found.set(make, { make, fromMin, giver });
  }
  return [...found.values()].filter(({ giver }) => !giver || !found.has(giver));
}

/**
 * What is asked for, with makes behind what feeds them: begun later, as what feeds them stays where it is; or that earlier, as they
 * stay. Nothing where no make is begun too early for any.
 */
export function asksBehind(asked: PlanAsked, makes: readonly PlannedMake[]): readonly PlanAsked[] {
  const early = fedTooEarly(makes, asked.lots ?? []);
  if (early.length === 0) return [];
  const given = early.flatMap(({ make, giver }) => (giver ? [{ make, giver }] : []));
  const fromOf = boundsOf(
    early.map(({ make, fromMin }) => ({ make, atMin: Math.ceil(fromMin / SLOT_MIN) * SLOT_MIN })),
    Math.max,
  );
  const byOf = boundsOf(
    given.map(({ make, giver }) => ({ make: giver, atMin: make.mode.startMin })),
    Math.min,
  );
  const later = bounded(asked, (order) => {
    const fromMin = fromOf.get(order.id);
    return fromMin === undefined ? {} : { fromMin: Math.max(order.fromMin ?? 0, fromMin) };
  });
  const earlier = bounded(asked, ({ id }) => (byOf.has(id) ? { readyByMin: byOf.get(id)! } : {}));
  const behind = [
    withPins(
      later,
      given.map(({ giver }) => giver),
    ),
    withPins(
      earlier,
      given.map(({ make }) => make),
    ),
  ];
  // What only comes, and no make leaves, cannot be had earlier.
  return given.length === early.length ? behind : behind.slice(0, 1);
}

const bounded = (asked: PlanAsked, by: (order: Order) => Pick<Order, 'fromMin' | 'readyByMin'>): PlanAsked => ({
  ...asked,
  orders: asked.orders.map((order) => ({ ...order, ...by(order) })),
});

/** The least or the greatest minute of each order that is among some makes. */
function boundsOf(
  ats: readonly { readonly make: PlannedMake; readonly atMin: number }[],
  of: (a: number, b: number) => number,
): ReadonlyMap<string, number> {
  const bounds = new Map<string, number>();
  for (const { make, atMin } of ats)
    for (const { orderId } of make.shares) bounds.set(orderId, of(bounds.get(orderId) ?? atMin, atMin));
  return bounds;
}

/** The same, with some makes held where they are. */
function withPins(asked: PlanAsked, makes: readonly PlannedMake[]): PlanAsked {
  const { pins = [] } = asked;
  const placed = new Set(pins.map((p) => `${p.orderId} ${p.part}`));
  const held = [...new Set(makes)].map(pinOf).filter((p) => !placed.has(`${p.orderId} ${p.part}`));
  return { ...asked, pins: [...pins, ...held] };
}

function pinOf({ orderId, part, shares, mode, network }: PlannedMake): Pin {
  const { startMin, extension } = mode;
  const others = shares.map((s) => s.orderId).filter((id) => id !== orderId);
  return {
    orderId,
    part,
    startMin,
    extension: extension && { ...extension, stageId: network.steps[extension.step]!.stageId },
    ...(others.length > 0 && { with: others }),
  };
}
