import type { Batch } from '../batch/replay.js';
import { methodById } from '../methods/index.js';
import { initialChoices, type Choices, type Method } from '../methods/method.js';
import type { BoundStage } from '../stages/registry.js';
import { planStages } from './plan.js';

/** What a batch was begun as. */
export interface Planned {
  readonly method: Method;
  /** Its own choices, and the method's for the rest. */
  readonly choices: Choices;
  readonly stages: readonly BoundStage[];
}

/** The method, choices and stages of a batch, with the lots it was begun with. */
export function plannedOf({
  methodId,
  choices: chosen,
  stocks,
}: Pick<Batch, 'methodId' | 'choices' | 'stocks'>): Planned {
  const method = methodById(methodId);
  const choices = { ...initialChoices(method), ...chosen };
  return { method, choices, stages: planStages(method, choices, stocks) };
}
