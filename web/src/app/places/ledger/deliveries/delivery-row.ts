import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { MOST_SETTLED, type WantedOrder } from '@oat-crock/contract/api';
import { countedOf, type EntryBody, movementProblem } from '@oat-crock/core';
import { entryWords } from '../../../shared/log/entry-words';
import { lineNamesIn, timedLog } from '../../../shared/log/timed-log';
import { WhenRow } from '../../../shared/log/when-row';
import { Paper } from '../../../shared/paper/paper';
import { nameOfWanted } from '../../../shared/ui/batch-name';
import { sayDay } from '../../../shared/ui/days';
import { fillingWords } from '../../../shared/ui/filling-words';
import { lotCode } from '../../../shared/ui/lot-code';
import { OptionField } from '../../../shared/ui/option-field';
import { SayPipe, tell, textOf } from '../../../shared/ui/said';
import { fileName } from '../../../shared/ui/save-file';
import { clockTime, fromNow, mass, problemWords } from '../../../shared/ui/words';
import { householdSelectors } from '../../../state/household';
import { KitchenClock } from '../../../state/kitchen-clock';
import { Logger } from '../../../state/logger';
import { MethodBook } from '../../../state/method-book';
import { isHandedOver, type WantedFilled } from '../../../state/own-orders';
import { selectHere, selectStocks, type OwnStock } from '../../../state/own-stock';
import { RecordActions, recordsFeature } from '../../../state/records.feature';
import { deliveryLots, freeOf, lastGiven, type DeliveryLot } from './delivery-lots';

/** So near, it is said in how many hours. */
const SOON_MS = 36 * 3_600_000;
/** So many pots are drawn one by one; of more, all go with one touch. */
const MOST_DRAWN = 24;

/** Something that is to be handed over: how far it is met, its lots, and each pot to be ticked off. */
@Component({
  selector: 'oc-delivery-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OptionField, SayPipe, WhenRow],
  templateUrl: './delivery-row.html',
  styleUrl: './delivery-row.css',
})
export class DeliveryRow {
  readonly want = input.required<WantedFilled>();

  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly logger = inject(Logger);
  private readonly paper = inject(Paper);
  private readonly stocks = this.store.selectSignal(selectStocks);
  private readonly here = this.store.selectSignal(selectHere);
  private readonly orders = this.store.selectSignal(recordsFeature.selectOrders);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  /** Of which make some goes out; when, where that was not now. */
  private goingOut: OwnStock['batch'] | null = null;
  protected readonly timed = timedLog(() => this.goingOut!);
  /** A lot that somebody hands over instead of what was set apart. */
  protected readonly chosen = signal<string | null>(null);
  protected readonly wrong = signal('');
  protected readonly said = signal('');
  protected readonly setting = signal(false);

  private readonly order = computed(() => this.want().occurrence.order);
  private readonly all = computed(() => deliveryLots(this.want().filling, this.stocks(), this.chosen()));
  protected readonly hasToGo = computed(() => this.all().some((lot) => lot.apart > 0));
  protected readonly given = computed(() => this.all().filter((lot) => lot.given > 0));

  protected readonly name = computed(() => {
    const { methodId, whom, productG } = this.order();
    const method = this.book.find(methodId)?.name ?? tell('page.plan.wantedList.methodGone2');
    return tell('page.ledger.deliveries.much', { name: nameOfWanted(method, whom), mass: mass(productG) });
  });
  protected readonly note = computed(() => this.order().note);
  protected readonly at = computed(() => {
    const { dueMs } = this.want().occurrence;
    return dueMs === null ? '' : clockTime(dueMs, dueMs);
  });
  protected readonly when = computed(() => {
    const { dueMs } = this.want().occurrence;
    const nowMs = this.clock.nowMs();
    return dueMs === null || dueMs - nowMs > SOON_MS ? '' : fromNow(dueMs, nowMs);
  });

  protected readonly isDone = computed(() => isHandedOver(this.want()));
  protected readonly isShort = computed(
    () => this.wantsMore() && this.want().plannedMs === null && this.want().occurrence.dueMs !== null,
  );
  /** Nothing is there for some of it. */
  protected readonly wantsMore = computed(() => !this.want().filling.isMet && !this.want().settled);

  /** "4 pots handed over, 2 pots are here for it, 1 kg is on its way" */
  protected readonly state = computed(() => {
    const counts = { given: this.countOf('given'), apart: this.countOf('apart'), plannedMs: this.want().plannedMs };
    const says = fillingWords(this.want().filling, counts);
    return this.isDone() ? tell('page.ledger.deliveries.done', { says }) : says;
  });

