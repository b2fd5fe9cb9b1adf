import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { type Batch, type FinishedStock, productLot } from '@oat-crock/core';
import { tell } from '../../shared/ui/said';
import { followFeature } from '../../state/follow.feature';
import { KitchenClock } from '../../state/kitchen-clock';
import type { Draft } from '../../state/record-writing';
import { RecordActions } from '../../state/records.feature';

/** What of a make is known while nothing of it is worked out: it goes by its name alone. */
const BY_NAME = {
  material: { fatPct: 0, proteinPct: 0, lactosePct: 0, mineralsPct: 0 },
  ph: 7,
  fatPct: 0,
  proteinPct: 0,
};

/** Puts some of what was made into the larder, as a lot that came of its make. */
@Injectable({ providedIn: 'root' })
export class ProductLots {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);

  /** Adds it and gives back the lot's id. */
  add(batch: Batch, { useBy }: Pick<FinishedStock, 'useBy'>, massG: number): string {
    const outcome = this.followed()[batch.id]?.outcome;
    const lot = productLot(outcome?.product ?? BY_NAME, this.clock.newId(), massG, {
      ...{ batchId: batch.id, called: batch.name, useBy },
      atMs: this.clock.exactMs(),
      note: tell('page.ledger.moveOut.lotOf', { name: batch.name }),
      ...(outcome?.leftAs ?? { treatment: 'scalded', species: 'cow' }),
    });
    this.store.dispatch(RecordActions.edited({ family: 'lots', draft: lot as unknown as Draft, overVersion: 0 }));
    this.store.dispatch(RecordActions.saveWanted({ id: lot.id }));
    return lot.id;
  }
}
