import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type Due, type Feeding, percent } from '@oat-crock/core';
import { CultureActs } from '../../state/culture-acts';
import { KitchenClock } from '../../state/kitchen-clock';
import { SaidPipe, SayPipe } from '../../shared/ui/said';
import { clockTime, toFive } from '../../shared/ui/words';

/** The feeding of a culture as hands: by when, how much milk, how warm, and the one control that begins it as a make. */
@Component({
  selector: 'oc-feed-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, SaidPipe, SayPipe],
  template: `
    <div class="when">
      <strong>{{ now() ? ('page.today.feedCard.now' | say) : by() }}</strong>
      <span>{{
        now() ? ('page.today.feedCard.whenYourHandsFree' | say) : ('page.today.feedCard.atTheLatest' | say)
      }}</span>
    </div>
    <div class="what">
      <p class="of">
        <a [routerLink]="['/cultures', due().lot.id]">{{ due().lot.name }}</a>
        <span>{{ 'page.today.feedCard.ofItsVigour' | say: { likely: likely() } }}</span>
      </p>
      <h2>{{ feeding().says | said }}</h2>
      @if (first() || now()) {
        <p>{{ due().says | said }}</p>
      }
      <div class="do">
        <button
          type="button"
          class="press line-press"
          [attr.aria-label]="'page.today.feedCard.feedNow' | say: { name: due().lot.name }"
          (click)="acts.feed(due())"
        >
          {{ 'page.today.feedCard.feedNow2' | say }}
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
  protected readonly likely = computed(() => percent(100 * this.due().activity.likely, 0));
  protected readonly by = computed(() => clockTime(toFive(this.byMs()), this.clock.nowMs()));
}
