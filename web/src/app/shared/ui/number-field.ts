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
import { amount, CROCK_G_PER_ML, hourOfDay, mass, METRIC, readAmount, shownIn, type SaidWith } from '@oat-crock/core';
import { sayQuantity } from '@oat-crock/messages';
import { InputTextModule } from 'primeng/inputtext';
import { amountsSaid } from './amounts-said';
import { decimalSign } from './decimal-sign';
import { reader, units } from './reader';
import { quantity, tell } from './said';
import { unitWords } from './unit-words';

/** What was typed may be told to this much of the number it stands for. */
const SAME = 1e-9;

/**
 * An amount with its unit, between bounds; told as it is typed, so that what hangs on it follows. It is given and told in
 * the metric unit its suffix names, and shown in the household's. It may be said in any words for amounts ("2 qt",
 * "500 mL + 100 mL", "3 cans"): this is the one place that converts what is typed into a form. What is typed or pasted
 * stands as it is, with what was understood beneath.
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
    } @else if (understood(); as said) {
      <p class="understood" role="status">{{ said }}</p>
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
    .understood {
      color: var(--ink-soft);
      text-align: right;
      font-variant-numeric: tabular-nums;
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
  /** How dense what it asks for is, what a pack of it holds, what a percentage is of: so it may be said in other words. */
  readonly saidWith = input<SaidWith>({});
  /** A number within the bounds, or null for an emptied field; nothing while what is typed lies outside them. */
  readonly changed = output<number | null>();

  private readonly isEntered = signal(false);
  /** What was typed, as long as it is what the value says, or cannot be taken; null where nothing was. */
  private readonly own = signal<string | null>(null);
  private readonly read = computed(() => {
    const asked = { unit: this.suffix().trim(), units: this.measures(), step: this.step(), decimal: decimalSign() };
    return readAmount(
      this.own() ?? '',
      { ...asked, ...this.usualWith(), ...this.saidWith() },
      amountsSaid(),
      this.unit(),
    );
  });
  /** Whatever is weighed here is about as dense as milk, where nothing closer is known. */
  private readonly usualWith = computed(() => (/^ k?g$/.test(this.suffix()) ? { gPerMl: CROCK_G_PER_ML } : {}));
  /** What is wrong with what was typed: it stays as typed, and says what would be right. */
  protected readonly trouble = computed(() => {
    const read = this.read();
    if (read.is === 'nothing' || (read.is === 'amount' && this.isWithin(read.value))) return null;
    const bounds = { least: this.bound(this.least()), most: this.bound(this.most()), unit: this.unit() };
    if (read.is === 'amount') return tell('page.ui.numberField.fromTo', bounds);
    if (this.isHour()) return tell('page.ui.numberField.anHour', bounds);
    return read.word === null
      ? tell('page.ui.numberField.numberFromTo', bounds)
      : tell('page.ui.numberField.wordFromTo', { ...bounds, word: read.word });
  });
  /** What was understood of an amount in other words than the field's own, in its unit; of a mass in grams as well. */
  protected readonly understood = computed(() => {
    const read = this.read();
    if (read.is !== 'amount' || read.own || !this.isAsTyped()) return null;
    const own = this.inWords(read.value);
    const isMass = /^ k?g$/.test(this.suffix()) && this.unit() !== this.suffix();
    if (!isMass) return tell('page.ui.numberField.thatIs', { amount: own });
    const inGrams = this.suffix() === ' kg' ? 1000 * read.value : read.value;
    return tell('page.ui.numberField.thatIsGrams', {
      amount: own,
      grams: sayQuantity(mass(inGrams), { ...reader(), units: METRIC }),
    });
  });
  /** What was typed is what the value says. */
  private readonly isAsTyped = computed(() => {
    const [read, value] = [this.read(), this.value()];
    return read.is === 'amount' && value !== null && Math.abs(value - read.value) <= SAME * Math.abs(read.value);
  });
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  constructor() {
    // A form is not submitted over a number that was not taken: the field has the focus instead, and says what is wrong.
    effect(() => this.field().nativeElement.setCustomValidity(this.trouble() ?? ''));
  }

  /** What stands in the field: as it is typed, its digits alone to be typed over, or the number with its unit. */
  protected readonly text = computed(() => {
    const own = this.own();
    if (own !== null && (this.isEntered() || this.trouble() !== null || this.isAsTyped())) return own;
    return this.isEntered() ? this.bare() : this.written();
  });

  /** The units it is shown in: a figure off a label is in grams everywhere. */
  private readonly measures = computed(() => (this.asPrinted() ? METRIC : units()));
  private readonly way = computed(() => shownIn(this.suffix().trim(), this.measures(), this.step()));
  protected readonly unit = computed(() => {
    const { unit } = this.way();
    const words = this.isHour() ? '' : unitWords(unit);
    return words ? ` ${words}` : '';
  });
  protected readonly shown = computed(() => {
    const value = this.value();
    return value === null ? null : this.asShown(value);
  });
  /** The number as the household writes it; with its unit. */
  private readonly bare = computed(() => this.digitsOf(this.shown()));
  protected readonly written = computed(() => (this.bare() === '' ? '' : this.bare() + this.unit()));
  private readonly digitsOf = (shown: number | null): string => {
    if (shown === null) return '';
    if (this.isHour()) return quantity(hourOfDay(shown));
    return shown.toLocaleString(reader().language, { maximumFractionDigits: this.digits(), useGrouping: false });
  };
  /** It is an hour of the day, which is written as the clock shows it. */
  private readonly isHour = computed(() => this.suffix() === ' clock');
  private readonly inWords = (value: number) => this.digitsOf(this.asShown(value)) + this.unit();

  private readonly bound = (shown: number) => (this.isHour() ? hourOfDay(shown) : amount(shown));
  protected readonly least = computed(() => this.asShown(this.min()));
  protected readonly most = computed(() => this.asShown(this.max()));

  protected typed(text: string): void {
    this.own.set(text);
    const read = this.read();
    if (read.is === 'nothing') this.tell(null);
    else if (read.is === 'amount' && this.isWithin(read.value)) this.tell(read.value);
  }

  /** Entered, its digits are chosen: what is typed next stands in their place. */
  protected enter(field: HTMLInputElement): void {
    this.isEntered.set(true);
    field.value = this.text();
    field.select();
  }

  /** Left, it shows what was taken, in the words it was said in; what could not be taken stays, and what is wrong with it. */
  protected leave(): void {
    this.isEntered.set(false);
    const read = this.read();
    if (this.trouble() === null && (read.is !== 'amount' || read.own)) this.own.set(null);
  }

  /** A step up or down, from what stands there. */
  protected move(direction: 1 | -1): void {
    const by = this.way().step(this.step()) * direction;
    const stepped = Number(((this.shown() ?? this.least()) + by).toPrecision(12));
    this.own.set(null);
    this.tell(this.way().fromShown(Math.min(this.most(), Math.max(this.least(), stepped))));
  }

  /** Whether an amount in the metric unit lies between the bounds, as they are shown. */
  private isWithin(value: number): boolean {
    const shown = this.asShown(value);
    return shown >= this.least() && shown <= this.most();
  }

  /** An amount in the metric unit; nothing where it is what stood there already. */
  private tell(value: number | null): void {
    if (value === this.value() || (value !== null && this.value() !== null && this.isSame(value))) return;
    this.changed.emit(value === null ? null : Math.min(this.max(), Math.max(this.min(), value)));
  }

  /** Typed as it is shown, it is what stands there, to the last digit that is not shown. */
  private isSame(value: number): boolean {
    const read = this.read();
    return (read.is !== 'amount' || read.own) && this.way().toShown(value).toFixed(12) === this.shown()?.toFixed(12);
  }

  /** A metric number as it is shown: as it is where it is shown in metric, else to the digits of the field. */
  private asShown(value: number): number {
    const way = this.way();
    if (way.toShown(value) === value) return value;
    const ten = 10 ** this.digits();
    return Math.round(way.toShown(value) * ten) / ten;
  }
}
