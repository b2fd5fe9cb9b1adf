import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  culturesById,
  dueOf,
  isCulture,
  leftOf,
  lineOfMake,
  makesOf,
  rootOf,
  renewalPolicyOf,
  shownOf,
  tastedOf,
  type Batch,
  type CultureLot,
  type Due,
  type LineKnown,
  type LineShown,
  type Tasted,
  type WatchedMake,
} from '@oat-crock/core';
import { KitchenClock } from './kitchen-clock';
import { OwnLarder } from './own-larder';
import { recordsFeature } from './records.feature';
import { learnedFeature } from './learned.feature';
import { logFeature } from './log.feature';

/** What lives in the household: each culture with what is left of it, its activity and what it wants. */
@Injectable({ providedIn: 'root' })
export class OwnCultures {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly larder = inject(OwnLarder);
  private readonly here = this.store.selectSignal(recordsFeature.selectLotsHere);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  readonly lots = computed(() => this.here().filter(isCulture));
  readonly all = computed(() => culturesById(this.lots()));
  readonly alive = computed(() => this.lots().filter((lot) => lot.retiredMs === null && this.leftG(lot) > 0));

  private readonly learned = this.store.selectSignal(learnedFeature.selectPooled);
  private readonly everWatched = this.store.selectSignal(learnedFeature.selectWatched);
  /** Makes that were watched, by the id of what their line began with. */
  private readonly watched = computed(() => Map.groupBy(this.everWatched(), ({ line }) => line ?? ''));

  readonly dues = computed(() => {
    const nowMs = this.clock.nowMs();
    return this.alive().map((lot): Due => dueOf(lot, this.leftG(lot), nowMs, this.knownOf(lot)));
  });

  leftG(lot: CultureLot): number {
    return Math.max(0, leftOf(lot, this.larder.taken()));
  }

  watchedOf(lot: CultureLot): readonly WatchedMake[] {
    return this.watched().get(this.rootIdOf(lot)) ?? [];
  }

  shownOf(lot: CultureLot): LineShown | null {
    return shownOf(lot.culture, this.rootIdOf(lot), this.learned());
  }

  /** The line of the culture that a make took of; null where it took of none that is kept. */
  lineOfMake(batch: Batch): string | null {
    return lineOfMake(batch, this.all());
  }

  /** The line of the first of some things of one's own that is a culture. */
  lineOfLot(ids: readonly string[]): string | null {
    const lot = ids.map((id) => this.all().get(id)).find((l) => l !== undefined);
    return lot ? this.rootIdOf(lot) : null;
  }

  private rootIdOf(lot: CultureLot): string {
    return rootOf(lot, this.all()).id;
  }

  /** Everything that came of what a culture's line began with, itself among it. */
  lineOf(lot: CultureLot): readonly CultureLot[] {
    const rootId = rootOf(lot, this.all()).id;
    return this.byRoot().get(rootId) ?? [lot];
  }

  tastedOf(lot: CultureLot): readonly Tasted[] {
    return tastedOf(makesOf(this.lineOf(lot), this.batches()));
  }

  knownOf(lot: CultureLot): LineKnown {
    return { shown: this.shownOf(lot), school: renewalPolicyOf(lot, this.all()), tasted: this.tastedOf(lot) };
  }

  private readonly byRoot = computed(() => Map.groupBy(this.lots(), (lot) => rootOf(lot, this.all()).id));
}
