import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { daysOn, localTime, momentAt } from '@oat-crock/calendar';
import type { Away } from '@oat-crock/contract/api';
import { KitchenClock } from '../state/kitchen-clock';
import { DayField } from '../shared/ui/day-field';
import { SayPipe, SaidPipe } from '../shared/ui/said';
import { ListField } from './list-field';

/** The hour at which a time away begins and ends, until somebody says otherwise. */
const AWAY_H = 8;

/** When somebody is away: from a day and hour to another. */
@Component({
  selector: 'oc-away-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayField, SaidPipe, SayPipe],
  template: `
    @for (one of away(); track $index; let i = $index) {
      <div class="row once">
        <label class="unseen" [for]="fieldId() + '-from-' + i">{{ 'page.shell.peopleFields.awayFrom' | say }}</label>
        <oc-day-field
          [fieldId]="fieldId() + '-from-' + i"
          [atMs]="one.fromMs"
          [withTime]="true"
          [inPlace]="true"
          (changed)="set(i, { fromMs: $event ?? one.fromMs })"
        />
        <span aria-hidden="true">{{ 'page.shell.peopleFields.to' | say }}</span>
        <label class="unseen" [for]="fieldId() + '-to-' + i">{{ 'page.shell.peopleFields.awayUntil' | say }}</label>
        <oc-day-field
          [fieldId]="fieldId() + '-to-' + i"
          [atMs]="one.toMs"
          [withTime]="true"
          [inPlace]="true"
          (changed)="set(i, { toMs: $event ?? one.toMs })"
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
    <button type="button" class="press quiet-press" (click)="add()">
      @if (who()) {
        {{ 'page.shell.peopleFields.timeAwayOf' | say: { name: who() } }}
      } @else {
        {{ 'page.shell.peopleFields.timeAway' | say }}
      }
    </button>
  `,
  styleUrl: './away-list.css',
})
export class AwayList extends ListField<Away> {
  readonly fieldId = input.required<string>();
  readonly zone = input.required<string>();
  private readonly clock = inject(KitchenClock);

  /** From tomorrow for a day, until somebody says otherwise. */
  protected add(): void {
    const zone = this.zone();
    const tomorrow = daysOn(localTime(this.clock.nowMs(), zone), 1);
    const away = { fromMs: momentAt(tomorrow, AWAY_H, zone), toMs: momentAt(tomorrow, 24 + AWAY_H, zone) };
    this.changed.emit([...this.away(), away]);
  }
}
