import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type Batch, type Followed, amount } from '@oat-crock/core';
import { sameHourOn } from '@oat-crock/calendar';
import { written } from '../../shared/ui/dates';
import { textOf, untitled, SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { mass, temp, grams } from '../../shared/ui/words';
import { kitchenZone } from '../../shared/ui/zone';
import { lotCode } from '../../shared/ui/lot-code';

/** What stands on the pots of a finished make: lot, dates, what it contains, and the cautions for who eats it. */
@Component({
  selector: 'oc-label-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, SaidPipe, SayPipe],
  template: `
    <h2>{{ 'page.make.labelPanel.forTheLabel' | say }}</h2>
    <dl class="fact-list">
      @for (row of rows(); track row.what) {
        <dt>{{ row.what }}</dt>
        <dd>{{ row.says | said }}</dd>
      }
    </dl>
    @if (batch().ended?.how === 'finished') {
      <p>
        <a [routerLink]="['/ledger/labels', batch().id]">{{ 'page.make.labelPanel.print' | say }}</a>
      </p>
    }
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
    const { netG, keepsDays, keepsNeeds, openDays, storeC, contains, ingredients, per100g } = this.label();
    const madeMs = ended?.atMs ?? startedMs;
    return [
      { what: tell('page.make.labelPanel.lot'), says: lotCode(this.batch()) },
      { what: tell('page.make.labelPanel.made'), says: written(madeMs, 'dayYear') },
      {
        what: tell('page.make.labelPanel.useBy'),
        says: keepsDays === null ? keepsNeeds : written(sameHourOn(madeMs, keepsDays, kitchenZone()), 'dayYear'),
      },
      {
        what: tell('page.make.labelPanel.openKeeps'),
        says: tell('page.make.labelPanel.openDays', { count: openDays }),
      },
      {
        what: tell('page.make.labelPanel.keepAt'),
        says: tell('page.make.labelPanel.orColder', { store: temp(storeC) }),
      },
      { what: tell('page.make.labelPanel.net'), says: mass(netG) },
      {
        what: tell('page.make.labelPanel.contains'),
        says: contains.length ? contains.map(textOf).join(', ') : tell('page.make.labelPanel.noAllergenReckonedHere'),
      },
      { what: tell('page.make.labelPanel.of'), says: ingredients.map(untitled).join(', ') },
      {
        what: tell('page.make.labelPanel.inG'),
        says: tell('page.make.labelPanel.kcalFatProteinSugars', {
          energy: amount(per100g.energyKcal, 0),
          fat: grams(per100g.fatG, 1),
          protein: grams(per100g.proteinG, 1),
          sugars: grams(per100g.sugarsG, 1),
          salt: grams(per100g.saltG, 2),
        }),
      },
    ];
  });
}
