import { textOf } from '../ui/units';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { dayTime, mass } from '../ui/words';
import { PlanService } from './plan-service';

/** Milk and all else that the plan weighs in: what comes out of the larder, what is to be bought, and by when. */
@Component({
  selector: 'oc-buy-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <h2 id="buy-title">Milk and the rest</h2>
    <ul aria-labelledby="buy-title">
      @for (buy of buys(); track buy.what) {
        <li>
          <b>Buy {{ buy.much }}</b> {{ buy.what }}, by {{ buy.by }}
        </li>
      }
      @for (take of takes(); track take.lotId) {
        <li class="quiet">
          {{ take.much }} of <a [routerLink]="['/larder', take.lotId]">{{ take.name }}</a> from {{ take.first }}
        </li>
      }
    </ul>
    @if (!buys().length && !takes().length) {
      <p class="quiet">Nothing is weighed in yet.</p>
    } @else if (!buys().length) {
      <p class="quiet">All of it is in the larder.</p>
    }
  `,
  styles: `
    li {
      padding: 0.2rem 0.2rem;
      border-top: 1px solid var(--line);
      font-size: 0.86rem;
      line-height: 1.3;
    }
  `,
})
export class BuyList {
  private readonly plans = inject(PlanService);
  protected readonly buys = computed(() =>
    (this.plans.standing()?.buys ?? []).map((b) => ({
      what: textOf(b.what).toLowerCase(),
      much: mass(b.massG),
      by: dayTime(b.byMs),
    })),
  );
  protected readonly takes = computed(() =>
    (this.plans.standing()?.takes ?? []).map((t) => ({ ...t, much: mass(t.massG), first: dayTime(t.firstMs) })),
  );
}
