import type { Method } from '@oat-crock/core';
import { nameOfWanted } from '../../shared/ui/batch-name';
import { fillingWords } from '../../shared/ui/filling-words';
import { tell } from '../../shared/ui/said';
import { clockTime } from '../../shared/ui/words';
import { isHandedOver, type WantedFilled } from '../../state/own-orders';

const DAY_MS = 86_400_000;
/** So many are named. */
const SHOWN = 3;

/** What is to be handed over within a day, or should have been, and how far it is met. */
export function dueDeliveries(
  wanted: readonly WantedFilled[],
  nowMs: number,
  methodOf: (id: string) => Method | undefined,
): readonly { readonly id: string; readonly name: string; readonly at: string; readonly says: string }[] {
  return wanted
    .filter((want) => !isHandedOver(want) && (want.occurrence.dueMs ?? Infinity) - nowMs < DAY_MS)
    .slice(0, SHOWN)
    .map(({ occurrence: { id, order, dueMs }, filling, plannedMs }) => ({
      id,
      name: nameOfWanted(methodOf(order.methodId)?.name ?? tell('page.plan.wantedList.methodGone2'), order.whom),
      at: clockTime(dueMs!, nowMs),
      says: fillingWords(filling, { plannedMs }),
    }));
}
