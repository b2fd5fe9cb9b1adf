import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { FieldProblem } from '@oat-crock/contract/api';
import type { Asked } from './asked';
import { NumberField } from './number-field';
import { OptionField } from './option-field';
import { SaidPipe, textOf } from './said';

/** A field of a form: its label, its control, why it is asked, and what is wrong with it. */
@Component({
  selector: 'oc-asked-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, OptionField, SaidPipe],
  template: `
    @let f = field();
    @switch (f.type) {
      @case ('number') {
        <oc-number-field
          [fieldId]="fieldId()"
          [label]="f.label | said"
          [value]="asNumber()"
          (changed)="changed.emit($event)"
          [min]="f.min"
          [max]="f.max"
          [step]="f.step"
          [suffix]="f.suffix"
          [buttons]="f.buttons ?? false"
          [invalid]="wrong().length > 0"
        />
      }
      @case ('option') {
        <label [for]="fieldId()">{{ f.label | said }}</label>
        <oc-option-field
          [fieldId]="fieldId()"
          [ariaLabel]="f.label | said"
          [options]="options()"
          [value]="asId()"
          (changed)="changed.emit(f.numeric ? +$event : $event)"
          [filter]="f.filter ?? false"
          [invalid]="wrong().length > 0"
          [inPlace]="inPlace()"
        />
      }
      @case ('text') {
        <label [for]="fieldId()">{{ f.label | said }}</label>
        <input
          class="type"
          [id]="fieldId()"
          [attr.maxlength]="f.most ?? 500"
          [value]="asText()"
          (input)="changed.emit($any($event.target).value)"
          [attr.aria-invalid]="wrong().length > 0"
        />
      }
      @case ('switch') {
        <label class="switch" [for]="fieldId()">
          <input
            type="checkbox"
            [id]="fieldId()"
            [checked]="value() === true"
            (change)="changed.emit($any($event.target).checked)"
          />
          {{ f.label | said }}
        </label>
      }
    }
    @if (why(); as why) {
      <p class="quiet">{{ why | said }}</p>
    }
    @for (problem of wrong(); track problem.message) {
      <p class="problem" role="alert">{{ problem.message | said }} {{ problem.remedy | said }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: var(--asked-label, 8.5rem) minmax(0, 1fr);
      gap: 0.05rem 0.6rem;
      align-items: center;
      padding: 0.2rem 0;
    }
    label {
      font-weight: 600;
      font-size: 0.92rem;
    }
    p {
      grid-column: 2;
      font-size: 0.8rem;
    }
    .switch {
      grid-column: 2;
      display: flex;
      align-items: center;
      gap: 0.5rem;
      min-height: 2.25rem;
    }
    .switch input {
      width: 1.25rem;
      height: 1.25rem;
      accent-color: var(--cobalt);
    }
  `,
})
export class AskedField {
  readonly fieldId = input.required<string>();
  readonly field = input.required<Asked>();
  readonly value = input.required<unknown>();
  readonly wrong = input<readonly FieldProblem[]>([]);
  /** In a dialog: its list opens where it stands. */
  readonly inPlace = input(false);
  readonly changed = output<unknown>();

  protected readonly why = computed(() => {
    const field = this.field();
    return field.why ?? (field.type === 'number' ? field.empty : undefined);
  });
  /** Its options, in the household's units. */
  protected readonly options = computed(() => {
    const field = this.field();
    return field.type === 'option' ? field.options.map((o) => ({ ...o, label: textOf(o.label) })) : [];
  });

  protected readonly asNumber = computed(() => {
    const value = this.value();
    return typeof value === 'number' ? value : null;
  });
  protected readonly asText = computed(() => {
    const value = this.value();
    return typeof value === 'string' ? value : '';
  });
  /** The id of the option chosen, which of a numeric one is its number spelt. */
  protected readonly asId = computed(() => {
    const field = this.field();
    return field.type === 'option' && field.numeric ? String(this.value()) : this.value();
  });
}
