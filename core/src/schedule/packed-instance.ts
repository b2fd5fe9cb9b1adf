import type { Instance, Job } from './instance.js';

/** A job's modes laid out flat, the cheapest first: uses of mode m stand from `first[m]` up to `first[m + 1]`. */
export interface PackedJob {
  readonly costs: Float64Array;
  readonly unmetCost: number;
  /** Jobs of the same number have the same modes, and are one as good as another. */
  readonly alike: number | undefined;
  readonly first: Int32Array;
  /** Where in a profile's rows each use begins and ends (the end is not taken), and how much it takes there. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly units: Int32Array;
  readonly setting: Int32Array;
  /** By mode: the first slot it takes of anything, and the slot after its last. */
  readonly begins: Int32Array;
  readonly ends: Int32Array;
}

/** An instance laid out flat for a search that asks a million times whether a mode fits. */
export interface PackedInstance {
  readonly jobs: readonly PackedJob[];
  /** Slots of a row, filled up to whole blocks; one row for each resource, one after the other. */
  readonly rowLength: number;
  readonly capacity: Int32Array;
  readonly setting: Int32Array;
}

/** Slots of a block, of which the least that is free is known: long uses are checked block by block. */
const BLOCK = 8;
const BLOCK_BITS = 3;

/** Lays an instance out flat. Of each mode the long uses stand first: where it does not fit, they tell soonest. */
export function packed({ jobs, resources, slots }: Instance): PackedInstance {
  const rowLength = BLOCK * Math.ceil(slots / BLOCK);
  const rows = (of: (r: number) => Int32Array | undefined) => {
    const all = new Int32Array(resources.length * rowLength);
    resources.forEach((_, r) => all.set((of(r) ?? new Int32Array(slots)).subarray(0, slots), r * rowLength));
    return all;
  };
  return {
    rowLength,
    capacity: rows((r) => resources[r]!.capacity),
    setting: rows((r) => resources[r]!.setting),
    jobs: jobs.map((job) => packedJob(job, slots, rowLength)),
  };
}

function packedJob({ modes, unmetCost, alike }: Job, slots: number, rowLength: number): PackedJob {
  const count = modes.reduce((sum, { uses }) => sum + uses.length, 0);
  const first = new Int32Array(modes.length + 1);
  const [from, to, units, setting] = [0, 0, 0, 0].map(() => new Int32Array(count)) as [
    Int32Array,
    Int32Array,
    Int32Array,
    Int32Array,
  ];
  const begins = new Int32Array(modes.length).fill(slots);
  const ends = new Int32Array(modes.length);
  modes.forEach(({ uses }, mode) => {
    const start = first[mode]!;
    uses.forEach((use, i) => {
      const last = Math.min(slots, use.to);
      begins[mode] = Math.min(begins[mode]!, use.from);
      ends[mode] = Math.max(ends[mode]!, last);
      // Among those before it, behind all that are as long.
      let at = start + i;
      while (at > start && to[at - 1]! - from[at - 1]! < last - use.from) {
        for (const row of [from, to, units, setting]) row[at] = row[at - 1]!;
        at--;
      }
      from[at] = use.resource * rowLength + use.from;
      to[at] = use.resource * rowLength + last;
      units[at] = use.units;
      setting[at] = use.setting;
    });
    first[mode + 1] = start + uses.length;
  });
  const costs = Float64Array.from(modes, (mode) => mode.cost);
  return { costs, unmetCost, alike, first, from, to, units, setting, begins, ends };
}

/** The same with only some modes of each job, in the order they have. */
export function withModes(instance: PackedInstance, kept: readonly Int32Array[]): PackedInstance {
  return { ...instance, jobs: instance.jobs.map((job, j) => jobWithModes(job, kept[j]!)) };
}

