import { dailyStretches, isNight, type Asleep } from '@oat-crock/calendar';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import { G_PER_LB, type Followed, type Task, acidity as acidityOf } from '@oat-crock/core';
import { type PourPoint } from '@oat-crock/contract/api';
import { acidColour } from '../ui/acid-colour';
import { units } from '../ui/reader';
import { textOf, tell } from '../ui/said';
import { mass, temp } from '../ui/words';

/** What a drawing of a pour has to fit into. */
export interface PourFrame {
  readonly width: number;
  readonly height: number;
  readonly fromMs: number;
  readonly untilMs: number;
  readonly nowMs: number;
  /** Room above the ribbon for hands and warmth, px; 0 in the short form. */
  readonly head: number;
  /** Room below for the hours, px. */
  readonly foot: number;
  readonly asleep: Asleep;
}

export interface Stop {
  readonly offset: number;
  readonly colour: string;
}

export interface Band {
  readonly x: number;
  readonly width: number;
}

/** A hand as drawn: a brush dot with its bracket of give. */
export interface Dot {
  readonly task: Task;
  readonly x: number;
  readonly r: number;
  readonly fromX: number;
  readonly untilX: number;
  readonly inNight: boolean;
}

/** Hands that stand too close for a label each share one. */
export interface DotLabel {
  readonly x: number;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly row: number;
  readonly text: string;
  readonly inNight: boolean;
}

/** Moments (ms) across a drawing, px. */
export type TimeScale = ScaleLinear<number, number>;

/** Time across the frame. */
export function timeScale(frame: Pick<PourFrame, 'fromMs' | 'untilMs' | 'width'>): TimeScale {
  return scaleLinear().domain([frame.fromMs, frame.untilMs]).range([0, frame.width]);
}

/** Thickness in px for a mass in g: the heaviest moment fills the room there is. */
export function massScale(series: readonly PourPoint[], room: number): ScaleLinear<number, number> {
  const heaviest = series.reduce((most, p) => Math.max(most, p.massG + p.wheyG), 1);
  return scaleLinear().domain([0, heaviest]).range([0, room]);
}

/** Gap between curd and whey once they have parted, px. */
const PART_GAP = 7;

/** Outline of the ribbon and of the whey that splits off its lower edge. */
export function ribbons(
  series: readonly PourPoint[],
  x: TimeScale,
  thick: ScaleLinear<number, number>,
  topY: number,
  short = false,
): { readonly curd: string; readonly whey: string } {
  const gap = (p: PourPoint) => Math.min(short ? 2 : PART_GAP, thick(p.wheyG));
  const curd = area<PourPoint>()
    .x((p) => x(p.atMs))
    .y0(topY)
    .y1((p) => topY + thick(p.massG))
    .curve(curveMonotoneX);
  const draining = series.filter((p) => p.wheyG > 0);
  const whey = area<PourPoint>()
    .x((p) => x(p.atMs))
    .y0((p) => topY + thick(p.massG) + gap(p))
    .y1((p) => topY + thick(p.massG) + gap(p) + thick(p.wheyG))
    .curve(curveMonotoneX);
  return { curd: curd(increasing(series)) ?? '', whey: whey(increasing(draining)) ?? '' };
}

/** A curve needs time to go forward: of points at one moment the last is kept. */
function increasing(series: readonly PourPoint[]): PourPoint[] {
  const kept: PourPoint[] = [];
  for (const p of series) {
    if (kept.length && p.atMs - kept[kept.length - 1]!.atMs < 1) kept[kept.length - 1] = p;
    else kept.push(p);
  }
  return kept;
}

/** Colour stops of the fill along the ribbon. */
export function acidStops(series: readonly PourPoint[]): Stop[] {
  const first = series[0];
  const last = series[series.length - 1];
  if (!first || !last || last.atMs <= first.atMs) return [];
  return series.map((p) => ({
    offset: (p.atMs - first.atMs) / (last.atMs - first.atMs),
    colour: acidColour(p.ph),
  }));
}

/** Scale of the warmth hairline, °C to px (fixed, so that pours can be compared). */
export function warmthScale(topY: number, bottomY: number): ScaleLinear<number, number> {
  return scaleLinear().domain([0, 100]).range([bottomY, topY]);
}

