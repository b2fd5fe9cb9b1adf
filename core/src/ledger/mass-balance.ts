import type { Batch } from '../batch/replay.js';
import type { IssuedHow } from '../batch/entry.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { plannedOf } from '../make/planned.js';
import { lastOf, runMake } from '../make/run.js';
import { totalG } from '../materials/composition.js';
import { finishedStockOf, issuedBy, type FinishedStock } from './finished-stock.js';

/** Where all that went into a finished make is, g: it adds up to what went in. */
export interface MassBalance {
  readonly stock: FinishedStock;
  /** What was weighed in, as the make was decided. */
  readonly inG: number;
  readonly productG: number;
  /** Of the product: here, and out by each way, in the unit of its stock. */
  readonly here: number;
  readonly out: ReadonlyMap<IssuedHow, number>;
  /** How many people or places got some of it. */
  readonly receivers: number;
  readonly wheyG: number;
  readonly heldBackG: number;
  /** On pots, cloth and spoons, and what nobody weighed; negative where more was weighed than went in. */
  readonly restG: number;
}

/** Where all that went into a make is; null while it is on, and where it was discarded. */
export function massBalanceOf(batch: Batch): MassBalance | null {
  const stock = finishedStockOf(batch);
  const { ended } = batch;
  if (!stock || ended?.how !== 'finished') return null;
  const runs = runMake(plannedOf(batch).stages, USUAL_ENVIRONMENT);
  const inG = totalG(lastOf(runs[runs.length - 1]!).inputs);
  const { productG, wheyG, heldBackG } = ended;
  const names = stock.movements.flatMap((m) => (m.is === 'issued' && m.to ? [m.to.trim().toLocaleLowerCase()] : []));
  return {
    stock,
    inG,
    productG,
    here: stock.left,
    out: issuedBy(stock),
    receivers: new Set(names).size,
    wheyG: wheyG ?? 0,
    heldBackG: heldBackG ?? 0,
    restG: inG - productG - (wheyG ?? 0) - (heldBackG ?? 0),
  };
}
