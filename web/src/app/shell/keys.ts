import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import { PlaceKeys } from '../shared/ui/place-keys';
import { Guide } from './guide.state';
import { allTopics, helpEntries, searched, type HelpEntry } from './help-topics';
import { KEYS, PLACES } from './places';
import { SayPipe, SaidPipe, textList, textOf } from '../shared/ui/said';

/** Help: a question in one's own words, what there is to know of each thing, and the keys of the house. */
@Component({
  selector: 'oc-keys',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  templateUrl: './keys.html',
  styleUrl: './dialog.css',
})
export class Keys {
  readonly closed = output();
  private readonly router = inject(Router);
  private readonly ofPlace = inject(PlaceKeys).keys;
  protected readonly guide = inject(Guide);
  private readonly entries = helpEntries();
  protected readonly topics = allTopics();
  protected readonly typed = signal('');
  protected readonly found = computed(() => searched(this.entries, this.typed()));
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

  protected type(event: Event): void {
    this.typed.set((event.target as HTMLInputElement).value);
  }

  protected go({ path }: HelpEntry): void {
    this.box().nativeElement.close();
    if (path !== null) void this.router.navigateByUrl(path);
  }
}
