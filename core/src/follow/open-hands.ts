import type { Followed } from './follow.js';
import type { Task } from './tasks.js';

/** Hands that a make still asks for. */
export interface OpenHands {
  readonly task: Task;
  /** True for the last of a make: what came out is weighed and logged. */
  readonly finishes: boolean;
}

/** The hands that a make which is on still asks for, those that come next first; its last is that what came out is weighed. */
export function openHands({ tasks, stages }: Pick<Followed, 'tasks' | 'stages'>): readonly OpenHands[] {
  const ahead = tasks.filter(({ status }) => status !== 'done');
  if (ahead.length > 0) return ahead.map((task) => ({ task, finishes: false }));
  const current = stages.find(({ status }) => status === 'now');
  const last = tasks.find(({ stageId }) => stageId === current?.id);
  return last ? [{ task: { ...last, status: 'due' }, finishes: true }] : [];
}
