import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PlannedPour } from '@oat-crock/contract/wire';
import { dequal } from 'dequal/lite';
import { LarderActions, larderFeature } from '../state/larder.feature';

/** Keeps the pours of a plan on the server: those that changed are written, those that are no longer planned are taken away. */
@Injectable({ providedIn: 'root' })
export class PlanKeeper {
  private readonly store = inject(Store);
  private readonly records = this.store.selectSignal(larderFeature.selectPours);
  private readonly writing = this.store.selectSignal(larderFeature.selectWriting);

  /** Those that are to be taken away, whether that has been answered or not. */
  private readonly toLeave = signal<ReadonlySet<string>>(new Set());
  private readonly stays = this.store.selectSignal(larderFeature.selectStays);
  /** Those that are being taken away: not what the server would not let go. */
  private readonly leaving = computed((): ReadonlySet<string> => {
    const stays = new Set(this.stays().map(({ id }) => id));
    return new Set([...this.toLeave()].filter((id) => !stays.has(id)));
  });

  /** Pours as they are held: what is being written counts already, what is being taken away no more. */
  readonly pours = computed((): readonly PlannedPour[] => {
    const written = Object.values(this.writing()).filter((w) => w.family === 'pours');
    const byId = new Map(
      Object.values(this.records())
        .filter((r) => r.goneMs === null && !this.leaving().has(r.item.id))
        .map((r) => [r.item.id, r.item]),
    );
    for (const { draft } of written) byId.set(draft.id, draft as PlannedPour);
    return [...byId.values()];
  });

  /** Pours that could not be kept, and why. */
  readonly notKept = computed(() =>
    Object.values(this.writing()).filter((w) => w.family === 'pours' && (w.errors.length > 0 || w.theirs !== null)),
  );

  /** Keeps some pours rather than those that were planned. */
  keep(pours: readonly PlannedPour[], instead: readonly PlannedPour[]): void {
    const records = this.records();
    for (const pour of pours) {
      const record = records[pour.id];
      const stands = record?.goneMs === null && !this.leaving().has(pour.id);
      if (stands && dequal(record.item, pour)) continue;
      this.write(pour, record?.version ?? 0);
    }
    const kept = new Set(pours.map((p) => p.id));
    const gone = instead.filter((p) => !kept.has(p.id)).map((p) => p.id);
    this.toLeave.set(new Set(gone));
    for (const id of gone) this.store.dispatch(LarderActions.removeWanted({ family: 'pours', id }));
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
