import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputNumberModule } from 'primeng/inputnumber';

/** A number with its unit, between bounds; told as it is typed, so that what hangs on it follows. */
@Component({
  selector: 'oc-number-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputNumberModule],
  template: `
    @if (label()) {
      <label [attr.for]="fieldId()">{{ label() }}</label>
    }
    <p-inputnumber
      [inputId]="fieldId()"
      [ngModel]="value()"
      (onInput)="typed($event.value)"
      (ngModelChange)="typed($event)"
      [ngModelOptions]="{ standalone: true }"
      [step]="step()"
      [minFractionDigits]="0"
      [maxFractionDigits]="digits()"
      [useGrouping]="false"
      [suffix]="suffix()"
      [showButtons]="buttons()"
      buttonLayout="horizontal"
      incrementButtonIcon="pi pi-plus"
      decrementButtonIcon="pi pi-minus"
      [invalid]="invalid() || outside() !== null"
    />
    @if (outside() !== null) {
      <p role="alert">{{ bounds() }}</p>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    label {
      font-weight: 600;
      font-size: 0.92rem;
    }
    p-inputnumber,
    :host ::ng-deep .p-inputnumber-input {
      width: 100%;
    }
    :host ::ng-deep .p-inputnumber-button {
      background: var(--paper-sunk);
      border-color: var(--line-strong);
      color: var(--ink);
    }
    p {
      grid-column: 1 / -1;
      color: var(--brick);
      font-size: 0.82rem;
      font-weight: 650;
    }
  `,
})
export class NumberField {
  readonly fieldId = input.required<string>();
  /** Its label, beside it in the grid; left out where one stands elsewhere. */
  readonly label = input('');
  readonly value = input.required<number | null>();
  readonly min = input(0);
  readonly max = input.required<number>();
  readonly step = input(1);
  readonly suffix = input('');
  /** A button at either side, a step less and a step more. */
  readonly buttons = input(false);
  readonly invalid = input(false);
  readonly digits = input(2);
  /** A number within the bounds, or null for an emptied field; nothing while what is typed lies outside them. */
  readonly changed = output<number | null>();

  /** A number that was typed and lies outside the bounds: it stays as typed, and says what would be right. */
  protected readonly outside = signal<number | null>(null);
  protected readonly bounds = computed(() => `From ${this.min()} to ${this.max()}${this.suffix()}.`);

  protected typed(value: number | string | null): void {
    const n = typeof value === 'string' ? Number.parseFloat(value) : value;
    if (n === null || Number.isNaN(n)) {
      this.outside.set(null);
      return this.tell(null);
    }
    const within = n >= this.min() && n <= this.max();
    this.outside.set(within ? null : n);
    if (within) this.tell(n);
  }

  private tell(value: number | null): void {
    if (value !== this.value()) this.changed.emit(value);
  }
}
