import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { daysOn, localTime, momentAt } from '@oat-crock/calendar';
import type { Away, FieldProblem } from '@oat-crock/contract/api';
import { KitchenClock } from '../state/kitchen-clock';
import { DayField } from '../shared/ui/day-field';
import { SayPipe, SaidPipe } from '../shared/ui/said';

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
export class AwayList {
  readonly fieldId = input.required<string>();
  readonly away = input.required<readonly Away[]>();
  readonly zone = input.required<string>();
  /** Who is away; empty for those of the house. */
  readonly who = input('');
  /** What is wrong, each at its place in the list: "1.toMs". */
  readonly errors = input<readonly FieldProblem[]>([]);
  readonly changed = output<readonly Away[]>();
  private readonly clock = inject(KitchenClock);

  protected wrongOf(i: number): readonly FieldProblem[] {
    return this.errors().filter(({ field }) => field.split('.')[0] === String(i));
  }

  /** From tomorrow for a day, until somebody says otherwise. */
  protected add(): void {
    const zone = this.zone();
    const tomorrow = daysOn(localTime(this.clock.nowMs(), zone), 1);
    const away = { fromMs: momentAt(tomorrow, AWAY_H, zone), toMs: momentAt(tomorrow, 24 + AWAY_H, zone) };
    this.changed.emit([...this.away(), away]);
  }

  protected set(i: number, change: Partial<Away>): void {
    this.changed.emit(this.away().map((one, at) => (at === i ? { ...one, ...change } : one)));
  }

  protected drop(i: number): void {
    this.changed.emit(this.away().filter((_, at) => at !== i));
  }
}
