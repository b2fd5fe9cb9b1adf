import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import { type Curve, CURVES, type Choice, choicesOf, choicesThatCount, type MakeSheet } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { householdSelectors } from '../../state/household';
import { mass, span } from '../../shared/ui/words';
import { valueWords } from './choice-words';
import { Decision } from './decision';
import { type Course, letterOf, LOOKS, Overlay } from '../../shared/ui/overlay';
import { factsOf, windowsOf } from './sheet-facts';
import { textOf, tell, SayPipe } from '../../shared/ui/said';

/** A line of the comparison; told apart where the two differ. */
interface Line {
  readonly what: string;
  readonly was: string;
  readonly is: string;
}

/** Two sets of choices side by side: what was chosen differently, and what comes of it. */
@Component({
  selector: 'oc-compare-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Overlay, SayPipe],
  template: `
    <div class="curves">
      @for (curve of curves(); track curve) {
        <oc-overlay [runs]="runs()" [curve]="curve" />
      }
    </div>
    <table [attr.aria-label]="'page.methods.compareView.sideSide' | say">
      <thead>
        <tr>
          <td></td>
          @for (head of heads; track head.letter) {
            <th scope="col">
              <svg width="30" height="10" aria-hidden="true">
                <line
                  x1="0"
                  x2="30"
                  y1="5"
                  y2="5"
                  [attr.stroke]="head.look.stroke"
                  [attr.stroke-dasharray]="head.look.dash"
                />
              </svg>
              {{ head.letter }}, {{ head.says | say }}
            </th>
          }
        </tr>
      </thead>
      <tbody>
        @for (line of choices(); track line.what) {
          <tr class="chosen">
            <th scope="row">{{ line.what }}</th>
            <td>{{ line.was }}</td>
            <td>{{ line.is }}</td>
          </tr>
        } @empty {
          <tr class="chosen">
            <td colspan="3">{{ 'page.methods.compareView.changeChoiceLeftWhat' | say }}</td>
          </tr>
        }
        @for (line of results(); track line.what) {
          <tr>
            <th scope="row">{{ line.what }}</th>
            <td>{{ line.was }}</td>
            <td>{{ line.is }}</td>
          </tr>
        }
      </tbody>
    </table>
    @if (choices().length > 0 && results().length === 0) {
      <p class="quiet">{{ 'page.methods.compareView.comesTheSame' | say }}</p>
    }
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      margin-bottom: 0.9rem;
      border: 2px solid var(--line-strong);
      font-size: 0.92rem;
    }
    th,
    td {
      text-align: left;
      vertical-align: top;
      padding: 0.25rem 0.6rem;
      border-top: 1px solid var(--line);
    }
    thead th {
      font-family: var(--serif);
    }
    tbody th {
      width: 8rem;
      color: var(--ink-soft);
      font-weight: 500;
    }
    td:last-child {
      font-weight: 650;
    }
    .chosen {
      background: var(--cobalt-wash);
    }
    .curves oc-overlay {
      height: 9.5rem;
    }
    thead line {
      stroke-width: 2;
    }
    .curves {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(max(15rem, 40%), 1fr));
      gap: 0.6rem 1.2rem;
      margin-bottom: 0.6rem;
    }
  `,
})
export class CompareView {
  readonly was = input.required<MakeSheet>();
  readonly is = input.required<MakeSheet>();
  readonly startMs = input.required<number>();

  private readonly decision = inject(Decision);
  private readonly settings = inject(Store).selectSignal(householdSelectors.selectSettings);

  /** What is chosen otherwise. */
  protected readonly choices = computed((): readonly Line[] => {
    const options = new Map(this.decision.groups().flatMap((g) => g.choices.map((c) => [c.key, c])));
    return choicesOf(this.decision.method())
      .map((c) => {
        const choice = options.get(c.key) ?? c;
        return { what: textOf(choice.label), was: this.said(choice, this.was()), is: this.said(choice, this.is()) };
      })
      .filter((line) => line.was !== line.is);
  });

  /** A choice as it was made; that it has no say where it has none. */
  private said(choice: Choice, { choices }: MakeSheet): string {
    const counts = this.decision.method().groups.flatMap((group) => choicesThatCount(group, choices));
    const hasSay = counts.some(({ key }) => key === choice.key);
    return hasSay ? valueWords(choice, choices) : tell('page.methods.compareView.none');
  }

  protected readonly heads = [
    { letter: letterOf(0), look: LOOKS[0], says: 'page.methods.compareView.asItWas' },
    { letter: letterOf(1), look: LOOKS[1], says: 'page.methods.compareView.asItIsNow' },
  ] as const;
  protected readonly runs = computed((): readonly Course[] =>
    [this.was(), this.is()].map(({ line }) => ({
      series: line.map(({ min, ...at }) => ({ h: min / 60, ...at })),
      read: [],
    })),
  );
  /** Curves by which the two can be told apart. */
  protected readonly curves = computed(() => {
    const [was, is] = this.runs();
    return CURVES.filter((curve) => !dequal(valuesOf(was!, curve), valuesOf(is!, curve)));
  });

  /** What comes of each, where it is not the same of both. */
  protected readonly results = computed((): readonly Line[] => {
    const [was, is] = [this.rows(this.was()), this.rows(this.is())];
    return [...new Set([...was.keys(), ...is.keys()])]
      .map((what) => ({
        what,
        was: was.get(what) ?? tell('page.methods.compareView.none'),
        is: is.get(what) ?? tell('page.methods.compareView.none'),
      }))
      .filter((line) => line.was !== line.is);
  });

  private rows(sheet: MakeSheet): ReadonlyMap<string, string> {
    return new Map([
      ...sheet.amounts.map((a) => [textOf(a.what), mass(a.massG)] as const),
      ...windowsOf(sheet, this.startMs()).map((w) => [w.what, w.words] as const),
      [
        tell('page.methods.compareView.hands'),
        tell('page.methods.compareView.over', { hands: span(sheet.handsMin), sheet: span(sheet.totalMin) }),
      ] as const,
      ...factsOf(sheet, this.settings().currency).map((f) => [f.what, f.value] as const),
      [tell('page.methods.compareView.it'), textOf(sheet.product.firmnessWord)] as const,
      [
        tell('page.methods.compareView.wouldNotWork'),
        sheet.problems
          .filter((p) => !p.mild)
          .map((p) => textOf(p.message))
          .join(' ') || tell('page.methods.compareView.works'),
      ] as const,
    ]);
  }
}

const valuesOf = ({ series }: Course, curve: Curve) => series.map((point) => [point.h, Math.round(100 * point[curve])]);
