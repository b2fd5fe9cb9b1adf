import { Injectable } from '@angular/core';
import type { KeptPlace } from '@oat-crock/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { HandAt, PlanFound, PlannerApi, PlanStanding, PlanWanted, PourMoved, Search } from './planner-api';

/**
 * The planner in its workers: one has the plan that stands and answers each touch of it, one searches, so that a drag never waits
 * behind a search. Each starts when it is first asked.
 */
@Injectable({ providedIn: 'root' })
export class Planner {
  private desk: Remote<PlannerApi> | null = null;
  private searching: Remote<PlannerApi> | null = null;

  stand(wanted: PlanWanted, places: readonly KeptPlace[]): Promise<PlanStanding> {
    return this.standing().stand(wanted, places);
  }

  move(pourId: string, startMs: number, hand: HandAt | null): Promise<PourMoved | null> {
    return this.standing().move(pourId, startMs, hand);
  }

  search(search: Search, tell: (found: PlanFound) => void): Promise<void> {
    this.searching ??= startWorker();
    return this.searching.search(search, proxy(tell));
  }

  stop(): void {
    void this.searching?.stop();
  }

  private standing(): Remote<PlannerApi> {
    this.desk ??= startWorker();
    return this.desk;
  }
}

function startWorker(): Remote<PlannerApi> {
  return wrap<PlannerApi>(new Worker(new URL('./planner.worker', import.meta.url), { type: 'module' }));
}
