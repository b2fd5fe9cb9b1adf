/** Minutes of one slot of the resource profile. */
export const SLOT_MIN = 15;

/** Something of which only so much is there, slot by slot: minutes of hands, pots of a size, litres of a shelf. */
export interface Resource {
  readonly id: string;
  readonly capacity: Int32Array;
  /** Of each slot the setting at which what is on already holds it; 0 where nothing does. */
  readonly setting?: Int32Array;
}

/** What a mode takes of a resource: so many units from one slot up to another, which is not taken any more. */
export interface Use {
  readonly resource: number;
  readonly from: number;
  readonly to: number;
  readonly units: number;
  /** Those that share a resource must be of one setting (two milks in one warm box); 0 is shared by any. */
  readonly setting: number;
}

/** One mode of a job: what it costs and what it takes. */
export interface Mode {
  readonly cost: number;
  readonly uses: readonly Use[];
}

/** Something to be done in one of several modes, the cheapest first, or not at all. */
export interface Job {
  readonly modes: readonly Mode[];
  readonly unmetCost: number;
  /** Jobs of the same number have the same modes, and are one as good as another. */
  readonly alike?: number;
}

/** Choose for each job one of its modes, or none, so that no resource is overdrawn and the whole costs least. */
export interface Instance {
  readonly slots: number;
  readonly resources: readonly Resource[];
  readonly jobs: readonly Job[];
}

/** Which mode each job was given; −1 where it was left out. */
export type Picks = readonly number[];

export const UNMET = -1;

/** What a choice costs. */
export function costOfChoice({ jobs }: Instance, choice: Picks): number {
  return jobs.reduce((sum, job, j) => sum + costOfPick(job, choice[j]!), 0);
}

/** What one job costs as it was chosen. */
export function costOfPick({ modes, unmetCost }: Job, pick: number): number {
  return pick === UNMET ? unmetCost : modes[pick]!.cost;
}

/** More settings than there are. */
const SETTINGS = 4096;

/** How units of uses that overlap are put together: those of several things, or of one thing that goes on. */
export type Together = 'sum' | 'most';

/** Uses of one resource and setting that overlap, put together: after this a mode's uses can be checked one by one. */
export function mergedUses(uses: readonly Use[], together: Together = 'sum'): readonly Use[] {
  const some = uses.filter((use) => use.to > use.from && use.units > 0);
  if (!anyOverlap(some)) return some;
  const both = together === 'sum' ? (a: number, b: number) => a + b : Math.max;
  const lanes = new Map<number, Use[]>();
  for (const use of some) {
    const key = use.resource * SETTINGS + use.setting;
    const lane = lanes.get(key);
    if (lane) lane.push(use);
    else lanes.set(key, [use]);
  }
  return [...lanes.values()].flatMap((lane) => {
    if (lane.length === 1) return lane;
    const { resource, setting } = lane[0]!;
    const edges = [...new Set(lane.flatMap((u) => [u.from, u.to]))].sort((a, b) => a - b);
    return edges.slice(0, -1).flatMap((from, i): Use[] => {
      const to = edges[i + 1]!;
      const units = lane.reduce((all, u) => (u.from <= from && u.to >= to ? both(all, u.units) : all), 0);
      return units > 0 ? [{ resource, from, to, units, setting }] : [];
    });
  });
}

/** True where two uses of one resource and setting have a slot in common. */
function anyOverlap(uses: readonly Use[]): boolean {
  for (let i = 1; i < uses.length; i++) {
    const a = uses[i]!;
    for (let k = 0; k < i; k++) {
      const b = uses[k]!;
      if (a.resource === b.resource && a.from < b.to && b.from < a.to && a.setting === b.setting) return true;
    }
  }
  return false;
}
