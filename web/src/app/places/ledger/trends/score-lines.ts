import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { SHOULD_HOLD, type ScoredGroup } from '@oat-crock/core';
import { SayPipe, tell } from '../../../shared/ui/said';
import { amount, span } from '../../../shared/ui/words';

const percentOf = (share: number) => amount(100 * share, '%', 1);

/** How often the forecasts of a method's makes held, by when they were given, against how often they were to. */
@Component({
  selector: 'oc-score-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <h2>{{ 'page.ledger.score.howGood' | say }}</h2>
    <p class="quiet">{{ 'page.ledger.score.should' | say: { should } }}</p>
    <ul>
      @for (row of rows(); track row.key) {
        <li>
          <span class="when">{{ row.when }}</span>
          <svg viewBox="0 0 200 16" width="200" height="16" aria-hidden="true">
            <line class="whole" x1="0" x2="200" y1="8" y2="8" />
            <line
              class="between"
              [attr.x1]="200 * row.group.heldFrom"
              [attr.x2]="200 * row.group.heldTo"
              y1="8"
              y2="8"
            />
            <line class="should" [attr.x1]="200 * SHOULD_HOLD" [attr.x2]="200 * SHOULD_HOLD" y1="0" y2="16" />
            <circle class="held" [attr.cx]="(200 * row.group.held) / row.group.given" cy="8" r="4.5" />
          </svg>
          <span class="says">{{ row.says }}</span>
          @if (row.verdict) {
            <strong>{{ row.verdict }}</strong>
          }
        </li>
      } @empty {
        <li>{{ 'page.ledger.score.none' | say }}</li>
      }
    </ul>
  `,
  styles: `
    ul {
      padding: 0;
      margin: 0;
      list-style: none;
    }
    li {
      padding: 0.45rem 0;
      border-top: 1px solid var(--line);
    }
    .when {
      display: block;
      font-weight: 600;
    }
    .says,
    strong {
      display: block;
      font-size: 0.88rem;
    }
    .whole {
      stroke: var(--line);
      stroke-width: 2;
    }
    .between {
      stroke: var(--cobalt);
      stroke-width: 4;
      opacity: 0.35;
    }
    .should {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .held {
      fill: var(--cobalt);
    }
  `,
})
export class ScoreLines {
  readonly groups = input.required<readonly ScoredGroup[]>();
  protected readonly SHOULD_HOLD = SHOULD_HOLD;
  protected readonly should = percentOf(SHOULD_HOLD);

  protected readonly rows = computed(() =>
    this.groups().map((group) => {
      const { by, share, given, held, sooner, later, middleOffH, middleAheadH, heldFrom, heldTo } = group;
      const off = span(Math.round(Math.abs(middleOffH) * 60));
      return {
        group,
        key: `${by} ${share}`,
        when: tell('page.ledger.score.when', {
          by,
          share: share === 0 ? 'begin' : share < 0.7 ? 'half' : 'late',
          ahead: span(Math.round(middleAheadH * 60)),
        }),
        says: tell('page.ledger.score.held', {
          held,
          given,
          percent: percentOf(held / given),
          sooner,
          later,
          way: Math.abs(middleOffH) < 1 / 30 ? 'even' : middleOffH > 0 ? 'later' : 'sooner',
          off,
        }),
        verdict:
          heldTo < SHOULD_HOLD
            ? tell('page.ledger.score.tooNarrow')
            : heldFrom > SHOULD_HOLD
              ? tell('page.ledger.score.tooWide')
              : '',
      };
    }),
  );
}
