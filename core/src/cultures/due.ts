import { amount } from '../messages/quantity.js';
import { say, type Text } from '../messages/message.js';
import { SPENT, TIRED } from '../constants/starter.js';
import { spentBelow } from '../physics/starter-activity.js';
import { beginAgain } from './renewal-policy.js';
import { storeOf, type CultureLot, type RenewalPolicy } from '../lots/culture-lot.js';
import type { Tasted } from './drift.js';
import { fallsTo, activityAt, type LineShown, type Activity } from './activity.js';

const DAY_MS = 86_400_000;
/** So long before it must be fed it is worth a word. */
const SOON_MS = 1.5 * DAY_MS;

const isFrozenMilk = (lot: CultureLot) => storeOf(lot) === 'frozen' && lot.form === 'active';

/** What a culture wants, and by when. */
export interface Due {
  readonly lot: CultureLot;
  readonly leftG: number;
  readonly activity: Activity;
  /** Feed it by then, ms; null for what is not fed while it waits: powder, capsules, what is frozen. */
  readonly feedByMs: number | null;
  /** Last moment at which it is still worth using, ms; null where that is years away. */
  readonly lastMs: number | null;
  readonly level: 'well' | 'soon' | 'now' | 'past';
  readonly does: 'feed' | 'wake' | 'use' | 'renew' | 'nothing';
  readonly says: Text;
}

/** True for what is fed: what lives in milk, and is not frozen. */
export function isFed(lot: CultureLot): boolean {
  return (lot.form === 'active' || lot.form === 'grains') && storeOf(lot) !== 'frozen';
}

/** What is known of a culture's line: what its makes showed and tasted like, and the school it is kept by. */
export interface LineKnown {
  readonly shown?: LineShown | null;
  readonly school?: RenewalPolicy;
  readonly tasted?: readonly Tasted[];
}

/** What a culture wants at a moment, by its activity, its store and its generations. */
export function dueOf(
  lot: CultureLot,
  leftG: number,
  nowMs: number,
  { shown = null, school = 'generations', tasted = [] }: LineKnown = {},
): Due {
  const activity = activityAt(lot, nowMs, shown);
  const feedByMs = isFed(lot) ? fallsTo(lot, TIRED, nowMs, shown) : null;
  const spent = spentBelow({ form: lot.form, store: storeOf(lot) });
  const lastMs = fallsTo(lot, spent, nowMs, shown);
  const common = { lot, leftG, activity, feedByMs, lastMs };
  if (activity.likely <= spent) {
    const says: Text = say('cultures.due.tooLittleLeftTrust');
    return { ...common, level: 'past', does: 'renew', says };
  }
  const again = beginAgain(lot, school, tasted);
  if (again) return { ...common, level: 'soon', does: 'renew', says: again };
  if (feedByMs === null) return { ...common, level: 'well', does: 'nothing', says: reserveWords(lot, activity) };
  const grains = lot.form === 'grains';
  if (activity.likely <= TIRED) {
    const says: Text = grains
      ? say('cultures.due.grainsWaitedTooLong')
      : say('cultures.due.tiredFeedLittleMilk', { likely: amount(1 / activity.likely, 1) });
    return { ...common, level: 'now', does: grains ? 'wake' : 'feed', says };
  }
  if (feedByMs - nowMs < SOON_MS) {
    const says: Text = grains ? say('cultures.due.grainsWantNextMilk') : say('cultures.due.wantsFedUsedSoon');
    return { ...common, level: 'soon', does: 'feed', says };
  }
  return { ...common, level: 'well', does: 'use', says: say('cultures.due.goodNextMake') };
}

function reserveWords(lot: CultureLot, { likely }: Activity): Text {
  if (isFrozenMilk(lot))
    return likely < 0.2 ? say('cultures.due.frozenReserveNowWeak') : say('cultures.due.frozenReserveThawCold');
  return likely < TIRED ? say('cultures.due.reserveOlderBestTake') : say('cultures.due.reserveKeeps');
}

/** The most urgent first; of those alike, what has to be done earliest. */
export function byUrgency(a: Due, b: Due): number {
  const order = { past: 0, now: 1, soon: 2, well: 3 } as const;
  return order[a.level] - order[b.level] || (a.feedByMs ?? Infinity) - (b.feedByMs ?? Infinity);
}

/** What dose makes up for lost activity, percent; null where nothing will: beyond it the starter sours the milk it comes in. */
export function doseFor(activity: number, usualPct: number): number | null {
  const pct = usualPct / Math.max(1e-9, activity);
  return activity <= SPENT || pct > MOST_DOSE_PCT ? null : pct;
}

const MOST_DOSE_PCT = 12;
