import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { acidColour } from './acid-colour';

/** A small stoneware crock: filled by the mass kept, tinted by its acidity. Decoration beside words. */
@Component({
  selector: 'oc-crock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 32 32" aria-hidden="true">
      <path
        class="body"
        d="M7 6h18l1.6 5.500c1.600 5.600 1 11.600-3 15.500H8.400C4.400 23.100 3.800 17.100 5.400 11.500z"
      />
      <g [style.clip-path]="'inset(' + 100 * (1 - 0.92 * level()) + '% 0 0 0)'">
        <path
          [attr.fill]="tint()"
          d="M7 6h18l1.600 5.500c1.600 5.600 1 11.600-3 15.500H8.400C4.400 23.100 3.800 17.100 5.400 11.500z"
        />
      </g>
      <path class="rim" d="M6 6h20" />
      <path
        class="edge"
        d="M7 6h18l1.600 5.500c1.600 5.600 1 11.600-3 15.500H8.400C4.400 23.100 3.800 17.100 5.400 11.500z"
      />
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      width: 2rem;
      flex: none;
    }
    .body {
      fill: var(--paper-sunk);
    }
    .rim {
      stroke: var(--ink);
      stroke-width: 2.2;
      stroke-linecap: round;
    }
    .edge {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.4;
    }
  `,
})
export class Crock {
  /** Share of what went in that is still in it, 0–1. */
  readonly level = input(1);
  readonly ph = input(6.7);
  protected readonly tint = computed(() => acidColour(this.ph()));
}
