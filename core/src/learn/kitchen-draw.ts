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

/** Kitchens that might be this one. */
export interface KitchenDraws {
  /** Another kitchen. */
  readonly next: () => void;
  /** Writes the scores of another make in it, by its place among those that were named. */
  readonly make: (which: number, out: Float64Array) => void;
}

/** A score of a make: what is known of its owner by place, or what is usual. */
interface Compiled {
  readonly known: number;
  readonly other: number;
  readonly mean: number;
  readonly ownSd: number;
  readonly luckSd: number;
}

/**
 * Draws kitchens that might be this one. What stays with a line, a place, a milk or a cloth from make to make is drawn once for each
 * kitchen, and the rest anew for each make: as in {@link recall}, which is what a single make of them is like.
 *
 * @param of the makes that are asked for
 */
export function kitchenDraws(
  { known, covariance }: Pooled,
  of: readonly Unknowns[],
  normal: () => number,
): KitchenDraws {
  const learned: Proposal = {
    mean: Float64Array.from(known, ({ mean }) => mean),
    factor: cholesky(Float64Array.from(covariance), known.length),
  };
  const keyOf = (owner: string, score: string) => `${owner} ${score}`;
  const knownAt = new Map(known.map(({ of: owner, score }, i) => [keyOf(owner, score), i]));
  const otherAt = new Map<string, number>();
  const compiled = of.map(({ owners, scores, persists, before, offset }) =>
    scores.map((score, d): Compiled => {
      const key = keyOf(owners[d]!, score);
      const at = knownAt.get(key) ?? -1;
      if (at < 0 && !otherAt.has(key)) otherAt.set(key, otherAt.size);
      const sd = at < 0 ? before.sd[d]! : 1;
      return {
        ...{ known: at, other: otherAt.get(key) ?? -1 },
        mean: offset[d]! + (at < 0 ? before.mean[d]! : 0),
        ownSd: sd * Math.sqrt(persists[d]!),
        luckSd: sd * Math.sqrt(1 - persists[d]!),
      };
    }),
  );
  const own = new Float64Array(known.length);
  const others = new Float64Array(otherAt.size);
  return {
    next: () => {
      drawFrom(learned, normal, own, 0);
      for (let i = 0; i < others.length; i++) others[i] = normal();
    },
    make: (which, out) => {
      const scores = compiled[which]!;
      for (let d = 0; d < scores.length; d++) {
        const { known: at, other, mean, ownSd, luckSd } = scores[d]!;
        out[d] = mean + (at < 0 ? ownSd * others[other]! : own[at]!) + luckSd * normal();
      }
    },
  };
}
