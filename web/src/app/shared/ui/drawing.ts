import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Shape } from './look-shapes';

/** A small drawing of strokes and patches. */
@Component({
  selector: 'oc-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 30 24" aria-hidden="true">
      @for (shape of shapes(); track $index) {
        <path [attr.class]="shape.is" [attr.d]="shape.d" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: contents;
    }
    svg {
      width: 1.6rem;
      height: 1.35rem;
      flex: none;
    }
    path {
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .edge,
    .thin {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .thin {
      stroke-width: 0.8;
    }
    .milk {
      fill: var(--milk);
      stroke: var(--line-strong);
      stroke-width: 0.8;
    }
    .cloud {
      fill: color-mix(in srgb, var(--milk) 45%, var(--line));
    }
    .whey {
      fill: var(--whey);
    }
    .crust {
      fill: var(--buttermilk);
      stroke: var(--line-strong);
      stroke-width: 0.8;
    }
    .dark {
      fill: var(--ink);
    }
  `,
})
export class Drawing {
  readonly shapes = input.required<readonly Shape[]>();
}
