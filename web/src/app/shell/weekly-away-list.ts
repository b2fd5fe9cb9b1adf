import { ChangeDetectionStrategy, Component, computed } from '@angular/core';
import type { WeeklyAway } from '@oat-crock/contract/api';
import { OptionField } from '../shared/ui/option-field';
import { SayPipe, SaidPipe } from '../shared/ui/said';
import { WeekdayToggle } from '../shared/ui/weekday-toggle';
import { HOURS } from '../shared/ui/hour-options';
import { ListField } from './list-field';

/** Saturday mornings, until somebody says otherwise. */
const MARKET: WeeklyAway = { days: [6], fromH: 7, toH: 12 };

/** When somebody is away each week: days, and from one hour to another. */
@Component({
  selector: 'oc-weekly-away-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OptionField, SaidPipe, SayPipe, WeekdayToggle],
  template: `
    @for (one of away(); track $index; let i = $index) {
      <div class="row weekly">
        <oc-weekday-toggle
          [label]="'page.shell.peopleFields.awayDays' | say"
          [days]="one.days"
          (changed)="set(i, { days: $event })"
        />
        <oc-option-field
          [ariaLabel]="'page.shell.peopleFields.awayFrom' | say"
          [options]="hours()"
          [value]="one.fromH.toString()"
          [inPlace]="true"
          (changed)="set(i, { fromH: +$event })"
        />
        <oc-option-field
          [ariaLabel]="'page.shell.peopleFields.awayUntil' | say"
          [options]="hours()"
          [value]="one.toH.toString()"
          [inPlace]="true"
          (changed)="set(i, { toH: +$event })"
        />
        <button
          type="button"
          class="remove"
          [attr.aria-label]="'page.shell.peopleFields.notAway' | say"
          (click)="drop(i)"
        >
          <i class="pi pi-times" aria-hidden="true"></i>
        </button>
      </div>
      @for (problem of wrongOf(i); track problem.message) {
        <p class="problem" role="alert">{{ problem.message | said }} {{ problem.remedy | said }}</p>
      }
    }
    <button type="button" class="press quiet-press" (click)="changed.emit([...away(), market])">
      @if (who()) {
        {{ 'page.shell.peopleFields.timeAwayWeeklyOf' | say: { name: who() } }}
      } @else {
        {{ 'page.shell.peopleFields.timeAwayWeekly' | say }}
      }
    </button>
  `,
  styleUrl: './away-list.css',
})
export class WeeklyAwayList extends ListField<WeeklyAway> {
  protected readonly hours = computed(HOURS);
  protected readonly market = MARKET;
}
