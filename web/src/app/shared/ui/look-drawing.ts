import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { LOOK_SHAPES } from './look-shapes';

/** What an answer to a look is like, drawn small beside its word; nothing where there is nothing to see. */
@Component({
  selector: 'oc-look-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (shapes(); as drawn) {
      <svg viewBox="0 0 30 24" aria-hidden="true">
        @for (shape of drawn; track $index) {
          <path [attr.class]="shape.is" [attr.d]="shape.d" />
        }
      </svg>
    }
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
export class LookDrawing {
  readonly cue = input.required<string>();
  readonly answer = input.required<string>();
  protected readonly shapes = computed(() => LOOK_SHAPES[this.cue()]?.[this.answer()] ?? null);
}
