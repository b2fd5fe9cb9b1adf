import { Injectable } from '@angular/core';
import type { KeptPlace } from '@oat-crock/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { TaskAt, PlanFound, PlannerApi, PlanStanding, PlanWanted, BatchMoved, Search } from './planner-api';

/**
 * The planner in its workers: one has the plan that stands and answers each touch of it, one searches, so that a drag never waits
 * behind a search. Each starts when it is first asked.
 */
@Injectable({ providedIn: 'root' })
export class Planner {
  private plans: Remote<PlannerApi> | null = null;
  private searching: Remote<PlannerApi> | null = null;

  layOut(wanted: PlanWanted, places: readonly KeptPlace[]): Promise<PlanStanding> {
    return this.standing().layOut(wanted, places);
  }

  move(plannedBatchId: string, startMs: number, task: TaskAt | null): Promise<BatchMoved | null> {
    return this.standing().move(plannedBatchId, startMs, task);
  }

  search(search: Search, tell: (found: PlanFound) => void): Promise<void> {
    this.searching ??= startWorker();
    return this.searching.search(search, proxy(tell));
  }

  stop(): void {
    void this.searching?.stop();
  }

  private standing(): Remote<PlannerApi> {
    this.plans ??= startWorker();
    return this.plans;
  }
}

function startWorker(): Remote<PlannerApi> {
  return wrap<PlannerApi>(new Worker(new URL('./planner.worker', import.meta.url), { type: 'module' }));
}
