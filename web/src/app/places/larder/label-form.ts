import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { materialOfLabel, type Material, say, type Text } from '@oat-crock/core';
import { NumberField } from '../../shared/ui/number-field';
import { tell, SayPipe, SaidPipe } from '../../shared/ui/said';
import { grams, wordsOfError } from '../../shared/ui/words';

type Figure = 'fatG' | 'proteinG' | 'sugarsG';

const FIGURES: readonly { readonly key: Figure; readonly label: Text; readonly of: keyof Material }[] = [
  { key: 'fatG', label: say('page.larder.labelForm.fat'), of: 'fatPct' },
  { key: 'proteinG', label: say('page.larder.labelForm.protein'), of: 'proteinPct' },
  { key: 'sugarsG', label: say('page.larder.labelForm.sugars'), of: 'lactosePct' },
];

/** A label typed as it is printed, for 100 g or for a serving, and what it comes to in 100 g. */
@Component({
  selector: 'oc-label-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, SaidPipe, SayPipe],
  template: `
    <fieldset>
      <legend>{{ 'page.larder.labelForm.itsLabel' | say }}</legend>
      <div class="per" role="group" [attr.aria-label]="'page.larder.labelForm.theFiguresAreFor' | say">
        <button type="button" [attr.aria-pressed]="servingG() === 100" (click)="per(100)">
          {{ 'page.larder.labelForm.forG' | say }}
        </button>
        <button type="button" [attr.aria-pressed]="servingG() !== 100" (click)="per(240)">
          {{ 'page.larder.labelForm.forAServing' | say }}
        </button>
        @if (servingG() !== 100) {
          <label class="unseen" for="label-serving">{{ 'page.larder.labelForm.servingWeighs' | say }}</label>
          <oc-number-field
            fieldId="label-serving"
            [value]="servingG()"
            (changed)="per($event ?? 100)"
            [min]="5"
            [max]="2000"
            [step]="10"
            suffix=" g"
            [asPrinted]="true"
          />
        }
      </div>
      <div class="figures">
        @for (figure of figures(); track figure.key) {
          <oc-number-field
            [fieldId]="'label-' + figure.key"
            [label]="figure.label | said"
            [value]="figure.value"
            (changed)="type(figure.key, $event)"
            [max]="100000"
            [step]="0.1"
            suffix=" g"
            [asPrinted]="true"
          />
        }
      </div>
      @if (trouble()) {
        <p class="problem" role="alert">{{ 'page.larder.labelForm.lookLabelAgain' | say: { trouble: trouble() } }}</p>
      } @else if (servingG() !== 100) {
        <p class="quiet">{{ in100() }}</p>
      }
    </fieldset>
  `,
  styleUrl: './label-form.css',
})
export class LabelForm {
  readonly material = input.required<Material>();
  readonly changed = output<Material>();

  protected readonly servingG = signal(100);
  protected readonly trouble = signal('');
  /** The figures as they are typed, for the serving. */
  private readonly typed = linkedSignal(() => this.material());

  protected readonly figures = computed(() =>
    FIGURES.map((f) => ({ ...f, value: round(((this.typed()[f.of] as number) * this.servingG()) / 100) })),
  );
  protected readonly in100 = computed(() => {
    const { fatPct, proteinPct, lactosePct } = this.material();
    return tell('page.larder.labelForm.gFatProteinSugars', {
      fat: grams(fatPct),
      protein: grams(proteinPct),
      lactose: grams(lactosePct),
    });
  });

  /** The same figures are now for another mass. */
  protected per(servingG: number): void {
    const figures = this.asTyped();
    this.servingG.set(servingG);
    if (figures.fatG + figures.proteinG > 0) this.tell(figures);
  }

  protected type(key: Figure, value: number | null): void {
    if (value !== null) this.tell({ ...this.asTyped(), [key]: value });
  }

  private asTyped(): Record<Figure, number> {
    const [fatG, proteinG, sugarsG] = this.figures().map((f) => f.value) as [number, number, number];
    return { fatG, proteinG, sugarsG };
  }

  private tell(figures: Record<Figure, number>): void {
    try {
      const material = { ...this.material(), ...materialOfLabel({ ...figures, perG: this.servingG() }) };
      this.trouble.set('');
      this.changed.emit(material);
    } catch (error) {
      this.trouble.set(wordsOfError(error));
    }
  }
}

const round = (x: number) => Math.round(x * 100) / 100;
