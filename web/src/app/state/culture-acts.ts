import { roomToPlanFor } from '@oat-crock/calendar';
import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  divided,
  feedingOf,
  methodById,
  mixed,
  movedTo,
  retired,
  revived,
  storeOf,
  type CultureLot,
  type Due,
  type Feeding,
  type StarterStore,
} from '@oat-crock/core';
import { KitchenClock } from './kitchen-clock';
import { Logger } from './logger';
import { selectKitchen } from './kitchen';
import { RecordActions, recordsFeature } from './records.feature';
import type { Draft } from './record-writing';
import { roomFeature } from './room.feature';
import { tell } from '../shared/ui/said';

/** What is done with a culture: each writes what has become of it. */
@Injectable({ providedIn: 'root' })
export class CultureActs {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly logger = inject(Logger);
  private readonly router = inject(Router);
  private readonly kept = this.store.selectSignal(recordsFeature.selectLots);
  private readonly settings = this.store.selectSignal(selectKitchen);
  private readonly room = this.store.selectSignal(roomFeature.selectReadings);

  /** Writes a culture, new or changed. */
  save(lot: CultureLot): void {
    const overVersion = this.kept()[lot.id]?.version ?? 0;
    this.store.dispatch(RecordActions.edited({ family: 'lots', draft: lot as unknown as Draft, overVersion }));
    this.store.dispatch(RecordActions.saveWanted({ id: lot.id }));
  }

  move(lot: CultureLot, store: StarterStore): void {
    this.save(movedTo(lot, store, this.clock.exactMs()));
  }

  /** Puts part of it into a jar of its own, in some store. */
  divide({ lot, leftG }: Due, massG: number, store: StarterStore): void {
    const part = { id: this.clock.newId(), massG, store, name: lot.name };
    for (const one of divided(lot, leftG, part, this.clock.exactMs())) this.save(one);
  }

  mix(a: CultureLot, b: CultureLot, massG: number): void {
    this.save(
      mixed(
        a,
        b,
        {
          id: this.clock.newId(),
          massG,
          name: tell('page.cultures.cultureActs.with', { name: a.name, other: b.name }),
        },
        this.clock.exactMs(),
      ),
    );
  }

  retire(lot: CultureLot): void {
    this.save(retired(lot, this.clock.exactMs()));
  }

  revive(lot: CultureLot): void {
    this.save(revived(lot));
  }

  feeding(due: Due): Feeding | null {
    const nowMs = this.clock.exactMs();
    return feedingOf(due.lot, due.leftG, nowMs, due.activity, roomToPlanFor(this.settings(), this.room(), nowMs));
  }

  /** Begins the feeding of a culture as a make of its own, and goes to it; in other amounts where a chain asks for them. */
  feed(due: Due, step?: { readonly milkG: number; readonly starterG: number }): void {
    const feeding = this.feeding(due);
    if (!feeding) return;
    const { lot } = due;
    const grains =
      lot.form === 'grains'
        ? { then: storeOf(lot) === 'room' ? tell('page.cultures.cultureActs.nextMilk') : 'rest' }
        : {};
    const massG = step?.starterG ?? feeding.takesG;
    const takings = [{ lotId: lot.id, massG: Math.round(10 * massG) / 10 }];
    const method = methodById(feeding.methodId);
    const choices = { ...feeding.choices, ...grains, ...(step && stepChoices(step)) };
    const batchId = this.logger.start(method, choices, tell('page.cultures.cultureActs.fed', { name: lot.name }), {
      stocks: [],
      gear: [],
      takings,
    });
    void this.router.navigate(['/make', batchId]);
  }
}

/** A step of a chain as the feeding that it is. */
function stepChoices({ milkG, starterG }: { readonly milkG: number; readonly starterG: number }) {
  const massG = Math.max(50, Math.ceil(milkG / 10) * 10);
  const dosePct = Math.min(10, Math.max(0.5, Math.round((1000 * starterG) / milkG) / 10));
  return { massG, dosePct, vesselL: Math.ceil(massG / 80) / 10 };
}
