import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PlannedBatch } from '@oat-crock/contract/api';
import type { Gear } from '@oat-crock/core';
import { followFeature } from '../../state/follow.feature';
import { recordsFeature } from '../../state/records.feature';
import { selectLive } from '../../state/log.feature';
import { dayTime, span } from '../../shared/ui/words';
import { liveLane, type LaneBatch } from './lane-geometry';
import { PlanInputs } from '../../planner/plan-inputs';
import { tell } from '../../shared/ui/said';

const MIN_MS = 60_000;

/** What is on beside the plan: each live make as a planned batch in its vessel, and whether it will be there when it is wanted. */
@Injectable({ providedIn: 'root' })
export class PlanLive {
  private readonly store = inject(Store);
  private readonly inputs = inject(PlanInputs);
  private readonly batches = this.store.selectSignal(selectLive);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGearHere);

  readonly plannedBatches = computed((): readonly LaneBatch[] => {
    const planned = new Map(this.inputs.plannedBatches().flatMap((p) => (p.batchId ? [[p.batchId, p]] : [])));
    return this.batches().flatMap((batch) => {
      const followed = this.followed()[batch.id];
      if (!followed) return [];
      const plannedBatch = planned.get(batch.id);
      const own = batch.gear.flatMap((id) => this.gear().find((g) => g.id === id)?.name ?? []);
      const vessel = vesselOf(plannedBatch?.gear ?? own, this.gear());
      return [liveLane(batch, followed, vessel, plannedBatch?.dueMs ?? null)];
    });
  });

  /** Live makes that may not be ready when they are wanted, in words. */
  readonly late = computed(() =>
    this.plannedBatches().flatMap(({ id, name, readyMs, readyLateMs, dueMs }) => {
      if (dueMs === null || readyLateMs <= dueMs) return [];
      const wanted = tell('page.plan.planLive.itIsWanted', { due: dayTime(dueMs) });
      const says =
        readyMs > dueMs
          ? tell('page.plan.planLive.likelyReadyTooLate', {
              name,
              ready: dayTime(readyMs),
              wanted,
              by: span((readyMs - dueMs) / MIN_MS),
            })
          : tell('page.plan.planLive.likelyReadyButOne', {
              name,
              ready: dayTime(readyMs),
              readyLate: dayTime(readyLateMs),
              wanted,
            });
      return [{ batchId: id, says }];
    }),
  );
}

const VESSELS: ReadonlySet<string> = new Set(['pot', 'churn', 'jar', 'flask']);

/** Which of some pieces of gear it begins in: a vessel, else the first of them. */
function vesselOf(names: readonly string[], gear: readonly Gear[]): string | null {
  const kindOf = (name: string) => gear.find((g) => g.name === name)?.kind ?? name;
  return names.find((name) => VESSELS.has(kindOf(name))) ?? names[0] ?? null;
}

/** A planned batch with its vessel first. */
export const inItsVessel = (plannedBatch: PlannedBatch, gear: readonly Gear[]): PlannedBatch => {
  const vessel = vesselOf(plannedBatch.gear, gear);
  return vessel === null
    ? plannedBatch
    : { ...plannedBatch, gear: [vessel, ...plannedBatch.gear.filter((g) => g !== vessel)] };
};
