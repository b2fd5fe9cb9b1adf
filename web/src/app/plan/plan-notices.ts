import { batchName } from '../ui/batch-name';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { planFeature } from '../state/plan.feature';
import { textOf, SaidPipe } from '../ui/units';
import { dayTime } from '../ui/words';
import { changeWords } from './found-list';
import { PlanService } from './plan-service';
import { PlanRecords } from './plan-records';
import { PlanLive } from './plan-live';
import { BatchMover } from './batch-mover';

const TROUBLES_SHOWN = 2;
const CHANGES_SHOWN = 3;

/** What of the plan does not hold, and the one key that mends it; what is moved and not taken; what could not be kept. */
@Component({
  selector: 'oc-plan-notices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe],
  template: `
    @if (planRecords.notKept().length) {
      <div class="notice grave" role="alert">
        <p>
          {{ planRecords.notKept().length }} of the plan’s makes could not be kept: {{ whyNotKept() | said }}
          What you took is here meanwhile.
        </p>
        <button type="button" class="press line-press" (click)="planRecords.again()">Keep it now</button>
      </div>
    }
    @for (late of live.late(); track late.batchId) {
      <div class="notice grave" role="status">
        <p>{{ late.says }}</p>
      </div>
    }
    @if (plans.draft(); as draft) {
      <div class="notice" role="status">
        <p><b>Not taken yet:</b> {{ draft.of }}. {{ holds() | said }}</p>
        <button type="button" class="press" aria-keyshortcuts="T" (click)="taken.emit()">
          Take this plan <kbd>T</kbd>
        </button>
        <button type="button" class="press quiet-press" (click)="plans.putBack()">Put it back</button>
      </div>
    } @else if (troubles().length) {
      <div class="notice grave" role="alert">
        <p>
          <b>The plan no longer holds.</b>{{ ' ' }}
          @for (trouble of troubles(); track trouble.plannedBatchId) {
            <button type="button" class="link" (click)="mover.chosen.set(trouble.plannedBatchId)">
              {{ trouble.name }}</button>:
            {{ trouble.says | said }}
          }
          @if (more()) {
            And {{ more() }} more.
          }
          @if (changes().length) {
            <span class="change">{{ changes().join(' ') }}</span>
          } @else if (unmendable()) {
            Nothing that moves less than all of it mends this: {{ unmendable() | said }}
          }
        </p>
        @if (plans.mending()) {
          <p class="quiet">Looking for the least that must move…</p>
        } @else if (changes().length) {
          <button type="button" class="press" aria-keyshortcuts="R" (click)="mended.emit()">
            Move it so <kbd>R</kbd>
          </button>
        }
      </div>
    } @else if (unplaced()) {
      <div class="notice" role="status">
        <p>
          {{ unplaced() }} <span class="change">{{ changes().join(' ') }}</span>
        </p>
        @if (plans.mending()) {
          <p class="quiet">Looking where it fits…</p>
        } @else if (changes().length) {
          <button type="button" class="press" aria-keyshortcuts="R" (click)="mended.emit()">
            Put it in so <kbd>R</kbd>
          </button>
        }
      </div>
    }
    @if (!plans.draft() && !troubles().length && plans.shifted().length) {
      <div class="notice" role="status">
        <p>
          Hands of {{ shiftedNames() }} come at another time than when it was taken: your hours, your gear or the room
          have changed since.
        </p>
        <button type="button" class="press line-press" (click)="plans.take()">Keep it so</button>
      </div>
    }
    @if (plans.stale().length) {
      <div class="notice" role="status">
        <p>{{ staleWords() }}</p>
        <button type="button" class="press line-press" (click)="plans.dropStale()">Take it away</button>
      </div>
    }
    @if (said() && !plans.draft()) {
      <div class="notice" role="status">
        <p>{{ said() }}</p>
        @if (undoable()) {
          <button type="button" class="press quiet-press" aria-keyshortcuts="U" (click)="undone.emit()">
            Undo <kbd>U</kbd>
          </button>
        }
      </div>
    }
    @if (plans.failed(); as why) {
      <div class="notice grave" role="alert">
        <p>The plan could not be worked out: {{ why | said }} What is kept of it is still shown.</p>
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
    return count === 1
      ? 'One thing is wanted that is not in the plan yet.'
      : `${count} things are wanted that are not in the plan yet.`;
  });
  protected readonly holds = computed(() => {
    const [first] = this.troubles();
    if (!first) return 'All of it holds.';
    return `${first.name}: ${first.says}${this.all().length > 1 ? ` And ${this.all().length - 1} more.` : ''}`;
  });
  protected readonly shiftedNames = computed(() => this.plans.shifted().map(batchName).join(' and '));
  protected readonly staleWords = computed(() => {
    const names = this.plans.stale().map(batchName);
    return `${names.join(' and ')} ${names.length === 1 ? 'is' : 'are'} planned, and not wanted any more, or ${names.length === 1 ? 'its' : 'their'} day is over.`;
  });
  protected readonly whyNotKept = computed(() => {
    const [first] = this.planRecords.notKept();
    if (first?.theirs) return 'Somebody else has changed the plan meanwhile.';
    const [error] = first?.errors ?? [];
    return error ? `${error.message} ${error.remedy}` : '';
  });
}
