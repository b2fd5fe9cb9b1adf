import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import type { LearnedHere } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { HouseholdActions } from '../../state/household';
import { learnedSentences } from './learned-sentences';
import { SayPipe } from '../ui/said';

/** What the kitchen's own makes have taught that acts here, what it was learned from, and a way to have it forgotten. */
@Component({
  selector: 'oc-learned-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    @if (lines().length > 0 || wide()) {
      <section class="learned" aria-labelledby="learned-title">
        <h2 id="learned-title">{{ 'page.learned.learnedLines.yourKitchen' | say }}</h2>
        <ul>
          @for (line of lines(); track line.of + line.says) {
            <li>
              <span>{{ line.says }}</span> <span class="quiet from">{{ line.from }}</span>
              <button
                type="button"
                [attr.aria-label]="'page.learned.learnedLines.forgetThat' | say: { says: line.says }"
                (click)="forget(line.of)"
              >
                {{ 'page.learned.learnedLines.forgetThat2' | say }}
              </button>
            </li>
          }
          @if (wide()) {
            <li>{{ wide() }}</li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    h2 {
      margin: 0.9rem 0 0.3rem;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 0.25rem 0;
      border-top: 1px solid var(--line);
    }
    .from {
      margin: 0 0.4rem;
    }
    button {
      padding: 0;
      border: 0;
      background: none;
      font: inherit;
      cursor: pointer;
      color: var(--cobalt);
      text-decoration: underline;
    }
    @media print {
      .learned {
        display: none;
      }
    }
  `,
})
export class LearnedLines {
  readonly learned = input.required<readonly LearnedHere[]>();
  /** Why a forecast is as wide as it is; empty where it is not. */
  readonly wide = input('');
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);

  protected readonly lines = computed(() => learnedSentences(this.learned()));

  /** All that was learned of it up to now counts no more; what comes is learned anew. */
  protected forget(of: string): void {
    this.store.dispatch(HouseholdActions.forgetWanted({ of, beforeMs: Math.round(this.clock.exactMs()) }));
  }
}
