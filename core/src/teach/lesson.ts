import { HANDLING } from '../constants/pooling.js';
import { CULTURES } from '../constants/cultures.js';
import type { WorkedOut } from '../follow/follow.js';
import { SCORES } from '../forecast/souring-ensemble.js';
import { lastOf } from '../make/run.js';
import { totalG } from '../materials/composition.js';
import { drainOwned, LOSS_OWNED, souringOwned } from '../learn/owners.js';
import type { Lesson } from '../learn/pooled.js';
import { bottleLessons, potLessons } from './pot-and-bottle.js';
import { readOnce } from '../learn/read-once.js';

const ACTIVITY = SCORES.indexOf('activity');

/**
 * What a finished make teaches of its culture's line, its warm place, its cloths, pot and acid, and the hands that made it. The activity
 * that its choices gave its starter is taken out again, so that every make is told against age and store alone.
 *
 * @param line the line of the culture that soured it; one line for each culture where nobody keeps them apart
 */
export function lessonsOf(worked: WorkedOut, line?: string): readonly Lesson[] {
  return [
    ...souringLesson(worked, line),
    ...drainLessons(worked),
    ...potLessons(worked),
    ...bottleLessons(worked),
    ...lossLesson(worked),
  ];
}

function souringLesson({ souring, choices }: WorkedOut, line?: string): Lesson[] {
  if (!souring) return [];
  const { forecast, at, problem } = souring;
  const spread = CULTURES[problem.law.culture.id].spread.activity;
  const given = Math.log(Number(choices['vigourPct'] ?? 100) / 100) / spread;
  const moved = <T extends { readonly mean: readonly number[] }>(scores: T): T => ({
    ...scores,
    mean: scores.mean.map((m, d) => (d === ACTIVITY ? m + given : m)),
  });
  return [
    {
      ...souringOwned(line ?? problem.law.culture.id, at.stage),
      before: moved(problem.prior),
      taught: moved(forecast.taught),
    },
  ];
}

function drainLessons({ drains }: WorkedOut): Lesson[] {
  return drains
    .filter(({ weighings }) => weighings > 0)
    .map(({ at, forecast, prior }) => ({ ...drainOwned(at.stage), before: prior, taught: forecast.taught }));
}

/** Product weighed at the finish against what was reckoned, by whatever was weighed on the way. */
function lossLesson({ batch, timeline, environment }: WorkedOut): Lesson[] {
  const { ended } = batch;
  const end = timeline.stages.at(-1);
  if (ended?.how !== 'finished' || !(ended.productG > 0) || !end || end.status !== 'done') return [];
  const reckonedG = totalG(lastOf(end.run).masses) / environment.kitchen.yieldFactor;
  const said = Math.log(ended.productG / reckonedG) / HANDLING.sd;
  const precision = (HANDLING.sd / HANDLING.readSd) ** 2;
  return [{ ...LOSS_OWNED, before: { mean: [0], sd: [1] }, taught: readOnce(said, precision) }];
}
