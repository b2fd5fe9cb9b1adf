import { batchName } from '../ui/batch-name';
import { isNight } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { KeptPlace } from '@oat-crock/core';
import { householdFeature } from '../state/household.feature';
import { DayField } from '../ui/day-field';
import { SaidPipe } from '../ui/units';
import { clockTime, dayTime, mass, span } from '../ui/words';
import { PlanService } from './plan-service';
import { BatchMover } from './batch-mover';
import type { BatchBreak } from './planner-api';

const MIN_MS = 60_000;

/** The planned batch that is looked at: when it begins and is ready, its hands with what each may wait, what of it does not hold and what would. */
@Component({
  selector: 'oc-planned-batch-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayField, RouterLink, SaidPipe],
  template: `
    @if (plannedBatch(); as plannedBatch) {
      <div class="head">
        <h2>{{ name() }}</h2>
        <button type="button" class="press quiet-press" aria-label="Close this make" (click)="close()">Close</button>
      </div>
      <p class="facts">{{ facts() }}</p>
      @if (breaks().length) {
        <div class="breaks" role="status">
          @for (b of breaks(); track b.says) {
            <p class="problem">
              {{ b.says | said }}{{ b.atMs !== null && b.is !== 'past' ? ' (' + dayTime(b.atMs) + ')' : '' }}
            </p>
          }
          @if (repair(); as place) {
            <button type="button" class="press line-press" (click)="putAt(place.startMs, place.extension)">
              Begin it {{ dayTime(place.startMs) }}: the nearest that holds
            </button>
          } @else {
            <p>No other time of it would hold with all else where it is.</p>
          }
        </div>
      }
      <div class="acts">
        <label for="pour-start">Begin it</label>
        <oc-day-field fieldId="pour-start" [atMs]="plannedBatch.startMs" [withTime]="true" (changed)="putAt($event)" />
        @if (mover.moving()) {
          <button type="button" class="press" (click)="mover.drop()">Put it here <kbd>Enter</kbd></button>
          <button type="button" class="press quiet-press" (click)="mover.leave()">Leave it <kbd>Esc</kbd></button>
        } @else {
          <button type="button" class="press line-press" [attr.aria-pressed]="plannedBatch.pinned" (click)="pin()">
            {{ plannedBatch.pinned ? 'Let it move again' : 'Pin it here' }}
          </button>
          <a
            class="press go"
            [routerLink]="['/methods', plannedBatch.methodId]"
            [queryParams]="{ plannedBatch: plannedBatch.id }"
            [class.line-press]="!soon()"
            >{{ soon() ? 'Begin it now' : 'Its sheet' }}</a
          >
        }
      </div>
      <ol class="hands" aria-label="Its hands">
        @for (task of tasks(); track task.stageId) {
          <li [class.night]="task.night" [class.gripped]="mover.gripped() === plannedBatch.id + ' ' + task.stageId">
            <b>{{ task.at }}</b>
            <span>{{ task.says | said }}</span>
            <span class="quiet">{{ task.words }}</span>
            @if (!task.first) {
              <span class="nudge">
                <button
                  type="button"
                  [attr.aria-label]="'Quarter of an hour earlier: ' + task.at"
                  (click)="mover.by(plannedBatch, -15, task.stageId)"
                >
                  −
                </button>
                <button
                  type="button"
                  [attr.aria-label]="'Quarter of an hour later: ' + task.at"
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
  private readonly asleep = inject(Store).selectSignal(householdFeature.selectAsleep);

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
  protected readonly breaks = computed((): readonly BatchBreak[] => {
    const moving = this.mover.moving();
    return moving ? (moving.told?.breaks ?? []) : (this.trouble()?.breaks ?? []);
  });
  protected readonly repair = computed(() => {
    const moving = this.mover.moving();
    return moving ? (moving.told?.repair ?? null) : (this.trouble()?.repair ?? null);
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
          waits >= 5 ? `can wait ${span(waits)}` : 'cannot wait',
          ...(earlier >= 5 ? [`may come ${span(earlier)} before`] : []),
        ];
        const night = isNight(h.atMs, this.asleep());
        const before = all[i - 1];
        return {
          stageId: h.stageId,
          at: before ? clockTime(h.atMs, before.atMs) : dayTime(h.atMs),
          says: h.says,
          first: i === 0,
          night,
          words: `${span(h.minutes)}${i === 0 ? '' : `, ${slack.join(', ')}`}${night ? ', in the night' : ''}`,
        };
      });
  });

  protected readonly facts = computed(() => {
    const { productG, readyMs, readyLateMs, dueMs, gear, starterTimes } = this.plannedBatch()!;
    const wanted = dueMs === null ? '' : `, wanted ${dayTime(dueMs)}`;
    const ready = `Ready ${dayTime(readyMs)}, nine times in ten by ${clockTime(readyLateMs, readyMs)}${wanted}.`;
    const tired =
      starterTimes > 1 ? ` Its culture is tired by then: take ${starterTimes.toFixed(1)} times the starter.` : '';
    return `${mass(productG)}. ${ready} In ${[...new Set(gear)].join(', ')}.${tired}`;
  });

  protected readonly dayTime = dayTime;

  protected putAt(atMs: number | null, extension?: KeptPlace['extension']): void {
    const plannedBatch = this.mover.plannedBatch();
    if (!plannedBatch || atMs === null) return;
    this.mover.leave();
    this.plans.put(plannedBatch, atMs, extension === undefined ? plannedBatch.extension : extension);
  }

  protected pin(): void {
    const plannedBatch = this.mover.plannedBatch();
    if (plannedBatch) this.plans.put(plannedBatch, plannedBatch.startMs, plannedBatch.extension, !plannedBatch.pinned);
  }

  protected close(): void {
    this.mover.leave();
    this.mover.chosen.set(null);
  }
}
