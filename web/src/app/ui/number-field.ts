import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { shownIn, amount } from '@oat-crock/core';
import { InputNumberModule } from 'primeng/inputnumber';
import { reader, units } from './reader';
import { tell } from './said';
import { unitWords } from './unit-words';
import { decimalSign } from './decimal-sign';

/**
 * A number with its unit, between bounds; told as it is typed, so that what hangs on it follows. It is given and told in
 * the metric unit its suffix names, and shown and typed in the household's: this is the one place that converts what is
 * typed into a form.
 */
@Component({
  selector: 'oc-number-field',
  host: { '(keydown)': 'eitherSign($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputNumberModule],
  template: `
    @if (label()) {
      <label [attr.for]="fieldId()">{{ label() }}</label>
    }
    <p-inputnumber
      [class.between]="buttons()"
      [inputId]="fieldId()"
      [ngModel]="shown()"
      (onInput)="typed($event.value)"
      (ngModelChange)="typed($event)"
      [ngModelOptions]="{ standalone: true }"
      [step]="by()"
      [minFractionDigits]="0"
      [maxFractionDigits]="digits()"
      [useGrouping]="false"
      [locale]="locale()"
      [suffix]="unit()"
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
    .between ::ng-deep .p-inputnumber-input {
      padding-inline: 0.2rem;
      text-align: center;
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
  /** Its metric unit after a space: " g", " °C". */
  readonly suffix = input('');
  /** A figure off a label, which is in grams everywhere. */
  readonly asPrinted = input(false);
  /** A button at either side, a step less and a step more. */
  readonly buttons = input(false);
  readonly invalid = input(false);
  readonly digits = input(2);
  /** A number within the bounds, or null for an emptied field; nothing while what is typed lies outside them. */
  readonly changed = output<number | null>();

  /** A number that was typed and lies outside the bounds: it stays as typed, and says what would be right. */
  protected readonly outside = signal<number | null>(null);
  protected readonly bounds = computed(() =>
    tell('page.ui.numberField.fromTo', { least: amount(this.least()), most: amount(this.most()), unit: this.unit() }),
  );

  private readonly way = computed(() => {
    const suffix = this.suffix();
    return this.asPrinted() || !suffix.startsWith(' ') ? null : shownIn(suffix.trim(), units(), this.step());
  });
  protected readonly unit = computed(() => {
    const unit = this.way()?.unit ?? this.suffix().trim();
    return unit ? ` ${unitWords(unit)}` : '';
  });
  /** How the household writes numbers, with a point or a comma. */
  protected readonly locale = computed(() => reader().language);
  protected readonly by = computed(() => this.way()?.step(this.step()) ?? this.step());
  protected readonly shown = computed(() => {
    const value = this.value();
    return value === null ? null : this.asShown(value);
  });
  /** A point and a comma are the decimal sign alike, whichever of them the household writes. */
  protected eitherSign(event: KeyboardEvent): void {
    const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
    if (!isPlain || !/^[.,]$/.test(event.key) || event.key === decimalSign()) return;
    event.preventDefault();
    // To the control a key of this name is its own decimal sign, whatever stands on it.
    const sign = new KeyboardEvent('keypress', { code: 'NumpadDecimal', bubbles: true, cancelable: true });
    event.target?.dispatchEvent(sign);
  }

  private readonly least = computed(() => this.asShown(this.min()));
  private readonly most = computed(() => this.asShown(this.max()));

  protected typed(value: number | string | null): void {
    const n = typeof value === 'string' ? Number.parseFloat(value) : value;
    if (n === null || Number.isNaN(n)) {
      this.outside.set(null);
      return this.tell(null);
    }
    const within = n >= this.least() && n <= this.most();
    this.outside.set(within ? null : n);
    if (within) this.tell(n);
  }

  /** What was typed, in the metric unit; nothing where it is what stood there already. */
  private tell(typed: number | null): void {
    if (typed === this.shown()) return;
    const value = typed === null ? null : (this.way()?.fromShown(typed) ?? typed);
    this.changed.emit(value === null ? null : Math.min(this.max(), Math.max(this.min(), value)));
  }

  /** A metric number as it is shown: as it is where it is shown in metric, else to the digits of the field. */
  private asShown(value: number): number {
    const way = this.way();
    if (!way || way.toShown(value) === value) return value;
    const ten = 10 ** this.digits();
    return Math.round(way.toShown(value) * ten) / ten;
  }
}
