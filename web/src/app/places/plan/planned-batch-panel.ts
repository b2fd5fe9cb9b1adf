import { isNight } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { doersOf, type PlannedShare } from '@oat-crock/contract/api';
import { type KeptPlace, listOf, amount as amountOf } from '@oat-crock/core';
import { batchName } from '../../shared/ui/batch-name';
import { householdSelectors } from '../../state/household';
import { DayField } from '../../shared/ui/day-field';
import { SaidPipe, tell, SayPipe, textOf } from '../../shared/ui/said';
import { clockTime, dayTime, mass, span, listed } from '../../shared/ui/words';
import { PlanService } from '../../planner/plan-service';
import { BatchMover } from './batch-mover';
import { chanceWords } from './plan-words';
import type { BatchBreak } from '../../planner/planner-api';

const MIN_MS = 60_000;

/** The planned batch that is looked at: when it begins and is ready, its hands with what each may wait, what of it does not hold and what would. */
@Component({
  selector: 'oc-planned-batch-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayField, RouterLink, SaidPipe, SayPipe],
  template: `
    @if (plannedBatch(); as plannedBatch) {
      <div class="head">
        <h2>{{ name() }}</h2>
        <button
          type="button"
          class="press quiet-press"
          [attr.aria-label]="'page.plan.plannedBatchPanel.closeMake' | say"
          (click)="close()"
        >
          {{ 'page.plan.plannedBatchPanel.close' | say }}
        </button>
      </div>
      <p class="facts">{{ facts() }}</p>
      @if (breaks().length) {
        <div class="breaks" role="status">
          @if (refused()) {
            <p>{{ 'page.plan.plannedBatchPanel.notPut' | say }}</p>
          }
          @for (b of breaks(); track b.says) {
            <p class="problem">
              {{ b.says | said }}{{ b.atMs !== null && b.is !== 'past' ? ' (' + dayTime(b.atMs) + ')' : '' }}
            </p>
          }
          @if (repair(); as place) {
            <button type="button" class="press line-press" (click)="putAt(place.startMs, place.extension)">
              {{ 'page.plan.plannedBatchPanel.beginNearestHolds' | say: { start: dayTime(place.startMs) } }}
            </button>
          } @else {
            <p>{{ 'page.plan.plannedBatchPanel.noOtherTimeWould' | say }}</p>
          }
        </div>
      }
      <div class="acts">
        <label for="pour-start">{{ 'page.plan.plannedBatchPanel.beginIt' | say }}</label>
        <oc-day-field fieldId="pour-start" [atMs]="plannedBatch.startMs" [withTime]="true" (changed)="putAt($event)" />
        @if (mover.moving()) {
          <button type="button" class="press" (click)="mover.drop()">
            {{ 'page.plan.plannedBatchPanel.putHere' | say }} <kbd>{{ 'page.plan.plannedBatchPanel.enter' | say }}</kbd>
          </button>
          <button type="button" class="press quiet-press" (click)="mover.leave()">
            {{ 'page.plan.plannedBatchPanel.leaveIt' | say }} <kbd>{{ 'page.plan.plannedBatchPanel.esc' | say }}</kbd>
          </button>
        } @else {
          <button type="button" class="press line-press" [attr.aria-pressed]="plannedBatch.pinned" (click)="pin()">
            {{
              plannedBatch.pinned
                ? ('page.plan.plannedBatchPanel.letMoveAgain' | say)
                : ('page.plan.plannedBatchPanel.pinHere' | say)
            }}
          </button>
          <a
            class="press go"
            [routerLink]="['/methods', plannedBatch.methodId]"
            [queryParams]="{ plannedBatch: plannedBatch.id }"
            [class.line-press]="!soon()"
            >{{
              soon() ? ('page.plan.plannedBatchPanel.beginNow' | say) : ('page.plan.plannedBatchPanel.itsSheet' | say)
            }}</a
          >
        }
      </div>
      <ol class="hands" [attr.aria-label]="'page.plan.plannedBatchPanel.itsHands' | say">
        @for (task of tasks(); track task.stageId) {
          <li [class.night]="task.night" [class.gripped]="mover.gripped() === plannedBatch.id + ' ' + task.stageId">
            <b>{{ task.at }}</b>
            <span>{{ task.says | said }}</span>
            <span class="quiet">{{ task.words }}</span>
            @if (!task.first) {
              <span class="nudge">
                <button
                  type="button"
                  [attr.aria-label]="'page.plan.plannedBatchPanel.quarterHourEarlier' | say: { at: task.at }"
                  (click)="mover.by(plannedBatch, -15, task.stageId)"
                >
                  −
                </button>
                <button
                  type="button"
                  [attr.aria-label]="'page.plan.plannedBatchPanel.quarterHourLater' | say: { at: task.at }"
                  (click)="mover.by(plannedBatch, 15, task.stageId)"
                >
                  +
                </button>
              </span>
            }
          </li>
        }
      </ol>
    }
  `,
  styleUrl: './planned-batch-panel.css',
})
export class PlannedBatchPanel {
  private readonly plans = inject(PlanService);
  protected readonly mover = inject(BatchMover);
  private readonly asleep = inject(Store).selectSignal(householdSelectors.selectAsleep);

