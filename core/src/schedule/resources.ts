import { labourResource, gearResourcesFor, takenOf, type GearResource } from './gear-resources.js';
import type { Hours } from './hours.js';
import { SLOT_MIN, type Resource, type Use } from './instance.js';
import type { Committed, Holder } from './planning-problem.js';
import { labourUses } from './uses.js';
import { sharedOut } from './vessels.js';

type CommittedDemand = Committed['demands'][number];

/** Gear and hands, less what is on already; and what of it that has. */
export function resourcesOf(
  { labourPerSlot }: Hours,
  gearResources: readonly GearResource[],
  slots: number,
  committed: readonly Committed[],
): { readonly resources: readonly Resource[]; readonly holders: readonly Holder[] } {
  const gear = gearResources.map(({ gear: { kind, name }, capacity }) => ({
    id: name ?? kind,
    capacity: new Int32Array(slots).fill(capacity),
    setting: new Int32Array(slots),
  }));
  const resources = [
    ...gear,
    { id: 'hands', capacity: Int32Array.from(labourPerSlot), setting: new Int32Array(slots) },
  ];
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
  const holders = committed.map(({ name, tasks, demands }): Holder => {
    const uses: Use[] = tasks.flatMap(({ atMin, minutes }) =>
      labourUses(atMin, minutes, labourResource(gearResources)),
    );
    uses.forEach(take);
    for (const demand of demands)
      for (const piece of piecesOf(demand, gearResources)) {
        const modes = usesOfDemand(piece, gearResources);
        const use = modes.find(hasRoom) ?? modes[0];
        if (!use) continue;
        take(use);
        uses.push(use);
      }
    return { name, uses };
  });
  return { resources, holders };
}

/** A demand of something that is on, shared out where no single piece holds it. */
const piecesOf = (demand: CommittedDemand, gearResources: readonly GearResource[]): readonly CommittedDemand[] => {
  const shared = sharedOut([{ ...demand, firstStep: 0, lastStep: 0 }], gearResources) ?? [demand];
  return shared.map(({ litres }) => ({ ...demand, litres }));
};

/** What something that is on takes, in each of the gear resources that may hold it. */
function usesOfDemand(demand: CommittedDemand, gearResources: readonly GearResource[]): readonly Use[] {
  const as = { ...demand, firstStep: 0, lastStep: 0 };
  const [from, to] = [Math.floor(demand.fromMin / SLOT_MIN), Math.ceil(demand.toMin / SLOT_MIN)];
  return gearResourcesFor(as, gearResources).map((resource) => ({
    resource,
    from,
    to,
    ...takenOf(gearResources[resource]!, as),
  }));
}

/** Those of some who have a resource in a slot. */
export function holding<T extends { readonly uses: readonly Use[] }>(
  all: readonly T[],
  resource: number,
  slot: number,
): readonly T[] {
  return all.filter(({ uses }) => uses.some((u) => u.resource === resource && u.from <= slot && u.to > slot));
}
