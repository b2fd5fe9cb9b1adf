import {
  type Batch,
  type Drawn,
  type DrawnStage,
  type Followed,
  type FollowedStage,
  CUE_MODELS,
  answerWords,
} from '@oat-crock/core';
import { textOf, tell } from '../../shared/ui/said';
import type { PlotAxis, PlotDot, PlotSpec } from '../../shared/ui/plot-spec';
import { acidity, dayTime, mass, temp, windowWords } from '../../shared/ui/words';

const MIN_MS = 60_000;

/** The plot of a stage: what decides its end, planned and as measured. Null where there is nothing to plot. */
export function stagePlot(batch: Batch, followed: Followed, stage: FollowedStage): PlotSpec | null {
  if (stage.endsBy === 'acidity') return souringPlot(batch, followed, stage);
  if (stage.endsBy === 'solids') return wheyPlot(batch, followed, stage);
  return stage.panel.drawn && drawnPlot(batch, followed, stage, stage.panel.drawn);
}

/** What is read in numbers of each measure that is drawn, and how it is said. */
const READ_AS: Readonly<Partial<Record<Drawn['measure'], readonly ['tempC' | 'ph' | 'wheyG', (v: number) => string]>>> =
  {
    tempC: ['tempC', temp],
    ph: ['ph', acidity],
    wheyG: ['wheyG', mass],
  };

/** A stage by its own measures: as it goes, as it was planned, as it was read, and the limit it must stay under. */
function drawnPlot(batch: Batch, followed: Followed, stage: FollowedStage, drawn: DrawnStage): PlotSpec {
  const { left, right, limit } = drawn;
  const least = stage.beginMs + 10 * MIN_MS;
  const from = stage.beginMs - MIN_MS;
  const until = stage.status === 'done' ? (stage.endMs ?? least) : Math.max(stage.endMs ?? 0, followed.nowMs);
  const to = Math.max(least, until) + (until - from) * 0.04;
  const [quantity, say] = READ_AS[left.measure] ?? [null, mass];
  const dots = quantity ? readingsOf(batch, quantity, from, to, say) : [];
  const target = stage.endsBy === 'temperature' && left.measure === 'tempC' ? stage.target : null;
  const inView = limit?.line.filter(([ms]) => ms <= to).map(([, value]) => value) ?? [];
  return {
    words: right
      ? tell('page.make.plots.drawnBeside', {
          measure: left.name,
          stage: stage.name,
          second: textOf(right.name).toLowerCase(),
        })
      : tell('page.make.plots.drawn', { measure: left.name, stage: stage.name }),
    x: { from, to, kind: 'moment' },
    left: axisOf(left, [...dots.map((d) => d.y), ...inView, ...(target === null ? [] : [target])]),
    ...(right && { right: axisOf(right, []) }),
    lines: [
      { points: left.planned, look: 'plan' },
      {
        points: left.line,
        look: left.measure === 'tempC' ? 'warm' : 'fact',
        ...(right && { label: textOf(left.name) }),
      },
      ...(right
        ? [{ points: right.line, look: 'second' as const, axis: 'right' as const, label: textOf(right.name) }]
        : []),
      ...(limit ? [{ points: limit.line, look: 'limit' as const, label: tell('page.make.plots.noSlower') }] : []),
    ],
    dots,
    rules: target === null ? [] : [{ y: target, text: temp(target), look: 'target' }],
    now: followed.nowMs,
  };
}

/** An axis that shows all of a measure, whatever else must be in view. */
function axisOf({ unit, shows, line, planned }: Drawn, more: readonly number[]): PlotAxis {
  const values = [...line, ...planned].map(([, value]) => value).concat(more);
  const [least, most] = shows;
  const top = Math.max(most, ...values);
  const step = top > 1000 ? 100 : top > 20 ? 10 : 0.5;
  return { from: Math.min(least, ...values), to: Math.ceil(top / step) * step, unit };
}

