import type { Random } from '../random/random.js';
import { UNMET } from './instance.js';
import { packedProfile, type PackedInstance } from './packed-instance.js';

/** A search that goes on from where it is as often as it is asked to. */
export interface Improving {
  /** So many steps more. */
  readonly step: (steps: number) => void;
  /** The best that was found: a mode for each job, or none. */
  readonly best: () => { readonly picks: Int32Array; readonly cost: number };
}

/** Cooling: from so much of what a job costs in the mean to so much, over a cycle of steps; each cycle is longer than the one before. */
const HOT = 0.6;
const COLD = 0.005;
const CYCLE = { first: 2000, growth: 1.5, longest: 20_000 } as const;
/** Every so manieth cycle begins with nothing placed, the others from the best. */
const AFRESH = 2;
/** A mode that fits is passed over so often, so that a job does not always come back to the same place. */
const BLINK = 0.02;
/** So often the job to begin with is one that could cost less; so often it is given a wish, and what stands in its way is moved. */
const DEAR_FIRST = 0.7;
const WISH = 0.6;
/** So many jobs are taken out at most beside the first, and so often only such as are near it in time, within so many slots. */
const MOST_OUT = 6;
const NEAR = 0.7;
const NEAR_SLOTS = 24;
/** To leave a job out costs little at first, so that others may move, and twice as much each time it is still left out after so many steps. */
const UNMET_AT_FIRST = 8;
const DEARER = 2;
const DEARER_EVERY = 50;

/**
 * Ruin and recreate (Schrimpf et al. 2000; Christiaens & Vanden Berghe 2020) under simulated annealing: a few jobs are taken out, or a
 * job is put where it would like to be and what is in its way taken out; they are placed again one by one, each as cheaply as it can be.
 *
 * @param from where it begins: picks that fit beside each other
 */
