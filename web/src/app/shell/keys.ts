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
import { PlaceKeys } from '../shared/ui/place-keys';
import { KEYS, PLACES } from './places';
import { SayPipe, SaidPipe, textList, textOf } from '../shared/ui/said';

/** The keys of the house. */
@Component({
  selector: 'oc-keys',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    <dialog #box (close)="closed.emit()" aria-labelledby="keys-title">
      <h2 id="keys-title">{{ 'page.shell.keys.keys' | say }}</h2>
      <dl>
        @for (row of keys(); track row[0]) {
          <div>
            <dt>
              @for (key of row[0].split(' '); track key) {
                <kbd>{{ key }}</kbd>
              }
            </dt>
            <dd>{{ row[1] | said }}</dd>
          </div>
        }
      </dl>
      <form method="dialog">
        <button>{{ 'page.shell.keys.close' | say }}</button>
      </form>
    </dialog>
  `,
  styleUrl: './dialog.css',
})
export class Keys {
  readonly closed = output();
  private readonly ofPlace = inject(PlaceKeys).keys;
  /** Those that work everywhere, and after them those of this place. */
  protected readonly keys = computed(() => [
    [
      PLACES.map(({ key }) => key).join(' '),
      textList(
        PLACES.map(({ text }) => text),
        'comma',
      ),
    ] as const,
    ...KEYS.map(([key, says]) => [textOf(key), says] as const),
    ...this.ofPlace().map(({ key, says }) => [key.toUpperCase(), says] as const),
  ]);
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');

  constructor() {
    afterNextRender(() => this.box().nativeElement.showModal());
  }
}
