import { afterNextRender, DestroyRef, ElementRef, inject, signal, type Signal } from '@angular/core';

export interface BoxSize {
  readonly width: number;
  readonly height: number;
}

/** The size of the component's own box, px, as it changes. To be called where a component is made. */
export function injectBoxSize(initial: BoxSize): Signal<BoxSize> {
  const size = signal(initial);
  const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  const observer = new ResizeObserver(([entry]) => {
    const { width, height } = entry!.contentRect;
    if (width > 0 && height > 0) size.set({ width, height });
  });
  afterNextRender(() => observer.observe(host));
  inject(DestroyRef).onDestroy(() => observer.disconnect());
  return size.asReadonly();
}