export function ruinAndRecreate({ jobs, ...rest }: PackedInstance, random: Random, from: Int32Array): Improving {
  const n = jobs.length;
  const profile = packedProfile({ jobs, ...rest });
  const picks = Int32Array.from(from);
  const before = new Int32Array(n);
  const whole = (below: number) => Math.floor(random() * below);

  let best = { picks: Int32Array.from(from), cost: trueCost() };
  const served = picks.reduce((sum, pick, j) => sum + (pick === UNMET ? 0 : jobs[j]!.costs[pick]!), 0);
  const each = Math.max(1e-3, served / Math.max(1, n));
  /** What it counts for to leave a job out, as yet. */
  const penalty = Float64Array.from(jobs, ({ unmetCost }) => Math.min(unmetCost, UNMET_AT_FIRST * each));
  let cost = 0;

  function trueCost(): number {
    return jobs.reduce((sum, job, j) => sum + (picks[j] === UNMET ? job.unmetCost : job.costs[picks[j]!]!), 0);
  }
  const costAs = (j: number, pick: number) => (pick === UNMET ? penalty[j]! : jobs[j]!.costs[pick]!);
  const countedCost = () => picks.reduce((sum, pick, j) => sum + costAs(j, pick), 0);
  const lost = (j: number) => costAs(j, picks[j]!) - Math.min(penalty[j]!, jobs[j]!.costs[0] ?? Infinity);

  function put(j: number, pick: number): void {
    picks[j] = pick;
    if (pick !== UNMET) profile.put(jobs[j]!, pick);
  }
  function takeOut(j: number): void {
    if (picks[j] !== UNMET) profile.take(jobs[j]!, picks[j]!);
    picks[j] = UNMET;
  }
  /** As cheaply as it can be, but for a blink. */
  function place(j: number): void {
    const job = jobs[j]!;
    for (let mode = 0; mode < job.costs.length; mode++) {
      if (random() >= BLINK && profile.fits(job, mode)) {
        put(j, mode);
        return;
      }
    }
  }
  function standAt(all: Int32Array): void {
    for (let j = 0; j < n; j++) takeOut(j);
    for (let j = 0; j < n; j++) put(j, all[j]!);
    cost = countedCost();
  }

  /** With nothing placed: what always began from the best would never leave its neighbourhood. */
  function beginAfresh(): void {
    jobs.forEach(({ unmetCost }, j) => (penalty[j] = Math.min(unmetCost, UNMET_AT_FIRST * each)));
    standAt(new Int32Array(n).fill(UNMET));
  }

  /** The jobs that were taken out, each once. */
  const out: number[] = [];
  const isOut = new Uint8Array(n);
  function ruin(j: number): void {
    if (isOut[j]) return;
    isOut[j] = 1;
    out.push(j);
    before[j] = picks[j]!;
    takeOut(j);
  }

  function firstJob(): number {
    const one = whole(n);
    if (random() >= DEAR_FIRST) return one;
    for (let i = 0; i < 6; i++) {
      const other = whole(n);
      if (lost(other) > lost(one)) return other;
    }
    return one;
  }

  /** Puts a job where it would like to be, and takes out what is in its way; what was taken out in vain goes back. */
  function grant(j: number): boolean {
    const job = jobs[j]!;
    // One that costs less than what it had, the cheaper the more often.
    const wish = Math.floor(random() ** 2 * (before[j] === UNMET ? job.costs.length : Math.max(1, before[j]!)));
    const near: number[] = [];
    for (let k = 0; k < n; k++) {
      const pick = picks[k]!;
      if (pick === UNMET || isOut[k]) continue;
      if (jobs[k]!.begins[pick]! < job.ends[wish]! && jobs[k]!.ends[pick]! > job.begins[wish]!) near.push(k);
    }
    shuffle(near, random);
    const taken: number[] = [];
    while (!profile.fits(job, wish)) {
      const k = near.pop();
      if (k === undefined) return false;
      taken.push(k);
      ruin(k);
    }
    put(j, wish);
    for (const k of taken) if (profile.fits(jobs[k]!, before[k]!)) put(k, before[k]!);
    return true;
  }

  function ruinSome(first: number): void {
    const most = Math.min(n, 2 + whole(MOST_OUT));
    const pick = before[first]!;
    const onlyNear = pick !== UNMET && random() < NEAR;
    for (let tries = 0; out.length < most && tries < 30; tries++) {
      const k = whole(n);
      const there = picks[k]!;
      const isFar =
        onlyNear &&
        there !== UNMET &&
        !(
          jobs[k]!.begins[there]! < jobs[first]!.ends[pick]! + NEAR_SLOTS &&
          jobs[k]!.ends[there]! > jobs[first]!.begins[pick]! - NEAR_SLOTS
        );
      if (!isFar) ruin(k);
    }
  }

  function oneStep(heat: number): void {
    for (const j of out) isOut[j] = 0;
    out.length = 0;
    const first = firstJob();
    ruin(first);
    if (jobs[first]!.costs.length === 0 || random() >= WISH || !grant(first)) ruinSome(first);
    const open = out.filter((j) => picks[j] === UNMET);
    inSomeOrder(open);
    open.forEach(place);
    const now = countedCost();
    if (now > cost - heat * Math.log(random() + 1e-12)) {
      for (const j of out) takeOut(j);
      for (const j of out) put(j, before[j]!);
      return;
    }
    cost = now;
    const own = trueCost();
    if (own < best.cost - 1e-9) best = { picks: Int32Array.from(picks), cost: own };
  }

  /** By chance, that with the fewest modes first, or that which lost most. */
  function inSomeOrder(open: number[]): void {
    const by = random();
    if (by < 0.4) shuffle(open, random);
    else if (by < 0.7) open.sort((a, b) => jobs[a]!.costs.length - jobs[b]!.costs.length || a - b);
    else open.sort((a, b) => costAs(b, before[b]!) - costAs(a, before[a]!) || a - b);
  }

  for (let j = 0; j < n; j++) if (picks[j] !== UNMET) profile.put(jobs[j]!, picks[j]!);
  cost = countedCost();
  let inCycle = 0;
  let cycles = 0;
  let cycle: number = CYCLE.first;
  let stepsDone = 0;
  return {
    best: () => best,
    step: (steps) => {
      for (let i = 0; i < steps && n > 0; i++) {
        if (inCycle++ >= cycle) {
          inCycle = 0;
          cycle = Math.min(CYCLE.longest, Math.round(cycle * CYCLE.growth));
          if (++cycles % AFRESH === 0) beginAfresh();
          else standAt(best.picks);
        }
        oneStep(each * HOT * (COLD / HOT) ** (inCycle / cycle));
        if (++stepsDone % DEARER_EVERY !== 0) continue;
        for (let j = 0; j < n; j++)
          if (picks[j] === UNMET) penalty[j] = Math.min(jobs[j]!.unmetCost, DEARER * penalty[j]!);
        cost = countedCost();
      }
    },
  };
}

function shuffle(all: number[], random: Random): void {
  for (let i = all.length - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1));
    [all[i], all[k]] = [all[k]!, all[i]!];
  }
}
