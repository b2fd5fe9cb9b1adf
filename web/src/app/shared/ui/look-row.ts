import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { LookDrawing } from './look-drawing';
import { answerWords } from '@oat-crock/core';
import { SaidPipe } from './said';

/** Something to look at, and a button for each answer. */
@Component({
  selector: 'oc-look-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LookDrawing, SaidPipe],
  template: `
    <div class="look" role="group" [attr.aria-label]="ask()">
      <span class="ask">{{ ask() }}</span>
      <div>
        @for (answer of answers(); track answer) {
          <button type="button" [attr.aria-pressed]="chosen(answer)" (click)="saw.emit(answer)">
            <oc-look-drawing [cue]="cue()" [answer]="answer" />{{ words(answer) | said }}
          </button>
        }
      </div>
    </div>
  `,
  styles: `
    .look {
      display: grid;
      grid-template-columns: var(--look-ask, 1fr);
      align-items: center;
      gap: 0.2rem 0.35rem;
      font-size: 0.9rem;
    }
    .ask {
      color: var(--ink-soft);
    }
    div div {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 0.25rem;
    }
    button {
      font: inherit;
      color: var(--ink);
      min-height: var(--touch);
      padding: 0 0.45rem;
      display: inline-flex;
      align-items: center;
      gap: 0.25rem;
      border: 1px solid var(--line-strong);
      border-radius: 5px;
      background: var(--look-face, var(--paper-raised));
      cursor: pointer;
    }
    button:hover {
      border-color: var(--cobalt);
    }
    button[aria-pressed='true'] {
      border-color: var(--cobalt);
      box-shadow: inset 0 0 0 1px var(--cobalt);
    }
    @media (max-width: 560px) {
      .look {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class LookRow {
  readonly cue = input.required<string>();
  readonly ask = input.required<string>();
  readonly answers = input.required<readonly string[]>();
  /** The answer that was given; undefined where that is not shown. */
  readonly given = input<string | null>();
  readonly saw = output<string>();

  protected readonly words = (answer: string) => answerWords(this.cue(), answer);

  protected chosen(answer: string): boolean | null {
    return this.given() === undefined ? null : this.given() === answer;
  }
}
