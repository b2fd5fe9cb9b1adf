import type { Pooled } from './pooled.js';

/** A window in which something was to be ready, as it was given at a moment of the make, and when it was. */
export interface GivenWindow {
  readonly by: 'acidity' | 'solids';
  /** The share of the time it took that had gone by when the window was given. */
  readonly share: number;
  /** Hours from when it was given until it was ready. */
  readonly aheadH: number;
  /** The window, hours from when it was given: one time in ten sooner, as likely sooner as later, one time in ten later. */
  readonly p10H: number;
  readonly p50H: number;
  readonly p90H: number;
}

/** Windows are looked at when a stage begins, half-way, and a little before it was ready: shares of the time it took. */
export const GIVEN_AT = [0, 0.5, 0.85] as const;

/** A window is from one time in ten to nine: so many of them are to hold. */
export const SHOULD_HOLD = 0.8;

/** How much wider than the engine's own a kitchen's windows are to be, for so many of them to hold as should. */
export interface LearnedWidth {
  readonly by: GivenWindow['by'];
  readonly share: number;
  /** 1 = as wide as the engine has them. */
  readonly factor: number;
  readonly makes: number;
}

/**
 * In place of what has not been seen yet stand twelve windows as sound ones are: how far off the likeliest moment of a normal
 * spread, in halves of its window, at its quantiles (2j + 1)/24.
 */
const UNSEEN = [0.041, 0.123, 0.206, 0.292, 0.381, 0.476, 0.579, 0.692, 0.823, 0.982, 1.197, 1.589] as const;

/** The newest so many of a kind count: a kitchen, and who keeps its log, changes. */
const NEWEST = 60;
/** Nobody is shown a window narrower or wider than this, whatever was seen. */
const [LEAST, MOST] = [0.7, 2.5];
/** A half of a window is no narrower than this, h: a minute. */
const HALF_H = 1 / 60;

/** How far off the likeliest moment it was, in halves of the window on that side. */
const offOf = ({ aheadH, p10H, p50H, p90H }: GivenWindow): number =>
  aheadH < p50H ? (p50H - aheadH) / Math.max(HALF_H, p50H - p10H) : (aheadH - p50H) / Math.max(HALF_H, p90H - p50H);

/** Windows that were given, and what they teach of how wide the next are to be. */
export class WidthsSeen {
  private readonly offs = new Map<string, number[]>();
  private readonly factors = new Map<string, number>();

  add(window: GivenWindow): void {
    const key = `${window.by} ${window.share}`;
    this.offs.set(key, [...(this.offs.get(key) ?? []), offOf(window)].slice(-NEWEST));
    this.factors.delete(key);
  }

  /** The width within which as many would have held as should; 1 where none was given. */
  factor(by: GivenWindow['by'], share: number): number {
    const key = `${by} ${share}`;
    const seen = this.offs.get(key);
    if (!seen) return 1;
    const known = this.factors.get(key);
    if (known !== undefined) return known;
    const factor = Math.min(MOST, Math.max(LEAST, quantile([...seen, ...UNSEEN], SHOULD_HOLD)));
    this.factors.set(key, factor);
    return factor;
  }

  all(): readonly LearnedWidth[] {
    return [...this.offs].map(([key, seen]) => {
      const [by, share] = key.split(' ') as [GivenWindow['by'], string];
      return { by, share: Number(share), factor: this.factor(by, Number(share)), makes: seen.length };
    });
  }
}

/** A quantile of some numbers, each of which stands for the middle of its share (Hazen 1914). */
function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  const at = Math.min(sorted.length - 1, Math.max(0, share * sorted.length - 0.5));
  const below = Math.floor(at);
  return sorted[below]! + (at - below) * ((sorted[below + 1] ?? sorted[below]!) - sorted[below]!);
}

/** How wide a kitchen's windows are to be at some share of the time they take: as of the nearest share that was looked at. */
export function widthAt(learned: Pick<Pooled, 'widths'> | undefined, by: GivenWindow['by'], share: number): number {
  const known = (learned?.widths ?? []).filter((width) => width.by === by);
  const [first, ...others] = known;
  if (!first) return 1;
  const off = (width: LearnedWidth) => Math.abs(width.share - share);
  return others.reduce((best, width) => (off(width) < off(best) ? width : best), first).factor;
}

/** What a window is from and to, once it is so much wider about its likeliest moment; what has no end has none then either. */
export function widened<T extends number | null>(p10: T, p50: T, p90: T, factor: number): readonly [T, T] {
  if (p50 === null) return [p10, p90];
  const at = (end: T) => (end === null ? end : ((p50 + factor * (end - p50)) as T));
  return [at(p10), at(p90)];
}
