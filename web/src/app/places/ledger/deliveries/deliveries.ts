import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { dayOf, sayDay } from '../../../shared/ui/days';
import { SayPipe, tell } from '../../../shared/ui/said';
import { KitchenClock } from '../../../state/kitchen-clock';
import { isHandedOver, OwnOrders, type WantedFilled } from '../../../state/own-orders';
import { LedgerHead } from '../ledger-head';
import { DeliveryRow } from './delivery-row';

const DAY_MS = 86_400_000;
/** So far ahead deliveries are shown. */
const AHEAD_DAYS = 8;

/** What is to be handed over, day by day: each with its lots, ticked off pot by pot. */
@Component({
  selector: 'oc-deliveries',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DeliveryRow, LedgerHead, RouterLink, SayPipe],
  template: `
    <oc-ledger-head />
    <h1>{{ 'page.ledger.deliveries.title' | say }}</h1>
    @for (day of days(); track day.day) {
      <section [attr.aria-labelledby]="'day-' + day.day">
        <h2 [id]="'day-' + day.day">{{ day.says }}</h2>
        @for (want of day.wanted; track want.occurrence.id) {
          <oc-delivery-row [want]="want" />
        }
      </section>
    } @empty {
      <p>
        {{ 'page.ledger.deliveries.none' | say }}
        <a routerLink="/plan">{{ 'page.ledger.deliveries.toPlan' | say }}</a>
      </p>
    }
  `,
  styles: `
    h2 {
      margin: 1.2rem 0 0;
      padding-bottom: 0.2rem;
      border-bottom: 2px solid var(--line);
    }
  `,
})
export class Deliveries {
  private readonly clock = inject(KitchenClock);
  private readonly orders = inject(OwnOrders);

  protected readonly days = computed(() => {
    const today = dayOf(this.clock.nowMs());
    const last = dayOf(this.clock.nowMs() + AHEAD_DAYS * DAY_MS);
    const shown = this.orders.wanted().filter((want) => isShown(want, today, last));
    return [...Map.groupBy(shown, (want) => groupOf(want, today))].map(([day, wanted]) => ({
      day,
      wanted,
      says:
        day === LATE
          ? tell('page.ledger.deliveries.notYet')
          : day === SOME_TIME
            ? tell('page.ledger.deliveries.someTime')
            : tell('page.ledger.deliveries.day', { day: sayDay(day), today: String(day === today) }),
    }));
  });
}

const LATE = 'late';
const SOME_TIME = 'some-time';

const dueDay = ({ occurrence: { dueMs } }: WantedFilled) => (dueMs === null ? null : dayOf(dueMs));

/** What was handed over on an earlier day, or is settled, is no news. */
function isShown(want: WantedFilled, today: string, last: string): boolean {
  const day = dueDay(want);
  if (day === null || day < today) return !isHandedOver(want);
  return day <= last && !want.settled;
}

function groupOf(want: WantedFilled, today: string): string {
  const day = dueDay(want);
  return day === null ? SOME_TIME : day < today ? LATE : day;
}
