import type { Batch } from '../batch/replay.js';
import { methodById } from '../methods/index.js';
import { decided, type Choices, type Method } from '../methods/method.js';
import type { BoundStage } from '../stages/registry.js';
import { planStages } from './plan.js';
import type { Known } from '../learn/recall.js';
import { withBottles } from '../learn/pot-and-bottle.js';

/** What a batch was begun as. */
export interface Planned {
  readonly method: Method;
  /** Its own choices, and the method's for the rest. */
  readonly choices: Choices;
  readonly stages: readonly BoundStage[];
}

type Begun = Pick<Batch, 'methodId' | 'choices' | 'stocks' | 'ownMethod'>;

/** The method that a batch follows: one's own as it was when it began, or one of the house. */
export function methodOf({ methodId, ownMethod }: Pick<Begun, 'methodId' | 'ownMethod'>): Method {
  return ownMethod ?? methodById(methodId);
}

/** The method, choices and stages of a batch, with the lots it was begun with. */
export function plannedOf(batch: Begun, known?: Known): Planned {
  const method = methodOf(batch);
  const choices = decided(method, batch.choices);
  return { method, choices, stages: planStages(method, withBottles(choices, known?.learned), batch.stocks) };
}
