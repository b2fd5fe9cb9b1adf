import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Deviation } from '@oat-crock/core';
import { capital } from '../../shared/ui/words';
import { textOf, SaidPipe, tell, SayPipe } from '../../shared/ui/said';

/** What was done otherwise than planned, and what that does to the end. */
@Component({
  selector: 'oc-otherwise',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    <h2>{{ 'page.make.otherwise.otherwisePlanned' | say }}</h2>
    <ul>
      @for (row of rows(); track row.id) {
        <li>
          <b>{{ row.says | said }}.</b> {{ row.effects | said }}
        </li>
      }
    </ul>
  `,
  styles: `
    li {
      padding: 0.25rem 0;
      font-size: 0.92rem;
    }
  `,
})
export class Otherwise {
  readonly deviations = input.required<readonly Deviation[]>();
  protected readonly rows = computed(() =>
    this.deviations()
      .toSorted((a, b) => b.effects.length - a.effects.length)
      .map(({ stageId, says, effects }) => ({
        id: stageId,
        says,
        effects: effects.length
          ? `${capital(effects.map(textOf).join('; '))}.`
          : tell('page.make.otherwise.makesNoDifferenceWorth'),
      })),
  );
}
