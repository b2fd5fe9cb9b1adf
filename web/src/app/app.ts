import { ChangeDetectionStrategy, Component } from '@angular/core';
import { Shell } from './shell/shell';

/** The page. */
@Component({
  selector: 'oc-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Shell],
  template: '<oc-shell />',
})
export class App {}
