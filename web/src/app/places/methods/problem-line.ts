import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { choicesOf, type Choices, type Method, type Problem } from '@oat-crock/core';
import { valueWords } from './choice-words';
import { allows } from './own-things';
import { SaidPipe, textOf } from '../../shared/ui/said';

/** Why a choice does not work, what would, and that in one tap. */
@Component({
  selector: 'oc-problem',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe],
  template: `
    <p [class.mild]="problem().mild">
      {{ problem().message | said }} {{ problem().remedy | said }}
      @if (doThat(); as words) {
        <button type="button" (click)="works.emit(problem().works!)">{{ words }}</button>
      }
    </p>
  `,
  styles: `
    :host {
      grid-column: 1 / -1;
    }
    p {
      color: var(--brick);
      font-weight: 650;
      font-size: 0.88rem;
    }
    .mild {
      color: var(--ink);
      border-left: 3px solid var(--line-strong);
      padding-left: 0.5rem;
    }
    button {
      font: inherit;
      min-height: 2rem;
      margin-left: 0.25rem;
      padding: 0 0.6rem;
      border: 1px solid currentcolor;
      border-radius: 5px;
      background: var(--paper-raised);
      color: inherit;
      cursor: pointer;
    }
  `,
})
export class ProblemLine {
  readonly problem = input.required<Problem>();
  readonly method = input.required<Method>();
  readonly works = output<Choices>();

  /** What would be chosen, in words; null where this method has no such choice or does not allow it. */
  protected readonly doThat = computed(() => {
    const works = this.problem().works;
    if (!works) return null;
    const choices = new Map(choicesOf(this.method()).map((c) => [c.key, c]));
    const all = Object.entries(works).map(([key, value]) => {
      const choice = choices.get(key);
      return choice && allows(choice, value) ? `${textOf(choice.label)}: ${valueWords(choice, works)}` : null;
    });
    return all.includes(null) ? null : all.join(', ');
  });
}
