import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { countedOf, daysBetween, type EntryBody } from '@oat-crock/core';
import { FollowActions } from '../../state/follow.feature';
import { KitchenClock } from '../../state/kitchen-clock';
import { Logger } from '../../state/logger';
import { selectHere, type OwnStock } from '../../state/own-stock';
import { dayOf, sayDay } from '../../shared/ui/days';
import { entryWords } from '../../shared/log/entry-words';
import { lineNamesIn } from '../../shared/log/timed-log';
import { lotCode } from '../../shared/ui/lot-code';
import { SayPipe, tell, textOf } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';
import { MoveOut } from './move-out';

/** So near its date (days) it is marked. */
const NEAR_DAYS = 2;

/** What was made and is here, what is to be eaten first leading; each goes out by a touch. */
@Component({
  selector: 'oc-in-stock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MoveOut, RouterLink, SayPipe],
  templateUrl: './in-stock.html',
  styleUrl: './in-stock.css',
})
export class InStock {
  private readonly clock = inject(KitchenClock);
  private readonly store = inject(Store);
  private readonly logger = inject(Logger);
  private readonly here = this.store.selectSignal(selectHere);
  private readonly head = viewChild.required<ElementRef<HTMLElement>>('head');
  protected readonly openId = signal<string | null>(null);
  protected readonly said = signal('');

  protected readonly rows = computed(() => {
    const today = dayOf(this.clock.nowMs());
    return this.here().map((own) => ({ own, ...this.wordsOf(own, today) }));
  });

  private wordsOf({ batch, stock }: OwnStock, today: string) {
    const { useBy, left, frozen, unit, eachG, hold, place } = stock;
    const days = useBy === null ? null : daysBetween(today, useBy);
    return {
      lot: lotCode(batch),
      place: place ? `, ${place}` : '',
      count: textOf(countedOf(stock, left)),
      of: unit === 'pots' ? tell('page.ledger.inStock.ofMass', { mass: mass(Math.round(eachG)) }) : '',
      due:
        useBy === null || days === null
          ? tell('page.ledger.inStock.noDate')
          : days < 0
            ? tell('page.ledger.inStock.wasBest', { day: sayDay(useBy) })
            : tell('page.ledger.inStock.until', { day: sayDay(useBy), days }),
      frozen: frozen > 0 ? tell('page.ledger.inStock.frozen', { count: textOf(countedOf(stock, frozen)) }) : '',
      held: hold ? tell('page.ledger.inStock.held', { reason: hold.reason }) : '',
      past: days !== null && days < 0 && frozen < left,
      near: days !== null && days >= 0 && days <= NEAR_DAYS,
    };
  }

  /** Places where something stands. */
  protected readonly places = computed(() => [
    ...new Set(this.here().flatMap(({ stock }) => (stock.place ? [stock.place] : []))),
  ]);

  /** It stands elsewhere now. */
  protected put({ batch, stock }: OwnStock, typed: string): void {
    const place = typed.trim();
    if (place && place !== stock.place) this.logger.write(batch.id, { type: 'placed', place });
  }

  /** Says what went out; where it was the last, the keyboard goes back to the head of the list. */
  protected tellOf({ batch }: OwnStock, body: EntryBody): void {
    this.said.set(`${batch.name}: ${entryWords(body, lineNamesIn(batch))}.`);
    if (!this.here().some((own) => own.batch.id === batch.id)) this.head().nativeElement.focus();
  }

  protected toggle(id: string): void {
    // What is in it is worked out while it is open: some of it may go into another make.
    this.store.dispatch(FollowActions.wanted({ batchId: id }));
    this.openId.update((open) => (open === id ? null : id));
  }
}
