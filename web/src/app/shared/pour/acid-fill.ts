import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Stop } from './geometry';

/** The fill of a ribbon along its length, by acidity. */
@Component({
  selector: '[ocAcidFill]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (stop of stops(); track $index) {
      <svg:stop [attr.offset]="stop.offset" [attr.stop-color]="stop.colour" />
    }
  `,
  host: { '[attr.x1]': 'from()', '[attr.x2]': 'until()', gradientUnits: 'userSpaceOnUse' },
})
export class AcidFill {
  readonly stops = input.required<readonly Stop[]>({ alias: 'ocAcidFill' });
  /** Where the ribbon begins and ends, px. */
  readonly from = input.required<number>();
  readonly until = input.required<number>();
}
