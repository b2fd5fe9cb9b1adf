import { CULTURES, type CultureId } from '../constants/cultures.js';
import { ripeningH } from '../forecast/starter-chain.js';
import { SPENT, TIRED } from '../constants/starter.js';
import type { Hours } from './hours.js';

const DAY_MIN = 1440;

/** A culture that is there when a plan begins: how much of it, its activity then (1 = fresh), and what it loses a day, decimal logarithm. */
export interface StarterHere {
  readonly culture: CultureId;
  readonly massG: number;
  readonly activity: number;
  readonly lossPerDay: number;
  /** There from this minute of the plan, with that activity; from its beginning where left out. */
  readonly fromMin?: number;
}

/** A feeding before a make, so that its starter is ripe when it is wanted. */
export interface Feed {
  readonly culture: CultureId;
  readonly beginMin: number;
  readonly ripeMin: number;
  readonly milkG: number;
  readonly starterG: number;
  readonly tempC: number;
}

/** Hands of a feeding, minutes: to begin it, and to put it into the cold. */
export const FEED_HANDS = { beginMin: 10, endMin: 5 } as const;

const DOSE = 0.03;
const RIPE_PH = 4.5;
/** Cooler than it likes best it is fed, °C; what does not mind the room, in the room. */
const BELOW_BEST_C = 1.5;
const ROOM_C = 24;
/** Held back of a feeding, and left in the jar. */
const HELD_BACK_G = 30;
export const LEFT_BEHIND = 1.05;
/** A ripe starter rests so long before it is taken, and is fed at most so long before, minutes. */
const RESTS_MIN = 30;
const EARLIEST_MIN = 1.5 * DAY_MIN;
const STEP_MIN = 15;

/** Vigour of a starter at a minute of the plan. */
export const activityThen = ({ activity, lossPerDay, fromMin = 0 }: StarterHere, atMin: number): number =>
  activity * 10 ** ((-lossPerDay * Math.max(0, atMin - fromMin)) / DAY_MIN);

/**
 * What a make needs of a culture at a minute: nothing more, a feeding before, or a new one, as none that is here would do; and which of
 * those that are here it comes from.
 */
export type Need =
  | { readonly is: 'ready'; readonly from?: StarterHere }
  | { readonly is: 'feed'; readonly feed: Feed; readonly from: StarterHere }
  /** It is tired, and there is no time to feed it: so many times the starter makes up. */
  | { readonly is: 'more'; readonly times: number; readonly from: StarterHere }
  | { readonly is: 'buy' };

/**
 * Whether a culture is strong enough when a make takes of it, and the feeding that makes it so, by day.
 *
 * @param beginMin when the make is begun: by then its feeding is out of the way
 */
export function needOf(
  starters: readonly StarterHere[],
  culture: CultureId,
  massG: number,
  atMin: number,
  hours: Hours,
  beginMin = atMin,
): Need {
  const own = starters.filter((s) => s.culture === culture && (s.fromMin ?? 0) <= atMin);
  if (NEVER_FED.has(culture)) {
    const serves = own.find((s) => s.massG >= massG && activityThen(s, atMin) > SPENT);
    return serves ? { is: 'ready', from: serves } : { is: 'buy' };
  }
  const strong = own.filter((s) => s.massG >= massG && activityThen(s, atMin) >= TIRED);
  // The oldest of those that will do is used up first.
  if (strong.length > 0)
    return { is: 'ready', from: strong.reduce((a, b) => (activityThen(b, atMin) < activityThen(a, atMin) ? b : a)) };
  const wholeG = massG * LEFT_BEHIND + HELD_BACK_G;
  const starterG = (wholeG * DOSE) / (1 + DOSE);
  const best = own
    .filter((s) => s.massG >= starterG && activityThen(s, atMin - EARLIEST_MIN) > SPENT)
    .sort((a, b) => activityThen(b, atMin) - activityThen(a, atMin))[0];
  const unfed = unfedNeed(own, massG, atMin);
  if (!best) return unfed;
  const { optC } = CULTURES[culture].growth;
  const tempC = optC > 40 ? optC - BELOW_BEST_C : ROOM_C;
  const ripensMin = ripensIn(culture, activityThen(best, atMin - EARLIEST_MIN / 3), tempC);
  if (ripensMin === null) return unfed;
  const latestMin = Math.min(atMin - RESTS_MIN, beginMin - STEP_MIN);
  const earliestMin = Math.max(best.fromMin ?? 0, atMin - EARLIEST_MIN);
  for (let ripeMin = latestMin; ripeMin - ripensMin >= earliestMin; ripeMin -= STEP_MIN) {
    const fedMin = ripeMin - ripensMin;
    const asleep =
      hours.nightMin(fedMin, fedMin + FEED_HANDS.beginMin) + hours.nightMin(ripeMin, ripeMin + FEED_HANDS.endMin);
    if (asleep === 0) {
      const feed = { culture, beginMin: fedMin, ripeMin, milkG: wholeG - starterG, starterG, tempC };
      return { is: 'feed', feed, from: best };
    }
  }
  return unfed;
}

/** A starter so much weaker than a fresh one still makes up for it by its amount. */
const MOST_TIMES = 3;

/** What is needed of cultures that are not fed: so much more of the strongest there is enough of, or a new one. */
function unfedNeed(own: readonly StarterHere[], massG: number, atMin: number): Need {
  const [best] = own
    .map((from) => ({ from, times: 1 / activityThen(from, atMin) }))
    .filter(({ from, times }) => times <= MOST_TIMES && from.massG >= massG * times)
    .sort((a, b) => a.times - b.times);
  return best ? { is: 'more', ...best } : { is: 'buy' };
}

/** Grains live in every batch they make, and capsules are not carried on: neither is fed beforehand. */
const NEVER_FED: ReadonlySet<CultureId> = new Set<CultureId>(['kefir-grains', 'plant']);

const ripening = new Map<string, number | null>();
const TWENTIETHS = 20;

/** Minutes until a feeding is ripe, for an activity to the nearest twentieth below. */
function ripensIn(culture: CultureId, activity: number, tempC: number): number | null {
  const shown = Math.max(1, Math.floor(TWENTIETHS * activity)) / TWENTIETHS;
  const key = `${culture} ${shown} ${tempC}`;
  if (!ripening.has(key)) {
    const hours = ripeningH(culture, DOSE, shown, tempC, RIPE_PH);
    ripening.set(key, hours === null ? null : Math.ceil((60 * hours) / STEP_MIN) * STEP_MIN);
  }
  return ripening.get(key)!;
}
