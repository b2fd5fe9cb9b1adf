import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { choicesOf, type Choices, type Quieter } from '@oat-crock/core';
import { Engine } from '../../engine/engine';
import { clockTime } from '../../shared/ui/words';
import { tell } from '../../shared/ui/said';
import { valueWords } from './choice-words';
import { Decision } from './decision';

/** Choices rest this long before it is worked out what would keep hands out of the night. */
const REST_MS = 300;

/** What keeps hands out of the night: a later hour to begin, and the choices that leave something till morning. */
@Component({
  selector: 'oc-quieter-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (begin()) {
      <p>{{ begin() }}</p>
    }
    @for (way of ways(); track way.words) {
      <button type="button" class="press quiet-press" (click)="decision.doThat(way.choices)">{{ way.words }}</button>
    }
  `,
  styles: `
    :host {
      display: block;
      font-size: 0.88rem;
    }
    button {
      display: block;
      text-align: start;
    }
  `,
})
export class QuieterLine {
  protected readonly decision = inject(Decision);
  private readonly engine = inject(Engine);
  private readonly found = signal<Quieter | null>(null);

  protected readonly begin = computed(() => {
    const begin = this.found()?.begin;
    if (!begin) return '';
    const at = clockTime(begin.atMs, this.decision.startMs());
    return tell('page.methods.quieterLine.begunAt', { at, count: begin.nightHands });
  });
  protected readonly ways = computed(() =>
    (this.found()?.choices ?? []).map(({ choices, nightHands }) => ({
      choices,
      words: tell('page.methods.quieterLine.leftSo', { choice: this.wordsOf(choices), count: nightHands }),
    })),
  );

  constructor() {
    effect((onCleanup) => {
      const asked = this.decision.asked();
      const rest = setTimeout(() => {
        // A sheet that cannot be worked out says why; there is nothing to be said of its night.
        this.engine.quieter(asked).then(
          (found) => this.found.set(found),
          () => this.found.set(null),
        );
      }, REST_MS);
      onCleanup(() => clearTimeout(rest));
    });
  }

  private wordsOf(choices: Choices): string {
    const method = this.decision.method();
    return choicesOf(method)
      .filter((choice) => choices[choice.key] !== undefined)
      .map((choice) =>
        tell('page.methods.quieterLine.choice', { label: choice.label, value: valueWords(choice, choices) }),
      )
      .join(', ');
  }
}
