import { byUrgency, rootOf, storeOf, type Cultures, type Due } from '@oat-crock/core';

/** Less than this is the scraping of a jar, g. */
const SCRAPING_G = 15;
const serves = ({ leftG }: Due) => Number(leftG >= SCRAPING_G);

/** True for what keeps by itself: frozen, or dry. */
export const isReserve = ({ lot }: Due) =>
  storeOf(lot) === 'frozen' || lot.form === 'freeze-dried' || lot.form === 'capsule';

/** Of each line that is fed and used the strongest, and beside it what is older; the most urgent line first. */
export function livingOf(
  dues: readonly Due[],
  all: Cultures,
): readonly { readonly due: Due; readonly older: readonly Due[] }[] {
  const lines = Map.groupBy(
    dues.filter((due) => !isReserve(due)),
    (due) => rootOf(due.lot, all).id,
  );
  return [...lines.values()]
    .map((of) => [...of].sort((a, b) => serves(b) - serves(a) || b.activity.likely - a.activity.likely))
    .map(([best, ...older]) => ({ due: best!, older }))
    .sort((a, b) => byUrgency(a.due, b.due));
}

/** Lines that want something now or soon. */
export function wantsOf(dues: readonly Due[], all: Cultures): readonly Due[] {
  return livingOf(dues, all)
    .map(({ due }) => due)
    .filter((due) => due.level !== 'well');
}

/** True for what its hands are: milk for it, now or soon. */
export const feedsNow = ({ does, level }: Due) => (does === 'feed' || does === 'wake') && level !== 'well';
