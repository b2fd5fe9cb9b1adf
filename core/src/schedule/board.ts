import type { Way, Puzzle, Use } from './puzzle.js';

/** What is taken of every resource, slot by slot, by the ways that stand on it. */
export interface Board {
  /** True where a way can be put beside what stands there. */
  readonly fits: (way: Way) => boolean;
  readonly put: (way: Way) => void;
  readonly take: (way: Way) => void;
  /** The first use of a way that finds no room, and the slot; null where it fits. */
  readonly clash: (way: Way) => { readonly use: Use; readonly slot: number } | null;
}

/** An empty board. */
export function emptyBoard({ resources, slots }: Pick<Puzzle, 'resources' | 'slots'>): Board {
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
    clash: ({ uses }) => {
      for (const use of uses) {
        const slot = clashOf(use);
        if (slot >= 0) return { use, slot };
      }
      return null;
    },
  };
}
