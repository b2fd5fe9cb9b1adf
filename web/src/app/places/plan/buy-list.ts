import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { named, textOf, AroundPipe, SayPipe } from '../../shared/ui/said';
import { dayTime, mass } from '../../shared/ui/words';
import { PlanService } from '../../planner/plan-service';

/** Milk and all else that the plan weighs in: what comes out of the larder, what is to be bought, and by when. */
@Component({
  selector: 'oc-buy-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AroundPipe, RouterLink, SayPipe],
  template: `
    <h2 id="buy-title">{{ 'page.plan.buyList.milkRest' | say }}</h2>
    <ul aria-labelledby="buy-title">
      @for (buy of buys(); track $index) {
        <li>
          <b>{{ 'page.plan.buyList.buy' | say: { much: buy.much } }}</b>
          {{ 'page.plan.buyList.by' | say: { what: buy.what, by: buy.by } }}
          @if (buy.toMeet) {
            <span class="problem">{{ 'page.plan.buyList.toMeet' | say: { name: buy.toMeet } }}</span>
          }
        </li>
      }
      @for (left of leftOver(); track left.name) {
        <li>{{ 'page.plan.buyList.leftOver' | say: left }}</li>
      }
      @for (take of coming(); track take.lotId) {
        <li class="quiet">
          {{ 'page.plan.buyList.takeComing' | say: { much: take.much, name: take.name, first: take.first } }}
        </li>
      }
      @for (take of takes(); track take.lotId) {
        <li class="quiet">
          @let at = 'page.plan.buyList.take' | around: { much: take.much, first: take.first }; {{ at[0]
          }}<a [routerLink]="[take.of === 'make' ? '/make' : '/larder', take.lotId]">{{ take.name }}</a
          >{{ at[1] }}
        </li>
      }
    </ul>
    @if (!buys().length && !taken().length) {
      <p class="quiet">{{ 'page.plan.buyList.nothingWeighedYet' | say }}</p>
    } @else if (!buys().length) {
      <p class="quiet">{{ 'page.plan.buyList.allLarder' | say }}</p>
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
    [...(this.plans.standing()?.buys ?? []), ...this.plans.leftOut().buys].map((b) => ({
      what: textOf(b.what).toLowerCase(),
      much: mass(b.massG),
      by: dayTime(b.byMs),
      toMeet: b.toMeet === null ? '' : named(b.toMeet),
    })),
  );
  protected readonly taken = computed(() =>
    (this.plans.standing()?.takes ?? []).map((t) => ({
      ...t,
      name: named(t.name),
      much: mass(t.massG),
      first: dayTime(t.firstMs),
    })),
  );
  protected readonly takes = computed(() => this.taken().filter((t) => !t.comes));
  protected readonly coming = computed(() => this.taken().filter((t) => t.comes));
  protected readonly leftOver = computed(() =>
    (this.plans.standing()?.leftOver ?? []).map((l) => ({
      name: textOf(l.name),
      mass: mass(l.massG),
      off: dayTime(l.offMs),
    })),
  );
}
