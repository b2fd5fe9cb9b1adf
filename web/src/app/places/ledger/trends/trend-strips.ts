import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { Trends } from '@oat-crock/core';
import { localTime } from '@oat-crock/calendar';
import { bisector } from 'd3-array';
import { injectBoxSize } from '../../../shared/ui/box-size';
import { monthWord, written } from '../../../shared/ui/dates';
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
  templateUrl: './trend-strips.html',
  styleUrl: './trend-strips.css',
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

  /** When each make was begun, in order of time, ms. */
  protected readonly moments = computed(() =>
    [...new Set(this.trends().trends.flatMap(({ points }) => points.map((p) => p.atMs)))].sort((a, b) => a - b),
  );
  private readonly x = computed(() => timeScale(this.moments()[0]!, this.moments().at(-1)!, this.box().width));
  /** Which make is looked at, by the pointer or the arrow keys. */
  protected readonly at = signal<number | null>(null);
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
    }));
  });

  /** The make that is looked at: where it stands, and each of its figures. */
  protected readonly mark = computed(() => {
    const atMs = this.moments()[this.at() ?? -1];
    if (atMs === undefined) return null;
    const x = this.x()(atMs);
    const isRight = x < 0.8 * this.box().width;
    const [anchor, textX] = isRight ? (['start', x + 9] as const) : (['end', x - 9] as const);
    const values = this.strips().flatMap(({ trend, top, yOf }) => {
      const point = trend.points.find((p) => p.atMs === atMs);
      if (!point) return [];
      const y = yOf(point.value);
      return [
        {
          figure: trend.figure,
          y,
          textY: Math.max(top + 14, y + 4),
          says: figureWords(trend.figure, point.value, this.currency()),
        },
      ];
    });
    const said = values.map(({ figure, says }) => `${figureName(figure)}: ${says}`);
    const day = written(atMs, 'dayYear');
    return { x, anchor, textX, day, values, words: `${day}. ${said.join('; ')}` };
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

  /** Looks at the make that is nearest to where the pointer is, px from the left. */
  protected aim(px: number): void {
    this.at.set(byMoment.center(this.moments(), this.x().invert(px)));
  }

  /** One make on or back with the arrow keys, to the ends with Home and End, into it with Enter. */
  protected step(event: KeyboardEvent): void {
    if (event.key === 'Enter') this.openMarked();
    const to = STEPS[event.key]?.(this.at() ?? this.moments().length - 1, this.moments().length - 1);
    if (to === undefined) return;
    event.preventDefault();
    this.at.set(to);
  }

  protected openMarked(): void {
    const atMs = this.moments()[this.at() ?? -1];
    if (atMs !== undefined) this.opened.emit(atMs);
  }
}

const byMoment = bisector((atMs: number) => atMs);
const STEPS: Readonly<Record<string, (at: number, last: number) => number>> = {
  ArrowLeft: (at) => Math.max(0, at - 1),
  ArrowRight: (at, last) => Math.min(last, at + 1),
  Home: () => 0,
  End: (_at, last) => last,
};

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
