import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PlannedPour } from '@oat-crock/contract/wire';
import { LarderActions, larderFeature } from '../state/larder.feature';

/** Keeps the pours of a plan on the server: those that changed are written, those that are no longer planned are taken away. */
@Injectable({ providedIn: 'root' })
export class PlanKeeper {
  private readonly store = inject(Store);
  private readonly records = this.store.selectSignal(larderFeature.selectPours);
  private readonly writing = this.store.selectSignal(larderFeature.selectWriting);

  /** Pours that could not be kept, and why. */
  readonly notKept = computed(() =>
    Object.values(this.writing()).filter((w) => w.family === 'pours' && (w.errors.length > 0 || w.theirs !== null)),
  );

  /** Keeps some pours rather than those that were planned. */
  keep(pours: readonly PlannedPour[], instead: readonly PlannedPour[]): void {
    const records = this.records();
    for (const pour of pours) {
      const record = records[pour.id];
      if (record?.goneMs === null && JSON.stringify(record.item) === JSON.stringify(pour)) continue;
      this.write(pour, record?.version ?? 0);
    }
    const kept = new Set(pours.map((p) => p.id));
    for (const { id } of instead.filter((p) => !kept.has(p.id)))
      this.store.dispatch(LarderActions.removeWanted({ family: 'pours', id }));
  }

  /** A pour was begun: its batch now shows how it goes. */
  begun(pour: PlannedPour, batchId: string): void {
    this.write({ ...pour, course: [], batchId }, this.records()[pour.id]?.version ?? 0);
  }

  /** Tries again what could not be kept, over whatever somebody else has written meanwhile. */
  again(): void {
    for (const { draft, theirs } of this.notKept()) {
      if (theirs) this.store.dispatch(LarderActions.kept({ id: draft.id }));
      this.store.dispatch(LarderActions.saveWanted({ id: draft.id }));
    }
  }

  private write(pour: PlannedPour, overVersion: number): void {
    this.store.dispatch(LarderActions.written({ family: 'pours', draft: pour, overVersion }));
    this.store.dispatch(LarderActions.saveWanted({ id: pour.id }));
  }
}
