import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  PACE_AT,
  paces,
  perGeneration,
  rootOf,
  renewalPolicyOf,
  RENEWAL_POLICIES,
  type CultureLot,
  type RenewalPolicy,
  acidity as acidityOf,
  percent as percentOf,
  amount,
} from '@oat-crock/core';
import { SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { OptionField } from '../../shared/ui/option-field';
import { CultureActs } from '../../state/culture-acts';
import { GenerationPlot, type Mark } from './generation-plot';
import { OwnCultures } from '../../state/own-cultures';

/** Drift that is not worth a word: minutes, and marks of sourness, a generation. */
const STEADY_MIN = 5;
const STEADY_MARKS = 0.1;

/** How a line drifts, slower and sourer, over its generations, and when it is begun again. */
@Component({
  selector: 'oc-line-drift',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, GenerationPlot, OptionField, SayPipe],
  template: `
    @if (pace().length && lot().form !== 'grains') {
      <section aria-labelledby="pace-title">
        <h3 id="pace-title">{{ 'page.cultures.lineDrift.howFastLineSours' | say }}</h3>
        <oc-generation-plot [marks]="pace()" unit=" h" [caption]="paceCaption()" [says]="hours" />
        @if (slower()) {
          <p class="quiet">{{ slower() }}</p>
        }
      </section>
    }
    @if (tasted().length) {
      <section aria-labelledby="taste-title">
        <h3 id="taste-title">{{ 'page.cultures.lineDrift.howSharpMakesWere' | say }}</h3>
        <oc-generation-plot [marks]="tasted()" [scale]="[1, 5]" [caption]="tasteCaption()" [says]="marked" />
        @if (sourer()) {
          <p class="quiet">{{ sourer() }}</p>
        }
      </section>
    }
    <div class="school">
      <span>{{ 'page.cultures.lineDrift.lineBegunAgain' | say }}</span>
      <oc-option-field
        [ariaLabel]="'page.cultures.lineDrift.lineBegunAgain' | say"
        [options]="schools"
        [value]="school()"
        (changed)="keepBy($event)"
      />
      <small class="quiet">{{ why() | said }}</small>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.7rem;
    }
    .school {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 0.2rem 0.7rem;
      align-items: center;
    }
    small {
      grid-column: 1 / -1;
    }
  `,
})
export class LineDrift {
  readonly lot = input.required<CultureLot>();
  private readonly own = inject(OwnCultures);
  private readonly acts = inject(CultureActs);

  protected readonly schools = RENEWAL_POLICIES;
  protected readonly school = computed(() => renewalPolicyOf(this.lot(), this.own.all()));
  protected readonly why = computed(() => RENEWAL_POLICIES.find(({ id }) => id === this.school())!.why);

  protected readonly pace = computed(() =>
    inOrder(
      paces(this.lot().culture, this.own.watchedOf(this.lot())).map((p) => ({
        id: p.batchId,
        generation: p.generation,
        atMs: p.atMs,
        value: p.likelyH,
        low: p.lowH,
        high: p.highH,
      })),
    ),
  );
  protected readonly tasted = computed(() =>
    inOrder(
      this.own
        .tastedOf(this.lot())
        .map(({ batchId: id, generation, atMs, sourness: value }) => ({ id, generation, atMs, value })),
    ),
  );
  protected readonly paceCaption = computed(() =>
    tell('page.cultures.lineDrift.paceCaption', { ph: acidityOf(PACE_AT.ph, 1), dose: percentOf(PACE_AT.dosePct) }),
  );
  protected readonly tasteCaption = computed(() => tell('page.cultures.lineDrift.tasteCaption'));
  protected readonly hours = ({ value }: Mark) =>
    tell('page.cultures.lineDrift.aboutHours', { hours: amount(value, 1) });
  protected readonly marked = ({ value }: Mark) => tell('page.cultures.lineDrift.of', { mark: amount(value) });

  protected readonly slower = computed(() => {
    const hours = perGeneration(this.pace());
    if (hours === null) return '';
    const minutes = Math.round(Math.abs(hours) * 60);
    if (minutes < STEADY_MIN) return tell('page.cultures.lineDrift.makesKeepTheirPace');
    return hours > 0
      ? tell('page.cultures.lineDrift.slowsAboutMinGeneration', { minutes: amount(minutes) })
      : tell('page.cultures.lineDrift.quickenedAboutMinGeneration', { minutes: amount(minutes) });
  });
  protected readonly sourer = computed(() => {
    const marks = perGeneration(this.tasted());
    if (marks === null) return '';
    if (Math.abs(marks) < STEADY_MARKS) return tell('page.cultures.lineDrift.makesKeepTheirTaste');
    return marks > 0
      ? tell('page.cultures.lineDrift.turnsSharperMarksGeneration', { marks: amount(marks, 1) })
      : tell('page.cultures.lineDrift.turnsMilderMarksGeneration', { marks: amount(-marks, 1) });
  });

  /** The school is said of what the line began with. */
  protected keepBy(school: string): void {
    this.acts.save({ ...rootOf(this.lot(), this.own.all()), beginAgain: school as RenewalPolicy });
  }
}

/** Marks by generation, of one generation by time. */
function inOrder<M extends Mark & { readonly atMs: number }>(marks: readonly M[]): readonly M[] {
  return [...marks].sort((a, b) => a.generation - b.generation || a.atMs - b.atMs);
}
