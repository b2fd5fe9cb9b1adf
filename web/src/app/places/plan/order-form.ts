import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { WantedOrder } from '@oat-crock/contract/api';
import { say } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { MethodBook } from '../../state/method-book';
import { draftFeature, draftOf } from '../../state/draft.feature';
import { recordsFeature } from '../../state/records.feature';
import { AroundPipe, SayPipe } from '../../shared/ui/said';
import { orderRows, withoutAmount } from './order-fields';
import { RecordForm, type FormRow } from './record-form';

/** Something that is wanted: of what, how much, when, for whom. */
@Component({
  selector: 'oc-order-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AroundPipe, RecordForm, RouterLink, SayPipe],
  template: `
    <oc-record-form [id]="id()" family="orders" [words]="words" [rowsOf]="rowsOf()" (closed)="closed.emit()">
      @let at = 'page.plan.orderForm.sheetDecides' | around: {};
      <p class="quiet">
        {{ at[0] }}<a [routerLink]="['/methods', methodId()]">{{ 'page.plan.orderForm.itsSheet' | say }}</a
        >{{ at[1] }}
      </p>
    </oc-record-form>
  `,
})
export class OrderForm {
  readonly id = input.required<string>();
  readonly closed = output();

  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly store = inject(Store);
  private readonly drafts = this.store.selectSignal(draftFeature.selectDrafts);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);
  private readonly orders = this.store.selectSignal(recordsFeature.selectOrders);

  protected readonly methodId = computed(() => {
    const order = this.writing()[this.id()]?.draft ?? this.orders()[this.id()]?.item;
    return (order as WantedOrder | undefined)?.methodId ?? '';
  });
  protected readonly words = {
    form: say('page.plan.orderForm.whatWanted'),
    add: say('page.plan.orderForm.wantIt'),
    remove: say('page.plan.orderForm.noLongerWanted'),
  };
  protected readonly rowsOf = computed(() => {
    const [methods, drafts] = [this.book.all(), this.drafts()];
    return (draft: unknown, change: (change: Partial<WantedOrder>) => void): readonly FormRow[] => {
      const order = draft as WantedOrder;
      const onSheet = withoutAmount(draftOf(drafts, order.methodId).choices);
      return orderRows(order, { methods, onSheet, nowMs: () => this.clock.exactMs(), change });
    };
  });
}
