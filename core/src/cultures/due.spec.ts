import { english } from '@oat-crock/messages';
import { SPENT, TIRED } from '../constants/starter.js';
import { cultured, onDay } from '../testing/cultured.js';
import { movedTo } from '../lots/culture-lot.js';
import { byUrgency, doseFor, dueOf } from './due.js';
import { fallsTo, activityAt } from './activity.js';

const HOUR = 3_600_000;
const born = cultured('A', 10);
const level = (atMs: number, lot = born) => dueOf(lot, 100, atMs).level;

describe('when a culture wants to be fed', () => {
  const feedByMs = fallsTo(born, TIRED, onDay(10))!;

  it('it is well until a day and a half before it is tired, then soon', () => {
    expect(level(feedByMs - 36 * HOUR - 1)).toBe('well');
    expect(level(feedByMs - 36 * HOUR + 1)).toBe('soon');
  });

  it('now from when half of its vigour is gone, and past once next to nothing is left', () => {
    expect(TIRED).toBe(0.5);
    expect(level(feedByMs - HOUR)).toBe('soon');
    expect(level(feedByMs + HOUR)).toBe('now');
    const spentMs = fallsTo(born, SPENT, onDay(10))!;
    expect([level(spentMs - HOUR), level(spentMs + HOUR)]).toEqual(['now', 'past']);
  });

  it('frozen it waits for nothing, and half as little is enough to wake it', () => {
    const frozen = movedTo(born, 'frozen', onDay(11));
    const spentMs = fallsTo(frozen, SPENT / 2, onDay(11))!;
    expect(dueOf(frozen, 100, onDay(20)).feedByMs).toBeNull();
    expect([level(spentMs - HOUR, frozen), level(spentMs + HOUR, frozen)]).toEqual(['well', 'past']);
  });

  it('a frozen one is called weak below a fifth of its vigour', () => {
    const frozen = movedTo(born, 'frozen', onDay(11));
    const weakMs = fallsTo(frozen, 0.2, onDay(11))!;
    const says = (atMs: number) => dueOf(frozen, 100, atMs).says;
    expect(english(says(weakMs - HOUR))).toContain('feed it once');
    expect(english(says(weakMs + HOUR))).toContain('feed it twice');
  });
});

describe('what dose makes up for lost vigour', () => {
  it('is more in proportion, up to twelve in a hundred; nothing makes up for the rest', () => {
    expect(doseFor(1, 2.5)).toBeCloseTo(2.5, 12);
    expect(doseFor(0.5, 2.5)).toBeCloseTo(5, 12);
    expect(doseFor(0.25, 3)).toBeCloseTo(12, 12);
    expect(doseFor(0.249, 3)).toBeNull();
    expect(doseFor(SPENT, 1)).toBeNull();
    expect(doseFor(SPENT + 1e-6, 1)).toBeCloseTo(1 / SPENT, 2);
  });
});

describe('what is most urgent', () => {
  it('stands first, and of those alike what must be done earliest', () => {
    const at = onDay(24);
    const dues = [cultured('old', 1), cultured('tired', 10), cultured('fresh', 23), cultured('fresher', 23.5)].map(
      (lot) => dueOf(lot, 100, at),
    );
    expect(
      [...dues]
        .reverse()
        .sort(byUrgency)
        .map(({ lot }) => lot.id),
    ).toEqual(['old', 'tired', 'fresh', 'fresher']);
    expect(activityAt(cultured('fresh', 23), at).likely).toBeGreaterThan(TIRED);
  });
});
