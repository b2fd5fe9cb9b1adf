import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { DatePickerModule } from 'primeng/datepicker';
import { pickedMoment, pickerDate } from '../../engine/device';
import { clockOf, pickedAs } from './dates';
import { kitchenZone } from './zone';

/** A day, or a moment of a day, picked or typed as the household writes dates. */
@Component({
  selector: 'oc-day-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, DatePickerModule],
  template: `
    <p-datepicker
      [inputId]="fieldId()"
      [ngModel]="date()"
      (ngModelChange)="picked($event)"
      [ngModelOptions]="{ standalone: true }"
      [dateFormat]="pickedAs()"
      [hourFormat]="clockOf()"
      [showTime]="withTime()"
      [stepMinute]="15"
      [showClear]="clears()"
      [showOnFocus]="false"
      [showIcon]="true"
      [appendTo]="inPlace() ? 'self' : 'body'"
    />
  `,
})
export class DayField {
  readonly fieldId = input.required<string>();
  /** Moment that is shown, ms; null for none. */
  readonly atMs = input.required<number | null>();
  readonly withTime = input(false);
  readonly clears = input(false);
  /** Opened where it stands: within a dialog, which lies over everything else of the page. */
  readonly inPlace = input(false);
  /** The moment that was picked, ms; null where it was cleared. */
  readonly changed = output<number | null>();
  protected readonly pickedAs = pickedAs;
  protected readonly clockOf = clockOf;
  protected readonly date = computed(() => {
    const atMs = this.atMs();
    return atMs === null ? null : pickerDate(atMs, kitchenZone());
  });

  /** What is being typed and is no date yet is left alone. */
  protected picked(date: unknown): void {
    if (date === null) this.changed.emit(null);
    else if (date instanceof Date && Number.isFinite(date.getTime()))
      this.changed.emit(pickedMoment(date, kitchenZone()));
  }
}
