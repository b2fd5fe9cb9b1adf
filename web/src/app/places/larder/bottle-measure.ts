import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { dropsPerMl, strengthBySoda, type SourAgentId, amount, percent, say } from '@oat-crock/core';
import type { Draft } from '../../state/record-writing';
import { NumberField } from '../../shared/ui/number-field';
import { tell, SayPipe, SaidPipe } from '../../shared/ui/said';

/** What is asked to measure a bottle, and how. */
const ASKED = {
  rennet: {
    how: say('page.larder.bottleMeasure.countDropsFillMeasuring'),
    first: { label: say('page.larder.bottleMeasure.drops'), suffix: '', max: 500, initial: 60 },
    second: { label: say('page.larder.bottleMeasure.spoonHolds'), suffix: ' mL', max: 20, initial: 2.5 },
  },
  acid: {
    how: say('page.larder.bottleMeasure.weighSomeIntoGlass'),
    first: { label: say('page.larder.bottleMeasure.sodaUsed'), suffix: ' g', max: 500, initial: 7 },
    second: { label: say('page.larder.bottleMeasure.ofItInThe'), suffix: ' g', max: 1000, initial: 100 },
  },
} as const;

/** The drop of a rennet bottle, or the strength of an acid, from a measuring at the table. */
@Component({
  selector: 'oc-bottle-measure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, SaidPipe, SayPipe],
  template: `
    <details>
      <summary>{{ 'page.larder.bottleMeasure.measureIt' | say }}</summary>
      <p class="quiet">{{ asked().how | said }}</p>
      <div class="asked">
        <oc-number-field
          fieldId="bottle-first"
          [label]="asked().first.label | said"
          [value]="first() ?? asked().first.initial"
          (changed)="first.set($event)"
          [min]="0.1"
          [max]="asked().first.max"
          [suffix]="asked().first.suffix"
        />
        <oc-number-field
          fieldId="bottle-second"
          [label]="asked().second.label | said"
          [value]="second() ?? asked().second.initial"
          (changed)="second.set($event)"
          [min]="0.1"
          [max]="asked().second.max"
          [suffix]="asked().second.suffix"
        />
      </div>
      <p role="status">
        {{ words() }}
        <button type="button" class="press line-press" (click)="take()">
          {{ 'page.larder.bottleMeasure.takeThat' | say }}
        </button>
      </p>
    </details>
  `,
  styles: `
    details {
      margin-top: 0.75rem;
      padding-top: 0.5rem;
      border-top: 1px solid var(--line);
    }
    summary {
      font-weight: 650;
      color: var(--cobalt);
      cursor: pointer;
      min-height: 2.2rem;
    }
    .asked {
      display: grid;
      grid-template-columns: 8.5rem minmax(0, 1fr);
      gap: 0.4rem 0.6rem;
      align-items: center;
      margin: 0.4rem 0;
    }
  `,
})
export class BottleMeasure {
  readonly draft = input.required<Draft>();
  readonly changed = output<Draft>();
  protected readonly first = signal<number | null>(null);
  protected readonly second = signal<number | null>(null);

  private readonly isRennet = computed(() => this.draft().kind === 'rennet');
  protected readonly asked = computed(() => (this.isRennet() ? ASKED.rennet : ASKED.acid));
  private readonly figure = computed(() => {
    const { first, second } = this.asked();
    const [a, b] = [this.first() ?? first.initial, this.second() ?? second.initial];
    if (this.isRennet()) return Math.round(dropsPerMl(a, b));
    return Math.round(strengthBySoda(this.draft().agent as SourAgentId, b, a) * 10) / 10;
  });
  protected readonly words = computed(() =>
    this.isRennet()
      ? tell('page.larder.bottleMeasure.dropsMl', { drops: amount(this.figure()) })
      : tell('page.larder.bottleMeasure.acid', { strength: percent(this.figure()) }),
  );

  protected take(): void {
    this.changed.emit({ ...this.draft(), [this.isRennet() ? 'dropsPerMl' : 'strengthPct']: this.figure() });
  }
}
