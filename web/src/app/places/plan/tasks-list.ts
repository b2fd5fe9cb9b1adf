import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { DayOfTasks } from './tasks-by-day';
import { SayPipe } from '../../shared/ui/said';

/** When hands are needed, day by day, as a list. */
@Component({
  selector: 'oc-tasks-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    @for (day of days(); track day.day) {
      <section [attr.aria-label]="day.day">
        <h3>
          {{ day.day }} <span>{{ 'page.plan.tasksList.ofHands' | say: { takes: day.takes } }}</span>
        </h3>
        <ol>
          @for (visit of day.visits; track $index) {
            <li>
              <b>{{ visit.at }}</b>
              <span>
                <i>{{ visit.of }}</i>: {{ visit.says }}
              </span>
              <span class="quiet">{{ visit.takes === '0 min' ? '' : visit.takes }}</span>
            </li>
          }
        </ol>
      </section>
    } @empty {
      <p class="quiet">{{ 'page.plan.tasksList.noHandsPlannedYet' | say }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      overflow-y: auto;
      background: var(--paper-raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      padding: 0.3rem 1rem 0.8rem;
      columns: 26rem auto;
      column-gap: 2rem;
    }
    h3 {
      padding-top: 0.6rem;
    }
    h3 span {
      font-family: var(--sans);
      font-weight: 400;
      font-size: 0.85rem;
      color: var(--ink-soft);
    }
    li {
      display: grid;
      grid-template-columns: 3.2rem minmax(0, 1fr) 3.6rem;
      gap: 0.4rem;
      padding: 0.2rem 0;
      border-top: 1px solid var(--line);
      font-size: 0.88rem;
      line-height: 1.3;
      break-inside: avoid;
    }
    li .quiet {
      text-align: end;
      font-size: 0.82rem;
    }
  `,
})
export class TasksList {
  readonly days = input.required<readonly DayOfTasks[]>();
}
