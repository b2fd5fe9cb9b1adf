import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Gear, Lot, Taken } from '@oat-crock/core';
import { KitchenClock } from './kitchen-clock';
import { recordsFeature } from './records.feature';
import { logFeature } from './log.feature';
import { dayOf } from '../shared/ui/days';

/** What the household has, as the sheet needs it. */
export interface OwnThings {
  readonly lots: readonly Lot[];
  /** Lots that were taken away among them: a draft may still name one. */
  readonly everyLot: Readonly<Record<string, { readonly item: Lot }>>;
  readonly gear: readonly Gear[];
  readonly taken: readonly Taken[];
  /** Today, "2026-05-02". */
  readonly today: string;
}

/** What the household has, kept up with what is told and taken. */
@Injectable({ providedIn: 'root' })
export class OwnLarder {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLotsHere);
  private readonly everyLot = this.store.selectSignal(recordsFeature.selectLots);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGearHere);
  readonly taken = this.store.selectSignal(logFeature.selectTaken);
  readonly today = computed(() => dayOf(this.clock.nowMs()));

  readonly things = computed((): OwnThings => ({
    lots: this.lots(),
    everyLot: this.everyLot(),
    gear: this.gear(),
    taken: this.taken(),
    today: this.today(),
  }));
}
