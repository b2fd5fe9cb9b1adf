import { hoursOver, localTime, type Asleep } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Followed } from '@oat-crock/core';
import { dayTime, mass, amount } from '../ui/words';
import { injectBoxSize } from '../ui/box-size';
import { written } from '../ui/dates';
import {
  acidStops,
  dotsOf,
  labelsOf,
  massScale,
  nights,
  pourInWords,
  ribbons,
  scaleBarG,
  timeScale,
  warmthLine,
  warmthScale,
  type PourFrame,
} from './geometry';
import { SayPipe, quantity, SaidPipe } from '../ui/said';
import { AcidFill } from './acid-fill';
import { brush } from './brush';
import { temp as tempOf } from '@oat-crock/core';
import { units } from '../ui/reader';

let drawn = 0;

const G_PER_KG = 1000;

/** A ready window is at least so wide, px. */
const LEAST_WINDOW_PX = 2;

/** The pour: a batch as a ribbon through time. Long on its own page, short on the shelf. */
@Component({
  selector: 'oc-pour',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AcidFill, SaidPipe, SayPipe],
  templateUrl: './pour.html',
  styleUrls: ['./pour-parts.css', './pour.css'],
  host: { '[class.short]': 'short()' },
})
export class Pour {
  readonly name = input.required<string>();
  readonly followed = input.required<Followed>();
  readonly nowMs = input.required<number>();
  readonly fromMs = input.required<number>();
  readonly untilMs = input.required<number>();
  readonly short = input(false);
  readonly asleep = input.required<Asleep>();

  protected readonly id = `pour-${++drawn}`;
  private readonly box = injectBoxSize({ width: 800, height: 60 });

  protected readonly frame = computed<PourFrame>(() => ({
    ...this.box(),
    fromMs: this.fromMs(),
    untilMs: this.untilMs(),
    nowMs: this.nowMs(),
    head: this.short() ? 12 : 116,
    foot: this.short() ? 2 : 22,
    asleep: this.asleep(),
  }));

  protected readonly x = computed(() => timeScale(this.frame()));
  protected readonly thick = computed(() => {
    const { height, head, foot } = this.frame();
    return massScale(this.followed().series, Math.max(10, height - head - foot - (this.short() ? 4 : 16)));
  });

  protected readonly shapes = computed(() =>
    ribbons(this.followed().series, this.x(), this.thick(), this.frame().head, this.short()),
  );
  protected readonly stops = computed(() => acidStops(this.followed().series));
  protected readonly span = computed(() => {
    const { series } = this.followed();
    return { x1: this.x()(series[0]!.atMs), x2: this.x()(series[series.length - 1]!.atMs) };
  });
  protected readonly nightBands = computed(() => nights(this.frame(), this.x()));
  protected readonly warmth = computed(() => warmthScale(58, this.frame().head - 6));
  protected readonly warm = computed(() => warmthLine(this.followed().series, this.x(), this.warmth()));
  protected readonly warmTicks = [5, 43, 85];
  protected readonly dots = computed(() => dotsOf(this.followed().tasks, this.x(), this.frame()));
  protected readonly labels = computed(() => labelsOf(this.dots(), this.frame().width));
  protected readonly nowX = computed(() => this.x()(this.nowMs()));

  protected readonly windows = computed(() =>
    this.followed()
      .windows.filter((w) => w.p10Ms !== null && (w.p90Ms ?? Infinity) > this.nowMs())
      .filter((w) => this.followed().stages.find((s) => s.id === w.stageId)?.status !== 'done')
      .map((w) => {
        const from = this.x()(w.p10Ms!);
        const likely = this.x()(w.p50Ms ?? w.p10Ms!);
        const until = this.x()(w.p90Ms ?? this.untilMs());
        // What the clock ends is ready at one moment: it is drawn all the same.
        const spread = Math.max(LEAST_WINDOW_PX, until - from);
        const strength = Math.min(0.6, Math.max(0.16, 26 / Math.max(1, spread)));
        return {
          strength,
          key: w.stageId,
          x: from - spread * 0.35,
          width: spread * 1.7,
          middle: (likely - from + spread * 0.35) / (spread * 1.7),
          likely,
        };
      }),
  );

  /** Height of a ready window. */
  protected readonly room = computed(() => {
    const { height, head, foot } = this.frame();
    return Math.max(0, height - foot - (this.short() ? 2 : head - 8));
  });

  protected readonly hours = computed(() => {
    const { width, fromMs, untilMs } = this.frame();
    const perHour = width / ((untilMs - fromMs) / 3_600_000);
    const every = [1, 2, 3, 4, 6, 12, 24].find((h) => h * perHour >= 64) ?? 24;
    const { zone } = this.asleep();
    return hoursOver(fromMs, untilMs, every, zone).map((ms) => {
      const midnight = localTime(ms, zone).hour === 0;
      return { x: this.x()(ms), text: written(ms, midnight ? 'mark' : 'clock'), midnight };
    });
  });

  protected readonly bar = computed(() => {
    const massG = scaleBarG(this.thick());
    return {
      height: this.thick()(massG),
      text: units().mass === 'g' && massG >= G_PER_KG ? amount(massG / G_PER_KG, 'kg') : mass(massG),
    };
  });

  protected readonly words = computed(() => pourInWords(this.name(), this.followed(), dayTime));

  protected readonly brush = brush;

  protected readonly tickWords = (tempC: number) => quantity(tempOf(tempC));
}
