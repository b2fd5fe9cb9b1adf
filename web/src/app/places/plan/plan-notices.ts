import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { listOf } from '@oat-crock/core';
import { batchName } from '../../shared/ui/batch-name';
import { planFeature } from '../../state/plan.feature';
import { textOf, SaidPipe, tell, textList, SayPipe } from '../../shared/ui/said';
import { dayTime, problemWords } from '../../shared/ui/words';
import { changeWords } from './found-list';
import { PlanService } from '../../planner/plan-service';
import { PlanRecords } from '../../state/plan-records';
import { PlanLive } from './plan-live';
import { BatchMover } from './batch-mover';

const TROUBLES_SHOWN = 2;
const CHANGES_SHOWN = 3;

/** What of the plan does not hold, and the one key that mends it; what is moved and not taken; what could not be kept. */
@Component({
  selector: 'oc-plan-notices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    @if (planRecords.notKept().length) {
      <div class="notice grave" role="alert">
        <p>
          {{
            'page.plan.planNotices.plansMakesCouldNot'
              | say: { count: planRecords.notKept().length, whyNotKept: whyNotKept() }
          }}
        </p>
        <button type="button" class="press line-press" (click)="planRecords.again()">
          {{ 'page.plan.planNotices.keepNow' | say }}
        </button>
      </div>
    }
    @for (late of live.late(); track late.batchId) {
      <div class="notice grave" role="status">
        <p>{{ late.says }}</p>
      </div>
    }
    @if (plans.draft(); as draft) {
      <div class="notice" role="status">
        <p>
          <b>{{ 'page.plan.planNotices.notTakenYet' | say }}</b> {{ draft.of }}. {{ holds() | said }}
        </p>
        <button type="button" class="press" aria-keyshortcuts="T" (click)="taken.emit()">
          {{ 'page.plan.planNotices.takePlan' | say }} <kbd>T</kbd>
        </button>
        <button type="button" class="press quiet-press" (click)="plans.putBack()">
          {{ 'page.plan.planNotices.putBack' | say }}
        </button>
      </div>
    } @else if (troubles().length) {
      <div class="notice grave" role="alert">
        <p>
          <b>{{ 'page.plan.planNotices.planNoLongerHolds' | say }}</b>{{ ' ' }}
          @for (trouble of troubles(); track trouble.plannedBatchId) {
            <button type="button" class="link" (click)="mover.chosen.set(trouble.plannedBatchId)">
              {{ trouble.name }}</button>:
            {{ trouble.says | said }}
          }
          @if (more()) {
            {{ 'page.plan.planNotices.andMore' | say: { more: more() } }}
          }
          @if (changes().length) {
            <span class="change">{{ changes().join(' ') }}</span>
          } @else if (unmendable()) {
            {{ 'page.plan.planNotices.nothingMovesLessAll' | say: { unmendable: unmendable() } }}
          }
        </p>
        @if (plans.mending()) {
          <p class="quiet">{{ 'page.plan.planNotices.lookingLeastMustMove' | say }}</p>
        } @else if (changes().length) {
          <button type="button" class="press" aria-keyshortcuts="R" (click)="mended.emit()">
            {{ 'page.plan.planNotices.moveItSo' | say }} <kbd>R</kbd>
          </button>
        }
      </div>
    } @else if (unplaced()) {
      <div class="notice" role="status">
        <p>
          {{ unplaced() }} <span class="change">{{ changes().join(' ') }}</span>
        </p>
        @if (plans.mending()) {
          <p class="quiet">{{ 'page.plan.planNotices.lookingWhereFits' | say }}</p>
        } @else if (changes().length) {
          <button type="button" class="press" aria-keyshortcuts="R" (click)="mended.emit()">
            {{ 'page.plan.planNotices.putItInSo' | say }} <kbd>R</kbd>
          </button>
        }
      </div>
    }
    @if (!plans.draft() && !troubles().length && plans.shifted().length) {
      <div class="notice" role="status">
        <p>
          {{ 'page.plan.planNotices.handsComeAnotherTime' | say: { shiftedNames: shiftedNames() } }}
        </p>
        <button type="button" class="press line-press" (click)="plans.take()">
          {{ 'page.plan.planNotices.keepItSo' | say }}
        </button>
      </div>
    }
    @if (plans.stale().length) {
      <div class="notice" role="status">
        <p>{{ staleWords() }}</p>
        <button type="button" class="press line-press" (click)="plans.dropStale()">
          {{ 'page.plan.planNotices.takeAway' | say }}
        </button>
      </div>
    }
    @if (said() && !plans.draft()) {
      <div class="notice" role="status">
        <p>{{ said() }}</p>
        @if (undoable()) {
          <button type="button" class="press quiet-press" aria-keyshortcuts="U" (click)="undone.emit()">
            {{ 'page.plan.planNotices.undo' | say }} <kbd>U</kbd>
          </button>
        }
      </div>
    }
    @if (plans.failed(); as why) {
      <div class="notice grave" role="alert">
        <p>{{ 'page.plan.planNotices.planCouldNotWorked' | say: { why: why } }}</p>
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.3rem;
    }
    .notice {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 0.8rem;
      align-items: center;
      padding: 0.3rem 0.7rem;
      border-radius: var(--radius);
      background: var(--cobalt-wash);
      font-size: 0.92rem;
    }
    .notice > p:first-child,
    .notice > div {
      flex: 1 1 18rem;
    }
    .grave {
      background: var(--brick-wash);
    }
    .change {
      font-weight: 600;
    }
    .press kbd {
      margin-inline-start: 0.4rem;
      color: var(--ink);
    }
    .link {
      font: inherit;
      font-weight: 650;
      color: inherit;
      text-decoration: underline;
      background: none;
      border: 0;
      padding: 0;
      cursor: pointer;
    }
  `,
})
export class PlanNotices {
  /** What was done last, in words, and whether that is a plan that was taken. */
  readonly said = input('');
  readonly undoes = input(false);
  readonly taken = output();
  readonly mended = output();
  readonly undone = output();
  private readonly before = inject(Store).selectSignal(planFeature.selectBefore);
  protected readonly undoable = computed(() => this.undoes() && this.before() !== null);
  protected readonly plans = inject(PlanService);
  protected readonly planRecords = inject(PlanRecords);
  protected readonly live = inject(PlanLive);
  protected readonly mover = inject(BatchMover);

  private readonly all = computed(() => this.plans.standing()?.troubles ?? []);
  protected readonly troubles = computed(() => {
    const plannedBatches = this.plans.standing()?.plannedBatches ?? [];
    return this.all()
      .slice(0, TROUBLES_SHOWN)
      .map(({ plannedBatchId, breaks }) => {
        const plannedBatch = plannedBatches.find((p) => p.id === plannedBatchId);
        const [first] = breaks;
        const at = first?.atMs && first.is !== 'past' ? ` (${dayTime(first.atMs)})` : '';
        return {
          plannedBatchId,
          name: plannedBatch ? batchName(plannedBatch) : '',
          says: `${textOf(first?.says ?? '')}${at}`,
        };
      });
  });
  protected readonly more = computed(() => Math.max(0, this.all().length - TROUBLES_SHOWN));
  protected readonly changes = computed(() =>
    (this.plans.mend()?.changes ?? []).slice(0, CHANGES_SHOWN).map(changeWords),
  );
  protected readonly unmendable = computed(() => {
    const mend = this.plans.mend();
    return this.plans.mending() || !mend || this.changes().length > 0
      ? ''
      : mend.notMet.map((n) => textOf(n.why)).join(' ');
  });
  protected readonly unplaced = computed(() => {
    const count = this.plans.standing()?.unplaced.length ?? 0;
    if (count === 0 || this.plans.inputs.planned().length === 0) return '';
    return tell('page.plan.planNotices.unplaced', { count });
  });
  protected readonly holds = computed(() => {
    const [first] = this.troubles();
    const standing = this.plans.standing();
    const count = new Set([...(standing?.notMet.map((n) => n.occurrenceId) ?? []), ...(standing?.unplaced ?? [])]).size;
    if (!first && count > 0) return tell('page.plan.planNotices.holdsBut', { count });
    if (!first) return tell('page.plan.planNotices.allHolds');
    return tell('page.plan.planNotices.trouble', { name: first.name, says: first.says, more: this.all().length - 1 });
  });
  protected readonly shiftedNames = computed(() => textList(this.plans.shifted().map(batchName)));
  protected readonly staleWords = computed(() => {
    const names = this.plans.stale().map(batchName);
    return tell('page.plan.planNotices.stale', { names: listOf(names), count: names.length });
  });
  protected readonly whyNotKept = computed(() => {
    const [first] = this.planRecords.notKept();
    if (first?.theirs) return tell('page.plan.planNotices.somebodyElseChangedPlan');
    const [error] = first?.errors ?? [];
    return error ? problemWords(error) : '';
  });
}
