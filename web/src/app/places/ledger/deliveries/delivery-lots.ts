import { deliveredOf, type FinishedStock, type Filling } from '@oat-crock/core';
import type { OwnStock } from '../../../state/own-stock';

/** A lot that goes, or has gone, to something wanted: how much has, and how much is to, in its unit. */
export interface DeliveryLot {
  readonly own: OwnStock;
  readonly given: number;
  readonly apart: number;
}

/** The lots of a delivery: those it was given of, then those set apart for it, and one that somebody has chosen instead. */
export function deliveryLots(
  { wantedId, fromStock, missingG }: Filling,
  stocks: readonly OwnStock[],
  chosenId: string | null,
): readonly DeliveryLot[] {
  const apart = new Map(fromStock.map(({ batchId, count }) => [batchId, count]));
  return stocks
    .map((own): DeliveryLot => ({
      own,
      given: deliveredOf(own.stock, wantedId),
      apart: apart.get(own.batch.id) ?? (own.batch.id === chosenId ? enoughOf(own, missingG) : 0),
    }))
    .filter(({ given, apart: toGo }) => given > 0 || toGo > 0)
    .sort((a, b) => a.own.batch.startedMs - b.own.batch.startedMs);
}

/** So many of a lot as make up for what is missing, as far as they reach. */
const enoughOf = (own: OwnStock, missingG: number): number =>
  Math.min(freeOf(own), own.stock.unit === 'g' ? missingG : Math.round(missingG / own.stock.eachG));

type Issued = FinishedStock['movements'][number] & { readonly is: 'issued' };

/** What of a lot may go: not what is held, and not what is frozen. */
export const freeOf = ({ stock: { hold, left, frozen } }: OwnStock): number =>
  hold ? 0 : Math.max(0, Math.floor(left - frozen));

/** The newest line by which pots of a lot went to something wanted. */
export const lastGiven = ({ stock }: OwnStock, wantedId: string): Issued | undefined =>
  stock.movements.findLast((m): m is Issued => m.is === 'issued' && m.occurrenceId === wantedId);
