import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { shownIn, amount } from '@oat-crock/core';
import { InputTextModule } from 'primeng/inputtext';
import { decimalSign } from './decimal-sign';
import { readNumber } from './read-number';
import { reader, units } from './reader';
import { tell } from './said';
import { unitWords } from './unit-words';

/**
 * A number with its unit, between bounds; told as it is typed, so that what hangs on it follows. It is given and told in
 * the metric unit its suffix names, and shown and typed in the household's: this is the one place that converts what is
 * typed into a form. What is typed or pasted stands as it is until the field is left.
 */
@Component({
  selector: 'oc-number-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputTextModule],
  template: `
    @if (label()) {
      <label [attr.for]="fieldId()">{{ label() }}</label>
    }
    <span [class.between]="buttons()">
      @if (buttons()) {
        <button type="button" tabindex="-1" aria-hidden="true" (click)="move(-1)"><i class="pi pi-minus"></i></button>
      }
      <input
        #field
        pInputText
        role="spinbutton"
        inputmode="decimal"
        autocomplete="off"
        [id]="fieldId()"
        [value]="text()"
        [invalid]="invalid() || trouble() !== null"
        [attr.aria-invalid]="invalid() || trouble() !== null"
        [attr.aria-valuenow]="shown()"
        [attr.aria-valuetext]="written()"
        [attr.aria-valuemin]="least()"
        [attr.aria-valuemax]="most()"
        (input)="typed($any($event.target).value)"
        (focus)="enter($any($event.target))"
        (blur)="leave()"
        (invalid)="$event.preventDefault(); field.focus()"
        (keydown.arrowup)="move(1); $event.preventDefault()"
        (keydown.arrowdown)="move(-1); $event.preventDefault()"
      />
      @if (buttons()) {
        <button type="button" tabindex="-1" aria-hidden="true" (click)="move(1)"><i class="pi pi-plus"></i></button>
      }
    </span>
    @if (trouble(); as said) {
      <p role="alert">{{ said }}</p>
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
    span {
      display: flex;
      min-width: 0;
    }
    input {
      width: 100%;
      min-width: 0;
    }
    .between input {
      padding-inline: 0.2rem;
      text-align: center;
      border-radius: 0;
    }
    button {
      flex: 0 0 2.5rem;
      border: 1px solid var(--line-strong);
      background: var(--paper-sunk);
      color: var(--ink);
    }
    button:first-child {
      border-radius: var(--p-inputtext-border-radius) 0 0 var(--p-inputtext-border-radius);
      border-right: 0;
    }
    button:last-child {
      border-radius: 0 var(--p-inputtext-border-radius) var(--p-inputtext-border-radius) 0;
      border-left: 0;
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

  private readonly isEntered = signal(false);
  /** What is typed since the field was entered; null where nothing is. */
  private readonly own = signal<string | null>(null);
  private readonly read = computed(() => readNumber(this.own() ?? '', this.unit(), decimalSign()));
  /** What is wrong with what was typed: it stays as typed, and says what would be right. */
  protected readonly trouble = computed(() => {
    const n = this.read();
    if (n === null || (n !== 'unreadable' && this.isWithin(n))) return null;
    const bounds = { least: amount(this.least()), most: amount(this.most()), unit: this.unit() };
    return n === 'unreadable'
      ? tell('page.ui.numberField.numberFromTo', bounds)
      : tell('page.ui.numberField.fromTo', bounds);
  });
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  constructor() {
    // A form is not submitted over a number that was not taken: the field has the focus instead, and says what is wrong.
    effect(() => this.field().nativeElement.setCustomValidity(this.trouble() ?? ''));
  }

  /** What stands in the field: as it is typed, its digits alone to be typed over, or the number with its unit. */
  protected readonly text = computed(() => this.own() ?? (this.isEntered() ? this.bare() : this.written()));

  private readonly way = computed(() => {
    const suffix = this.suffix();
    return this.asPrinted() || !suffix.startsWith(' ') ? null : shownIn(suffix.trim(), units(), this.step());
  });
  protected readonly unit = computed(() => {
    const unit = this.way()?.unit ?? this.suffix().trim();
    return unit ? ` ${unitWords(unit)}` : '';
  });
  protected readonly shown = computed(() => {
    const value = this.value();
    return value === null ? null : this.asShown(value);
  });
  /** The number as the household writes it; with its unit. */
  private readonly bare = computed(() => {
    const digits = { maximumFractionDigits: this.digits(), useGrouping: false };
    return this.shown()?.toLocaleString(reader().language, digits) ?? '';
  });
  protected readonly written = computed(() => (this.bare() === '' ? '' : this.bare() + this.unit()));

  protected readonly least = computed(() => this.asShown(this.min()));
  protected readonly most = computed(() => this.asShown(this.max()));

  protected typed(text: string): void {
    this.own.set(text);
    const n = this.read();
    if (n === null || (n !== 'unreadable' && this.isWithin(n))) this.tell(n);
  }

  /** Entered, its digits are chosen: what is typed next stands in their place. */
  protected enter(field: HTMLInputElement): void {
    this.isEntered.set(true);
    field.value = this.text();
    field.select();
  }

  /** Left, it shows what was taken; what could not be taken stays, and what is wrong with it. */
  protected leave(): void {
    this.isEntered.set(false);
    if (this.trouble() === null) this.own.set(null);
  }

  /** A step up or down, from what stands there. */
  protected move(direction: 1 | -1): void {
    const by = (this.way()?.step(this.step()) ?? this.step()) * direction;
    const stepped = Number(((this.shown() ?? this.least()) + by).toPrecision(12));
    this.own.set(null);
    this.tell(Math.min(this.most(), Math.max(this.least(), stepped)));
  }

  private isWithin(n: number): boolean {
    return n >= this.least() && n <= this.most();
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