/** The warmth hairline. */
export function warmthLine(series: readonly PourPoint[], x: TimeScale, y: ScaleLinear<number, number>): string {
  return (
    line<PourPoint>()
      .x((p) => x(p.atMs))
      .y((p) => y(p.tempC))(increasing(series)) ?? ''
  );
}

/** The nights in view. */
export function nights({ fromMs, untilMs, width, asleep }: PourFrame, x: TimeScale): Band[] {
  if (asleep.fromH === asleep.toH) return [];
  return dailyStretches(asleep, fromMs, untilMs, asleep.zone).map((night) => {
    const left = Math.max(0, x(night.fromMs));
    return { x: left, width: Math.min(width, x(night.untilMs)) - left };
  });
}

/** Hands as dots; their area grows with the minutes they take. */
export function dotsOf(tasks: readonly Task[], x: TimeScale, frame: PourFrame): Dot[] {
  return tasks.map((task) => {
    const atMs = task.status === 'due' ? Math.max(task.atMs, frame.nowMs) : task.atMs;
    return {
      task,
      x: x(atMs),
      r: Math.min(10, 2.6 + 1.7 * Math.sqrt(task.minutes)),
      fromX: Math.max(0, x(task.earliestMs)),
      untilX: Math.min(frame.width, x(task.latestMs)),
      inNight: task.status !== 'done' && isNight(atMs, frame.asleep),
    };
  });
}

/** Width of a label's letter, px: near enough to keep labels apart. */
const LETTER_PX = 6.4;
/** Dots nearer than this share a label. */
const TOGETHER_PX = 26;
const ROWS = 2;

/** Labels for the dots: neighbours share one, and no two of a row overlap. */
export function labelsOf(dots: readonly Dot[], width: number): DotLabel[] {
  const groups: Dot[][] = [];
  for (const dot of dots) {
    if (dot.x < -4 || dot.x > width + 4) continue;
    const group = groups[groups.length - 1];
    if (group && dot.x - group[group.length - 1]!.x < TOGETHER_PX) group.push(dot);
    else groups.push([dot]);
  }
  const freeFrom = Array.from({ length: ROWS }, () => -Infinity);
  return groups.flatMap((group): DotLabel[] => {
    const text = groupText(group);
    const middle = (group[0]!.x + group[group.length - 1]!.x) / 2;
    const span = text.length * LETTER_PX;
    const left = Math.min(Math.max(0, middle - span / 2), Math.max(0, width - span));
    const row = freeFrom.findIndex((free) => left > free + 8);
    if (row < 0) return [];
    freeFrom[row] = left + span;
    const inNight = group.some((d) => d.inNight);
    if (left === 0) return [{ x: 0, anchor: 'start', row, text, inNight }];
    if (left + span >= width) return [{ x: width, anchor: 'end', row, text, inNight }];
    return [{ x: middle, anchor: 'middle', row, text, inNight }];
  });
}

function groupText(group: readonly Dot[]): string {
  const names = group.map((d) => textOf(d.task.name));
  if (names.length <= 2) return names.join(', ');
  return tell('page.pour.geometry.group', { from: names[0]!, to: names[names.length - 1]!, count: names.length });
}

/** Round masses for a scale bar. */
const ROUND_G = [100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000];
const ROUND_LB = [0.25, 0.5, 1, 2, 5, 10, 20, 50, 100];

/** A round mass that makes a good scale bar, g. */
export function scaleBarG(thick: ScaleLinear<number, number>): number {
  const heaviest = thick.domain()[1]!;
  const round = units().mass === 'g' ? ROUND_G : ROUND_LB.map((lb) => lb * G_PER_LB);
  return round.findLast((g) => g <= heaviest * 0.6) ?? round[0]!;
}

/** A sentence that says what the drawing shows. */
export function pourInWords(name: string, followed: Followed, moment: (atMs: number) => string): string {
  const ahead = followed.tasks.filter((h) => h.status !== 'done');
  const tasks = ahead.map((h) => tell('page.pour.geometry.handAt', { name: h.name, at: moment(h.atMs) })).join('; ');
  const { massG, tempC, ph } = followed.now;
  return [
    tell('page.pour.geometry.now', { name, mass: mass(massG), temp: temp(tempC), ph: acidityOf(ph) }),
    tasks ? tell('page.pour.geometry.toCome', { tasks }) : tell('page.pour.geometry.noneLeft'),
    tell('page.pour.geometry.end', { mass: mass(followed.end.massG) }),
  ].join(' ');
}
