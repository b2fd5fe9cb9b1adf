import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { amount, shownIn, type ComparedRun, type Curve } from '@oat-crock/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { injectBoxSize } from './box-size';
import { units } from './reader';
import { quantity, tell } from './said';

const MARGIN = { top: 22, right: 44, bottom: 22, left: 44 };
const UNITS: Readonly<Record<Curve, string>> = { massG: 'g', ph: 'pH', tempC: '°C', wheyG: 'g' };
/** How the lines of the makes look, one after another: told apart by their dashes, without colour too. */
export const LOOKS = [
  { stroke: 'var(--cobalt)', dash: '' },
  { stroke: 'var(--ink)', dash: '7 4' },
  { stroke: 'var(--ink-soft)', dash: '2 3' },
  { stroke: 'var(--ink-soft)', dash: '12 4 2 4' },
  { stroke: 'var(--cobalt-deep)', dash: '1 5' },
  { stroke: 'var(--line-strong)', dash: '10 3 2 3 2 3' },
] as const;

/** What the makes that are compared are called in the drawings: A, B, C. */
export const letterOf = (place: number): string => String.fromCharCode(65 + place);

/** The course of one of them from its own start, and what was read of it. */
export type Course = Pick<ComparedRun, 'series' | 'read'>;

/** One curve of several makes laid over one another, each from its own start. */
@Component({
  selector: 'oc-overlay',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="box().width" [attr.height]="box().height" role="img" [attr.aria-label]="words()">
      <text class="title" x="0" y="13">{{ title() }}</text>
      @for (tick of yTicks(); track tick.y) {
        <line class="grid" [attr.x1]="left" [attr.x2]="right()" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        <text class="axis" text-anchor="end" [attr.x]="left - 6" [attr.y]="tick.y + 4">{{ tick.text }}</text>
      }
      @for (tick of xTicks(); track tick.x) {
        <text class="axis" text-anchor="middle" [attr.x]="tick.x" [attr.y]="box().height - 6">{{ tick.text }}</text>
      }
      @for (drawn of lines(); track drawn.letter) {
        <path class="line" [attr.d]="drawn.path" [attr.stroke]="drawn.stroke" [attr.stroke-dasharray]="drawn.dash" />
        @for (dot of drawn.dots; track $index) {
          <circle class="dot" [attr.stroke]="drawn.stroke" [attr.cx]="dot.x" [attr.cy]="dot.y" r="2.6" />
        }
        <text class="letter" [attr.x]="drawn.endX + 5" [attr.y]="drawn.endY + 4">
          {{ drawn.letter }}
        </text>
      }
    </svg>
  `,
  styleUrl: './overlay.css',
})
export class Overlay {
  readonly runs = input.required<readonly Course[]>();
  readonly curve = input.required<Curve>();
  protected readonly box = injectBoxSize({ width: 420, height: 190 });
  protected readonly left = MARGIN.left;
  protected readonly right = computed(() => Math.max(MARGIN.left + 40, this.box().width - MARGIN.right));
  protected readonly title = computed(() =>
    tell('page.ledger.compare.curve', { curve: this.curve(), unit: this.shown().unit }),
  );

  private readonly most = computed(() => Math.max(...this.values()));
  private readonly shown = computed(() => shownIn(UNITS[this.curve()], units(), this.most()));
  private readonly values = computed(() => this.runs().flatMap((run) => this.pointsOf(run).map(([, y]) => y)));
  private readonly x = computed(() => {
    const last = Math.max(1, ...this.runs().map(({ series }) => series.at(-1)?.h ?? 0));
    return scaleLinear().domain([0, last]).range([MARGIN.left, this.right()]);
  });
  private readonly y = computed(() => {
    const values = this.values().map(this.shown().toShown);
    const least = this.curve() === 'massG' || this.curve() === 'wheyG' ? 0 : Math.min(...values);
    return scaleLinear()
      .domain([least, Math.max(...values, least + 0.1)])
      .nice()
      .range([this.box().height - MARGIN.bottom, MARGIN.top]);
  });

  protected readonly xTicks = computed(() =>
    this.x()
      .ticks(6)
      .map((tick) => ({ x: this.x()(tick), text: tell('page.ui.plot.h', { tick: amount(tick) }) })),
  );
  protected readonly yTicks = computed(() =>
    this.y()
      .ticks(4)
      .map((tick) => ({ y: this.y()(tick), text: quantity(amount(tick)) })),
  );
  protected readonly lines = computed(() => {
    const at = ([h, value]: readonly [number, number]) => ({
      x: this.x()(h),
      y: this.y()(this.shown().toShown(value)),
    });
    const drawn = this.runs().map((run, place) => {
      const points = this.pointsOf(run).map(at);
      const end = points.at(-1) ?? { x: 0, y: 0 };
      return {
        letter: letterOf(place),
        ...LOOKS[place % LOOKS.length]!,
        path:
          line<{ x: number; y: number }>(
            ({ x }) => x,
            ({ y }) => y,
          )(points) ?? '',
        endX: end.x,
        endY: end.y,
        dots: run.read.filter(({ curve }) => curve === this.curve()).map(({ h, value }) => at([h, value])),
      };
    });
    return spread(drawn);
  });
  protected readonly words = computed(() => {
    const ends = this.runs().map((run, place) => {
      const [, value] = this.pointsOf(run).at(-1) ?? [0, 0];
      return `${letterOf(place)} ${quantity(amount(this.shown().toShown(value), 1))}`;
    });
    return tell('page.ledger.compare.drawing', { title: this.title(), ends: ends.join(', ') });
  });

  private pointsOf({ series }: Course): readonly (readonly [number, number])[] {
    return series.map((point) => [point.h, point[this.curve()]] as const);
  }
}

/** Letters that would stand over one another stand beside one another instead. */
function spread<T extends { readonly endX: number; readonly endY: number }>(lines: readonly T[]): readonly T[] {
  const NEAR = 11;
  const placed: { readonly x: number; readonly y: number }[] = [];
  return lines.map((line) => {
    let x = line.endX;
    while (placed.some((other) => Math.abs(other.x - x) < NEAR && Math.abs(other.y - line.endY) < NEAR)) x += NEAR;
    placed.push({ x, y: line.endY });
    return { ...line, endX: x };
  });
}
