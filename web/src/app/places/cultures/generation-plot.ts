import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { max } from 'd3-array';
import { scaleLinear, scalePoint } from 'd3-scale';
import { tell } from '../../shared/ui/said';
import { amount } from '../../shared/ui/words';

const WIDTH = 380;
const HEIGHT = 130;
const LEFT = 38;
const BOTTOM = 24;

/** What a make of some generation showed, with its spread where it has one. */
export interface Mark {
  readonly id: string;
  readonly generation: number;
  readonly value: number;
  readonly low?: number;
  readonly high?: number;
}

/** Something of the makes of a line, generation by generation. */
@Component({
  selector: 'oc-generation-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="words()">
      @for (tick of plot().ticks; track tick.value) {
        <line class="grid" [attr.x1]="left" [attr.x2]="width" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        <text [attr.x]="left - 6" [attr.y]="tick.y + 4" text-anchor="end">{{ tick.says }}</text>
      }
      @for (mark of plot().marks; track mark.id) {
        <line class="reach" [attr.x1]="mark.x" [attr.x2]="mark.x" [attr.y1]="mark.lowY" [attr.y2]="mark.highY" />
        <circle [attr.cx]="mark.x" [attr.cy]="mark.y" r="4.5" />
        <text [attr.x]="mark.x" [attr.y]="height - 8" text-anchor="middle">{{ mark.generation }}</text>
      }
    </svg>
    <p class="quiet">{{ caption() }}</p>
  `,
  styles: `
    svg {
      width: 100%;
      display: block;
    }
    text {
      font-size: 11px;
      fill: var(--ink-soft);
    }
    .grid {
      stroke: var(--line);
    }
    .reach {
      stroke: var(--cobalt);
      stroke-width: 5;
      stroke-linecap: round;
      opacity: 0.35;
    }
    circle {
      fill: var(--cobalt);
    }
    p {
      font-size: 0.82rem;
    }
  `,
})
export class GenerationPlot {
  readonly marks = input.required<readonly Mark[]>();
  readonly caption = input.required<string>();
  readonly unit = input('');
  /** What is said of a mark to those who cannot see it. */
  readonly says = input.required<(mark: Mark) => string>();
  /** Ends of the scale, where they are not those of the marks. */
  readonly scale = input<readonly [number, number]>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly left = LEFT;

  protected readonly plot = computed(() => {
    const marks = this.marks();
    const ends = this.scale() ?? [0, max(marks, (m) => m.high ?? m.value) ?? 1];
    const y = scaleLinear(ends, [HEIGHT - BOTTOM, 8]).nice(4);
    const x = scalePoint(
      marks.map((m) => m.id),
      [LEFT + 16, WIDTH - 12],
    ).padding(0.2);
    return {
      ticks: y.ticks(4).map((value) => ({ value, y: y(value), says: amount(value, this.unit().trim()) })),
      marks: marks.map(({ id, generation, value, low, high }) => ({
        id,
        generation,
        x: x(id)!,
        y: y(value),
        lowY: y(low ?? value),
        highY: y(high ?? value),
      })),
    };
  });
  protected readonly words = computed(() =>
    this.marks()
      .map((mark) =>
        tell('page.cultures.generationPlot.generation', {
          generation: mark.generation,
          mark: this.says()(mark),
        }),
      )
      .join('; '),
  );
}
