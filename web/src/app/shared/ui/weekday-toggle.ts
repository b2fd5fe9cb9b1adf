import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { weekdayWord } from './dates';

/** The days of the week, from Monday on. */
export const weekdays = (): readonly { readonly day: number; readonly name: string; readonly initial: string }[] =>
  [1, 2, 3, 4, 5, 6, 0].map((day) => ({ day, name: weekdayWord(day), initial: weekdayWord(day, 'initial') }));

/** Days of the week, each on or off. */
@Component({
  selector: 'oc-weekday-toggle',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="days" role="group" [attr.aria-label]="label()">
      @for (weekday of weekdays(); track weekday.day) {
        <button
          type="button"
          [attr.aria-label]="weekday.name"
          [attr.aria-pressed]="days().includes(weekday.day)"
          (click)="toggle(weekday.day)"
        >
          {{ weekday.initial }}
        </button>
      }
    </div>
  `,
  styles: `
    .days {
      display: grid;
      grid-template-columns: repeat(7, minmax(0, 1fr));
      gap: 0.2rem;
    }
    button {
      font: inherit;
      padding: 0;
      min-height: var(--touch);
      font-size: 0.85rem;
      background: var(--paper);
      border: 1px solid var(--line-strong);
      border-radius: 5px;
      color: var(--ink);
      cursor: pointer;
    }
    button[aria-pressed='true'] {
      background: var(--cobalt);
      border-color: var(--cobalt);
      color: var(--on-cobalt);
    }
  `,
})
export class WeekdayToggle {
  readonly label = input.required<string>();
  readonly days = input.required<readonly number[]>();
  readonly changed = output<readonly number[]>();
  protected readonly weekdays = computed(weekdays);

  protected toggle(day: number): void {
    const days = this.days();
    this.changed.emit(days.includes(day) ? days.filter((d) => d !== day) : [...days, day].sort());
  }
}
