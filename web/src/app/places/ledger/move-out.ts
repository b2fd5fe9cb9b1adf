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
import { OwnOrders } from '../../state/own-orders';
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
        <button type="button" class="press line-press" (click)="issue(how)">
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
  protected readonly receivers = inject(Store).selectSignal(selectReceivers);
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

  private counted() {
    const count = this.count() ?? 0;
    return this.inPots() ? { pots: Math.round(count) } : { massG: count };
  }

  private write(body: Moves): void {
    const { batch } = this.own();
    const problem = movementProblem(batch, body);
    this.wrong.set(problem ? problemWords(problem) : '');
    if (problem) return;
    if (!this.timed.write(body)) return;
    this.to.set('');
    this.moved.emit(body);
  }
}
