import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { supplyTimesOf } from '@oat-crock/calendar';
import { MOST_SETTLED, type Supply, type SupplyTime } from '@oat-crock/contract/api';
import { bareLot, materialOfLabel, type StockLot } from '@oat-crock/core';
import { dayOf } from '../shared/ui/days';
import { kitchenZone } from '../shared/ui/zone';
import { KitchenClock } from './kitchen-clock';
import { RecordActions, recordsFeature } from './records.feature';
import type { Draft } from './record-writing';

const DAY_MS = 86_400_000;
/** What was to come is asked about so long, and taken to be here meanwhile. */
const ASKED_AFTER_MS = DAY_MS;

/** The day by which what comes then is to be used. */
export const useByOf = ({ supply: { keepsDays }, atMs }: SupplyTime): string => dayOf(atMs + keepsDays * DAY_MS);

/** What comes as it stands in a larder. */
export function lotOfSupply(supply: Supply, id: string, atMs: number): StockLot {
  const { kind, name, massG, fatPct, proteinPct, treatment, price, keepsDays } = supply;
  return {
    ...bareLot(id, name, massG, atMs),
    ...{ kind, treatment, price, species: 'cow', homogenised: false, stabilised: false, freshPh: null, allergen: null },
    material: materialOfLabel({ fatG: fatPct, proteinG: proteinPct, sugarsG: null, perG: 100 }),
    useBy: dayOf(atMs + keepsDays * DAY_MS),
  };
}

/** Milk and cream that is brought: when it comes next, and what became of it when it did. */
@Injectable({ providedIn: 'root' })
export class OwnSupplies {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly kept = this.store.selectSignal(recordsFeature.selectSupplies);
  readonly all = this.store.selectSignal(recordsFeature.selectSuppliesHere);

  /** Times up to a moment of which nobody has said what became of them, those that were to come a while ago among them. */
  times(nowMs: number, untilMs: number): readonly SupplyTime[] {
    return supplyTimesOf(this.all(), nowMs - ASKED_AFTER_MS, untilMs, kitchenZone()).filter(
      ({ id, supply }) => !supply.settled?.includes(id),
    );
  }

  /** It has come: it stands in the larder from now on. Gives the id of its lot. */
  came(time: SupplyTime): string {
    const lot = lotOfSupply(time.supply, this.clock.newId(), this.clock.exactMs());
    this.store.dispatch(RecordActions.edited({ family: 'lots', draft: lot as unknown as Draft, overVersion: 0 }));
    this.store.dispatch(RecordActions.saveWanted({ id: lot.id }));
    this.settle(time);
    return lot.id;
  }

  /** It does not come this time. */
  settle({ id, supply }: SupplyTime): void {
    const kept = this.kept()[supply.id];
    if (!kept) return;
    const settled = [...(kept.item.settled ?? []).filter((s) => s !== id), id].slice(-MOST_SETTLED);
    const draft = { ...kept.item, settled };
    this.store.dispatch(RecordActions.edited({ family: 'supplies', draft, overVersion: kept.version }));
    this.store.dispatch(RecordActions.saveWanted({ id: supply.id }));
  }
}
