import type { Instance } from './instance.js';
import { packed, type PackedInstance, type PackedJob } from './packed-instance.js';

/** A lower bound on what any choice costs, and what each mode costs above it when resources have their prices. */
export interface Bound {
  readonly cost: number;
  /** By job and mode: what the bound rises by, at least, if that mode is taken. */
  readonly rises: readonly Float64Array[];
}

/** A bound that is sought further as often as it is asked for. */
export interface Bounding {
  /** So many rounds more, against what is known to do; fewer where it does not rise any more. */
  readonly advance: (rounds: number, known: number) => Bound;
  /** True where it has stopped rising. */
  readonly isOver: () => boolean;
}

/** Rounds without a better bound worth the name after which strides are shortened, by how much, and the shortest. */
const PATIENCE = 20;
const SHORTER = 0.7;
const SHORTEST_STRIDE = 0.005;
const WORTH = 1e-3;
/** So much of each step goes where this round pulls, the rest where those before it did. */
const FRESH = 0.3;
/** The bound is taken to lie no further above the best one than so much of it: what is known may cost a hundred times as much. */
const WITHIN = 0.5;

/**
 * Lagrangian bound (Held & Karp 1971; Fisher 1981) by a deflected subgradient (Camerini, Fratta & Maffioli 1975): each slot of each
 * resource gets a price, each job then takes what is cheapest for itself, and prices rise where more is taken than there is. Prices
 * are for a whole resource, so that minutes of hands weigh as much as pots; a slot in which nothing begins that was not there in
 * the slot before needs none. Settings are left out of account, which can only lower the bound.
 */
export function bounding({ jobs, capacity, rowLength }: PackedInstance): Bounding {
  const size = capacity.length;
  const whole = wholes(capacity, rowLength);
  const has = Float64Array.from(capacity, (c, t) => c / whole[t]!);
  const live = liveSlots({ jobs, capacity, rowLength });
  const price = new Float64Array(size);
  const pull = new Float64Array(size);
  const way = new Float64Array(size);
  const totals = new Float64Array(size + 1);
  const best = { cost: -Infinity, price: new Float64Array(size) };
  let stride = 1;
  let since = 0;
  let worthIt = -Infinity;
  let isOver = false;

  function total(of: Float64Array): void {
    for (let t = 0; t < size; t++) totals[t + 1] = totals[t]! + of[t]!;
  }
  /** What a mode costs with what it takes paid for. */
  function priced({ costs, first, from, to, units }: PackedJob, mode: number, below = Infinity): number {
    let cost = costs[mode]!;
    for (let u = first[mode]!; u < first[mode + 1]! && cost < below; u++)
      cost += (units[u]! / whole[from[u]!]!) * (totals[to[u]!]! - totals[from[u]!]!);
    return cost;
  }
  /** The cheapest mode of a job once it is paid for, or none (-1) where that is to leave it. */
  function cheapest(job: PackedJob): { readonly mode: number; readonly at: number } {
    let [mode, at] = [-1, job.unmetCost];
    for (let m = 0; m < job.costs.length && job.costs[m]! < at; m++) {
      const cost = priced(job, m, at);
      if (cost < at) [mode, at] = [m, cost];
    }
    return { mode, at };
  }

  /** The bound at these prices, and where more is taken than there is. */
  function taken(): number {
    total(price);
    let cost = 0;
    for (let t = 0; t < size; t++) {
      cost -= price[t]! * has[t]!;
      pull[t] = -has[t]!;
    }
    for (const job of jobs) {
      const { mode, at } = cheapest(job);
      cost += at;
      if (mode < 0) continue;
      const { first, from, to, units } = job;
      for (let u = first[mode]!; u < first[mode + 1]!; u++) {
        const share = units[u]! / whole[from[u]!]!;
        for (let t = from[u]!; t < to[u]!; t++) pull[t]! += share;
      }
    }
    return cost;
  }

  function oneRound(known: number): void {
    const cost = taken();
    if (cost > best.cost) {
      best.cost = cost;
      best.price.set(price);
    }
    if (cost > worthIt + WORTH * Math.abs(worthIt) || worthIt === -Infinity) {
      worthIt = cost;
      since = 0;
    } else if (++since >= PATIENCE) {
      stride *= SHORTER;
      since = 0;
      isOver = stride < SHORTEST_STRIDE;
      price.set(best.price);
      way.fill(0);
      return;
    }
    isOver = best.cost >= known - 1e-6 || !step(Math.min(known, best.cost + WITHIN * Math.abs(best.cost) + 1) - cost);
  }

  /** Prices go on towards where they are too low; false where nothing pulls. */
  function step(distance: number): boolean {
    let length = 0;
    for (let t = 0; t < size; t++) {
      const isFree = price[t] === 0;
      const fresh = live[t] && !(isFree && pull[t]! < 0) ? pull[t]! : 0;
      way[t] = FRESH * fresh + (1 - FRESH) * way[t]!;
      if (!isFree || way[t]! > 0) length += way[t]! ** 2;
    }
    if (length === 0) return false;
    const by = (stride * Math.max(distance, 1e-3)) / length;
    for (let t = 0; t < size; t++) price[t] = Math.max(0, price[t]! + by * way[t]!);
    return true;
  }

  return {
    isOver: () => isOver,
    advance: (rounds, known) => {
      for (let round = 0; round < rounds && !isOver; round++) oneRound(known);
      total(best.price);
      const least = jobs.map((job) => cheapest(job).at);
      return {
        cost: best.cost,
        rises: jobs.map((job, j) => job.costs.map((_, mode) => priced(job, mode) - least[j]!)),
      };
    },
  };
}

/** The bound of an instance after so many rounds, against what is known to do. */
export const lowerBound = (instance: Instance, known: number, rounds: number): Bound =>
  bounding(packed(instance)).advance(rounds, known);

/** By slot, what the most there is of its resource comes to. */
function wholes(capacity: Int32Array, rowLength: number): Float64Array {
  const whole = new Float64Array(capacity.length);
  for (let row = 0; row < capacity.length; row += rowLength) {
    const most = capacity.subarray(row, row + rowLength).reduce((a, b) => Math.max(a, b), 1);
    whole.fill(most, row, row + rowLength);
  }
  return whole;
}

/** Slots in which more may be taken than in the slot before, or less is there. */
function liveSlots({ jobs, capacity, rowLength }: Omit<PackedInstance, 'setting'>): Uint8Array {
  const live = Uint8Array.from(capacity, (c, t) => Number(t % rowLength === 0 || c < capacity[t - 1]!));
  for (const { from } of jobs) for (const t of from) live[t] = 1;
  return live;
}
