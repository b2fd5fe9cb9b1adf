import { DestroyRef, Directive, ElementRef, inject } from '@angular/core';

/**
 * A control that is pressed once for one thing: the second click of a double click and the repeats of a key held down do
 * nothing, as by then it may stand for the next thing.
 */
@Directive({ selector: '[ocOneTouch]' })
export class OneTouch {
  constructor() {
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    const stop = (event: Event) => {
      const again = event instanceof KeyboardEvent ? event.repeat : (event as MouseEvent).detail > 1;
      if (!again) return;
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    // Captured, so that it comes before whatever listens within.
    for (const type of ['click', 'keydown']) nativeElement.addEventListener(type, stop, true);
    inject(DestroyRef).onDestroy(() => {
      for (const type of ['click', 'keydown']) nativeElement.removeEventListener(type, stop, true);
    });
  }
}
