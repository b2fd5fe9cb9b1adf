import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Text } from '@oat-crock/core';
import { SelectModule } from 'primeng/select';
import { named } from './said';

/** Something to choose, and more about it for those who open the list. */
export interface Option {
  readonly id: string;
  readonly label: Text;
  readonly why?: Text;
}

/** One of a list. */
@Component({
  selector: 'oc-option-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, SelectModule],
  template: `
    <p-select
      [inputId]="fieldId()"
      [ariaLabel]="ariaLabel()"
      [options]="$any(inWords())"
      optionLabel="label"
      optionValue="id"
      [filter]="filter()"
      [placeholder]="placeholder()"
      [ngModel]="value()"
      [ngModelOptions]="{ standalone: true }"
      (onChange)="picked = $event.value; changed.emit($event.value)"
      (onHide)="settle()"
      [invalid]="invalid()"
      [appendTo]="inPlace() ? 'self' : 'body'"
      scrollHeight="20rem"
    >
      <ng-template #item let-option>
        <span class="option"
          >{{ option.label }}
          @if (option.why) {
            <small>{{ option.why }}</small>
          }
        </span>
      </ng-template>
    </p-select>
  `,
  styles: `
    :host {
      display: contents;
    }
    p-select {
      width: 100%;
    }
    .option {
      display: grid;
    }
    small {
      color: var(--ink-soft);
    }
  `,
})
export class OptionField {
  readonly fieldId = input<string>();
  /** What is asked; also where a label stands beside it, as that does not reach the list. */
  readonly ariaLabel = input.required<string>();
  readonly options = input.required<readonly Option[]>();
  protected readonly inWords = computed(() =>
    this.options().map(({ id, label, why }) => ({ id, label: named(label), ...(why && { why: named(why) }) })),
  );
  /** What is chosen; null for a list that only adds something. */
  readonly value = input.required<unknown>();
  readonly placeholder = input('');
  readonly filter = input(false);
  readonly invalid = input(false);
  /** Opened where it stands: within a dialog, which lies over everything else of the page. */
  readonly inPlace = input(false);
  readonly changed = output<string>();
  /** The same once the list has closed and given the focus back: for what takes the focus elsewhere. */
  readonly settled = output<string>();

  protected picked: string | null = null;

  protected settle(): void {
    const picked = this.picked;
    this.picked = null;
    if (picked !== null) this.settled.emit(picked);
  }
}
