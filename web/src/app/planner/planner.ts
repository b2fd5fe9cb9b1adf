import { inject, Injectable } from '@angular/core';
import type { KeptPlace } from '@oat-crock/core';
import { proxy } from 'comlink';
import { Workers, type Started } from '../engine/workers';
import type { TaskAt, PlanFound, PlannerApi, PlanStanding, PlanWanted, BatchMoved, Search } from './planner-api';

/**
 * The planner in its workers: one has the plan that stands and answers each touch of it, one searches, so that a drag never waits
 * behind a search. Each starts when it is first asked.
 */
@Injectable({ providedIn: 'root' })
export class Planner {
  private readonly workers = inject(Workers);
  private plans: Started<PlannerApi> | null = null;
  private searching: Started<PlannerApi> | null = null;

  layOut(wanted: PlanWanted, places: readonly KeptPlace[]): Promise<PlanStanding> {
    return this.standing().ask((api) => api.layOut(wanted, places));
  }

  move(plannedBatchId: string, startMs: number, task: TaskAt | null): Promise<BatchMoved | null> {
    return this.standing().ask((api) => api.move(plannedBatchId, startMs, task));
  }

  search(search: Search, tell: (found: PlanFound) => void): Promise<void> {
    this.searching ??= this.start();
    return this.searching.ask((api) => api.search(search, proxy(tell)));
  }

  stop(): void {
    void this.searching?.ask((api) => api.stop()).catch(() => undefined);
  }

  private standing(): Started<PlannerApi> {
    this.plans ??= this.start();
    return this.plans;
  }

  private start(): Started<PlannerApi> {
    return this.workers.start(() => new Worker(new URL('./planner.worker', import.meta.url), { type: 'module' }));
  }
}
