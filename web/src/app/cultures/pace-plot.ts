import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { PACE_AT, type Pace } from '@oat-crock/core';
import { max } from 'd3-array';
import { scaleLinear, scalePoint } from 'd3-scale';

const WIDTH = 380;
const HEIGHT = 150;
const LEFT = 38;
const BOTTOM = 26;

/** Hours that the makes of a line would take at one dose and warmth, generation by generation, each with its spread. */
@Component({
  selector: 'oc-pace-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="words()">
      @for (tick of plot().ticks; track tick.value) {
        <line class="grid" [attr.x1]="left" [attr.x2]="width" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        <text [attr.x]="left - 6" [attr.y]="tick.y + 4" text-anchor="end">{{ tick.value }} h</text>
      }
      @for (mark of plot().marks; track $index) {
        <line class="reach" [attr.x1]="mark.x" [attr.x2]="mark.x" [attr.y1]="mark.lowY" [attr.y2]="mark.highY" />
        <circle [attr.cx]="mark.x" [attr.cy]="mark.y" r="4.5" />
        <text [attr.x]="mark.x" [attr.y]="height - 8" text-anchor="middle">{{ mark.generation }}</text>
      }
    </svg>
    <p class="quiet">Hours to pH {{ at.ph }} at {{ at.dosePct }} % in its own warmth, by generation.</p>
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
export class PacePlot {
  readonly paces = input.required<readonly Pace[]>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly left = LEFT;
  protected readonly at = PACE_AT;

  private readonly sorted = computed(() =>
    [...this.paces()].sort((a, b) => a.generation - b.generation || a.atMs - b.atMs),
  );
  protected readonly plot = computed(() => {
    const line = this.sorted();
    const y = scaleLinear([0, max(line, (p) => p.highH) ?? 1], [HEIGHT - BOTTOM, 8]).nice(4);
    const x = scalePoint(
      line.map((p) => p.batchId),
      [LEFT + 16, WIDTH - 12],
    ).padding(0.2);
    return {
      ticks: y.ticks(4).map((value) => ({ value, y: y(value) })),
      marks: line.map((p) => ({
        x: x(p.batchId)!,
        y: y(p.likelyH),
        lowY: y(p.lowH),
        highY: y(p.highH),
        generation: p.generation,
      })),
    };
  });
  protected readonly words = computed(() =>
    this.sorted()
      .map((p) => `Generation ${p.generation}: about ${p.likelyH.toFixed(1)} hours`)
      .join('; '),
  );
}
