import type { Mode, Instance, Use } from './instance.js';

/** What is taken of every resource, slot by slot, by the modes that were put on it. */
export interface ResourceProfile {
  /** True where a mode can be put beside what is there. */
  readonly fits: (mode: Mode) => boolean;
  readonly put: (mode: Mode) => void;
  readonly take: (mode: Mode) => void;
  /** The first use of a mode that finds no room, and the slot; null where it fits. */
  readonly clash: (mode: Mode) => { readonly use: Use; readonly slot: number } | null;
  /** Each use of a mode that finds no room, and how many units it lacks at most. */
  readonly lacks: (mode: Mode) => readonly { readonly use: Use; readonly units: number }[];
}

/** A profile of which nothing is taken. */
export function emptyProfile({ resources, slots }: Pick<Instance, 'resources' | 'slots'>): ResourceProfile {
  const free = resources.map((r) => Int32Array.from(r.capacity));
  /** Of each slot the setting that holds it, and how many hold it with one. */
  const setting = resources.map((r) => (r.setting ? Int32Array.from(r.setting) : new Int32Array(slots)));
  const holders = setting.map((set) => set.map((s) => Number(s !== 0)));

  const clashOf = (use: Use): number => {
    const [left, set] = [free[use.resource]!, setting[use.resource]!];
    for (let t = use.from; t < use.to; t++) {
      if (left[t]! < use.units) return t;
      if (use.setting !== 0 && set[t] !== 0 && set[t] !== use.setting) return t;
    }
    return -1;
  };
  const change = (use: Use, by: 1 | -1): void => {
    const [left, set, held] = [free[use.resource]!, setting[use.resource]!, holders[use.resource]!];
    for (let t = use.from; t < use.to; t++) {
      left[t]! -= by * use.units;
      if (use.setting === 0) continue;
      held[t]! += by;
      set[t] = held[t] === 0 ? 0 : use.setting;
    }
  };
  return {
    fits: ({ uses }) => uses.every((use) => clashOf(use) < 0),
    put: ({ uses }) => uses.forEach((use) => change(use, 1)),
    take: ({ uses }) => uses.forEach((use) => change(use, -1)),
    lacks: ({ uses }) =>
      uses.flatMap((use) => {
        const least = free[use.resource]!.subarray(use.from, use.to).reduce((a, b) => Math.min(a, b), use.units);
        return least < use.units ? [{ use, units: use.units - least }] : [];
      }),
    clash: ({ uses }) => {
      for (const use of uses) {
        const slot = clashOf(use);
        if (slot >= 0) return { use, slot };
      }
      return null;
    },
  };
}
