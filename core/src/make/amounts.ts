import type { Text } from '../messages/message.js';
import { lotIdOf } from '../lots/lot.js';
import type { Choices } from '../methods/method.js';
import type { PricedAs, WeighedIn } from '../stages/kind.js';
import { gToMl } from '../units/volume.js';
import { firstOf, lastOf, type StageRun } from './run.js';

/** Something to weigh out. */
export interface Amount {
  readonly what: Text;
  readonly massG: number;
  readonly volumeMl: number;
  /** How it is measured other than by the scale or the spoon: "12 drops", "1.9 mL". */
  readonly measure: Text | null;
  readonly pricedAs: PricedAs;
  /** The milk, cream, base or powder of the list that it is; null where it is none of them. */
  readonly stockId: string | null;
  /** The lot of one's own that it comes out of, where a choice named one. */
  readonly lotId: string | null;
  /** The kind of lot it may come out of, where none was named. */
  readonly outOf: NonNullable<WeighedIn['outOf']> | null;
}

/** Everything that is weighed in along a make, with the price its choice gives it. */
export function amountsOf(runs: readonly StageRun[], choices: Choices): (Amount & { pricePerKg: number })[] {
  return runs.flatMap((run, i) => {
    const before = i > 0 ? lastOf(runs[i - 1]!) : firstOf(run);
    const weighed = run.stage.kind.weighIn?.(run.stage.params, before) ?? [];
    return weighed.map(({ what, massG, gPerMl, pricedAs, measure, count, stockId, outOf = null }) => {
      const price = Number(choices[`${pricedAs}Price`] ?? 0);
      return {
        what,
        massG,
        pricedAs,
        outOf,
        stockId: stockId ?? null,
        lotId: stockId === undefined ? null : lotIdOf(stockId),
        volumeMl: gToMl(massG, gPerMl),
        measure: measure ?? null,
        pricePerKg: count === undefined ? price : (price * count) / (massG / 1000),
      };
    });
  });
}
