import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { Store } from '@ngrx/store';
import { type EntryBody, ISSUED_HOW, type IssuedHow, movementProblem, type ProductStore } from '@oat-crock/core';
import { Logger } from '../../state/logger';
import { selectLive } from '../../state/log.feature';
import { OwnOrders } from '../../state/own-orders';
import { ProductLots } from './product-lots';
import { selectReceivers, type OwnStock } from '../../state/own-stock';
import { timedLog } from '../../shared/log/timed-log';
import { WhenRow } from '../../shared/log/when-row';
import { NumberField } from '../../shared/ui/number-field';
import { SayPipe, tell } from '../../shared/ui/said';
import { problemWords } from '../../shared/ui/words';

type Moves = Extract<EntryBody, { type: 'issued' | 'stored' }>;

/** Some of a stock goes out, or into the frost and back: how many, how, to whom or why. */
@Component({
  selector: 'oc-move-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, SayPipe, WhenRow],
  template: `
    <div class="asked">
      <oc-number-field
        [fieldId]="'move-' + own().batch.id"
        [label]="'page.ledger.moveOut.howMany' | say: { counted: counts() }"
        [value]="count()"
        (changed)="count.set($event)"
        [min]="1"
        [max]="10000"
        [step]="step()"
        [suffix]="suffix()"
        [buttons]="true"
      />
      <label>
        {{ 'page.ledger.moveOut.toWhom' | say }}
        <input
          class="type"
          maxlength="80"
          [attr.list]="'receivers-' + own().batch.id"
          [value]="to()"
          (input)="to.set($any($event.target).value)"
        />
        <datalist [id]="'receivers-' + own().batch.id">
          @for (name of receivers(); track name) {
            <option [value]="name"></option>
          }
        </datalist>
      </label>
    </div>
    <div class="ways">
      @for (how of WAYS; track how) {
        <button
          type="button"
          class="press line-press"
          [attr.aria-expanded]="how === 'used' ? isUsing() : null"
          (click)="how === 'used' ? isUsing.set(!isUsing()) : issue(how)"
        >
          {{ 'page.ledger.moveOut.how' | say: { how } }}
        </button>
      }
      @if (mayFreeze()) {
        <button type="button" class="press quiet-press" (click)="put('frozen')">
          {{ 'page.ledger.moveOut.freeze' | say }}
        </button>
      }
      @if (own().stock.frozen > 0) {
        <button type="button" class="press quiet-press" (click)="put('cold')">
          {{ 'page.ledger.moveOut.thaw' | say }}
        </button>
      }
    </div>
    @if (isUsing()) {
      <div class="ways" role="group" [attr.aria-label]="'page.ledger.moveOut.usedIn' | say">
        <span>{{ 'page.ledger.moveOut.usedIn' | say }}</span>
        @for (batch of live(); track batch.id) {
          <button type="button" class="press quiet-press" (click)="use(batch.id)">{{ batch.name }}</button>
        }
        <button type="button" class="press quiet-press" (click)="use(null)">
          {{ 'page.ledger.moveOut.asLot' | say }}
        </button>
      </div>
    }
    <oc-when-row [(when)]="timed.when" [wrong]="timed.wrong()" />
    @if (wrong()) {
      <p class="problem" role="alert">{{ wrong() }}</p>
    }
  `,
  styleUrl: './move-out.css',
})
export class MoveOut {
  readonly own = input.required<OwnStock>();
  /** What was done: said by whoever shows it, as the last pot takes this with it. */
  readonly moved = output<Moves>();
  protected readonly timed = timedLog(() => this.own().batch);
  private readonly store = inject(Store);
  protected readonly receivers = this.store.selectSignal(selectReceivers);
  private readonly orders = inject(OwnOrders);
  protected readonly WAYS = ISSUED_HOW;

  private readonly inPots = computed(() => this.own().stock.unit === 'pots');
  protected readonly counts = computed(() => (this.inPots() ? this.own().stock.called : 'grams'));
  protected readonly suffix = computed(() => (this.inPots() ? '' : ' g'));
  protected readonly step = computed(() => (this.inPots() ? 1 : 50));
  protected readonly most = computed(() => Math.max(1, Math.round(this.own().stock.left)));
  protected readonly mayFreeze = computed(() => this.own().stock.frozen < this.own().stock.left);
  /** One pot, or all of what is counted in grams; anew for another make, and never more than there is. */
  protected readonly count = linkedSignal<number, number | null>({
    source: this.most,
    computation: (most, before) => Math.min(most, before?.value ?? (this.inPots() ? 1 : most)),
  });
  /** It is asked which make it goes into. */
  protected readonly isUsing = signal(false);
  protected readonly live = this.store.selectSignal(selectLive);
  private readonly logger = inject(Logger);
  private readonly lots = inject(ProductLots);
  protected readonly to = signal('');
  protected readonly wrong = signal('');

  protected issue(how: IssuedHow): void {
    const to = this.to().trim();
    if (how === 'thrown' && !to) {
      this.wrong.set(tell('page.ledger.moveOut.sayWhy'));
      return;
    }
    const occurrenceId = how === 'sold' || how === 'given' ? this.orders.openFor(to, this.own().batch) : null;
    const whom = how === 'thrown' ? { why: to } : { ...(to && { to }), ...(occurrenceId && { occurrenceId }) };
    this.write({ type: 'issued', how, ...this.counted(), ...whom });
  }

  protected put(where: ProductStore): void {
    this.write({ type: 'stored', where, ...this.counted() });
  }

  /**
   * Goes into a make that is on, or into the larder for one to come: as a lot that came of this make, so that what is made of
   * it is traced to here.
   */
  protected use(batchId: string | null): void {
    const { batch, stock } = this.own();
    if (!this.write({ type: 'issued', how: 'used', ...this.counted() })) return;
    const massG = Math.round((this.count() ?? 0) * stock.eachG);
    const lotId = this.lots.add(batch, stock, massG);
    if (batchId) this.logger.write(batchId, { type: 'took', lotId, massG });
    this.isUsing.set(false);
  }

  private counted() {
    const count = this.count() ?? 0;
    return this.inPots() ? { pots: Math.round(count) } : { massG: count };
  }

  /** False where it cannot be written, and says why. */
  private write(body: Moves): boolean {
    const { batch } = this.own();
    const problem = movementProblem(batch, body);
    this.wrong.set(problem ? problemWords(problem) : '');
    if (problem || !this.timed.write(body)) return false;
    this.to.set('');
    this.moved.emit(body);
    return true;
  }
}
