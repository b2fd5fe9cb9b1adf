import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  asListed,
  bareLot,
  begunLine,
  cultureName,
  GEAR_TYPES,
  grownFrom,
  idOfGrown,
  ORIGINS,
  shortName,
  weighed,
  type CultureLot,
  type Gear,
  type Grown,
  type StockLot,
} from '@oat-crock/core';
import { CultureActs } from '../../state/culture-acts';
import { isTrue, keepHere, keptHere } from '../../state/kept-here';
import { KitchenClock } from '../../state/kitchen-clock';
import { logFeature } from '../../state/log.feature';
import { OwnCultures } from '../../state/own-cultures';
import { OwnLarder } from '../../state/own-larder';
import { RecordActions } from '../../state/records.feature';
import { SayPipe, tell, textOf, titled } from '../../shared/ui/said';

const SETTLED = 'oat-crock.asked-to-keep';
/** A household with more makes than this has its larder as it wants it. */
const YOUNG_MAKES = 3;
const DAY_MS = 86_400_000;

/** After a first make, asks of one thing that it used whether it is to be kept: a lot, a piece of gear, a culture. */
@Component({
  selector: 'oc-grow-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    @if (asked(); as asked) {
      <div class="ask" role="group" aria-labelledby="grow-ask">
        <p id="grow-ask">{{ asked.says }}</p>
        <div>
          <button type="button" class="press line-press" (click)="keep(asked.grown)">
            {{ 'page.today.growCard.keepIt' | say }}
          </button>
          <button type="button" class="press quiet-press" (click)="settle(asked.grown)">
            {{ 'page.today.growCard.no' | say }}
          </button>
        </div>
      </div>
    }
  `,
})
export class GrowCard {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly clock = inject(KitchenClock);
  private readonly larder = inject(OwnLarder);
  private readonly cultures = inject(OwnCultures);
  private readonly acts = inject(CultureActs);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly settled = signal<Readonly<Record<string, true>>>(keptHere(SETTLED, isTrue) ?? {});

  protected readonly asked = computed(() => {
    const batches = this.batches();
    if (batches.length === 0 || batches.length > YOUNG_MAKES) return null;
    const { lots, gear } = this.larder.things();
    const kept = { lots: [...lots, ...this.cultures.lots()], gear };
    const grown = batches.flatMap((batch) => grownFrom(batch, kept)).find((g) => !this.settled()[idOfGrown(g)]);
    return grown ? { grown, says: wordsOf(grown) } : null;
  });

  /** It is asked once, whatever was answered. */
  protected settle(grown: Grown): void {
    this.settled.update((settled) => ({ ...settled, [idOfGrown(grown)]: true }));
    keepHere(SETTLED, this.settled());
  }

  /** Keeps it with what is known, and opens it where something is still to be said of it. */
  protected keep(grown: Grown): void {
    this.settle(grown);
    if (grown.is === 'culture') this.acts.save(this.cultureOf(grown));
    else {
      const draft = grown.is === 'lot' ? this.lotOf(grown) : this.gearOf(grown);
      const family = grown.is === 'lot' ? 'lots' : 'gear';
      this.store.dispatch(RecordActions.edited({ family, draft, overVersion: 0 }));
      this.store.dispatch(RecordActions.saveWanted({ id: draft.id }));
      if (grown.is === 'lot') void this.router.navigate(['/larder', draft.id]);
    }
  }

  /** How much is left of it only its maker knows. */
  private lotOf({ kind, stock }: Extract<Grown, { is: 'lot' }>): StockLot {
    const name = textOf(stock.name).split(',')[0]!;
    const bare = bareLot(this.clock.newId(), name, 0, this.clock.exactMs());
    return { ...bare, ...asListed(stock), kind, homogenised: false, stabilised: false };
  }

  private gearOf({ kind, holdsL }: Extract<Grown, { is: 'gear' }>): Gear {
    const name = titled(GEAR_TYPES[kind].name);
    return { id: this.clock.newId(), kind, name, holdsL, count: 1, learned: {}, note: '' };
  }

  private cultureOf({ culture, form, origin, ageDays }: Extract<Grown, { is: 'culture' }>): CultureLot {
    const countedMs = this.clock.exactMs();
    const { store, usualG } = ORIGINS.find((o) => o.origin === origin)!;
    const id = this.clock.newId();
    const name = titled(cultureName(culture, form));
    const bornMs = Math.round(countedMs - ageDays * DAY_MS);
    return begunLine({ id, name, amount: usualG, countedMs, culture, form, origin, bornMs, store });
  }
}

function wordsOf(grown: Grown): string {
  if (grown.is === 'lot') {
    return tell('page.today.growCard.lot', { mass: weighed(grown.usedG), name: shortName(grown.stock) });
  }
  if (grown.is === 'gear') return tell('page.today.growCard.gear', { name: GEAR_TYPES[grown.kind].name });
  return tell('page.today.growCard.culture', { name: cultureName(grown.culture, grown.form) });
}
