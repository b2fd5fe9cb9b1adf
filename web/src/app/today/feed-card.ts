import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Due, Feeding } from '@oat-crock/core';
import { CultureActs } from '../cultures/culture-acts';
import { KitchenClock } from '../engine/kitchen-clock';
import { SaidPipe } from '../ui/units';
import { clockTime, toFive } from '../ui/words';

/** The feeding of a culture as hands: by when, how much milk, how warm, and the one control that begins it as a make. */
@Component({
  selector: 'oc-feed-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, SaidPipe],
  template: `
    <div class="when">
      <strong>{{ now() ? 'Now' : by() }}</strong>
      <span>{{ now() ? 'when your hands are free' : 'at the latest' }}</span>
    </div>
    <div class="what">
      <p class="of">
        <a [routerLink]="['/cultures', due().lot.id]">{{ due().lot.name }}</a>
        <span>{{ (100 * due().activity.likely).toFixed(0) }} % of its vigour</span>
      </p>
      <h2>{{ feeding().says | said }}</h2>
      @if (first() || now()) {
        <p>{{ due().says | said }}</p>
      }
      <div class="do">
        <button
          type="button"
          class="press line-press"
          [attr.aria-label]="'Feed it now: ' + due().lot.name"
          (click)="acts.feed(due())"
        >
          Feed it now
        </button>
      </div>
    </div>
  `,
  styleUrl: './task-card.css',
  host: { class: 'in-line', '[class.first]': 'first()' },
})
export class FeedCard {
  readonly due = input.required<Due>();
  readonly feeding = input.required<Feeding>();
  /** When it should have had its milk, outside the night, ms. */
  readonly byMs = input.required<number>();
  readonly first = input(false);
  private readonly clock = inject(KitchenClock);
  protected readonly acts = inject(CultureActs);
  protected readonly now = computed(() => this.due().level !== 'soon');
  protected readonly by = computed(() => clockTime(toFive(this.byMs()), this.clock.nowMs()));
}
