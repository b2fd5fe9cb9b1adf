import { type GivenWindow, widened, WidthsSeen } from '../learn/widths.js';

/** How often the windows that were given at one moment of such makes held. */
export interface ScoredGroup {
  readonly methodId: string;
  readonly by: GivenWindow['by'];
  /** When they were given, as a share of the time it took. */
  readonly share: number;
  readonly given: number;
  /** Those in which it was ready within the window, sooner, and later. */
  readonly held: number;
  readonly sooner: number;
  readonly later: number;
  /** Where the share that held lies, nine times in ten, as far as so many tell: 0–1 (Wilson). */
  readonly heldFrom: number;
  readonly heldTo: number;
  /** Middle of how far off the likeliest moment was, h: later than said is positive; and how long ahead it was said, h. */
  readonly middleOffH: number;
  readonly middleAheadH: number;
}

/** z of an interval that holds nine times in ten. */
const Z_90 = 1.645;

/** A window of the engine's own width, and the make it was given of. */
export interface ScoredWindow extends GivenWindow {
  readonly methodId: string;
  readonly batchId: string;
}

/**
 * How well windows held, by method, by what was to be ready, and by when they were given: each as wide as it was shown, which the
 * windows of the makes before it had taught.
 *
 * @param windows in order of time, those of a make together
 */
export function scorecard(windows: readonly ScoredWindow[]): readonly ScoredGroup[] {
  const groups = new Map<string, ScoredWindow[]>();
  for (const window of asShown(windows)) {
    const key = `${window.methodId} ${window.by} ${window.share}`;
    const group = groups.get(key);
    if (group) group.push(window);
    else groups.set(key, [window]);
  }
  return [...groups.values()].map((group): ScoredGroup => {
    const { methodId, by, share } = group[0]!;
    const sooner = group.filter(({ aheadH, p10H }) => aheadH < p10H).length;
    const later = group.filter(({ aheadH, p90H }) => aheadH > p90H).length;
    const held = group.length - sooner - later;
    const [heldFrom, heldTo] = wilson(held, group.length, Z_90);
    return {
      methodId,
      by,
      share,
      given: group.length,
      held,
      sooner,
      later,
      heldFrom,
      heldTo,
      middleOffH: middle(group.map(({ aheadH, p50H }) => aheadH - p50H)),
      middleAheadH: middle(group.map(({ aheadH }) => aheadH)),
    };
  });
}

/** Windows as they were shown: widened by what those of earlier makes had taught. */
function asShown(windows: readonly ScoredWindow[]): readonly ScoredWindow[] {
  const seen = new WidthsSeen();
  let ofMake: ScoredWindow[] = [];
  return windows.map((window) => {
    if (ofMake[0] && ofMake[0].batchId !== window.batchId) {
      for (const earlier of ofMake) seen.add(earlier);
      ofMake = [];
    }
    ofMake.push(window);
    const { by, share, p10H, p50H, p90H } = window;
    const [from, to] = widened(p10H, p50H, p90H, seen.factor(by, share));
    return { ...window, p10H: from, p90H: to };
  });
}

/** Where a share lies that was seen k times in n: Wilson (1927), J. Am. Stat. Assoc. 22:209. */
export function wilson(k: number, n: number, z: number): readonly [number, number] {
  const p = k / n;
  const centre = p + (z * z) / (2 * n);
  const half = z * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
  const whole = 1 + (z * z) / n;
  return [Math.max(0, (centre - half) / whole), Math.min(1, (centre + half) / whole)];
}

/** The middle of some numbers; of an even count the mean of the two about it. NaN of none. */
export function middle(values: readonly number[]): number {
  return middleOfSorted([...values].sort((a, b) => a - b));
}

/** The same of numbers that are in order already. */
export function middleOfSorted(sorted: ArrayLike<number>): number {
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}
