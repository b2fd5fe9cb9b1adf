import { CULTURES, type Culture } from '../constants/cultures.js';
import type { Environment, Member } from '../environment/environment.js';
import { DRAIN_SCORES, drainMember, STANDARD_DRAIN } from '../forecast/drain-forecast.js';
import { DIMS, memberOfScores, STANDARD_PRIOR, starterScores } from '../forecast/souring-ensemble.js';
import { kitchenDraws, type Unknowns } from '../learn/kitchen-draw.js';
import { drainOwned, souringOwned, souringOwnedBy, type Owned } from '../learn/owners.js';
import { NOTHING_LEARNED, recall } from '../learn/pooled.js';
import { drainPrior, lineIn, souringPrior, type Known } from '../learn/recall.js';
import { firstOf, lastOf, runMake, type StageRun } from '../make/run.js';
import type { Choices } from '../methods/method.js';
import { normals, seededRandom } from '../random/random.js';
import { cultureOf } from '../stages/culture-of.js';
import type { BoundStage } from '../stages/registry.js';
import { durationsInto, durationSurface, type DurationSurface, type Lasts, type RunSteps } from './durations.js';

/** Of a draining's scores those that change how long it takes; what a scale shows does not. */
const DRAIN_DIMS = DRAIN_SCORES.indexOf('wheyWanted');

/** What a make is like to somebody who does not know how it will go: what is not known, and what to expect of it. */
export interface Luck {
  readonly culture: Culture;
  readonly unknowns: Unknowns;
  /** Scores as expected, and how far they stray. */
  readonly mean: readonly number[];
  readonly sd: readonly number[];
}

/**
 * What nobody knows of a make that was run as expected: its culture's pace, its place's warmth, its milk, its cloth; with what this
 * kitchen has learned of them. That its starter is alive is taken for granted.
 */
export function luckOf(runs: readonly StageRun[], choices: Choices, known: Known | undefined): Luck {
  const stages = runs.map(({ stage }) => stage);
  const culture = cultureOf(stages) ?? 'thermophilic';
  const soured = runs.find(({ stage }) => stage.kind.endsBy === 'acidity');
  const drained = runs.findLast(({ stage }) => stage.kind.drainage);
  const starter = soured && firstOf(soured).souring?.prior;
  const before = starter ? starterScores(starter) : STANDARD_PRIOR;
  const line = known ? lineIn(known, culture) : culture;
  const souring = soured ? souringOwned(line, soured.stage) : souringOwnedBy(line, 'none');
  const learned = known?.learned ?? NOTHING_LEARNED;
  const meant =
    known && soured ? souringPrior(culture, before, soured.stage, choices, known) : recall(learned, souring, before);
  const [owned, usual] = drained
    ? ([firstOwned(drainOwned(drained.stage)), drainPrior(drained.stage, { learned })] as const)
    : ([firstOwned(drainOwned(stages[0]!)), STANDARD_DRAIN] as const);
  const recalled = recall(learned, souring, before);
  return {
    culture: CULTURES[culture],
    unknowns: {
      owners: [...souring.owners, ...owned.owners],
      scores: [...souring.scores, ...owned.scores],
      persists: [...souring.persists, ...owned.persists],
      before: {
        mean: [...before.mean, ...STANDARD_DRAIN.mean.slice(0, DRAIN_DIMS)],
        sd: [...before.sd, ...STANDARD_DRAIN.sd.slice(0, DRAIN_DIMS)],
      },
      offset: [...meant.mean.map((mean, d) => mean - recalled.mean[d]!), ...new Array<number>(DRAIN_DIMS).fill(0)],
    },
    mean: [...meant.mean, ...usual.mean.slice(0, DRAIN_DIMS)],
    sd: [...recalled.sd, ...usual.sd.slice(0, DRAIN_DIMS)],
  };
}

const firstOwned = ({ owners, scores, persists }: Owned): Owned => ({
  owners: owners.slice(0, DRAIN_DIMS),
  scores: scores.slice(0, DRAIN_DIMS),
  persists: persists.slice(0, DRAIN_DIMS),
});

/** How long the steps of a make take by its scores. */
export const surfaceOf = (stages: readonly BoundStage[], luck: Luck, environment: Environment): DurationSurface =>
  durationSurface(luck.mean, luck.sd, stepsRun(stages, luck, environment));

/** Runs a make with some scores; minutes of each step that it came to. */
export const stepsRun =
  (stages: readonly BoundStage[], { culture }: Pick<Luck, 'culture'>, environment: Environment): RunSteps =>
  (scores) => {
    const member: Member = { ...memberOfScores(culture, scores), ...drainMember(scores, DIMS) };
    return runMake(stages, { ...environment, member }).map((run) => lastOf(run).minute - firstOf(run).minute);
  };

/** Makes that are drawn to say how long a step takes where it goes fast, and where it goes slowly. */
const DRAWN = 400;
const [EARLY, LATE] = [0.1, 0.9];
const SEED = 4099;

/** Minutes of each step as expected, and at the ends of the range that holds eight times in ten. */
export function lastsOf(durations: DurationSurface, unknowns: Unknowns, known: Known | undefined): readonly Lasts[] {
  const { expectedMin } = durations;
  const kitchens = kitchenDraws(known?.learned ?? NOTHING_LEARNED, [unknowns], normals(seededRandom(SEED)));
  const scores = new Float64Array(unknowns.scores.length);
  const minutes = new Float64Array(expectedMin.length);
  const drawn = expectedMin.map(() => new Float64Array(DRAWN));
  for (let i = 0; i < DRAWN; i++) {
    kitchens.next();
    kitchens.make(0, scores);
    durationsInto(durations, scores, minutes);
    drawn.forEach((of, step) => (of[i] = minutes[step]!));
  }
  return drawn.map((of, step): Lasts => {
    const likely = expectedMin[step]!;
    const sorted = of.sort();
    const at = (share: number) => sorted[Math.round(share * (DRAWN - 1))]!;
    return { early: Math.min(likely, at(EARLY)), likely, late: Math.max(likely, at(LATE)) };
  });
}
