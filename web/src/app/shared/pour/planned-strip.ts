import { isNight, type Asleep } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type PlannedBatch } from '@oat-crock/contract/api';
import { batchName } from '../ui/batch-name';
import { injectBoxSize } from '../ui/box-size';
import { dayTime } from '../ui/words';
import { AcidFill } from './acid-fill';
import { acidStops, massScale, nights, ribbons, timeScale } from './geometry';
import { tell } from '../ui/said';

/** Height of one pour of the strip, px, and how many lie one under the other. */
const LINE_PX = 13;
const MOST_LINES = 3;

let drawn = 0;

/** Planned pours of the next days in one thin strip, so that none covers another. */
@Component({
  selector: 'oc-planned-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AcidFill],
  host: { '[style.height.px]': 'height()' },
  template: `
    <svg [attr.width]="box().width" [attr.height]="height()" role="img" [attr.aria-label]="words()">
      @for (night of nightBands(); track $index) {
        <rect class="night" [attr.x]="night.x" y="0" [attr.width]="night.width" [attr.height]="height()" />
      }
      @for (row of rows(); track row.plannedBatch.id) {
        <g [attr.transform]="'translate(0,' + row.y + ')'">
          <linearGradient
            [id]="id + row.plannedBatch.id"
            [ocAcidFill]="row.stops"
            [from]="row.left"
            [until]="row.right"
          />
          <path class="whey" [attr.d]="row.whey" />
          <path class="curd" [attr.d]="row.curd" [attr.fill]="'url(#' + id + row.plannedBatch.id + ')'" />
          @for (task of row.tasks; track $index) {
            <circle [class.night-hand]="task.night" [attr.cx]="task.x" cy="3" r="2.6" />
          }
          <title>{{ row.name }}</title>
        </g>
      }
    </svg>
  `,
  styleUrl: './pour-parts.css',
  styles: `
    :host {
      display: block;
      overflow: hidden;
      background: var(--paper-raised);
    }
    svg {
      display: block;
    }
    .curd {
      stroke-dasharray: 3 2;
    }
    circle {
      fill: var(--cobalt);
    }
    .night-hand {
      fill: var(--paper-raised);
      stroke: var(--brick);
      stroke-width: 1.6;
    }
  `,
})
export class PlannedStrip {
  readonly plannedBatches = input.required<readonly PlannedBatch[]>();
  readonly fromMs = input.required<number>();
  readonly untilMs = input.required<number>();
  readonly asleep = input.required<Asleep>();

  protected readonly id = `strip-${++drawn}`;
  protected readonly box = injectBoxSize({ width: 800, height: LINE_PX });
  private readonly x = computed(() =>
    timeScale({ fromMs: this.fromMs(), untilMs: this.untilMs(), width: this.box().width }),
  );
  private readonly inView = computed(() =>
    this.plannedBatches()
      .filter((p) => p.readyMs > this.fromMs() && p.startMs < this.untilMs() && p.course.length > 0)
      .toSorted((a, b) => a.startMs - b.startMs),
  );
  /** In as many lines as it takes, three at most. */
  private readonly lines = computed(() => {
    const ends: number[] = [];
    return this.inView().map((plannedBatch) => {
      const free = ends.findIndex((end) => end <= plannedBatch.startMs);
      const line = free >= 0 ? free : Math.min(ends.length, MOST_LINES - 1);
      ends[line] = plannedBatch.readyMs;
      return line;
    });
  });
  protected readonly height = computed(() => 4 + LINE_PX * (1 + Math.max(0, ...this.lines())));
  protected readonly nightBands = computed(() =>
    nights(
      {
        width: this.box().width,
        height: 0,
        fromMs: this.fromMs(),
        untilMs: this.untilMs(),
        nowMs: 0,
        head: 0,
        foot: 0,
        asleep: this.asleep(),
      },
      this.x(),
    ),
  );
  protected readonly rows = computed(() => {
    const x = this.x();
    return this.inView().map((plannedBatch, i) => ({
      plannedBatch,
      y: 3 + LINE_PX * this.lines()[i]!,
      name: tell('page.pour.plannedStrip.plannedFrom', {
        plannedBatch: batchName(plannedBatch),
        start: dayTime(plannedBatch.startMs),
      }),
      left: x(plannedBatch.startMs),
      right: Math.max(x(plannedBatch.readyMs), x(plannedBatch.startMs) + 1),
      stops: acidStops(plannedBatch.course),
      ...ribbons(plannedBatch.course, x, massScale(plannedBatch.course, LINE_PX - 4), 0, true),
      tasks: plannedBatch.tasks
        .filter((h) => h.minutes > 0)
        .map((h) => ({ x: x(h.atMs), night: isNight(h.atMs, this.asleep()) })),
    }));
  });
  protected readonly words = computed(() =>
    tell('page.pour.plannedStrip.planned', {
      name: this.rows()
        .map((r) => r.name)
        .join('; '),
    }),
  );
}
