import type { Instance } from '@oat-crock/core';

/** What a mixed-integer programme of a instance gives: its best cost, and the bound it is proven by. */
export interface Milp {
  readonly cost: number;
  readonly optimal: boolean;
}

/**
 * A instance as a time-indexed programme (Pritsker, Watters & Wolfe 1969) in the LP format: a binary for each option and for
 * each job left out, one row a job, one row a resource and slot; settings that exclude each other get a binary a slot.
 */
export function lpOf({ jobs, resources, slots }: Instance): string {
  const name = (j: number, o: number) => `x${j}_${o}`;
  const objective: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const loads = new Map<string, string[]>();
  /** Slots in which a use begins: what is there in another was there in the slot before. */
  const begins = new Set<string>();
  const bySetting = new Map<string, Map<number, string[]>>();
  jobs.forEach(({ modes, unmetCost }, j) => {
    objective.push(`${unmetCost} u${j}`);
    binaries.push(`u${j}`);
    rows.push(`${['u' + String(j), ...modes.map((_, o) => name(j, o))].join('\n + ')} = 1`);
    modes.forEach(({ cost, uses }, o) => {
      objective.push(`${cost} ${name(j, o)}`);
      binaries.push(name(j, o));
      for (const { resource, from, to, units, setting } of uses) {
        begins.add(`${resource}_${from}`);
        for (let t = from; t < Math.min(to, slots); t++) {
          const key = `${resource}_${t}`;
          (loads.get(key) ?? loads.set(key, []).get(key)!).push(`${units} ${name(j, o)}`);
          if (setting === 0) continue;
          const of = bySetting.get(key) ?? new Map<number, string[]>();
          bySetting.set(key, of.set(setting, [...(of.get(setting) ?? []), name(j, o)]));
        }
      }
    });
  });
  // Slots in which the same modes take the same are one row.
  const written = new Set<string>();
  for (const [key, terms] of loads) {
    const [r, t] = key.split('_').map(Number);
    const { capacity } = resources[r!]!;
    if (!begins.has(key) && loads.has(`${r}_${t! - 1}`) && capacity[t!]! >= capacity[t! - 1]!) continue;
    const row = `${terms.join('\n + ')} <= ${capacity[t!]!}`;
    if (!written.has(row)) rows.push(row);
    written.add(row);
  }
  for (const [key, settings] of bySetting) {
    const [r, t] = key.split('_').map(Number);
    if (settings.size < 2 || (!begins.has(key) && bySetting.has(`${r}_${t! - 1}`))) continue;
    const holds = [...settings.keys()].map((s) => `y${key}_${s}`);
    binaries.push(...holds);
    rows.push(`${holds.join(' + ')} <= 1`);
    for (const [s, terms] of settings) for (const x of terms) rows.push(`${x} - y${key}_${s} <= 0`);
  }
  const subject = rows.map((row, i) => ` r${i}: ${row}`).join('\n');
  return `Minimize\n obj: ${objective.join('\n + ')}\nSubject To\n${subject}\nBinary\n ${binaries.join('\n ')}\nEnd\n`;
}

interface Highs {
  solve: (
    lp: string,
    settings: Record<string, unknown>,
  ) => { readonly Status: string; readonly ObjectiveValue: number };
}

let loading: Promise<Highs> | undefined;

/** A instance with every so manieth of its modes, at most so many a job: small enough for a proof. */
export function thinned(instance: Instance, most: number): Instance {
  const jobs = instance.jobs.map((job) => {
    const every = Math.ceil(job.modes.length / most);
    return { ...job, modes: job.modes.filter((_, w) => w % every === 0) };
  });
  return { ...instance, jobs };
}

/** Solves a instance with HiGHS. */
export async function solveMilp(instance: Instance, seconds = 20): Promise<Milp> {
  loading ??= import('highs').then((m) => (m.default as unknown as () => Promise<Highs>)());
  const highs = await loading;
  const { Status, ObjectiveValue } = highs.solve(lpOf(instance), {
    output_flag: false,
    time_limit: seconds,
    mip_rel_gap: 1e-9,
  });
  return { cost: ObjectiveValue, optimal: Status === 'Optimal' };
}
