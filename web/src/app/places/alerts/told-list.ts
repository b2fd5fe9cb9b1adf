import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Alert, AlertRecipient } from '@oat-crock/contract/api';
import { written } from '../../shared/ui/dates';
import { named, SayPipe, tell, textOf } from '../../shared/ui/said';

/** What people were told, or are to be: the newest first. */
@Component({
  selector: 'oc-told-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, SayPipe],
  template: `
    <h2>{{ 'page.alerts.told.title' | say }}</h2>
    <ul>
      @for (row of rows(); track row.id) {
        <li [class.failed]="row.isFailed">
          <time>{{ row.due }}</time>
          <div>
            @if (row.batchId) {
              <a [routerLink]="['/make', row.batchId]">{{ row.of }}</a>
            } @else {
              <b>{{ row.of }}</b>
            }
            {{ row.says }}
            <small>{{ row.state }} {{ row.why }}</small>
          </div>
        </li>
      } @empty {
        <li class="quiet">{{ 'page.alerts.told.none' | say }}</li>
      }
    </ul>
  `,
  styles: `
    h2 {
      margin: 1.6rem 0 0.3rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      max-height: 24rem;
      overflow: auto;
    }
    li {
      display: grid;
      grid-template-columns: 7.5rem minmax(0, 1fr);
      gap: 0.8rem;
      padding: 0.4rem 0;
      border-bottom: 1px solid var(--line);
    }
    li.quiet {
      display: block;
    }
    time {
      color: var(--ink-soft);
    }
    small {
      display: block;
      color: var(--ink-soft);
    }
    .failed small {
      color: var(--brick);
    }
  `,
})
export class ToldList {
  readonly alerts = input.required<readonly Alert[]>();
  readonly recipients = input.required<readonly AlertRecipient[]>();

  protected readonly rows = computed(() => {
    const names = new Map(this.recipients().map(({ id, name }) => [id, name]));
    return this.alerts().map(({ id, recipientId, batchId, of, says, dueMs, state, doneMs, why }) => ({
      ...{ id, batchId, of: named(of), says: textOf(says), due: written(dueMs, 'dayClock'), why: textOf(why) },
      state: tell(`page.alerts.state.${state}`, {
        name: names.get(recipientId) ?? '',
        at: doneMs === null ? '' : written(doneMs, 'clock'),
      }),
      isFailed: state === 'failed' || state === 'unsure' || (state === 'waits' && why !== ''),
    }));
  });
}
