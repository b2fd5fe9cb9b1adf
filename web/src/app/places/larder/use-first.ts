import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { heldOf, ideasFor, isStock } from '@oat-crock/core';
import { textOf, NamedPipe, SayPipe } from '../../shared/ui/said';
import { KitchenClock } from '../../state/kitchen-clock';
import { MethodBook } from '../../state/method-book';
import { recordsFeature } from '../../state/records.feature';
import { logFeature } from '../../state/log.feature';
import { dayOf } from '../../shared/ui/days';
import { dueLots, dueStocks } from '../../state/due';
import { selectHere } from '../../state/own-stock';

/** Days from now within which a thing is listed. */
const LISTED_DAYS = 7;
/** The same for what was made. */
const STOCK_DAYS = 3;
const MOST_STOCKS = 3;
const MOST_IDEAS = 4;
const MOST_LOTS = 4;

/** What is near its date, and what could be made of it. */
@Component({
  selector: 'oc-use-first',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedPipe, RouterLink, SayPipe],
  template: `
    <h1>{{ 'page.larder.useFirst.useFirst' | say }}</h1>
    @for (made of stocks(); track made.id) {
      <article [class.past]="made.days < 0">
        <h2>
          <a routerLink="/ledger">{{ made.name }}</a>
        </h2>
        <p>
          {{ made.count }}, <b>{{ made.due }}</b>.
          @if (made.days < 0) {
            {{ 'page.larder.useFirst.lookSmellIfDoubt' | say }}
          }
        </p>
      </article>
    }
    @for (lot of list(); track lot.id) {
      <article [class.past]="lot.past">
        <h2>
          <a [routerLink]="['/larder', lot.id]">{{ lot.name }}</a>
        </h2>
        <p>
          {{ lot.left }}, <b>{{ lot.due }}</b>.
          @if (lot.past) {
            {{ 'page.larder.useFirst.lookSmellIfDoubt' | say }}
          }
        </p>
        @if (!lot.past && lot.ideas.length) {
          <p class="ideas">
            <span class="quiet">{{ 'page.larder.useFirst.goodFor' | say }}</span>
            @for (idea of lot.ideas; track idea.methodId) {
              <a [routerLink]="['/methods', idea.methodId]" [queryParams]="{ of: lot.id }">{{ idea.name | named }}</a>
            }
          </p>
        }
      </article>
    } @empty {
      @if (stocks().length === 0) {
        <p>{{ 'page.larder.useFirst.nothingNearDateWeek' | say }}</p>
      }
    }
  `,
  styles: `
    article {
      padding: 0.6rem 0;
      border-bottom: 1px solid var(--line);
    }
    h2 a {
      color: var(--ink);
      text-decoration: none;
    }
    h2 a:hover {
      text-decoration: underline;
    }
    .past b {
      color: var(--brick);
    }
    .ideas {
      display: flex;
      flex-wrap: wrap;
      gap: 0.15rem 0.75rem;
      align-items: center;
      margin-top: 0.15rem;
    }
    .ideas a {
      min-height: 2rem;
      display: inline-flex;
      align-items: center;
    }
  `,
})
export class UseFirst {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLotsHere);
  private readonly taken = this.store.selectSignal(logFeature.selectTaken);

  private readonly here = this.store.selectSignal(selectHere);
  /** What was made, before what it may be made of: it is eaten and not made again. */
  protected readonly stocks = computed(() =>
    dueStocks(this.here(), dayOf(this.clock.nowMs()), STOCK_DAYS).slice(0, MOST_STOCKS),
  );

  protected readonly list = computed(() => {
    const taken = this.taken();
    const today = dayOf(this.clock.nowMs());
    return dueLots(this.lots(), taken, today, LISTED_DAYS)
      .slice(0, MOST_LOTS)
      .map(({ lot, leftG, days, due }) => {
        const ideas = isStock(lot) ? ideasFor(lot, this.book.all()).slice(0, MOST_IDEAS) : [];
        return { id: lot.id, name: lot.name, left: textOf(heldOf(lot, leftG)), due, past: days < 0, ideas };
      });
  });
}
