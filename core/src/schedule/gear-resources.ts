import { GEAR_TYPES, type Gear, type GearKind } from '../lots/gear.js';
import type { GearDemand } from '../make/gear-demands.js';
import { type Text } from '../messages/message.js';

/** Gear as a plan needs it: pieces alike, of which each holds one make, or several at one setting. */
export type PlanGear = Pick<Gear, 'kind' | 'holdsL' | 'count'> & {
  readonly name?: string;
  /** True where several makes may stand in one piece, as far as its litres go. */
  readonly several?: boolean;
};

/** A resource of gear: how a demand takes of it. */
export interface GearResource {
  readonly gear: PlanGear;
  /** How much there is: pieces, or tenths of a litre where several share it. */
  readonly capacity: number;
  /** What one make may fill, L; Infinity for what has no size. */
  readonly mostL: number;
  readonly several: boolean;
}

/** What a larder need not name for it to be there: each household has one of these, big enough. */
const TAKEN_TO_BE_THERE: readonly GearKind[] = ['hob', 'strainer', 'cold-shelf', 'pot'];
/** Of what holds several makes anyway, as far as its litres go: what is kept alike in it may stand side by side. */
const SHARED: ReadonlySet<GearKind> = new Set<GearKind>(['cold-shelf', 'thermostat', 'bath']);
/** A crock takes so much more room in a box than what is in it. */
const CROCK_BULK: Readonly<Partial<Record<GearKind, number>>> = { thermostat: 1.5, bath: 1.5 };
const TENTHS = 10;

/** The resources of some gear, the smallest of each kind first; with none named, one of each usual kind; a kind of which none is left is not there. */
export function gearResourcesOf(gear: readonly PlanGear[]): readonly GearResource[] {
  const named = new Set(gear.map((g) => g.kind));
  const usual = gear.length === 0 ? [...TAKEN_TO_BE_THERE, 'thermostat' as const] : TAKEN_TO_BE_THERE;
  const there = usual.filter((kind) => !named.has(kind)).map((kind) => ({ kind, holdsL: null, count: 1 }));
  return (
    [...gear, ...there]
      .filter(({ count }) => count > 0)
      // Two boxes may be kept at two warmths: each is a gear resource of its own.
      .flatMap((g) => (g.kind in CROCK_BULK ? Array.from({ length: g.count }, () => ({ ...g, count: 1 })) : [g]))
      .map((g): GearResource => {
        const mostL = g.holdsL === null ? Infinity : g.holdsL * GEAR_TYPES[g.kind].fillable;
        const several =
          (g as PlanGear).several ?? (SHARED.has(g.kind) && (g.holdsL !== null || g.kind === 'cold-shelf'));
        const capacity = several ? (mostL === Infinity ? UNBOUNDED : Math.floor(TENTHS * mostL * g.count)) : g.count;
        return { gear: g, capacity, mostL, several };
      })
      .sort((a, b) => a.mostL - b.mostL)
  );
}

const UNBOUNDED = 1_000_000;

/** What a demand takes of a gear resource: units and setting. */
export function takenOf(
  { several, capacity, gear: { kind } }: GearResource,
  { litres, keepC }: GearDemand,
): { readonly units: number; readonly setting: number } {
  if (!several) return { units: 1, setting: 0 };
  return {
    units: Math.min(capacity, Math.max(1, Math.ceil(TENTHS * litres * (CROCK_BULK[kind] ?? 1)))),
    setting: keepC === null ? 0 : Math.round(2 * keepC) + 1,
  };
}

/** Places of the gear resources that would hold a demand. */
export function gearResourcesFor(demand: GearDemand, gearResources: readonly GearResource[]): readonly number[] {
  return gearResources.flatMap((gearResource, r) =>
    gearResource.gear.kind === demand.gear && gearResource.mostL >= demand.litres ? [r] : [],
  );
}

/** The most that one make may be of what a kind of gear has to hold, L; 0 where there is none of it. */
export function mostLitres(kind: GearKind, gearResources: readonly GearResource[]): number {
  return Math.max(0, ...gearResources.filter((r) => r.gear.kind === kind).map((r) => r.mostL));
}

/** What a kind of gear is called in a sentence. */
export const gearWord = (kind: GearKind): Text => GEAR_TYPES[kind].name;

/** Hands are the resource after those of gear. */
export const labourResource = (gearResources: readonly GearResource[]): number => gearResources.length;
