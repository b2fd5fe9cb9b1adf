import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { isFed, type Due } from '@oat-crock/core';
import { batchName } from '../../shared/ui/batch-name';
import { CultureActs } from '../../state/culture-acts';
import { OwnCultures } from '../../state/own-cultures';
import { KitchenClock } from '../../state/kitchen-clock';
import { SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { clockTime, fromNow, span } from '../../shared/ui/words';
import { firstVisit, planTaskSays, type PlanTask } from '@oat-crock/calendar';

const MIN_MS = 60_000;
/** So near, it is begun. */
const NEAR_MS = 30 * MIN_MS;

/** A planned make, or the feeding before it, as hands: when, what, and the one control that begins it. */
@Component({
  selector: 'oc-plan-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, SaidPipe, SayPipe],
  template: `
    <div class="when">
      <strong>{{ at() }}</strong>
      <span>{{ when() }}</span>
    </div>
    <div class="what">
      <p class="of">
        <a routerLink="/plan">{{ name() }}</a>
        <span>{{ 'page.today.planCard.planned' | say: { minutes: minutes() } }}</span>
      </p>
      <h2>{{ says() | said }}</h2>
      <div class="do">
        @if (task().is === 'begin') {
          <a
            class="press"
            [class.line-press]="!near()"
            [routerLink]="['/methods', task().plannedBatch.methodId]"
            [queryParams]="{ plannedBatch: task().plannedBatch.id }"
            [attr.data-next-hands]="first() ? '' : null"
            [attr.aria-label]="
              (near() ? 'page.today.planCard.beginNamed' : 'page.today.planCard.sheetNamed') | say: { name: name() }
            "
            >{{ near() ? ('page.today.planCard.beginIt' | say) : ('page.today.planCard.itsSheet' | say) }}</a
          >
        } @else if (feeds(); as due) {
          <button
            type="button"
            class="press line-press"
            [attr.aria-label]="'page.today.planCard.feedNow' | say: { name: name() }"
            (click)="feed(due)"
          >
            {{ 'page.today.planCard.feedNow2' | say }}
          </button>
        } @else {
          <a
            class="press line-press"
            routerLink="/cultures"
            [attr.aria-label]="'page.today.planCard.toTheCultures' | say: { name: name() }"
            >{{ 'page.today.planCard.toTheCultures2' | say }}</a
          >
        }
      </div>
    </div>
  `,
  styleUrl: './task-card.css',
  styles: `
    .press {
      display: inline-flex;
      align-items: center;
      text-decoration: none;
    }
  `,
  host: { class: 'in-line', '[class.first]': 'first()' },
})
export class PlanCard {
  readonly task = input.required<PlanTask>();
  readonly first = input(false);
  private readonly clock = inject(KitchenClock);
  private readonly cultures = inject(OwnCultures);
  private readonly acts = inject(CultureActs);

  /** The strongest jar of the culture there is enough of, and that is fed. */
  protected readonly feeds = computed((): Due | null => {
    const { feed } = this.task().plannedBatch;
    if (!feed) return null;
    const [strongest] = this.cultures
      .dues()
      .filter(({ lot, leftG }) => lot.culture === feed.culture && isFed(lot) && leftG >= feed.starterG)
      .sort((a, b) => b.activity.likely - a.activity.likely);
    return strongest ?? null;
  });

  protected readonly name = computed(() => batchName(this.task().plannedBatch));
  protected readonly at = computed(() => clockTime(this.task().atMs, this.clock.nowMs()));
  protected readonly when = computed(() => fromNow(this.task().atMs, this.clock.nowMs()));
  protected readonly near = computed(() => this.task().atMs - this.clock.nowMs() < NEAR_MS);
  protected readonly minutes = computed(() => {
    const visit = firstVisit(this.task().plannedBatch);
    if (this.task().is === 'feed' || !visit) return '';
    return tell('page.today.planCard.ofHands', { time: span(visit.tasks.reduce((sum, h) => sum + h.minutes, 0)) });
  });
  /** Begins the feeding as it was planned. */
  protected feed(due: Due): void {
    const { milkG, starterG } = this.task().plannedBatch.feed!;
    this.acts.feed(due, { milkG, starterG });
  }

  protected readonly says = computed(() => planTaskSays(this.task()));
}
