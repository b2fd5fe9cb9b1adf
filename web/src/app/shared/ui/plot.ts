import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { shownIn, type Shown, amount } from '@oat-crock/core';
import { hoursOver, localTime } from '@oat-crock/calendar';
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import { injectBoxSize } from './box-size';
import { written } from './dates';
import type { PlotAxis, PlotBand, PlotLine, PlotSpec } from './plot-spec';
import { units } from './reader';
import { SaidPipe, tell, quantity } from './said';
import { kitchenZone } from './zone';

const MARGIN = { top: 20, right: 12, bottom: 24, left: 40, rightAxis: 44 };

let drawn = 0;

/** A plot of lines, bands and readings over time; everything it draws is said in its words. */
@Component({
  selector: 'oc-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe],
  templateUrl: './plot.html',
  styleUrl: './plot.css',
})
export class Plot {
  readonly spec = input.required<PlotSpec>();
  protected readonly id = `plot-${++drawn}`;
  protected readonly box = injectBoxSize({ width: 420, height: 200 });

  protected readonly inner = computed(() => {
    const { width, height } = this.box();
    const right = width - (this.spec().right ? MARGIN.rightAxis : MARGIN.right);
    return {
      left: MARGIN.left,
      right: Math.max(MARGIN.left + 10, right),
      top: MARGIN.top,
      bottom: height - MARGIN.bottom,
    };
  });

  protected readonly x = computed(() => {
    const { x } = this.spec();
    const range = [this.inner().left, this.inner().right];
    return scaleLinear().domain([x.from, x.to]).range(range);
  });
  protected readonly y = computed(() => {
    const { left } = this.spec();
    return scaleLinear().domain([left.from, left.to]).range([this.inner().bottom, this.inner().top]);
  });
  protected readonly y2 = computed(() => {
    const axis = this.spec().right ?? this.spec().left;
    return scaleLinear().domain([axis.from, axis.to]).range([this.inner().bottom, this.inner().top]);
  });

  protected readonly xTicks = computed(() => {
    const scale = this.x();
    const wanted = Math.max(2, Math.floor((this.inner().right - this.inner().left) / 72));
    const { kind, from, to } = this.spec().x;
    return kind === 'moment'
      ? momentTicks(from, to, wanted).map((ms) => ({ x: scale(ms), text: momentText(ms) }))
      : scale.ticks(wanted).map((tick) => ({ x: scale(tick), text: tell('page.ui.plot.h', { tick: amount(tick) }) }));
  });
  /** What each axis is read in: the spec is in metric, whatever the household says. */
  protected readonly axes = computed(() => {
    const { left, right } = this.spec();
    return { left: shownIn(left.unit, units()), right: right ? shownIn(right.unit, units()) : null };
  });
  protected readonly yTicks = computed(() => this.ticks(this.spec().left, this.axes().left));
  protected readonly y2Ticks = computed(() => {
    const [axis, way] = [this.spec().right, this.axes().right];
    return axis && way ? this.ticks(axis, way) : [];
  });

  /** Round figures of an axis in the unit it is read in, where they lie. */
  private ticks({ from, to }: PlotAxis, { toShown }: Shown): readonly { y: number; text: string }[] {
    const { top, bottom } = this.inner();
    const scale = scaleLinear()
      .domain([toShown(from), toShown(to)])
      .range([bottom, top]);
    const wanted = Math.max(2, Math.floor((bottom - top) / 36));
    return scale.ticks(wanted).map((tick) => ({ y: scale(tick), text: quantity(amount(tick)) }));
  }

  protected linePath(drawn: PlotLine): string {
    const y = drawn.axis === 'right' ? this.y2() : this.y();
    return (
      line<readonly [number, number]>()
        .x((p) => this.x()(p[0]))
        .y((p) => y(p[1]))(drawn.points) ?? ''
    );
  }

  protected bandPath(band: PlotBand): string {
    return (
      area<readonly [number, number, number]>()
        .x((p) => this.x()(p[0]))
        .y0((p) => this.y()(p[1]))
        .y1((p) => this.y()(p[2]))
        .curve(curveMonotoneX)(band.points) ?? ''
    );
  }

  /** Where a line's own name stands: at its last point in view. */
  protected labelAt(drawn: PlotLine): { x: number; y: number } {
    const last = drawn.points[drawn.points.length - 1] ?? [0, 0];
    const y = drawn.axis === 'right' ? this.y2() : this.y();
    return { x: this.x()(last[0]) - 4, y: y(last[1]) - 6 };
  }

  protected readonly windows = computed(() =>
    (this.spec().windows ?? []).map((w) => {
      const from = this.x()(w.from);
      const until = this.x()(w.until);
      return { x: from, width: Math.max(2, until - from), likely: this.x()(w.likely) };
    }),
  );
}

const HOUR_MS = 3_600_000;
/** Steps between the hours that are marked, h. */
const STEPS_H = [1 / 12, 1 / 6, 1 / 4, 1 / 2, 1, 2, 3, 6, 12, 24] as const;

/** Moments at which the wall shows round hours, about as many as wanted. */
function momentTicks(fromMs: number, toMs: number, wanted: number): readonly number[] {
  const spanH = (toMs - fromMs) / HOUR_MS;
  const every = STEPS_H.find((step) => spanH / step <= wanted) ?? 24;
  const ticks = hoursOver(fromMs, toMs + 1, every, kitchenZone());
  const skip = Math.ceil(ticks.length / (wanted + 1));
  return ticks.filter((_, i) => i % skip === 0);
}

function momentText(ms: number): string {
  return written(ms, localTime(ms, kitchenZone()).hour === 0 ? 'mark' : 'clock');
}
