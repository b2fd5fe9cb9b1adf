import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  output,
  viewChild,
} from '@angular/core';
import { PlaceKeys } from './place-keys';
import { KEYS } from './places';

/** The keys of the house. */
@Component({
  selector: 'oc-keys',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dialog #box (close)="closed.emit()" aria-labelledby="keys-title">
      <h2 id="keys-title">Keys</h2>
      <dl>
        @for (row of keys(); track row[0]) {
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
  private readonly ofPlace = inject(PlaceKeys).keys;
  /** Those that work everywhere, and after them those of this place. */
  protected readonly keys = computed(() => [
    ...KEYS,
    ...this.ofPlace().map(({ key, says }) => [key.toUpperCase(), says] as const),
  ]);
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');

  constructor() {
    afterNextRender(() => this.box().nativeElement.showModal());
  }
}
