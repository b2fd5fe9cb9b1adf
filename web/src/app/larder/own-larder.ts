import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { takenBy } from '@oat-crock/core';
import { KitchenClock } from '../engine/kitchen-clock';
import type { OwnThings } from '../methods/own-things';
import { larderFeature } from '../state/larder.feature';
import { logFeature } from '../state/log.feature';
import { dayOf } from './days';

/** What the household has, kept up with what is told and taken. */
@Injectable({ providedIn: 'root' })
export class OwnLarder {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly lots = this.store.selectSignal(larderFeature.selectLotsHere);
  private readonly everyLot = this.store.selectSignal(larderFeature.selectLots);
  private readonly gear = this.store.selectSignal(larderFeature.selectGearHere);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  readonly taken = computed(() => takenBy(this.batches()));
  readonly today = computed(() => dayOf(this.clock.nowMs()));

  readonly things = computed((): OwnThings => ({
    lots: this.lots(),
    everyLot: this.everyLot(),
    gear: this.gear(),
    taken: this.taken(),
    today: this.today(),
  }));
}
