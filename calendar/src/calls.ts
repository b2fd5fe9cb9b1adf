import { plannedBatchName, type PlannedBatch, type PlannedTask } from '@oat-crock/contract/api';
import { openHands, say, type Followed, type Text } from '@oat-crock/core';
import { allPlanTasks, planTaskSays } from './plan-tasks.js';

/** Hands that somebody is called for: of what, when, and what they do. */
export interface HandsCall {
  /** The same for as long as it is for the same hands. */
  readonly key: string;
  /** The make they are of; null where it is not begun. */
  readonly batchId: string | null;
  readonly of: Text;
  readonly says: Text;
  readonly atMs: number;
  /** It can wait until then, ms. */
  readonly latestMs: number;
  /** Whose hands, as a plan has it; an empty name is somebody of the house. */
  readonly who: readonly string[];
}

/** A make that is on. */
export interface OnNow {
  readonly batch: { readonly id: string; readonly name: string };
  /** As it is followed; null where it could not be, or not yet. */
  readonly followed: Pick<Followed, 'tasks' | 'stages'> | null;
}

/** Hands put off by so long since somebody was called are called for anew, ms. */
const PUT_OFF_MS = 30 * 60_000;

/** The next hands of each make that is on, and all that the plan has begun or fed, in no order. */
export function handsCalls(live: readonly OnNow[], planned: readonly PlannedBatch[]): readonly HandsCall[] {
  const begun = new Map(planned.map((p) => [p.batchId, p]));
  const open = planned.filter(({ batchId }) => batchId === null);
  return [
    ...live.flatMap(({ batch, followed }): HandsCall[] => {
      const [next] = followed ? openHands(followed) : [];
      if (!next) return [];
      const { task, finishes } = next;
      const planned = begun.get(batch.id)?.tasks.find(({ stageId }) => !finishes && stageId === task.stageId);
      return [
        {
          key: `${batch.id} ${task.stageId} ${finishes}`,
          ...{ batchId: batch.id, of: batch.name, atMs: task.atMs, latestMs: task.latestMs },
          says: finishes ? say('hands.weigh') : task.instruction,
          who: planned ? doersIn(planned) : [''],
        },
      ];
    }),
    ...allPlanTasks(open).map((task): HandsCall => {
      const { plannedBatch, is, atMs } = task;
      const { tasks, feed } = plannedBatch;
      const first = tasks[0];
      return {
        key: `${plannedBatch.id} ${is} ${atMs}`,
        ...{ batchId: null, of: plannedBatchName(plannedBatch), says: planTaskSays(task), atMs },
        latestMs: is === 'begin' ? Math.max(atMs, first?.latestMs ?? atMs) : atMs,
        who: is === 'feed' ? doersIn(feed!) : first ? doersIn(first) : [''],
      };
    }),
  ];
}

/** Whether somebody is to be called: they were not yet, or for hands that were put off since (ms). */
export const isNews = (call: HandsCall, calledForMs: number | undefined): boolean =>
  calledForMs === undefined || call.atMs - calledForMs >= PUT_OFF_MS;

const doersIn = ({ who = '', with: second }: Pick<PlannedTask, 'who' | 'with'>): readonly string[] =>
  second === undefined ? [who] : [who, second];
