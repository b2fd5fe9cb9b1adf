import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { Supply } from '@oat-crock/contract/api';
import { say } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { RecordForm, type FormRow } from './record-form';
import { supplyRows } from './supply-fields';

/** Milk or cream that is brought: how much, when, what it is like. */
@Component({
  selector: 'oc-supply-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RecordForm],
  template: `
    <oc-record-form [id]="id()" family="supplies" [words]="words" [rowsOf]="rowsOf" (closed)="closed.emit()" />
  `,
})
export class SupplyForm {
  readonly id = input.required<string>();
  readonly closed = output();
  private readonly clock = inject(KitchenClock);

  protected readonly words = {
    form: say('page.plan.supplyForm.whatComes'),
    add: say('page.plan.supplyForm.add'),
    remove: say('page.plan.supplyForm.remove'),
  };
  protected readonly rowsOf = (draft: unknown, change: (change: Partial<Supply>) => void): readonly FormRow[] =>
    supplyRows(draft as Supply, change, () => this.clock.exactMs());
}
