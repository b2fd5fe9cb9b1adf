import type { Job, Instance } from './instance.js';

/** A lower bound on what any choice costs, and what each mode costs above it when resources have their prices. */
export interface Bound {
  readonly cost: number;
  /** By job and mode: what the bound rises by, at least, if that mode is taken. */
  readonly rises: readonly (readonly number[])[];
}

/** Steps without a better bound after which strides are halved. */
const PATIENCE = 8;
/** First stride, as a share of the distance to what is known to do (Polyak). */
const FIRST_STRIDE = 1.6;

/**
 * Lagrangian bound (Held & Karp 1971; Fisher 1981): every slot of every resource gets a price, each job then takes what is
 * cheapest for itself, and prices rise where more is taken than there is. Settings are left out of account, which can only
 * lower the bound.
 *
 * @param known cost of a choice that does
 */
export function lowerBound({ jobs, resources, slots }: Instance, known: number, rounds: number): Bound {
  const flats = jobs.map((job) => flat(job, slots));
  let prices = resources.map(() => new Float64Array(slots));
  let best = { cost: -Infinity, prices };
  let stride = FIRST_STRIDE;
  let since = 0;
  for (let round = 0; round < rounds; round++) {
    const totals = runningTotals(prices, slots);
    const over = resources.map(({ capacity }) => Float64Array.from(capacity, (c) => -c));
    let cost = -resources.reduce((sum, { capacity }, r) => sum + dot(prices[r]!, capacity), 0);
    for (const [j, job] of flats.entries()) {
      const { mode, at } = cheapest(job, totals);
      cost += at;
      for (const { resource, from, to, units } of jobs[j]!.modes[mode]?.uses ?? []) {
        const row = over[resource]!;
        for (let t = from; t < to; t++) row[t]! += units;
      }
    }
    if (cost > best.cost + 1e-9) {
      best = { cost, prices };
      since = 0;
    } else if (++since >= PATIENCE) {
      stride /= 2;
      since = 0;
      prices = best.prices;
      continue;
    }
    if (best.cost >= known - 1e-6) break;
    // Where a price is nought and there is room, nothing pulls.
    const pull = over.map((row, r) => row.map((x, t) => (x < 0 && prices[r]![t] === 0 ? 0 : x)));
    const length = pull.reduce((sum, row) => sum + dot(row, row), 0);
    if (length === 0) break;
    const step = (stride * Math.max(known - cost, 1e-3 * Math.abs(known))) / length;
    prices = prices.map((row, r) => row.map((p, t) => Math.max(0, p + step * pull[r]![t]!)));
  }
  const totals = runningTotals(best.prices, slots);
  const least = flats.map((job) => cheapest(job, totals).at);
  return {
    cost: best.cost,
    rises: flats.map((job, j) => Array.from(job.costs, (_, w) => priced(job, w, totals) - least[j]!)),
  };
}

/** A job's modes laid out flat, so that all of them are priced in one pass. */
interface Flat {
  readonly costs: Float64Array;
  readonly unmetCost: number;
  /** Uses of mode w stand from `first[w]` to `first[w + 1]`. */
  readonly first: Int32Array;
  /** Where in the running totals each use begins and ends, and its units. */
  readonly begins: Int32Array;
  readonly ends: Int32Array;
  readonly units: Float64Array;
}

function flat({ modes, unmetCost }: Job, slots: number): Flat {
  const uses = modes.flatMap((mode) => mode.uses);
  const at = (resource: number, slot: number) => resource * (slots + 1) + slot;
  const first = new Int32Array(modes.length + 1);
  modes.forEach((mode, w) => (first[w + 1] = first[w]! + mode.uses.length));
  return {
    costs: Float64Array.from(modes, (mode) => mode.cost),
    unmetCost,
    first,
    begins: Int32Array.from(uses, (u) => at(u.resource, u.from)),
    ends: Int32Array.from(uses, (u) => at(u.resource, Math.min(slots, u.to))),
    units: Float64Array.from(uses, (u) => u.units),
  };
}

/** What is paid up to each slot of each resource for one unit in every slot. */
function runningTotals(prices: readonly Float64Array[], slots: number): Float64Array {
  const totals = new Float64Array(prices.length * (slots + 1));
  prices.forEach((row, r) => {
    const start = r * (slots + 1);
    for (let t = 0; t < slots; t++) totals[start + t + 1] = totals[start + t]! + row[t]!;
  });
  return totals;
}

/** What a mode costs with what it takes paid for. */
function priced({ costs, first, begins, ends, units }: Flat, w: number, totals: Float64Array): number {
  let cost = costs[w]!;
  for (let u = first[w]!; u < first[w + 1]!; u++) cost += units[u]! * (totals[ends[u]!]! - totals[begins[u]!]!);
  return cost;
}

/** The cheapest mode of a job once it is paid for, or none (-1) where that is to leave it. */
function cheapest(job: Flat, totals: Float64Array): { readonly mode: number; readonly at: number } {
  let [mode, at] = [-1, job.unmetCost];
  for (let w = 0; w < job.costs.length && job.costs[w]! < at; w++) {
    const cost = priced(job, w, totals);
    if (cost < at) [mode, at] = [w, cost];
  }
  return { mode, at };
}

function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
}
