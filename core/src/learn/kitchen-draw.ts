import { cholesky, drawFrom, type Proposal } from '../assimilate/proposal.js';
import type { ScorePrior } from '../assimilate/score-prior.js';
import type { Owned } from './owners.js';
import type { Pooled } from './pooled.js';

/** What nobody knows of a make before it is begun: its scores, whose each is, and what is known of those of which nothing was learned. */
export interface Unknowns extends Owned {
  readonly before: ScorePrior;
  /** What is added to each score, as it was said of this very make. */
  readonly offset: readonly number[];
}

/** Writes the scores of a make into `out`: the more makes of one kitchen are drawn, the more they have in common. */
export type KitchenDraw = (of: Unknowns, out: Float64Array) => void;

/**
 * Kitchens that might be this one, one after the other. What stays with a line, a place, a milk or a cloth from make to make is drawn
 * once for each kitchen, and the rest anew for each make: as in {@link recall}, which is what a single make of them is like.
 */
export function kitchenDraws(learned: Pooled, normal: () => number): () => KitchenDraw {
  const { known, covariance } = learned;
  const together: Proposal = {
    mean: Float64Array.from(known, ({ mean }) => mean),
    factor: cholesky(Float64Array.from(covariance), known.length),
  };
  const placeOf = new Map(known.map(({ of, score }, i) => [keyOf(of, score), i]));
  return () => {
    const own = new Float64Array(known.length);
    drawFrom(together, normal, own, 0);
    const others = new Map<string, number>();
    /** How far an owner of which nothing was learned is from what is usual, standard normal. */
    const otherOf = (key: string) => {
      if (!others.has(key)) others.set(key, normal());
      return others.get(key)!;
    };
    return ({ owners, scores, persists, before, offset }, out) => {
      for (let d = 0; d < scores.length; d++) {
        const key = keyOf(owners[d]!, scores[d]!);
        const at = placeOf.get(key);
        const luck = Math.sqrt(1 - persists[d]!) * normal();
        out[d] =
          offset[d]! +
          (at === undefined
            ? before.mean[d]! + before.sd[d]! * (Math.sqrt(persists[d]!) * otherOf(key) + luck)
            : own[at]! + luck);
      }
    };
  };
}

const keyOf = (owner: string, score: string) => `${owner} ${score}`;
