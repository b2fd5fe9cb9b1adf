import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { isFor, type Occurrence } from '@oat-crock/contract/api';
import { methodById } from '@oat-crock/core';
import { nameOfWanted } from '../../shared/ui/batch-name';
import { fillingWords } from '../../shared/ui/filling-words';
import { householdSelectors } from '../../state/household';
import { KitchenClock } from '../../state/kitchen-clock';
import { MethodBook } from '../../state/method-book';
import { OwnOrders } from '../../state/own-orders';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { textOf, SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';
import { newOrder } from './new-order';
import { OrderForm } from './order-form';
import { PlanService } from '../../planner/plan-service';
import { chanceWords, dueWords, isLessSure, whenWords } from './plan-words';
import { BatchMover } from './batch-mover';

/** What is wanted at the left of the plan: each order with what comes of it, or why nothing does. */
@Component({
  selector: 'oc-wanted-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OrderForm, SaidPipe, SayPipe],
  template: `
    <div class="head">
      <h2 id="wanted-title">{{ 'page.plan.wantedList.wanted' | say }}</h2>
      <button type="button" class="press quiet-press" (click)="add()">
        {{ 'page.plan.wantedList.wantSomething' | say }}
      </button>
    </div>
    @for (draft of unsaved(); track draft) {
      <oc-order-form [id]="draft" (closed)="open.set(null)" />
    }
    <ul aria-labelledby="wanted-title">
      @for (row of rows(); track row.id) {
        <li [class.wrong]="row.wrong">
          @if (open() === row.id) {
            <oc-order-form [id]="row.id" (closed)="open.set(null)" />
          } @else {
            <button
              type="button"
              class="order"
              [attr.aria-label]="'page.plan.wantedList.change' | say: { name: row.name }"
              (click)="open.set(row.id)"
            >
              <b>{{ row.name }}</b>
              <span>{{ row.much }}, {{ row.due }}</span>
            </button>
          }
          @for (time of row.times; track time.id) {
            @if (time.plannedBatchId; as plannedBatchId) {
              <button type="button" class="time" (click)="mover.chosen.set(plannedBatchId)">{{ time.says }}</button>
            } @else {
              <p class="time" [class.unmet]="time.unmet">{{ time.says | said }}</p>
            }
          }
        </li>
      } @empty {
        @if (!unsaved().length) {
          <li class="quiet none">
            {{ 'page.plan.wantedList.sayWhatYouWant' | say }}
          </li>
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
    li.wrong {
      border-left: 4px solid var(--brick);
      padding-left: 0.5rem;
    }
    .none {
      padding: 0.6rem 0;
    }
    .order {
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
    .order:hover {
      background: var(--paper-raised);
    }
    .order b {
      font-family: var(--serif);
      font-weight: 600;
      font-size: 0.95rem;
      line-height: 1.2;
    }
    .order span {
      font-size: 0.85rem;
      color: var(--ink-soft);
    }
    .time {
      display: block;
      font: inherit;
      font-size: 0.82rem;
      line-height: 1.3;
      padding: 0.15rem 0.2rem;
      text-align: start;
      border: 0;
      background: transparent;
      color: var(--ink-soft);
    }
    button.time {
      color: var(--cobalt);
      cursor: pointer;
      min-height: 1.6rem;
    }
    button.time:hover {
      text-decoration: underline;
    }
    .time.unmet {
      color: var(--brick);
      font-weight: 600;
    }
  `,
})
export class WantedList {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly plans = inject(PlanService);
  protected readonly mover = inject(BatchMover);
  private readonly ownOrders = inject(OwnOrders);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);
  protected readonly open = signal<string | null>(null);

  /** Orders that are being written and were never saved. */
  protected readonly unsaved = computed(() => {
    const known = new Set(this.plans.inputs.orders().map((o) => o.id));
    return Object.values(this.writing())
      .filter((w) => w.family === 'orders' && !known.has(w.draft.id))
      .map((w) => w.draft.id);
  });

  protected readonly rows = computed(() => {
    const times = Map.groupBy(this.plans.inputs.occurrences(), (o) => o.order.id);
    return this.plans.inputs
      .orders()
      .map((order) => {
        const own = (times.get(order.id) ?? []).map((o) => this.timeOf(o));
        const method = this.book.find(order.methodId)?.name ?? tell('page.plan.wantedList.methodGone2');
        return {
          id: order.id,
          name: nameOfWanted(method, order.whom),
          much: mass(order.productG),
          due: dueWords(order, this.plans.inputs.startMs()),
          times:
            own.length > 0
              ? own
              : [{ id: order.id, says: tell('page.plan.wantedList.notDaysAhead'), unmet: false, plannedBatchId: null }],
          wrong: own.some((t) => t.unmet),
          firstMs: Math.min(Infinity, ...(times.get(order.id) ?? []).map((o) => o.dueMs ?? Infinity)),
        };
      })
      .sort((a, b) => a.firstMs - b.firstMs);
  });

  private timeOf({ id, dueMs, order }: Occurrence) {
    const standing = this.plans.standing();
    const when = (ms: number) => whenWords(ms, this.plans.inputs.startMs());
    const of = (says: string) =>
      dueMs === null ? says : tell('page.plan.wantedList.forThatDay', { when: when(dueMs), says });
    const filling = this.ownOrders.fillingOf(id);
    const has = filling && (filling.isMet || filling.missingG < order.productG) ? fillingWords(filling) : '';
    const isSettled = order.settled?.includes(id) ?? false;
    const plannedBatches = standing?.plannedBatches.filter((p) => isFor(p, id)) ?? [];
    const left = [...(standing?.notMet ?? []), ...this.plans.leftOut().notMet];
    const notMet = left.find((n) => n.occurrenceId === id);
    if (!this.book.find(order.methodId))
      return { id, says: of(tell('page.plan.wantedList.methodGone')), unmet: true, plannedBatchId: null };
    if (plannedBatches.length > 0) {
      const [first] = [...plannedBatches].sort((a, b) => a.startMs - b.startMs);
      const begin = { when: when(first!.startMs), makes: plannedBatches.length };
      const shared = plannedBatches.some((p) => p.shares);
      const met = standing?.chances?.byOrder[id] ?? 1;
      const told = tell(shared ? 'page.plan.wantedList.beginTogether' : 'page.plan.wantedList.begin', begin);
      // Where it is less sure than is wished of all of them, that is said of each that it is for.
      const begins = isLessSure(met, this.settings().planChance)
        ? tell('page.plan.wantedList.risky', { says: told, chance: chanceWords(met) })
        : told;
      const says = of(has ? tell('page.plan.wantedList.hasAndBegins', { has, begins }) : begins);
      return { id, says, unmet: false, plannedBatchId: first!.id };
    }
    if (isSettled || filling?.isMet)
      return {
        ...{ id, unmet: false, plannedBatchId: null },
        says: of(isSettled ? tell('page.plan.wantedList.settled') : has),
      };
    if (notMet)
      return { id, says: of(`${textOf(notMet.why)} ${textOf(notMet.remedy)}`), unmet: true, plannedBatchId: null };
    return {
      id,
      says: of(standing ? tell('page.plan.wantedList.notYet') : tell('page.plan.wantedList.working')),
      unmet: false,
      plannedBatchId: null,
    };
  }

  protected add(): void {
    const nowMs = this.clock.exactMs();
    const order = newOrder(this.clock.newId(), methodById('strained-yogurt'), nowMs);
    this.store.dispatch(RecordActions.edited({ family: 'orders', draft: order, overVersion: 0 }));
  }
}
