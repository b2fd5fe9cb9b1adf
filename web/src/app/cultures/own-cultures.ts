import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  culturesById,
  dueOf,
  isCulture,
  leftOf,
  makesOf,
  replay,
  rootOf,
  schoolOf,
  shownOf,
  tastedOf,
  type Batch,
  type CultureLot,
  type Due,
  type LineKnown,
  type LineShown,
  type TaughtBy,
  type Tasted,
  type WatchedMake,
} from '@oat-crock/core';
import { Engine } from '../engine/engine';
import { KitchenClock } from '../engine/kitchen-clock';
import { OwnLarder } from '../larder/own-larder';
import { selectKitchen } from '../state/kitchen';
import { larderFeature } from '../state/larder.feature';
import { logFeature } from '../state/log.feature';
import { roomFeature } from '../state/room.feature';
import { Wire } from '../state/wire';

/** The newest makes of each line that are asked what they showed of it. */
const MAKES_ASKED = 8;

/** What lives in the household: each culture with what is left of it, its vigour and what it wants. */
@Injectable({ providedIn: 'root' })
export class OwnCultures {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly engine = inject(Engine);
  private readonly wire = inject(Wire);
  private readonly larder = inject(OwnLarder);
  private readonly here = this.store.selectSignal(larderFeature.selectLotsHere);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly settings = this.store.selectSignal(selectKitchen);
  private readonly room = this.store.selectSignal(roomFeature.selectReadings);
  private readonly taught = signal<ReadonlyMap<string, TaughtBy>>(new Map());
  private readonly asked = new Set<string>();
  /** Whether makes are asked what they showed: only once what somebody waits for is there. */
  private readonly wanted = signal(false);

  readonly lots = computed(() => this.here().filter(isCulture));
  readonly all = computed(() => culturesById(this.lots()));
  readonly alive = computed(() => this.lots().filter((lot) => lot.retiredMs === null && this.leftG(lot) > 0));

  /** What every make that was watched showed of its line, by the id of what the line began with. */
  private readonly watched = computed(() => {
    const taught = this.taught();
    const told = this.makesByRoot().flatMap(({ rootId, makes }) =>
      makes.flatMap((batch): { rootId: string; make: WatchedMake }[] => {
        const of = taught.get(batch.id);
        if (!of) return [];
        const generation = Number(batch.choices['generation'] ?? 0);
        return [{ rootId, make: { batchId: batch.id, generation, atMs: batch.startedMs, taught: of } }];
      }),
    );
    return Map.groupBy(told, (t) => t.rootId);
  });

  readonly dues = computed(() => {
    const nowMs = this.clock.nowMs();
    return this.alive().map((lot): Due => dueOf(lot, this.leftG(lot), nowMs, this.knownOf(lot)));
  });

  constructor() {
    effect(() => {
      if (!this.wanted()) return;
      const makes = this.makesByRoot().flatMap((line) => line.makes);
      void this.askEach(makes.filter(({ id }) => !this.asked.has(id)));
    });
  }

  /** Asks makes of every line what they showed of it. */
  watch(): void {
    this.wanted.set(true);
  }

  leftG(lot: CultureLot): number {
    return Math.max(0, leftOf(lot, this.larder.taken()));
  }

  watchedOf(lot: CultureLot): readonly WatchedMake[] {
    return (this.watched().get(rootOf(lot, this.all()).id) ?? []).map((t) => t.make);
  }

  shownOf(lot: CultureLot): LineShown | null {
    return shownOf(
      lot.culture,
      this.watchedOf(lot).map((make) => make.taught),
    );
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
    return { shown: this.shownOf(lot), school: schoolOf(lot, this.all()), tasted: this.tastedOf(lot) };
  }

  private readonly byRoot = computed(() => Map.groupBy(this.lots(), (lot) => rootOf(lot, this.all()).id));
  private readonly makesByRoot = computed(() =>
    [...this.byRoot()].map(([rootId, lots]) => ({
      rootId,
      makes: makesOf(lots, this.batches())
        .filter((b) => b.ended?.how === 'finished')
        .slice(0, MAKES_ASKED),
    })),
  );

  /** One after the other, so that a sheet or a forecast that somebody waits for comes between. */
  private async askEach(batches: readonly Batch[]): Promise<void> {
    for (const { id } of batches) this.asked.add(id);
    for (const batch of batches) await this.ask(batch);
  }

  private async ask(batch: Batch): Promise<void> {
    try {
      const whole = replay(await this.wire.batch(batch.id)) ?? batch;
      const house = { settings: this.settings(), gear: [], room: this.room() };
      const taught = await this.engine.taught(whole, this.clock.exactMs(), house);
      if (taught) this.taught.update((all) => new Map(all).set(batch.id, taught));
    } catch {
      this.asked.delete(batch.id);
    }
  }
}