  /** As it is, or as it would be where it is being moved to. */
  protected readonly plannedBatch = computed(() => {
    const plannedBatch = this.mover.plannedBatch();
    const moving = this.mover.moving();
    return moving && moving.plannedBatch.id === plannedBatch?.id
      ? (moving.told?.plannedBatch ?? plannedBatch)
      : plannedBatch;
  });
  protected readonly name = computed(() => batchName(this.plannedBatch()!));
  private readonly trouble = computed(() =>
    this.plans.standing()?.troubles.find((t) => t.plannedBatchId === this.mover.chosen()),
  );
  protected readonly refused = computed(() => {
    const refused = this.mover.refused();
    return refused?.of === this.mover.chosen() ? refused : null;
  });
  protected readonly breaks = computed((): readonly BatchBreak[] => {
    const moving = this.mover.moving();
    return moving ? (moving.told?.breaks ?? []) : (this.refused()?.breaks ?? this.trouble()?.breaks ?? []);
  });
  protected readonly repair = computed(() => {
    const moving = this.mover.moving();
    return moving ? (moving.told?.repair ?? null) : ((this.refused() ?? this.trouble())?.repair ?? null);
  });
  /** It is near enough to be begun. */
  protected readonly soon = computed(() => this.plannedBatch()!.startMs - this.plans.inputs.startMs() <= 60 * MIN_MS);

  protected readonly tasks = computed(() => {
    const plannedBatch = this.plannedBatch()!;
    return plannedBatch.tasks
      .filter((h) => h.minutes > 0)
      .map((h, i, all) => {
        const waits = (h.latestMs - h.atMs) / MIN_MS;
        const earlier = (h.atMs - h.earliestMs) / MIN_MS;
        const slack = [
          waits >= 5
            ? tell('page.plan.plannedBatchPanel.canWait', { waits: span(waits) })
            : tell('page.plan.plannedBatchPanel.cannotWait'),
          ...(earlier >= 5 ? [tell('page.plan.plannedBatchPanel.mayComeBefore', { earlier: span(earlier) })] : []),
        ];
        const night = isNight(h.atMs, this.asleep());
        const before = all[i - 1];
        return {
          stageId: h.stageId,
          at: before ? clockTime(h.atMs, before.atMs) : dayTime(h.atMs),
          says: h.says,
          first: i === 0,
          night,
          words: listed([
            span(h.minutes),
            ...(i === 0 ? [] : slack),
            ...(doersOf(h) ? [tell('page.plan.plannedBatchPanel.by', { who: doersOf(h) })] : []),
            ...(night ? [tell('page.plan.plannedBatchPanel.inTheNight')] : []),
          ]),
        };
      });
  });

  protected readonly facts = computed(() => {
    const { occurrenceId, productG, shares, readyMs, readyLateMs, dueMs, gear, starterTimes, instead } =
      this.plannedBatch()!;
    // While it is being moved its chance is not known yet.
    const met = this.mover.moving() ? undefined : this.plans.standing()?.chances?.byOrder[occurrenceId];
    const ready = { at: dayTime(readyMs), late: clockTime(readyLateMs, readyMs) };
    return [
      `${mass(productG)}.`,
      dueMs === null
        ? tell('page.plan.plannedBatchPanel.ready', ready)
        : tell('page.plan.plannedBatchPanel.readyForDay', { ...ready, wanted: dayTime(dueMs) }),
      ...(met === undefined ? [] : [tell('page.plan.plannedBatchPanel.met', { chance: chanceWords(met) })]),
      tell('page.plan.plannedBatchPanel.in', { gear: listOf([...new Set(gear)], 'comma') }),
      ...(shares ? [tell('page.plan.plannedBatchPanel.shares', { shares: listOf(shares.map(shareWords)) })] : []),
      ...(instead ? [textOf(instead)] : []),
      ...(starterTimes > 1 ? [tell('page.plan.plannedBatchPanel.tired', { times: amountOf(starterTimes, 1) })] : []),
    ].join(' ');
  });

  protected readonly dayTime = dayTime;

  protected putAt(atMs: number | null, extension?: KeptPlace['extension']): void {
    const plannedBatch = this.mover.plannedBatch();
    if (!plannedBatch || atMs === null) return;
    if (extension === undefined) return void this.mover.putAt(plannedBatch, atMs);
    this.mover.leave();
    this.mover.refused.set(null);
    this.plans.put(plannedBatch, atMs, extension);
  }

  protected pin(): void {
    const plannedBatch = this.mover.plannedBatch();
    if (!plannedBatch) return;
    if (plannedBatch.pinned) this.plans.put(plannedBatch, plannedBatch.startMs, plannedBatch.extension, false);
    else void this.mover.putAt(plannedBatch, plannedBatch.startMs);
  }

  protected close(): void {
    this.mover.leave();
    this.mover.refused.set(null);
    this.mover.chosen.set(null);
  }
}

/** "1.2 kg for the bakery, Thu 08:00" */
const shareWords = ({ whom, productG, dueMs }: PlannedShare): string =>
  tell(dueMs === null ? 'page.plan.plannedBatchPanel.share' : 'page.plan.plannedBatchPanel.shareBy', {
    mass: mass(productG),
    whom: whom || tell('page.make.goesTo.ourselves'),
    at: dueMs === null ? '' : dayTime(dueMs),
  });
