import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { Drawing } from './drawing';
import { LOOK_SHAPES } from './look-shapes';

/** What an answer to a look is like, drawn small beside its word; nothing where there is nothing to see. */
@Component({
  selector: 'oc-look-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drawing],
  template: `
    @if (shapes(); as drawn) {
      <oc-drawing [shapes]="drawn" />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class LookDrawing {
  readonly cue = input.required<string>();
  readonly answer = input.required<string>();
  protected readonly shapes = computed(() => LOOK_SHAPES[this.cue()]?.[this.answer()] ?? null);
}
