import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { replay, type Batch } from '@oat-crock/core';
import type { Engine } from '../engine/engine';
import { ApiClient } from './api-client';
import { KitchenClock } from './kitchen-clock';
import { selectKitchen } from './kitchen';
import { recordsFeature } from './records.feature';

const DAY_MS = 86_400_000;

/** A make with all that was read of it, and the house it stood in. */
export interface WholeMake {
  readonly batch: Batch;
  readonly house: Parameters<Engine['follow']>[3];
}

/** Makes whole, as the server has them: what instruments read of them and the room around them among it. */
@Injectable({ providedIn: 'root' })
export class WholeMakes {
  private readonly wire = inject(ApiClient);
  private readonly clock = inject(KitchenClock);
  private readonly store = inject(Store);
  private readonly kitchen = this.store.selectSignal(selectKitchen);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGear);

  /** One by its id; null where its log tells none. Rejects where the server does not answer, or has none. */
  async read(id: string): Promise<WholeMake | null> {
    const batch = replay(await this.wire.batch(id));
    if (!batch) return null;
    const room = await this.wire.room(batch.startedMs - DAY_MS, batch.ended?.atMs ?? this.clock.nowMs());
    const gear = batch.gear.flatMap((thing) => this.gear()[thing]?.item ?? []);
    return { batch, house: { settings: this.kitchen(), gear, room } };
  }
}
