import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputNumberModule } from 'primeng/inputnumber';

/** A number with its unit, between bounds; told as it is typed, so that what hangs on it follows. */
@Component({
  selector: 'oc-number-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputNumberModule],
  template: `
    <p-inputnumber
      [inputId]="fieldId()"
      [ngModel]="value()"
      (onInput)="typed($event.value)"
      (ngModelChange)="typed($event)"
      [ngModelOptions]="{ standalone: true }"
      [min]="min()"
      [max]="max()"
      [step]="step()"
      [minFractionDigits]="0"
      [maxFractionDigits]="2"
      [useGrouping]="false"
      [suffix]="suffix()"
      [showButtons]="buttons()"
      buttonLayout="horizontal"
      incrementButtonIcon="pi pi-plus"
      decrementButtonIcon="pi pi-minus"
      [invalid]="invalid()"
    />
  `,
  styles: ':host { display: contents }',
})
export class NumberField {
  readonly fieldId = input.required<string>();
  readonly value = input.required<number | null>();
  readonly min = input(0);
  readonly max = input.required<number>();
  readonly step = input(1);
  readonly suffix = input('');
  readonly buttons = input(true);
  readonly invalid = input(false);
  /** A number within the bounds, or null for an emptied field; nothing while what is typed lies outside them. */
  readonly changed = output<number | null>();

  protected typed(value: number | string | null): void {
    const n = typeof value === 'string' ? Number.parseFloat(value) : value;
    if (n === null || Number.isNaN(n)) return this.tell(null);
    if (n >= this.min() && n <= this.max()) this.tell(n);
  }

  private tell(value: number | null): void {
    if (value !== this.value()) this.changed.emit(value);
  }
}
