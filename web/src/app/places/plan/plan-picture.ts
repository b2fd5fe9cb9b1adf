import { type Asleep, daysOver, momentAt } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PlannedBatch } from '@oat-crock/contract/api';
import { injectBoxSize } from '../../shared/ui/box-size';
import { nights } from '../../shared/pour/geometry';
import { inTheNight, timeAcross, type LaneFrame } from './lane-geometry';

/** A make in the picture, and what stands above and below it, px. */
const ROW_PX = 9;
const BAR_PX = 5;
const [HEAD_PX, FOOT_PX] = [3, 3];

/** A whole plan as a small picture of its days: a line for each make, its hands as dots, those of the night in red. */
@Component({
  selector: 'oc-plan-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg role="img" [attr.aria-label]="words()" [attr.width]="box().width" [attr.height]="height()">
      @for (night of bands(); track $index) {
        <rect class="night" [attr.x]="night.x" y="0" [attr.width]="night.width" [attr.height]="height()" />
      }
      @for (x of days(); track x) {
        <line class="midnight" [attr.x1]="x" [attr.x2]="x" y1="0" [attr.y2]="height()" />
      }
      @for (make of makes(); track make.id) {
        <line class="kept" [attr.x1]="make.ready" [attr.x2]="make.due" [attr.y1]="make.y" [attr.y2]="make.y" />
        <rect
          class="make"
          rx="2"
          [attr.x]="make.start"
          [attr.y]="make.y - BAR / 2"
          [attr.width]="make.ready - make.start"
          [attr.height]="BAR"
        />
        @for (hand of make.hands; track $index) {
          <circle r="2.4" [class.night-hand]="hand.isNight" [attr.cx]="hand.x" [attr.cy]="make.y" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      overflow: hidden;
      background: var(--paper-raised);
      border: 1px solid var(--line);
    }
    svg {
      display: block;
    }
    .night {
      fill: var(--night);
    }
    .midnight {
      stroke: var(--line-strong);
      stroke-width: 0.6;
    }
    .make {
      fill: var(--cobalt);
      fill-opacity: 0.45;
    }
    .kept {
      stroke: var(--ink-soft);
      stroke-dasharray: 1 3;
    }
    circle {
      fill: var(--cobalt-deep);
    }
    .night-hand {
      fill: var(--brick);
    }
  `,
})
export class PlanPicture {
  readonly plannedBatches = input.required<readonly PlannedBatch[]>();
  readonly asleep = input.required<Asleep>();
  /** From when to when, ms: the same for plans that are set beside each other. */
  readonly fromMs = input.required<number>();
  readonly untilMs = input.required<number>();
  /** So many lines at the least: the same for plans that are set beside each other. */
  readonly rows = input(0);
  readonly words = input.required<string>();
  protected readonly BAR = BAR_PX;
  protected readonly box = injectBoxSize({ width: 260, height: 60 });

  private readonly frame = computed((): LaneFrame => {
    const [fromMs, untilMs] = [this.fromMs(), this.untilMs()];
    return { width: this.box().width, fromMs, untilMs, asleep: this.asleep() };
  });
  private readonly x = computed(() => timeAcross(this.frame()));
  protected readonly height = computed(
    () => HEAD_PX + FOOT_PX + ROW_PX * Math.max(1, this.rows(), this.plannedBatches().length),
  );
  protected readonly bands = computed(() =>
    nights({ ...this.frame(), height: 0, nowMs: 0, head: 0, foot: 0 }, this.x()),
  );
  protected readonly days = computed(() =>
    daysOver(this.fromMs(), this.untilMs(), this.asleep().zone).map((day) =>
      this.x()(momentAt(day, 0, this.asleep().zone)),
    ),
  );
  protected readonly makes = computed(() => {
    const x = this.x();
    return [...this.plannedBatches()]
      .sort((a, b) => a.startMs - b.startMs)
      .map(({ id, startMs, readyMs, dueMs, tasks }, row) => {
        const night = new Set(inTheNight(tasks, this.asleep()));
        return {
          ...{ id, start: x(startMs), ready: x(readyMs), due: x(Math.max(readyMs, dueMs ?? readyMs)) },
          y: HEAD_PX + ROW_PX * (row + 0.5),
          hands: tasks.filter((t) => t.minutes > 0).map((task) => ({ x: x(task.atMs), isNight: night.has(task) })),
        };
      });
  });
}
