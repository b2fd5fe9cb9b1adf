import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { PrimeNG } from 'primeng/config';
import { Shell } from './shell/shell';
import { primeWords } from './shared/ui/prime-words';
import { reader } from './shared/ui/reader';

/** The page. */
@Component({
  selector: 'oc-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Shell],
  template: '<oc-shell />',
})
export class App {
  constructor() {
    const controls = inject(PrimeNG);
    effect(() => {
      const { language } = reader();
      document.documentElement.lang = language;
      controls.setTranslation(primeWords(language));
    });
  }
}