  /** What of all its lots was given, or is set apart: in pots where all are, else by mass. */
  private countOf(which: 'given' | 'apart'): string {
    const some = this.all().filter((lot) => lot[which] > 0);
    const [first] = some;
    if (!first) return '';
    const isAlike = some.every(({ own }) => own.stock.unit === 'pots' && own.stock.called === first.own.stock.called);
    if (!isAlike) return mass(some.reduce((sum, lot) => sum + lot[which] * lot.own.stock.eachG, 0));
    return textOf(
      countedOf(
        first.own.stock,
        some.reduce((sum, lot) => sum + lot[which], 0),
      ),
    );
  }

  protected readonly lots = computed(() => this.all().map((lot) => this.wordsOf(lot)));

  private wordsOf({ own, given, apart }: DeliveryLot) {
    const { batch, stock } = own;
    const code = lotCode(batch);
    const inPots = stock.unit === 'pots' && given + apart <= MOST_DRAWN;
    const until = stock.useBy === null ? '' : tell('page.ledger.deliveries.until', { day: sayDay(stock.useBy) });
    const countSays = textOf(countedOf(stock, apart));
    return {
      ...{ id: batch.id, own, code, apart, countSays },
      says: [batch.name, stock.unit === 'pots' ? mass(stock.eachG) : '', until].filter(Boolean).join(', '),
      groupSays: tell('page.ledger.deliveries.potsOf', { lot: code }),
      allSays: tell('page.ledger.deliveries.handAllOf', { count: countSays, lot: code }),
      pots: inPots
        ? Array.from({ length: given + apart }, (_, i) => ({
            nth: i,
            given: i < given,
            says: tell('page.ledger.deliveries.pot', { nth: i + 1, lot: code }),
          }))
        : null,
    };
  }

  /** Other lots that could go instead: whatever is here and not held. */
  protected readonly others = computed(() => {
    const among = new Set(this.all().map(({ own }) => own.batch.id));
    return this.here()
      .filter((own) => freeOf(own) > 0 && !among.has(own.batch.id))
      .map((own) => ({
        id: own.batch.id,
        label: own.batch.name,
        why: `${lotCode(own.batch)}, ${textOf(countedOf(own.stock, freeOf(own)))}`,
      }));
  });

  protected give({ batch, stock }: OwnStock, count: number): void {
    const { whom } = this.order();
    const body = {
      ...{ type: 'issued' as const, how: whom ? ('sold' as const) : ('eaten' as const) },
      ...(stock.unit === 'pots' ? { pots: count } : { massG: count }),
      ...(whom && { to: whom }),
      occurrenceId: this.want().occurrence.id,
    };
    const problem = movementProblem(batch, body);
    this.wrong.set(problem ? problemWords(problem) : '');
    this.goingOut = batch;
    if (!problem && this.timed.write(body)) this.tellOf(batch, body);
  }

  /** The last pot of a lot comes back: its line says one less, or is taken back. */
  protected takeBack(own: OwnStock): void {
    const last = lastGiven(own, this.want().occurrence.id);
    if (!last) return;
    const { id, how, to, occurrenceId, pots = 0 } = last;
    const isFewer = own.stock.unit === 'pots' && pots > 1;
    const fewer = {
      type: 'issued' as const,
      how,
      pots: pots - 1,
      ...(to && { to }),
      ...(occurrenceId && { occurrenceId }),
    };
    const body: EntryBody = { type: 'correction', replaces: id, body: isFewer ? fewer : null };
    this.logger.write(own.batch.id, body);
    this.tellOf(own.batch, body);
  }

  private tellOf(batch: OwnStock['batch'], body: EntryBody): void {
    this.said.set(`${lotCode(batch)}: ${entryWords(body, lineNamesIn(batch))}.`);
  }

  /** Nothing more goes out for it. */
  protected settle(): void {
    const { id, order } = this.want().occurrence;
    const kept = this.orders()[order.id];
    if (!kept) return;
    // What somebody is writing of it stays, and goes with it.
    const written = this.writing()[order.id];
    const draft = (written?.draft as WantedOrder | undefined) ?? kept.item;
    const settled = [...(draft.settled ?? []), id].slice(-MOST_SETTLED);
    const overVersion = written?.overVersion ?? kept.version;
    const settledOrder: WantedOrder = { ...draft, settled };
    this.store.dispatch(RecordActions.edited({ family: 'orders', draft: settledOrder, overVersion }));
    this.store.dispatch(RecordActions.saveWanted({ id: order.id }));
  }

  protected async print(): Promise<void> {
    this.setting.set(true);
    try {
      const { deliveryNote, noteNumber } = await import('./delivery-note');
      const of = { want: this.want(), lots: this.given(), settings: this.settings(), nowMs: this.clock.nowMs() };
      const { whom } = this.order();
      await this.paper.save(
        fileName(tell('page.ledger.deliveries.file', { number: noteNumber(of), whom })),
        deliveryNote(of),
      );
      this.wrong.set('');
    } catch {
      this.wrong.set(tell('page.ledger.deliveries.notSet'));
    }
    this.setting.set(false);
  }
}
