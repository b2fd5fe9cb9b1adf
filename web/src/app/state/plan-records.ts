import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PlannedBatch } from '@oat-crock/contract/api';
import { dequal } from 'dequal/lite';
import { RecordActions, recordsFeature } from './records.feature';

/** Keeps the planned batches of a plan on the server: those that changed are written, those that are no longer planned are taken away. */
@Injectable({ providedIn: 'root' })
export class PlanRecords {
  private readonly store = inject(Store);
  private readonly records = this.store.selectSignal(recordsFeature.selectPlannedBatches);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);

  /** Those that are to be taken away, whether that has been answered or not. */
  private readonly toLeave = signal<ReadonlySet<string>>(new Set());
  private readonly stays = this.store.selectSignal(recordsFeature.selectStays);
  /** Those that are being taken away: not what the server would not let go. */
  private readonly leaving = computed((): ReadonlySet<string> => {
    const stays = new Set(this.stays().map(({ id }) => id));
    return new Set([...this.toLeave()].filter((id) => !stays.has(id)));
  });

  /** Planned batches as they are kept: what is being written counts already, what is being taken away no more. */
  readonly plannedBatches = computed((): readonly PlannedBatch[] => {
    const written = Object.values(this.writing()).filter((w) => w.family === 'plannedBatches');
    const byId = new Map(
      Object.values(this.records())
        .filter((r) => r.goneMs === null && !this.leaving().has(r.item.id))
        .map((r) => [r.item.id, r.item]),
    );
    for (const { draft } of written) byId.set(draft.id, draft as PlannedBatch);
    return [...byId.values()];
  });

  /** Planned batches that could not be kept, and why. */
  readonly notKept = computed(() =>
    Object.values(this.writing()).filter(
      (w) => w.family === 'plannedBatches' && (w.errors.length > 0 || w.theirs !== null),
    ),
  );

  /** Keeps some planned batches rather than those that were planned. */
  keep(plannedBatches: readonly PlannedBatch[], instead: readonly PlannedBatch[]): void {
    const records = this.records();
    for (const plannedBatch of plannedBatches) {
      const record = records[plannedBatch.id];
      const isThere = record?.goneMs === null && !this.leaving().has(plannedBatch.id);
      if (isThere && dequal(record.item, plannedBatch)) continue;
      this.write(plannedBatch, record?.version ?? 0);
    }
    const kept = new Set(plannedBatches.map((p) => p.id));
    const gone = instead.filter((p) => !kept.has(p.id)).map((p) => p.id);
    this.toLeave.set(new Set(gone));
    for (const id of gone) this.store.dispatch(RecordActions.removeWanted({ family: 'plannedBatches', id }));
  }

  /** A planned batch was begun: its batch now shows how it goes. */
  begun(plannedBatch: PlannedBatch, batchId: string): void {
    this.write({ ...plannedBatch, course: [], batchId }, this.records()[plannedBatch.id]?.version ?? 0);
  }

  /** Tries again what could not be kept, over whatever somebody else has written meanwhile. */
  again(): void {
    for (const { draft, theirs } of this.notKept()) {
      if (theirs) this.store.dispatch(RecordActions.kept({ id: draft.id }));
      this.store.dispatch(RecordActions.saveWanted({ id: draft.id }));
    }
  }

  private write(plannedBatch: PlannedBatch, overVersion: number): void {
    this.store.dispatch(RecordActions.edited({ family: 'plannedBatches', draft: plannedBatch, overVersion }));
    this.store.dispatch(RecordActions.saveWanted({ id: plannedBatch.id }));
  }
}
