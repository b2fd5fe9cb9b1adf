import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  cheapestBlend,
  isStock,
  leftOf,
  nearness,
  packWords,
  type BlendMaterial,
  type StockLot,
  amount,
  percent,
  say,
} from '@oat-crock/core';
import { householdSelectors } from '../../state/household';
import { NumberField } from '../../shared/ui/number-field';
import { mass } from '../../shared/ui/words';
import { OwnLarder } from '../../state/own-larder';
import { tell, SayPipe, textOf } from '../../shared/ui/said';

const MISSED = {
  massG: say('page.larder.blendPanel.thereNotEnough'),
  fatPct: say('page.larder.blendPanel.fatCannotMet'),
  proteinPct: say('page.larder.blendPanel.proteinCannotMet'),
};
/** Less than this is not weighed, g. */
const TRACE_G = 0.5;

/** The cheapest blend of what stands in the larder that comes to a fat and a protein. */
@Component({
  selector: 'oc-blend-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, SayPipe],
  template: `
    <h2>{{ 'page.larder.blendPanel.blendWhatThere' | say }}</h2>
    <div class="asked">
      <oc-number-field
        fieldId="blend-kg"
        [label]="'page.larder.blendPanel.toGet' | say"
        [value]="kg()"
        (changed)="kg.set($event)"
        [min]="0.1"
        [max]="500"
        [step]="0.5"
        suffix=" kg"
      />
      <oc-number-field
        fieldId="blend-fat"
        [label]="'page.larder.blendPanel.ofFat' | say"
        [value]="fatPct()"
        (changed)="fatPct.set($event)"
        [max]="60"
        [step]="0.1"
        suffix=" %"
      />
      <oc-number-field
        fieldId="blend-protein"
        [label]="'page.larder.blendPanel.protein' | say"
        [value]="proteinPct()"
        (changed)="proteinPct.set($event)"
        [max]="20"
        [step]="0.1"
        suffix=" %"
      />
    </div>
    @if (blend(); as blend) {
      <div role="status">
        @if (blend.missed) {
          <p class="missed">{{ 'page.larder.blendPanel.theNearest' | say: { missed: blend.missed } }}</p>
        }
        <ul>
          @for (part of blend.parts; track part.name) {
            <li>
              <b>{{ part.mass }}</b> {{ part.name }} <span class="quiet">{{ part.packs }}</span>
            </li>
          }
        </ul>
        <p class="quiet">{{ blend.words }}</p>
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 1rem;
    }
    .asked {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr) auto minmax(0, 1fr) auto minmax(0, 1fr);
      gap: 0.4rem 0.5rem;
      align-items: center;
      margin: 0.4rem 0;
    }
    li {
      padding: 0.15rem 0;
    }
    .missed {
      color: var(--brick);
      font-weight: 650;
    }
    @media (max-width: 1000px) {
      .asked {
        grid-template-columns: auto minmax(0, 1fr);
      }
    }
  `,
})
export class BlendPanel {
  private readonly own = inject(OwnLarder).things;
  private readonly settings = inject(Store).selectSignal(householdSelectors.selectSettings);
  protected readonly kg = signal<number | null>(4);
  protected readonly fatPct = signal<number | null>(6);
  /** As it comes where it is left empty. */
  protected readonly proteinPct = signal<number | null>(null);

  /** Cow's milk, cream and powder that are in date: what may go into one pot. */
  private readonly lots = computed(() => {
    const { lots, taken, today } = this.own();
    return lots
      .filter(
        (lot): lot is StockLot => isStock(lot) && lot.kind !== 'base' && lot.kind !== 'whey' && lot.species === 'cow',
      )
      .filter((lot) => nearness(lot, today) !== 'past' && leftOf(lot, taken) > 0);
  });

  protected readonly blend = computed(() => {
    const [kg, fatPct, proteinPct] = [this.kg(), this.fatPct(), this.proteinPct()];
    const lots = this.lots();
    if (kg === null || lots.length === 0) return null;
    const materials = lots.map((lot): BlendMaterial => ({
      name: lot.id,
      fatPct: lot.material.fatPct,
      proteinPct: lot.material.proteinPct,
      pricePerKg: lot.price,
      maxG: leftOf(lot, this.own().taken),
    }));
    const found = cheapestBlend(materials, {
      massG: kg * 1000,
      fatPct: fatPct ?? undefined,
      proteinPct: proteinPct ?? undefined,
    });
    const blend = 'infeasible' in found ? found.infeasible.nearest : found;
    const parts = blend.parts
      .filter((p) => p.massG >= TRACE_G)
      .map(({ name, massG }) => {
        const lot = lots.find((l) => l.id === name)!;
        return {
          name: lot.name,
          mass: mass(massG),
          packs: lot.pack === null ? '' : textOf(packWords(massG, lot.pack)),
        };
      });
    return {
      parts,
      missed: 'infeasible' in found ? MISSED[found.infeasible.bound] : '',
      words: tell('page.larder.blendPanel.fatProteinCheapestDoes', {
        fat: percent(blend.fatPct, 1),
        protein: percent(blend.proteinPct, 1),
        currency: this.settings().currency,
        cost: amount(blend.cost, 2),
      }),
    };
  });
}
