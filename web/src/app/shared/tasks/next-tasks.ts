import { openHands, type Batch, type Branch, type CueScale, type Followed, type Task } from '@oat-crock/core';
import { tell } from '../ui/said';

/** Hands as Today lists them: with the make they belong to and what can be looked at meanwhile. */
export interface NextTask {
  readonly batch: Batch;
  readonly task: Task;
  /** True for the hands that come next in their make: the ones that can be recorded. */
  readonly recordable: boolean;
  /** True for the last of a make: what came out is weighed and logged on its own page. */
  readonly finishes: boolean;
  /** Looks of the stage at hand. */
  readonly cues: readonly CueScale[];
  /** What the stage at hand calls for besides. */
  readonly calls: readonly Branch[];
}

/** All hands still to come of the makes that are on, in order of time. */
export function nextTasks(live: readonly Batch[], followed: Readonly<Record<string, Followed>>): readonly NextTask[] {
  return live
    .flatMap((batch) => {
      const now = followed[batch.id];
      return now ? tasksOf(batch, now) : [];
    })
    .sort((a, b) => a.task.atMs - b.task.atMs);
}

function tasksOf(batch: Batch, followed: Followed): NextTask[] {
  const current = followed.stages.find((s) => s.status === 'now');
  const cues = followed.tasks.find((h) => h.stageId === current?.id)?.cues ?? [];
  const calls = current?.panel.branches ?? [];
  return openHands(followed).map(({ task, finishes }, i) => ({
    ...{ batch, task, finishes },
    recordable: i === 0 && !finishes,
    cues: i === 0 ? cues : [],
    calls: i === 0 ? calls : [],
  }));
}

/** What the give of a hand says, in a sentence. */
export function slackWords(task: Task, nowMs: number, clock: (atMs: number) => string): string {
  if (task.latestMs <= task.earliestMs) return '';
  if (task.atMs > task.readyMs + 60_000 && task.atMs > nowMs) {
    return tell('page.today.nextTasks.leave', { from: clock(task.readyMs) });
  }
  if (task.latestMs < nowMs) return tell('page.today.nextTasks.ranOut', { at: clock(task.latestMs) });
  const until = clock(task.latestMs);
  return task.earliestMs < task.atMs && task.earliestMs > nowMs
    ? tell('page.today.nextTasks.fromUntil', { from: clock(task.earliestMs), until })
    : tell('page.today.nextTasks.canWait', { until });
}
