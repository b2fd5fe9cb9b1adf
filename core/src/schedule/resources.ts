import { handsResource, racksFor, takenOf, type Rack } from './gear.js';
import type { Hours } from './hours.js';
import { SLOT_MIN, type Resource, type Use } from './puzzle.js';
import type { Committed, Holder } from './setting.js';
import { handsUses } from './uses.js';

/** Racks and hands, less what is on already; and what of it that has. */
export function resourcesOf(
  { handsPerSlot }: Hours,
  racks: readonly Rack[],
  slots: number,
  committed: readonly Committed[],
): { readonly resources: readonly Resource[]; readonly holders: readonly Holder[] } {
  const gear = racks.map(({ gear: { kind, name }, capacity }) => ({
    id: name ?? kind,
    capacity: new Int32Array(slots).fill(capacity),
    setting: new Int32Array(slots),
  }));
  const resources = [...gear, { id: 'hands', capacity: Int32Array.from(handsPerSlot), setting: new Int32Array(slots) }];
  const take = ({ from, to, units, resource, setting: at }: Use): void => {
    const { capacity, setting } = resources[resource]!;
    for (let t = Math.max(0, from); t < Math.min(slots, to); t++) {
      capacity[t] = Math.max(0, capacity[t]! - units);
      if (at !== 0) setting[t] = at;
    }
  };
  const hasRoom = ({ from, to, units, resource, setting: at }: Use) => {
    const { capacity, setting } = resources[resource]!;
    const [first, last] = [Math.max(0, from), Math.max(0, to)];
    return (
      capacity.subarray(first, last).every((c) => c >= units) &&
      (at === 0 || setting.subarray(first, last).every((s) => s === 0 || s === at))
    );
  };
  const holders = committed.map(({ name, hands, stands }): Holder => {
    const uses: Use[] = hands.flatMap(({ atMin, minutes }) => handsUses(atMin, minutes, handsResource(racks)));
    uses.forEach(take);
    for (const stand of stands) {
      const ways = usesOfStand(stand, racks);
      const use = ways.find(hasRoom) ?? ways[0];
      if (!use) continue;
      take(use);
      uses.push(use);
    }
    return { name, uses };
  });
  return { resources, holders };
}

/** What something that is on takes, in each of the racks that may hold it. */
function usesOfStand(stand: Committed['stands'][number], racks: readonly Rack[]): readonly Use[] {
  const as = { ...stand, firstStep: 0, lastStep: 0 };
  const [from, to] = [Math.floor(stand.fromMin / SLOT_MIN), Math.ceil(stand.toMin / SLOT_MIN)];
  return racksFor(as, racks).map((resource) => ({ resource, from, to, ...takenOf(racks[resource]!, as) }));
}

/** Those of some who have a resource in a slot. */
export function holding<T extends { readonly uses: readonly Use[] }>(
  all: readonly T[],
  resource: number,
  slot: number,
): readonly T[] {
  return all.filter(({ uses }) => uses.some((u) => u.resource === resource && u.from <= slot && u.to > slot));
}