/** pH of a souring: the fan of the forecast, the readings and the looks. */
function souringPlot(batch: Batch, followed: Followed, stage: FollowedStage): PlotSpec {
  const window = followed.windows.find((w) => w.stageId === stage.id);
  const over = stage.status === 'done' ? stage.endMs : null;
  const latest = (over ?? Math.max(window?.p90Ms ?? 0, stage.endMs ?? 0, followed.nowMs)) + 60 * MIN_MS;
  const from = stage.beginMs;
  const fan = followed.fan.filter((f) => f.atMs <= latest + 60 * MIN_MS);
  const median = (atMs: number) =>
    fan.reduce((best, f) => (Math.abs(f.atMs - atMs) < Math.abs(best.atMs - atMs) ? f : best), fan[0]!).p50;
  const read = readingsOf(batch, 'ph', from, latest, acidity, followed.doubtful);
  const looked: PlotDot[] = batch.cues
    .filter((c) => c.cue in CUE_MODELS && c.atMs >= from && c.atMs <= latest && fan.length > 0)
    .map((c) => ({
      x: c.atMs,
      y: median(c.atMs),
      look: 'cue' as const,
      title: `${textOf(answerWords(c.cue, c.answer))}, ${dayTime(c.atMs)}`,
    }));
  return {
    words: tell('page.make.plots.acidity', {
      window: window ? windowWords(window, followed.nowMs) : 'none',
      isAwaited: window ? 'yes' : 'no',
      readings: read.length,
      looks: looked.length,
    }),
    x: { from, to: latest, kind: 'moment' },
    left: { from: 4, to: 6.8, unit: 'pH' },
    bands: [{ points: fan.map((f) => [f.atMs, f.p10, f.p90] as const), look: 'likely' }],
    lines: [{ points: fan.map((f) => [f.atMs, f.p50] as const), look: 'fact' }],
    dots: [...read, ...looked],
    rules: window?.byClock
      ? []
      : [{ y: stage.target, text: tell('page.make.plots.wanted', { ph: acidity(stage.target) }), look: 'target' }],
    windows:
      window && window.p10Ms !== null && window.p90Ms !== null
        ? [{ from: window.p10Ms, likely: window.p50Ms ?? window.p10Ms, until: window.p90Ms }]
        : [],
    now: followed.nowMs,
  };
}

/** Whey against time, with the mass at which to stop. */
function wheyPlot(batch: Batch, followed: Followed, stage: FollowedStage): PlotSpec {
  const window = followed.windows.find((w) => w.stageId === stage.id);
  const wanted = followed.drain?.wantedWheyG ?? 0;
  const from = stage.beginMs;
  const to = Math.max(stage.endMs ?? 0, window?.p90Ms ?? 0, followed.nowMs) + 60 * MIN_MS;
  const read = readingsOf(batch, 'wheyG', from, to, (v) => tell('page.make.plots.whey2', { mass: mass(v) }));
  const points = followed.series.filter((p) => p.stageId === stage.id).map((p) => [p.atMs, p.wheyG] as const);
  return {
    words: window
      ? tell('page.make.plots.wheyUntil', { wanted: mass(wanted), window: windowWords(window, followed.nowMs) })
      : tell('page.make.plots.whey', { wanted: mass(wanted) }),
    x: { from, to, kind: 'moment' },
    left: { from: 0, to: Math.max(wanted * 1.15, ...read.map((d) => d.y)), unit: 'g' },
    lines: [{ points, look: 'whey' }],
    dots: read,
    rules: window?.byClock
      ? []
      : [{ y: wanted, text: tell('page.make.plots.stopAt', { wanted: mass(wanted) }), look: 'target' }],
    windows:
      window && window.p10Ms !== null && window.p90Ms !== null
        ? [{ from: window.p10Ms, likely: window.p50Ms ?? window.p10Ms, until: window.p90Ms }]
        : [],
    now: followed.nowMs,
  };
}

function readingsOf(
  batch: Batch,
  quantity: 'tempC' | 'ph' | 'wheyG',
  from: number,
  to: number,
  words: (value: number) => string,
  doubtful: readonly string[] = [],
): PlotDot[] {
  return batch.readings
    .filter((r) => r.quantity === quantity && r.atMs >= from && r.atMs <= to)
    .map((r) => ({
      x: r.atMs,
      y: r.value,
      look: doubtful.includes(r.id) ? ('doubtful' as const) : ('read' as const),
      title: doubtful.includes(r.id)
        ? tell('page.make.plots.doubtful', { read: words(r.value), at: dayTime(r.atMs) })
        : `${words(r.value)}, ${dayTime(r.atMs)}`,
    }));
}
