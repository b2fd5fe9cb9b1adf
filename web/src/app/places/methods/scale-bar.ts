import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { CROCK_G_PER_ML, fitInto, leftOf, lotsNamed } from '@oat-crock/core';
import { OwnLarder } from '../../state/own-larder';
import { NumberField } from '../../shared/ui/number-field';
import { mass } from '../../shared/ui/words';
import { Decision } from './decision';
import { tell, SayPipe } from '../../shared/ui/said';

/** The other ways to say how much: so much product, the pot full, a lot used up; and the pots it would be split over. */
@Component({
  selector: 'oc-scale-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, SayPipe],
  template: `
    <p class="lead">{{ 'page.methods.scaleBar.orScaleIt' | say }}</p>
    <div class="goals product">
      <oc-number-field
        fieldId="scale-product"
        [label]="'page.methods.scaleBar.toGet' | say"
        [value]="wantedKg()"
        (changed)="wantedKg.set($event)"
        [min]="0.05"
        [max]="100"
        [step]="0.25"
        suffix=" kg"
      />
      <button type="button" class="press line-press" (click)="toProduct()" [disabled]="wantedKg() === null">
        {{ 'page.methods.scaleBar.scale' | say }}
      </button>
    </div>
    <div class="goals">
      @if (hasPot()) {
        <button type="button" class="press line-press" (click)="decision.scaleTo({ is: 'fill the pot' })">
          {{ 'page.methods.scaleBar.fillPot' | say }}
        </button>
      }
      @for (lot of named(); track lot.id) {
        <button
          type="button"
          class="press line-press"
          (click)="decision.scaleTo({ is: 'use up', lotId: lot.id, massG: lot.leftG })"
        >
          {{ 'page.methods.scaleBar.useUp' | say: { words: lot.words } }}
        </button>
      }
    </div>
    @if (decision.scaling()) {
      <p class="problem" role="alert">{{ decision.scaling() }}</p>
    }
    @if (split(); as words) {
      <p class="split" role="status">{{ words }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0.15rem 0 0.35rem;
    }
    .lead {
      font-size: 0.82rem;
      color: var(--ink-soft);
    }
    .goals {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.3rem 0.5rem;
      margin-top: 0.2rem;
    }
    .product {
      display: grid;
      grid-template-columns: auto 7rem auto 1fr;
    }
    .product ::ng-deep .p-inputtext {
      text-align: center;
    }
    .split {
      font-size: 0.88rem;
      margin-top: 0.3rem;
    }
  `,
})
export class ScaleBar {
  protected readonly decision = inject(Decision);
  private readonly own = inject(OwnLarder).things;

  /** What the sheet gives, until something else is typed. */
  protected readonly wantedKg = linkedSignal<number | null>(() => {
    const sheet = this.decision.sheet();
    return sheet ? Math.round(sheet.product.massG / 10) / 100 : null;
  });
  protected readonly hasPot = computed(() => 'vesselL' in this.decision.choices());

  /** Lots of one's own that are chosen and still hold something. */
  protected readonly named = computed(() => {
    const { lots, taken } = this.own();
    return lotsNamed(this.decision.choices()).flatMap((id) => {
      const lot = lots.find((l) => l.id === id);
      const leftG = lot ? leftOf(lot, taken) : 0;
      return lot && leftG > 0 ? [{ id, leftG, words: `${lot.name} (${mass(leftG)})` }] : [];
    });
  });

  /** Where the pot that was chosen is too small, the pots of one's own that would do. */
  protected readonly split = computed(() => {
    if (!this.decision.problems().some((p) => p.field === 'vesselL')) return null;
    const pots = this.own().gear.filter((g) => g.kind === 'pot');
    if (pots.length === 0) return null;
    const massG = Number(this.decision.choices()['massG']);
    const fit = fitInto(massG / 1000 / CROCK_G_PER_ML, pots);
    if (fit.how === 'too much')
      return tell('page.methods.scaleBar.allYourPotsTogether', { mass: mass(1000 * fit.fitsL * CROCK_G_PER_ML) });
    const [first] = fit.shares;
    if (fit.how === 'one') return tell('page.methods.scaleBar.fitsIntoYour', { name: first!.gear.name });
    const shares = fit.shares.map((s) =>
      tell('page.methods.scaleBar.in', { mass: mass(s.litres * 1000 * CROCK_G_PER_ML), name: s.gear.name }),
    );
    return tell('page.methods.scaleBar.splitTheyCoolSour', { shares: shares.join(', ') });
  });

  protected toProduct(): void {
    const wanted = this.wantedKg();
    if (wanted !== null) void this.decision.scaleTo({ is: 'product', massG: wanted * 1000 });
  }
}
