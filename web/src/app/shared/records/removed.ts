import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { RemovedState } from './removed.state';
import { SayPipe } from '../ui/said';

/** Offers back what was just taken away. */
@Component({
  selector: 'oc-removed',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <div role="status">
      @if (last(); as last) {
        <p>
          {{ 'page.larder.removed.takenAway' | say: { name: last.name } }}
          <button type="button" (click)="bringBack()">{{ 'page.larder.removed.bringBack' | say }}</button>
          <button type="button" class="plain" (click)="removed.last.set(null)">
            {{ 'page.larder.removed.leaveIt' | say }}
          </button>
        </p>
      }
    </div>
  `,
  styles: `
    p {
      position: fixed;
      left: 50%;
      bottom: 1rem;
      translate: -50% 0;
      display: flex;
      align-items: center;
      gap: 0.75rem;
      padding: 0.4rem 0.5rem 0.4rem 1rem;
      background: var(--ink);
      color: var(--paper);
      border-radius: var(--radius);
      z-index: 5;
    }
    button {
      font: inherit;
      font-weight: 650;
      min-height: var(--touch);
      padding: 0 0.9rem;
      border: 0;
      border-radius: var(--radius);
      background: var(--paper);
      color: var(--ink);
      cursor: pointer;
    }
    .plain {
      background: transparent;
      color: var(--paper);
    }
  `,
})
export class Removed {
  protected readonly removed = inject(RemovedState);
  private readonly store = inject(Store);
  private readonly stays = this.store.selectSignal(recordsFeature.selectStays);
  /** What was taken away; nothing where the server would not let it go. */
  protected readonly last = computed(() => {
    const last = this.removed.last();
    return last && this.stays().some(({ id }) => id === last.id) ? null : last;
  });

  protected bringBack(): void {
    const last = this.removed.last();
    if (last) this.store.dispatch(RecordActions.restoreWanted(last));
    this.removed.last.set(null);
  }
}
