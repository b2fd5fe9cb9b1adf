import { isNews, type HandsCall } from '@oat-crock/calendar';
import { concerns, isNear, mayTell, newCalls } from './who-is-told.js';
import { MIN, recipientOf } from './testing.js';

const NOON = Date.UTC(2026, 4, 4, 12);
const HOUSE = { fromH: 22, toH: 6, zone: 'UTC' };
const call = (more: Partial<HandsCall> = {}): HandsCall => ({
  ...{ key: 'a', batchId: null, of: 'Quark', says: 'Cut it.', atMs: NOON, latestMs: NOON, who: [''] },
  ...more,
});

describe('who is told of hands', () => {
  it('is whoever wants all, or whose they are: one of those named, whatever the case, or anybody where nobody is', () => {
    const own = recipientOf({ about: 'own' });
    expect(concerns(recipientOf(), call({ who: ['Per'] }))).toBe(true);
    expect([[''], ['Per', ' ine '], ['Per'], ['Inea']].map((who) => concerns(own, call({ who })))).toEqual([
      ...[true, true, false, false],
    ]);
  });

  it('is told from the lead on, to the millisecond, and for a day', () => {
    const at = (nowMs: number) => isNear({ leadMin: 10 }, call(), nowMs);
    expect([-10 * MIN - 1, -10 * MIN, 0, 1440 * MIN - 1, 1440 * MIN].map((by) => at(NOON + by))).toEqual([
      ...[false, true, true, true, false],
    ]);
  });

  it('is told anew of hands that were put off by half an hour, and of no less', () => {
    expect([undefined, NOON, NOON - 30 * MIN + 1, NOON - 30 * MIN].map((for_) => isNews(call(), for_))).toEqual([
      ...[true, false, false, true],
    ]);
    expect(
      newCalls(recipientOf(), [call(), call({ key: 'b' })], NOON, (key) => (key === 'a' ? NOON : undefined)),
    ).toEqual([call({ key: 'b' })]);
  });

  it('is left in peace in quiet hours, their own or those of the house, unless it cannot wait and they wish it', () => {
    const night = Date.UTC(2026, 4, 4, 22);
    const six = Date.UTC(2026, 4, 5, 6);
    const told = (more: object, nowMs: number, latestMs = six) => mayTell(recipientOf(more), latestMs, nowMs, HOUSE);
    // A moment is taken half a second early, as hours are for all that sleeps.
    expect([night - 501, night, six - 501, six].map((nowMs) => told({ quiet: 'house' }, nowMs))).toEqual([
      ...[true, false, false, true],
    ]);
    expect(told({ quiet: null }, night)).toBe(true);
    expect(told({ quiet: { fromH: 12, toH: 14 } }, NOON)).toBe(false);
    expect(told({ quiet: { fromH: 8, toH: 8 } }, NOON)).toBe(true);
    const woken = { quiet: 'house', wakes: true } as const;
    expect([told(woken, night, six - 1), told(woken, night, six)]).toEqual([true, false]);
  });
});
