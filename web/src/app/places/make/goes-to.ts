import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { SaidPipe, SayPipe, tell } from '../../shared/ui/said';
import { dayTime, mass } from '../../shared/ui/words';
import { OwnOrders } from '../../state/own-orders';

/** What somebody waits for of a make, the first to be handed on first. */
export interface Waits {
  readonly id: string;
  readonly massG: number;
}

/** What each of those who wait gets of so much product, g: who comes first gets all of theirs before who comes after. */
export function sharedOut<T extends Waits>(
  productG: number,
  waits: readonly T[],
): readonly (T & { readonly getsG: number })[] {
  let leftG = productG;
  return waits.map((one) => {
    const getsG = Math.min(one.massG, leftG);
    leftG -= getsG;
    return { ...one, getsG };
  });
}

/** Less than this is no shortage, g: a scale in a kitchen shows no less. */
const SHORT_G = 5;

/** How what came out of a make is split among those it was made for. */
@Component({
  selector: 'oc-goes-to',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    @if (rows().length) {
      <h3 id="goes-to">{{ 'page.make.goesTo.title' | say }}</h3>
      <ul aria-labelledby="goes-to">
        @for (row of rows(); track row.id) {
          <li [class.short]="row.short">
            <b>{{ row.gets }}</b>
            <span>{{ row.whom | said }}{{ row.when }}</span>
            @if (row.short) {
              <span class="problem">{{ row.short }}</span>
            }
          </li>
        }
      </ul>
    }
  `,
  styles: `
    h3 {
      font-size: 0.95rem;
    }
    li {
      display: grid;
      grid-template-columns: 6rem minmax(0, 1fr) auto;
      gap: 0.6rem;
      border-top: 1px solid var(--line);
      padding: 0.25rem 0;
    }
    b {
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class GoesTo {
  readonly batchId = input.required<string>();
  /** As it was weighed; null until it is. */
  readonly productG = input.required<number | null>();
  private readonly orders = inject(OwnOrders);

  protected readonly rows = computed(() => {
    const waits = this.orders.waitingFor(this.batchId());
    const productG = this.productG() ?? Infinity;
    return sharedOut(productG, waits).map(({ id, whom, dueMs, massG, getsG }) => ({
      id,
      whom: whom || tell('page.make.goesTo.ourselves'),
      when: dueMs === null ? '' : `, ${dayTime(dueMs)}`,
      gets: mass(getsG),
      short: massG - getsG > SHORT_G ? tell('page.make.goesTo.short', { mass: mass(massG - getsG) }) : '',
    }));
  });
}
