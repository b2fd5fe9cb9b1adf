import { isNight } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { pourName } from '@oat-crock/contract/wire';
import type { KeptPlace } from '@oat-crock/core';
import { householdFeature } from '../state/household.feature';
import { DayField } from '../ui/day-field';
import { SaidPipe } from '../ui/units';
import { clockTime, dayTime, mass, span } from '../ui/words';
import { PlanDesk } from './plan-desk';
import { PourMover } from './pour-mover';
import type { PourBreak } from './planner-api';

const MIN_MS = 60_000;

/** The pour that is looked at: when it begins and is ready, its hands with what each may wait, what of it does not hold and what would. */
@Component({
  selector: 'oc-pour-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayField, RouterLink, SaidPipe],
  template: `
    @if (pour(); as pour) {
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
            <button type="button" class="press line-press" (click)="putAt(place.startMs, place.held)">
              Begin it {{ dayTime(place.startMs) }}: the nearest that holds
            </button>
          } @else {
            <p>No other time of it would hold with all else where it is.</p>
          }
        </div>
      }
      <div class="acts">
        <label for="pour-start">Begin it</label>
        <oc-day-field fieldId="pour-start" [atMs]="pour.startMs" [withTime]="true" (changed)="putAt($event)" />
        @if (mover.moving()) {
          <button type="button" class="press" (click)="mover.drop()">Put it here <kbd>Enter</kbd></button>
          <button type="button" class="press quiet-press" (click)="mover.leave()">Leave it <kbd>Esc</kbd></button>
        } @else {
          <button type="button" class="press line-press" [attr.aria-pressed]="pour.pinned" (click)="pin()">
            {{ pour.pinned ? 'Let it move again' : 'Pin it here' }}
          </button>
          <a
            class="press go"
            [routerLink]="['/methods', pour.methodId]"
            [queryParams]="{ pour: pour.id }"
            [class.line-press]="!soon()"
            >{{ soon() ? 'Begin it now' : 'Its sheet' }}</a
          >
        }
      </div>
      <ol class="hands" aria-label="Its hands">
        @for (hand of hands(); track hand.stageId) {
          <li [class.night]="hand.night" [class.gripped]="mover.gripped() === pour.id + ' ' + hand.stageId">
            <b>{{ hand.at }}</b>
            <span>{{ hand.says | said }}</span>
            <span class="quiet">{{ hand.words }}</span>
            @if (!hand.first) {
              <span class="nudge">
                <button
                  type="button"
                  [attr.aria-label]="'Quarter of an hour earlier: ' + hand.at"
                  (click)="mover.by(pour, -15, hand.stageId)"
                >
                  −
                </button>
                <button
                  type="button"
                  [attr.aria-label]="'Quarter of an hour later: ' + hand.at"
                  (click)="mover.by(pour, 15, hand.stageId)"
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
  styleUrl: './pour-panel.css',
})
export class PourPanel {
  private readonly desk = inject(PlanDesk);
  protected readonly mover = inject(PourMover);
  private readonly asleep = inject(Store).selectSignal(householdFeature.selectAsleep);

  /** As it is, or as it would be where it is being moved to. */
  protected readonly pour = computed(() => {
    const pour = this.mover.pour();
    const moving = this.mover.moving();
    return moving && moving.pour.id === pour?.id ? (moving.told?.pour ?? pour) : pour;
  });
  protected readonly name = computed(() => pourName(this.pour()!));
  private readonly trouble = computed(() =>
    this.desk.standing()?.troubles.find((t) => t.pourId === this.mover.chosen()),
  );
  protected readonly breaks = computed((): readonly PourBreak[] => {
    const moving = this.mover.moving();
    return moving ? (moving.told?.breaks ?? []) : (this.trouble()?.breaks ?? []);
  });
  protected readonly repair = computed(() => {
    const moving = this.mover.moving();
    return moving ? (moving.told?.repair ?? null) : (this.trouble()?.repair ?? null);
  });
  /** It is near enough to be begun. */
  protected readonly soon = computed(() => this.pour()!.startMs - this.desk.inputs.startMs() <= 60 * MIN_MS);

  protected readonly hands = computed(() => {
    const pour = this.pour()!;
    return pour.hands
      .filter((h) => h.minutes > 0)
      .map((h, i, all) => {
        const waits = (h.latestMs - h.atMs) / MIN_MS;
        const earlier = (h.atMs - h.earliestMs) / MIN_MS;
        const give = [
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
          words: `${span(h.minutes)}${i === 0 ? '' : `, ${give.join(', ')}`}${night ? ', in the night' : ''}`,
        };
      });
  });

  protected readonly facts = computed(() => {
    const { productG, readyMs, readyLateMs, dueMs, gear, starterTimes } = this.pour()!;
    const wanted = dueMs === null ? '' : `, wanted ${dayTime(dueMs)}`;
    const ready = `Ready ${dayTime(readyMs)}, nine times in ten by ${clockTime(readyLateMs, readyMs)}${wanted}.`;
    const tired =
      starterTimes > 1 ? ` Its culture is tired by then: take ${starterTimes.toFixed(1)} times the starter.` : '';
    return `${mass(productG)}. ${ready} In ${[...new Set(gear)].join(', ')}.${tired}`;
  });

  protected readonly dayTime = dayTime;

  protected putAt(atMs: number | null, held?: KeptPlace['held']): void {
    const pour = this.mover.pour();
    if (!pour || atMs === null) return;
    this.mover.leave();
    this.desk.put(pour, atMs, held === undefined ? pour.held : held);
  }

  protected pin(): void {
    const pour = this.mover.pour();
    if (pour) this.desk.put(pour, pour.startMs, pour.held, !pour.pinned);
  }

  protected close(): void {
    this.mover.leave();
    this.mover.chosen.set(null);
  }
}
