import { effect, Injectable, signal } from '@angular/core';

const KEPT = 'oat-crock-looks';

/** How the page is lit and how large it is, kept on this device. */
@Injectable({ providedIn: 'root' })
export class Looks {
  readonly dawn = signal(false);
  readonly far = signal(false);

  constructor() {
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as { dawn?: boolean; far?: boolean };
    this.dawn.set(kept.dawn ?? false);
    this.far.set(kept.far ?? false);
    effect(() => {
      const root = document.documentElement;
      if (this.dawn()) root.dataset['light'] = 'dawn';
      else delete root.dataset['light'];
      if (this.far()) root.dataset['size'] = 'far';
      else delete root.dataset['size'];
      localStorage.setItem(KEPT, JSON.stringify({ dawn: this.dawn(), far: this.far() }));
    });
  }

  toggleDawn(): void {
    this.dawn.update((on) => !on);
  }

  toggleFar(): void {
    this.far.update((on) => !on);
  }
}
