import { afterNextRender, ChangeDetectionStrategy, Component, type ElementRef, output, viewChild } from '@angular/core';
import { KEYS } from './places';

/** The keys of the house. */
@Component({
  selector: 'oc-keys',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dialog #box (close)="closed.emit()" aria-labelledby="keys-title">
      <h2 id="keys-title">Keys</h2>
      <dl>
        @for (row of keys; track row[0]) {
          <div>
            <dt>
              @for (key of row[0].split(' '); track key) {
                <kbd>{{ key }}</kbd>
              }
            </dt>
            <dd>{{ row[1] }}</dd>
          </div>
        }
      </dl>
      <form method="dialog"><button>Close</button></form>
    </dialog>
  `,
  styleUrl: './dialog.css',
})
export class Keys {
  readonly closed = output();
  protected readonly keys = KEYS;
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');

  constructor() {
    afterNextRender(() => this.box().nativeElement.showModal());
  }
}
