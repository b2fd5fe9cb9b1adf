import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { followFeature } from './follow.feature';
import { logFeature, selectLive } from './log.feature';

/** The pour that keys and undo act on: the one last looked at, else the one whose hands come first. */
@Injectable({ providedIn: 'root' })
export class BatchFocus {
  private readonly store = inject(Store);
  private readonly live = this.store.selectSignal(selectLive);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);
  private readonly looked = signal<string | null>(null);

  readonly batch = computed(() => {
    const looked = this.batches().find((b) => b.id === this.looked());
    if (looked) return looked;
    const nextAt = (id: string) =>
      this.followed()[id]?.tasks.find((h) => h.status !== 'done')?.atMs ?? Number.POSITIVE_INFINITY;
    return [...this.live()].sort((a, b) => nextAt(a.id) - nextAt(b.id))[0] ?? null;
  });

  look(batchId: string | null): void {
    this.looked.set(batchId);
  }
}
