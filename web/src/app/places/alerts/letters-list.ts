import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SimulatedLetter } from '@oat-crock/contract/api';
import { written } from '../../shared/ui/dates';
import { SayPipe, tell } from '../../shared/ui/said';

/** What the demonstration's stand-ins for mail and requests received: nothing of it leaves this machine. */
@Component({
  selector: 'oc-letters-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <h2>{{ 'page.alerts.letters.title' | say }}</h2>
    <p class="quiet">{{ 'page.alerts.letters.why' | say }}</p>
    <ul>
      @for (row of rows(); track row.id) {
        <li>
          <p class="quiet">{{ row.head }}</p>
          <p>
            <b>{{ row.subject }}</b>
          </p>
          <p class="text">{{ row.text }}</p>
        </li>
      } @empty {
        <li class="quiet">{{ 'page.alerts.letters.none' | say }}</li>
      }
    </ul>
  `,
  styles: `
    h2 {
      margin: 1.6rem 0 0.3rem;
    }
    ul {
      list-style: none;
      margin: 0.4rem 0 0;
      padding: 0;
      max-height: 22rem;
      overflow: auto;
    }
    li {
      padding: 0.5rem 0.8rem;
      margin-bottom: 0.5rem;
      background: var(--paper-raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
    }
    .text {
      white-space: pre-line;
      overflow-wrap: anywhere;
    }
  `,
})
export class LettersList {
  readonly letters = input.required<readonly SimulatedLetter[]>();

  protected readonly rows = computed(() =>
    this.letters().map(({ id, atMs, way, to, subject, text }) => ({
      ...{ id, subject, text },
      head: tell('page.alerts.letters.head', {
        way: tell(`page.alerts.way.${way}`),
        to,
        at: written(atMs, 'dayClock'),
      }),
    })),
  );
}
