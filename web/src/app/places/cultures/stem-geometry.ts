import { daysOver, momentAt, type Zone } from '@oat-crock/calendar';
import type { Bud, CultureLot, Due, Stem } from '@oat-crock/core';
import { interpolateLab } from 'd3-interpolate';
import { scaleLinear, scaleSqrt } from 'd3-scale';

const DAY_MS = 86_400_000;
/** What the stems show of what was, at most, and of what comes. */
const BACK_MS = 30 * DAY_MS;
const LEAST_BACK_MS = 14 * DAY_MS;
const AHEAD_MS = 10 * DAY_MS;
const LANE = 34;
const HEAD = 34;
const LEFT = 12;
const RIGHT = 16;
/** A day's label takes so much, px. */
const DAY_LABEL = 84;
/** Of which so much keeps it from the next. */
const LABEL_GAP = 14;

/** Fill of a bud by its activity: pale and thin to deep cobalt. */
export const activityColour = scaleLinear<string>()
  .domain([0, 0.1, 0.5, 1])
  .range(['#e8dcc8', '#c9c3b6', '#7c8fb8', '#24468f'])
  .interpolate(interpolateLab)
  .clamp(true);

const radius = scaleSqrt().domain([0, 500]).range([5, 13]).clamp(true);

/** A culture as it is drawn. */
export interface DrawnBud {
  readonly lot: CultureLot;
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly fill: string;
  readonly state: 'alive' | 'frozen' | 'over';
  /** Ways that lead to it, as paths. */
  readonly ways: readonly string[];
  /** Where it stands on until it should be fed, and from there until it is spent; null for what is over. */
  readonly standsTo: number | null;
  readonly fadesTo: number | null;
}

/** One line of descent as it is drawn. */
export interface DrawnStem {
  readonly rootId: string;
  readonly y: number;
  readonly buds: readonly DrawnBud[];
}

export interface Drawing {
  readonly stems: readonly DrawnStem[];
  readonly height: number;
  readonly nowX: number;
  readonly days: readonly { readonly x: number; readonly atMs: number }[];
}

/** Lines of descent on a sheet of some width, px: time runs to the right, the present near its end. */
export function drawStems(
  stems: readonly Stem[],
  dues: ReadonlyMap<string, Due>,
  frozen: (lot: CultureLot) => boolean,
  nowMs: number,
  width: number,
  zone: Zone,
): Drawing {
  const births = stems.flatMap((s) => s.buds.map((b) => b.lot.bornMs));
  const fromMs = Math.max(nowMs - BACK_MS, Math.min(nowMs - LEAST_BACK_MS, ...births));
  const x = scaleLinear([fromMs, nowMs + AHEAD_MS], [LEFT + 10, width - RIGHT]).clamp(true);
  let y = 8;
  const drawn = stems.map((stem): DrawnStem => {
    const top = y;
    y += HEAD + stem.lanes * LANE;
    const at = (lane: number) => top + HEAD + LANE * (lane + 0.35);
    const draw = (bud: Bud) => drawBud(bud, at, x, dues.get(bud.lot.id) ?? null, frozen(bud.lot));
    return { rootId: stem.rootId, y: top, buds: stem.buds.map(draw) };
  });
  const apart = Math.max(1, Math.ceil(DAY_LABEL / (x(fromMs + DAY_MS) - x(fromMs))));
  const days = daysOver(fromMs, nowMs + AHEAD_MS, zone)
    .map((day) => momentAt(day, 0, zone))
    .filter((atMs, i) => atMs >= fromMs && i % apart === 0 && x(atMs) + DAY_LABEL - LABEL_GAP < width)
    .map((atMs) => ({ x: x(atMs), atMs }));
  return { stems: drawn, height: y + 24, nowX: x(nowMs), days };
}

type Scale = (atMs: number) => number;

function drawBud(
  { lot, lane, from }: Bud,
  at: (lane: number) => number,
  x: Scale,
  due: Due | null,
  cold: boolean,
): DrawnBud {
  const [bx, by] = [x(lot.bornMs), at(lane)];
  const ways = from.map((parent) => {
    const [px, py] = [x(parent.bornMs), at(parent.lane)];
    const bend = Math.max(10, (bx - px) / 2);
    return `M${px} ${py}C${px + bend} ${py} ${bx - bend} ${by} ${bx} ${by}`;
  });
  const over = lot.retiredMs !== null || due === null;
  const standsMs = due?.feedByMs ?? due?.lastMs ?? Infinity;
  return {
    lot,
    x: bx,
    y: by,
    r: radius(Math.max(1, due?.leftG ?? lot.amount)),
    fill: activityColour(due?.activity.likely ?? 0),
    state: over ? 'over' : cold ? 'frozen' : 'alive',
    ways,
    standsTo: over ? null : Math.max(bx, x(standsMs)),
    fadesTo: over ? null : Math.max(bx, x(due.lastMs ?? Infinity)),
  };
}
