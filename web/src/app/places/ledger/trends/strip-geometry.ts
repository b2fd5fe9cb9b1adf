import type { Trend } from './trend-strips';
import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** Height of the strip of one figure, of what stands above the first and below the last, and of the words beside them, px. */
export const STRIP = { height: 52, inner: 36, top: 70, bottom: 4, left: 152, right: 84 } as const;
const DAY_MS = 86_400_000;

/** One figure's strip: where its makes and its middle stand, and the ends of its scale. */
export interface Strip {
  readonly trend: Trend;
  readonly top: number;
  readonly middleY: number;
  readonly least: number;
  readonly most: number;
  /** Where a value stands, px from the top of the drawing. */
  readonly yOf: (value: number) => number;
  /** All makes as one path, each a point of no length: drawn with a round, wide end it is a dot. */
  readonly dots: string;
}

export function timeScale(fromMs: number, untilMs: number, width: number): ScaleLinear<number, number> {
  const room = Math.max(DAY_MS, (untilMs - fromMs) * 0.02);
  return scaleLinear()
    .domain([fromMs - room, untilMs + room])
    .range([STRIP.left, Math.max(STRIP.left + 60, width - STRIP.right)]);
}

export function stripsOf(trends: readonly Trend[], x: ScaleLinear<number, number>): readonly Strip[] {
  return trends.map((trend, row): Strip => {
    const values = trend.points.map(({ value }) => value);
    const [least, most] = [Math.min(...values), Math.max(...values)];
    const room = most > least ? 0 : Math.max(0.5, Math.abs(most) * 0.1);
    const top = STRIP.top + row * STRIP.height;
    const y = scaleLinear()
      .domain([least - room, most + room])
      .range([top + STRIP.inner, top + 5]);
    return {
      trend,
      top,
      middleY: y(trend.middle),
      least,
      most,
      yOf: (value) => y(value),
      dots: trend.points.map(({ atMs, value }) => `M${x(atMs).toFixed(1)},${y(value).toFixed(1)}h0`).join(''),
    };
  });
}
