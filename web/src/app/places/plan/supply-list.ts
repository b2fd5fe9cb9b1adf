import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Supply, SupplyTime } from '@oat-crock/contract/api';
import { listOf } from '@oat-crock/core';
import { hourWord, weekdayWord } from '../../shared/ui/dates';
import { SayPipe, tell } from '../../shared/ui/said';
import { dayTime, mass } from '../../shared/ui/words';
import { KitchenClock } from '../../state/kitchen-clock';
import { OwnSupplies } from '../../state/own-supplies';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { PlanService } from '../../planner/plan-service';
import { newSupply } from './supply-fields';
import { SupplyForm } from './supply-form';

/** Milk and cream that is brought: when it comes next, how much of it the plan takes, and whether it has come. */
@Component({
  selector: 'oc-supply-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, SupplyForm],
  template: `
    <div class="head">
      <h2 id="supply-title">{{ 'page.plan.supplyList.title' | say }}</h2>
      <button type="button" class="press quiet-press" (click)="add()">{{ 'page.plan.supplyList.add' | say }}</button>
    </div>
    @for (draft of unsaved(); track draft) {
      <oc-supply-form [id]="draft" (closed)="open.set(null)" />
    }
    <ul aria-labelledby="supply-title">
      @for (row of rows(); track row.id) {
        <li>
          @if (open() === row.id) {
            <oc-supply-form [id]="row.id" (closed)="open.set(null)" />
          } @else {
            <button
              type="button"
              class="supply"
              [attr.aria-label]="'page.plan.supplyList.change' | say: { name: row.name }"
              (click)="open.set(row.id)"
            >
              <b>{{ row.name }}</b>
              <span>{{ row.says }}</span>
            </button>
          }
          @for (time of row.times; track time.id) {
            <div class="time" [class.now]="time.asks">
              <span>{{ time.says }}</span>
              @if (time.asks) {
                <button type="button" class="press line-press" (click)="came(time.of)">
                  {{ 'page.plan.supplyList.isHere' | say }}
                </button>
                <button type="button" class="press quiet-press" (click)="supplies.settle(time.of)">
                  {{ 'page.plan.supplyList.doesNotCome' | say }}
                </button>
              }
            </div>
          }
        </li>
      } @empty {
        @if (!unsaved().length) {
          <li class="quiet none">{{ 'page.plan.supplyList.none' | say }}</li>
        }
      }
    </ul>
  `,
  styles: `
    .head {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    li {
      border-top: 1px solid var(--line);
      padding: 0.15rem 0;
    }
    .none {
      padding: 0.4rem 0;
      font-size: 0.86rem;
    }
    .supply {
      display: grid;
      width: 100%;
      min-height: var(--touch);
      padding: 0.2rem 0.2rem 0;
      text-align: start;
      font: inherit;
      color: var(--ink);
      background: transparent;
      border: 0;
      cursor: pointer;
    }
    .supply:hover {
      background: var(--paper-raised);
    }
    .supply b {
      font-family: var(--serif);
      font-weight: 600;
      font-size: 0.95rem;
      line-height: 1.2;
    }
    .supply span,
    .time {
      font-size: 0.84rem;
      color: var(--ink-soft);
    }
    .time {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.3rem;
      padding: 0.1rem 0.2rem;
    }
    .time.now {
      color: var(--ink);
    }
  `,
})
export class SupplyList {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly router = inject(Router);
  private readonly plans = inject(PlanService);
  protected readonly supplies = inject(OwnSupplies);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);
  protected readonly open = signal<string | null>(null);

  protected readonly unsaved = computed(() => {
    const known = new Set(this.supplies.all().map((s) => s.id));
    return Object.values(this.writing())
      .filter((w) => w.family === 'supplies' && !known.has(w.draft.id))
      .map((w) => w.draft.id);
  });

  protected readonly rows = computed(() => {
    const times = Map.groupBy(this.plans.inputs.comes(), (t) => t.supply.id);
    const taken = new Map(this.plans.standing()?.takes.map((t) => [t.lotId, t.massG]));
    return this.supplies.all().map((supply) => ({
      id: supply.id,
      name: supply.name,
      says: tell('page.plan.supplyList.comes', { mass: mass(supply.massG), when: comesWords(supply) }),
      times: (times.get(supply.id) ?? []).slice(0, SHOWN).map((of) => this.timeOf(of, taken.get(of.id) ?? 0)),
    }));
  });

  private timeOf(of: SupplyTime, takenG: number) {
    // From an hour before it is to come somebody may say that it is here.
    const asks = of.atMs - this.clock.nowMs() < HOUR_MS;
    const at = dayTime(of.atMs);
    const says = asks
      ? tell('page.plan.supplyList.isItHere', { at })
      : tell('page.plan.supplyList.taken', { at, taken: mass(takenG), of: mass(of.supply.massG) });
    return { id: of.id, of, asks, says };
  }

  protected add(): void {
    const draft = newSupply(this.clock.newId(), this.clock.exactMs());
    this.store.dispatch(RecordActions.edited({ family: 'supplies', draft, overVersion: 0 }));
  }

  /** It stands in the larder, and is looked at there: its label and mass may be otherwise this time. */
  protected came(time: SupplyTime): void {
    const lotId = this.supplies.came(time);
    void this.router.navigate(['/larder', lotId]);
  }
}

const HOUR_MS = 3_600_000;
/** Times that are shown of each. */
const SHOWN = 3;

/** "each Mon and Thu 07:00", "Wed 7 May 08:00" */
function comesWords({ comes }: Supply): string {
  if (comes.is === 'once') return dayTime(comes.atMs);
  // Monday comes first.
  const days = [...comes.days].sort((a, b) => ((a + 6) % 7) - ((b + 6) % 7)).map((day) => weekdayWord(day));
  return tell('page.plan.supplyList.weekly', { days: listOf(days), hour: hourWord(comes.atH) });
}
