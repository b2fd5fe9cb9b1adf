import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { WritesHere } from '../../state/writes-here';
import { SayPipe } from '../../shared/ui/said';

/** Whose name stands at the lines that are written here, where the server asks nobody. */
@Component({
  selector: 'oc-own-name',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <h2>{{ 'page.whoMay.ownName.title' | say }}</h2>
    <label for="own-name">{{ 'page.whoMay.ownName.label' | say }}</label>
    <input
      id="own-name"
      class="type"
      maxlength="60"
      [value]="writes.name()"
      (change)="writes.set($any($event.target).value)"
    />
    <p class="quiet">{{ 'page.whoMay.ownName.why' | say }}</p>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 9rem minmax(0, 1fr);
      gap: 0.5rem 0.8rem;
      align-items: center;
      margin-top: 1.6rem;
    }
    h2,
    p {
      grid-column: 1 / -1;
    }
  `,
})
export class OwnName {
  protected readonly writes = inject(WritesHere);
}
