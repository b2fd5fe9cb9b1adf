import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Trends } from '@oat-crock/core';
import { localTime } from '@oat-crock/calendar';
import { injectBoxSize } from '../../../shared/ui/box-size';
import { monthWord } from '../../../shared/ui/dates';
import { tell } from '../../../shared/ui/said';
import { kitchenZone } from '../../../shared/ui/zone';
import { figureName, figureWords } from './figure-words';
import { STRIP, stripsOf, timeScale } from './strip-geometry';
import { changeMark, type ChangeNames } from './trend-words';

export type Trend = Trends['trends'][number];

/** Every figure of a method's makes as a strip of its own, one under another over the same time. */
@Component({
  selector: 'oc-trend-strips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="box().width" [attr.height]="height()" role="img" [attr.aria-label]="words()">
      @for (month of months(); track month.atMs) {
        @if (month.isWarm) {
          <rect
            class="warm"
            [attr.x]="month.x"
            [attr.y]="STRIP.top"
            [attr.width]="month.width"
            [attr.height]="depth()"
          />
        }
        @if (month.width > 24) {
          <text class="axis" [attr.x]="month.x + 3" [attr.y]="STRIP.top - 6">{{ month.name }}</text>
        }
      }
      @for (mark of marks(); track mark.atMs + mark.of) {
        <line
          class="change"
          [attr.x1]="mark.x"
          [attr.x2]="mark.x"
          [attr.y1]="mark.y + 4"
          [attr.y2]="STRIP.top + depth()"
        />
        <text class="mark" [attr.text-anchor]="mark.anchor" [attr.x]="mark.textX" [attr.y]="mark.y + 4">
          {{ mark.text }}
        </text>
      }
      @for (strip of strips(); track strip.trend.figure) {
        <text class="name" x="0" [attr.y]="strip.top + 17">{{ strip.name }}</text>
        <text class="middle" x="0" [attr.y]="strip.top + 34">{{ strip.middle }}</text>
        <line
          class="middle-line"
          [attr.x1]="STRIP.left"
          [attr.x2]="box().width - STRIP.right"
          [attr.y1]="strip.middleY"
          [attr.y2]="strip.middleY"
        />
        @for (dot of strip.dots; track dot.i) {
          <circle
            class="dot"
            [attr.cx]="dot.x"
            [attr.cy]="dot.y"
            r="3.2"
            (click)="opened.emit(strip.trend.points[dot.i]!.atMs)"
          >
            <title>{{ strip.titles[dot.i] }}</title>
          </circle>
        }
        <text class="axis" [attr.x]="box().width - STRIP.right + 8" [attr.y]="strip.top + 12">
          {{ strip.mostWords }}
        </text>
        <text class="axis" [attr.x]="box().width - STRIP.right + 8" [attr.y]="strip.top + STRIP.inner">
          {{ strip.leastWords }}
        </text>
        <line
          class="under"
          x1="0"
          [attr.x2]="box().width"
          [attr.y1]="strip.top + STRIP.height - 7"
          [attr.y2]="strip.top + STRIP.height - 7"
        />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      overflow: hidden;
    }
    .warm {
      fill: var(--paper-sunk);
      opacity: 0.6;
    }
    .axis {
      font-size: 11px;
      fill: var(--ink-soft);
      font-variant-numeric: tabular-nums;
    }
    .name {
      font-size: 13px;
      font-weight: 600;
      fill: var(--ink);
    }
    .middle {
      font-size: 13px;
      fill: var(--ink-soft);
      font-variant-numeric: tabular-nums;
    }
    .middle-line {
      stroke: var(--line-strong);
      stroke-dasharray: 2 4;
    }
    .under {
      stroke: var(--line);
    }
    .change {
      stroke: var(--ink-soft);
      stroke-dasharray: 5 4;
    }
    .mark {
      font-size: 11px;
      fill: var(--ink);
      paint-order: stroke;
      stroke: var(--paper);
      stroke-width: 3px;
    }
    .dot {
      fill: var(--cobalt);
      fill-opacity: 0.65;
      cursor: pointer;
    }
    .dot:hover {
      fill-opacity: 1;
      stroke: var(--ink);
    }
  `,
})
export class TrendStrips {
  readonly trends = input.required<Trends>();
  readonly names = input.required<ChangeNames>();
  readonly currency = input.required<string>();
  readonly warmMonths = input.required<ReadonlySet<number>>();
  /** The begin (ms) of a make that was chosen. */
  readonly opened = output<number>();
  protected readonly STRIP = STRIP;
  protected readonly box = injectBoxSize({ width: 760, height: 500 });

  private readonly moments = computed(() => this.trends().trends.flatMap(({ points }) => points.map((p) => p.atMs)));
  private readonly x = computed(() =>
    timeScale(Math.min(...this.moments()), Math.max(...this.moments()), this.box().width),
  );
  protected readonly depth = computed(() => this.trends().trends.length * STRIP.height);
  protected readonly height = computed(() => STRIP.top + this.depth() + STRIP.bottom);

  protected readonly strips = computed(() => {
    const said = (strip: { trend: Trend }, value: number) => figureWords(strip.trend.figure, value, this.currency());
    return stripsOf(this.trends().trends, this.x()).map((strip) => ({
      ...strip,
      name: figureName(strip.trend.figure),
      middle: said(strip, strip.trend.middle),
      leastWords: said(strip, strip.least),
      mostWords: said(strip, strip.most),
      titles: strip.trend.points.map(({ value }) => said(strip, value)),
    }));
  });

  /** Changes of culture, milk and place; those near one another on lines of their own. */
  protected readonly marks = computed(() =>
    this.trends().changes.map((change, i) => {
      const x = this.x()(change.atMs);
      // Beside its line, on the side where there is room.
      const isRight = x < 0.7 * this.box().width;
      const text = changeMark(change, this.names());
      const [anchor, textX] = isRight ? (['start', x + 4] as const) : (['end', x - 4] as const);
      return { ...change, x, y: 10 + (i % MARK_ROWS) * 12, text, anchor, textX };
    }),
  );

  /** The months that are shown, each with where it begins. */
  protected readonly months = computed(() => {
    const [from, until] = this.x().domain() as [number, number];
    const begins = monthsBetween(from, until);
    return begins.map((atMs, i) => {
      const month = localTime(atMs + 12 * 3_600_000, kitchenZone()).month;
      const x = Math.max(STRIP.left, this.x()(atMs));
      const end = Math.min(this.x()(until), this.x()(begins[i + 1] ?? until));
      return {
        atMs,
        x,
        width: Math.max(0, end - x),
        name: monthWord(month).slice(0, SHORT_MONTH),
        isWarm: this.warmMonths().has(month),
      };
    });
  });

  protected readonly words = computed(() => {
    const figures = this.strips().map(({ name, middle }) => `${name}: ${middle}`);
    return tell('page.ledger.trends.drawing', { figures: figures.join('; ') });
  });
}

/** Lines that the names of changes stand on, so that near ones do not lie over one another; and letters of a month's name. */
const MARK_ROWS = 4;
const SHORT_MONTH = 3;
const DAY_MS = 86_400_000;

/** The first of each month from that in which one moment lies to that of another, ms. */
function monthsBetween(fromMs: number, untilMs: number): readonly number[] {
  const zone = kitchenZone();
  const begins: number[] = [];
  for (let atMs = fromMs; atMs <= untilMs; atMs += DAY_MS) {
    const { day } = localTime(atMs, zone);
    if (begins.length === 0) begins.push(atMs - (day - 1) * DAY_MS);
    else if (day === 1) begins.push(atMs);
  }
  return begins;
}