function jobWithModes(job: PackedJob, kept: Int32Array): PackedJob {
  const first = new Int32Array(kept.length + 1);
  kept.forEach((mode, i) => (first[i + 1] = first[i]! + job.first[mode + 1]! - job.first[mode]!));
  const some = (of: Int32Array) => {
    const all = new Int32Array(first[kept.length]!);
    kept.forEach((mode, i) => all.set(of.subarray(job.first[mode]!, job.first[mode + 1]!), first[i]!));
    return all;
  };
  return {
    ...job,
    first,
    costs: Float64Array.from(kept, (mode) => job.costs[mode]!),
    from: some(job.from),
    to: some(job.to),
    units: some(job.units),
    setting: some(job.setting),
    begins: Int32Array.from(kept, (mode) => job.begins[mode]!),
    ends: Int32Array.from(kept, (mode) => job.ends[mode]!),
  };
}

/** What is taken of the resources by the modes that were put on it; modes are named by their job and place. */
export interface PackedProfile {
  readonly fits: (job: PackedJob, mode: number) => boolean;
  /** Only of what fits: settings that exclude each other are not told apart afterwards. */
  readonly put: (job: PackedJob, mode: number) => void;
  readonly take: (job: PackedJob, mode: number) => void;
}

/** What a block says of settings: nothing is held at one, all at one, or slot by slot. */
const MIXED = -1;

/** A profile of which nothing is taken. */
export function packedProfile({ capacity, setting }: PackedInstance): PackedProfile {
  const free = Int32Array.from(capacity);
  const set = Int32Array.from(setting);
  /** How many hold each slot at its setting. */
  const holders = Int32Array.from(setting, (s) => Number(s !== 0));
  const leastFree = new Int32Array(free.length >> BLOCK_BITS);
  const blockSet = new Int32Array(leastFree.length);

  function look(block: number): void {
    const from = block << BLOCK_BITS;
    let [least, at] = [free[from]!, set[from]!];
    for (let t = from + 1; t < from + BLOCK; t++) {
      if (free[t]! < least) least = free[t]!;
      if (set[t] !== at) at = MIXED;
    }
    leastFree[block] = least;
    blockSet[block] = at;
  }
  for (let block = 0; block < leastFree.length; block++) look(block);

  function roomFor(from: number, to: number, units: number, own: number): boolean {
    let t = from;
    while (t < to) {
      if ((t & (BLOCK - 1)) === 0 && t + BLOCK <= to) {
        const block = t >> BLOCK_BITS;
        if (leastFree[block]! < units) return false;
        const at = blockSet[block]!;
        if (own === 0 || at === 0 || at === own) {
          t += BLOCK;
          continue;
        }
        if (at !== MIXED) return false;
      }
      if (free[t]! < units) return false;
      if (own !== 0 && set[t] !== 0 && set[t] !== own) return false;
      t++;
    }
    return true;
  }
  /** Which use of a mode found no room last: of the next mode it is looked at first, as modes of one job are much alike. */
  let hint = 0;
  function fits({ first, from, to, units, setting: at }: PackedJob, mode: number): boolean {
    const [begin, end] = [first[mode]!, first[mode + 1]!];
    const tried = begin + Math.min(hint, end - begin - 1);
    if (end > begin && !roomFor(from[tried]!, to[tried]!, units[tried]!, at[tried]!)) return false;
    for (let u = begin; u < end; u++) {
      if (u === tried || roomFor(from[u]!, to[u]!, units[u]!, at[u]!)) continue;
      hint = u - begin;
      return false;
    }
    return true;
  }
  function change({ first, from, to, units, setting: at }: PackedJob, mode: number, by: 1 | -1): void {
    for (let u = first[mode]!; u < first[mode + 1]!; u++) {
      const [taken, own, begin, end] = [by * units[u]!, at[u]!, from[u]!, to[u]!];
      for (let t = begin; t < end; t++) {
        free[t]! -= taken;
        if (own === 0) continue;
        holders[t]! += by;
        set[t] = holders[t] === 0 ? 0 : own;
      }
      if (end > begin) for (let b = begin >> BLOCK_BITS; b <= (end - 1) >> BLOCK_BITS; b++) look(b);
    }
  }
  return { fits, put: (job, mode) => change(job, mode, 1), take: (job, mode) => change(job, mode, -1) };
}
