import { ACTIVITY_LOSS, type CultureId } from '../constants/cultures.js';
import { TIRED } from '../constants/starter.js';
import type { Hours } from './hours.js';
import type { Network } from './network.js';
import { activityThen, LEFT_BEHIND, needOf, type Feed, type StarterHere } from './starters.js';

/** A make of a plan that takes of a culture, and may give of it. */
export interface Taker {
  readonly culture: CultureId;
  readonly takesG: number;
  /** When it takes it, and when the make is begun, minutes of the plan. */
  readonly atMin: number;
  readonly beginMin: number;
  /** What it holds back for its line, g, and when. */
  readonly givesG: number;
  readonly givesAtMin: number;
}

/** What a make has of a culture: a feeding before it, a tired one in so many times the amount, or one that is to be bought. */
export interface Taken {
  readonly feed: Feed | null;
  readonly times: number;
  readonly buys: boolean;
  /** What was there of all cultures when it took its own. */
  readonly here: readonly StarterHere[] | null;
}

/** A jar: what is left in it, and whose feeding it comes of; −1 where it is nobody's. */
interface Jar {
  readonly of: StarterHere;
  leftG: number;
  readonly fedBy: number;
  /** The jar that it was fed from. */
  readonly from: Jar | null;
}

const AS_IT_IS: Taken = { feed: null, times: 1, buys: false, here: null };

/** What is held back, or fed, is as strong as any, and kept in the cold. */
const fresh = (culture: CultureId, massG: number, fromMin: number): StarterHere => ({
  ...{ culture, massG, fromMin, activity: 1 },
  lossPerDay: ACTIVITY_LOSS.active.cold.perDay,
});

/**
 * Where each make of a plan has its starter from, in order of time: of what is left of those that are there, of what an earlier make
 * held back, or of a feeding, which is made larger for those after it. Nothing is given out twice.
 *
 * @param starters what is there as the plan begins; null where each has what it wants
 */
export function starterBook(
  takers: readonly (Taker | null)[],
  starters: readonly StarterHere[] | null,
  hours: Hours,
): readonly Taken[] {
  const taken = takers.map((): Taken => AS_IT_IS);
  if (!starters) return taken;
  const jars = starters.map((of): Jar => ({ of, leftG: of.massG, fedBy: -1, from: null }));
  const inTime = takers.flatMap((taker, i) => (taker ? [{ ...taker, i }] : [])).sort((a, b) => a.atMin - b.atMin);
  for (const { i, culture, takesG, atMin, beginMin, givesG, givesAtMin } of inTime) {
    const left = jars.filter((jar) => jar.fedBy < 0);
    const here = left.map(({ of, leftG }): StarterHere => ({ ...of, massG: leftG }));
    taken[i] = { ...AS_IT_IS, here };
    const isOf = (from: StarterHere) => left[here.indexOf(from)]!;
    const need = needOf(here, culture, takesG, atMin, hours, beginMin);
    const fed = need.is === 'ready' ? undefined : jars.find((jar) => servesMore(jar, culture, takesG, atMin));
    if (need.is === 'ready' && need.from) isOf(need.from).leftG -= takesG;
    else if (fed) {
      const before = taken[fed.fedBy]!.feed!;
      const more = larger(before, takesG);
      fed.from!.leftG -= more.starterG - before.starterG;
      taken[fed.fedBy] = { ...taken[fed.fedBy]!, feed: more };
    } else if (need.is === 'feed') {
      const from = isOf(need.from);
      from.leftG -= need.feed.starterG;
      taken[i] = { ...taken[i]!, feed: need.feed };
      jars.push({ of: fresh(culture, 0, need.feed.ripeMin), leftG: 0, fedBy: i, from });
    } else if (need.is === 'more') {
      isOf(need.from).leftG -= takesG * need.times;
      taken[i] = { ...taken[i]!, times: need.times };
    } else if (need.is === 'buy') taken[i] = { ...taken[i]!, buys: true };
    if (givesG > 0) {
      const of = fresh(culture, givesG, givesAtMin);
      jars.push({ of, leftG: givesG, fedBy: -1, from: null });
    }
  }
  return taken;
}

/** True where a feeding is still strong at a minute, and what it was fed from has enough for it to be made larger. */
function servesMore({ of, fedBy, from }: Jar, culture: CultureId, takesG: number, atMin: number): boolean {
  if (fedBy < 0 || !from || of.culture !== culture || of.fromMin! > atMin) return false;
  return activityThen(of, atMin) >= TIRED && from.leftG >= LARGEST_SHARE * takesG;
}

/** A feeding takes less of its starter than this share of what it gives. */
const LARGEST_SHARE = 0.05;

/** A feeding of which so much more is taken. */
function larger(feed: Feed, byG: number): Feed {
  const times = (feed.milkG + feed.starterG + LEFT_BEHIND * byG) / (feed.milkG + feed.starterG);
  return { ...feed, milkG: feed.milkG * times, starterG: feed.starterG * times };
}

/** A make of a network as it takes of a culture and gives of it; null where it takes of none. */
export function takerOf({ sown, gives }: Network, times: ArrayLike<number>): Taker | null {
  return (
    sown && {
      culture: sown.culture,
      takesG: sown.massG,
      atMin: times[sown.step]!,
      beginMin: times[0]!,
      givesG: gives?.massG ?? 0,
      givesAtMin: gives ? times[gives.step]! : 0,
    }
  );
}
