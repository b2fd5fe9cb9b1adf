import { say, type Text } from '../messages/message.js';
import { SPENT_FROZEN, TIRED } from '../constants/starter.js';
import { movedTo, storeOf, type CultureLot } from '../lots/culture-lot.js';
import { isFed } from './due.js';
import { activityAt, type LineShown } from './activity.js';

/** How a culture is brought over a time in which nobody feeds it. */
export interface Parking {
  readonly lot: CultureLot;
  readonly does: 'leave' | 'cold' | 'feed' | 'freeze' | 'renew';
  /** Vigour on the day of coming back, likely. */
  readonly activityThen: number;
  readonly says: Text;
}

/**
 * What to do with a culture before going away, so that it serves on coming back: leave it, put it into the cold, feed it and
 * put it into the cold, freeze it; the least that does.
 *
 * @param leaveMs when somebody leaves, and when they are back
 */
export function parkingOf(lot: CultureLot, leaveMs: number, backMs: number, shown: LineShown | null = null): Parking {
  const then = (as: CultureLot) => activityAt(as, backMs, shown).likely;
  const fresh = (store: 'cold' | 'frozen'): CultureLot => ({
    ...lot,
    generation: lot.generation + (lot.form === 'grains' ? 0 : 1),
    stays: [{ store, fromMs: leaveMs }],
  });
  const grains = lot.form === 'grains';
  const ways: readonly Parking[] = [
    { lot, does: 'leave', activityThen: then(lot), says: say('cultures.park.leaveWhere') },
    ...(storeOf(lot) === 'room'
      ? [
          {
            lot,
            does: 'cold' as const,
            activityThen: then(movedTo(lot, 'cold', leaveMs)),
            says: say('cultures.park.putCold'),
          },
        ]
      : []),
    ...(isFed(lot)
      ? [
          {
            lot,
            does: 'feed' as const,
            activityThen: then(fresh('cold')),
            says: grains ? say('cultures.park.freshMilkThenCold') : say('cultures.park.feedThenCold'),
          },
          {
            lot,
            does: 'freeze' as const,
            activityThen: then(fresh('frozen')),
            says: grains ? say('cultures.park.freezeGrains') : say('cultures.park.freezeCubes'),
          },
        ]
      : []),
  ];
  const does = ways.find((way) => way.activityThen >= TIRED);
  const best = does ?? ways.reduce((a, b) => (b.activityThen > a.activityThen * MUCH_BETTER ? b : a));
  if (best.activityThen >= SPENT_FROZEN) return best;
  return {
    lot,
    does: 'renew',
    activityThen: best.activityThen,
    says: say('cultures.park.nothingBringsOverLong'),
  };
}

/** More trouble is taken for an activity that is better by this factor, no less. */
const MUCH_BETTER = 1.15;
