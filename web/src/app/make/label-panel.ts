import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Batch, Followed } from '@oat-crock/core';
import { sameHourOn } from '@oat-crock/calendar';
import { written } from '../ui/dates';
import { textOf, SaidPipe } from '../ui/units';
import { mass, temp } from '../ui/words';
import { kitchenZone } from '../ui/zone';
import { lotCode } from './lot-code';

/** What stands on the pots of a finished make: lot, dates, what it contains, and the cautions for who eats it. */
@Component({
  selector: 'oc-label-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe],
  template: `
    <h2>For the label</h2>
    <dl class="fact-list">
      @for (row of rows(); track row.what) {
        <dt>{{ row.what }}</dt>
        <dd>{{ row.says | said }}</dd>
      }
    </dl>
    @for (caution of label().cautions; track caution) {
      <p class="quiet">{{ caution | said }}</p>
    }
  `,
  styles: `
    dd {
      margin: 0;
      font-weight: 600;
    }
    p {
      font-size: 0.85rem;
      margin-top: 0.4rem;
    }
  `,
})
export class LabelPanel {
  readonly batch = input.required<Batch>();
  readonly followed = input.required<Followed>();
  protected readonly label = computed(() => this.followed().outcome.label);

  protected readonly rows = computed(() => {
    const { ended, startedMs } = this.batch();
    const { netG, keepsDays, keepsNeeds, storeC, contains, ingredients, per100g } = this.label();
    const madeMs = ended?.atMs ?? startedMs;
    return [
      { what: 'Lot', says: lotCode(this.batch()) },
      { what: 'Made', says: written(madeMs, 'dayYear') },
      {
        what: 'Use by',
        says: keepsDays === null ? keepsNeeds : written(sameHourOn(madeMs, keepsDays, kitchenZone()), 'dayYear'),
      },
      { what: 'Keep at', says: `${temp(storeC)} or colder` },
      { what: 'Net', says: mass(netG) },
      {
        what: 'Contains',
        says: contains.length ? contains.map(textOf).join(', ') : 'no allergen that is reckoned here',
      },
      { what: 'Of', says: ingredients.map(textOf).join(', ') },
      {
        what: 'In 100 g',
        says: `${per100g.energyKcal.toFixed(0)} kcal, ${per100g.fatG.toFixed(1)} g fat, ${per100g.proteinG.toFixed(1)} g protein, ${per100g.sugarsG.toFixed(1)} g sugars, ${per100g.saltG.toFixed(2)} g salt`,
      },
    ];
  });
}
