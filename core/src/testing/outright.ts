import { kitchenDraws } from '../learn/kitchen-draw.js';
import { NOTHING_LEARNED } from '../learn/pooled.js';
import { normals, seededRandom } from '../random/random.js';
import { luckOf, stepsRun } from '../schedule/luck.js';
import { usualRuns } from '../schedule/network.js';
import type { PlannedMake, PlanningProblem } from '../schedule/planning-problem.js';
import type { Kitchens } from '../schedule/simulate.js';

/** Kitchens in which every make of a plan is run outright by the engine, step by step, as slow as that is; drawn by chances of their own. */
export function outrightKitchens({ asked }: PlanningProblem, makes: readonly PlannedMake[], seed: number): Kitchens {
  const method = new Map(asked.orders.map((order) => [order.id, order.method]));
  const runs = makes.map(({ orderId, network }) => {
    const usual = usualRuns(method.get(orderId)!, network.choices, asked);
    return stepsRun(usual.stages, luckOf(usual.runs, network.choices, asked.known), usual.environment);
  });
  const drawn = kitchenDraws(
    asked.known?.learned ?? NOTHING_LEARNED,
    makes.map(({ network }) => network.unknowns),
    normals(seededRandom(seed)),
  );
  const scores = makes.map(({ network }) => new Float64Array(network.unknowns.scores.length));
  return {
    next: drawn.next,
    durations: (make, out) => {
      drawn.make(make, scores[make]!);
      out.set(runs[make]!(scores[make]!));
    },
  };
}
