import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { CULTURES, LINES, type CultureId } from '../constants/cultures.js';
import { starterAdvice, starterActivity, type Starter } from './starter-activity.js';

const log10 = (starter: Partial<Starter>) =>
  Math.log10(starterActivity({ form: 'active', store: 'cold', ageDays: 0, ...starter }));

/** Losses of starters in store as dairy practice reckons them: Tamime & Robinson (2007), ch. 8. */
describe('vitality in store', () => {
  it('falls 0.03–0.06 log10 a day at 4 °C for weeks, and faster in a warmer cold shelf', () => {
    const perDay = -log10({ ageDays: 21 }) / 21;
    expect(perDay).toBeGreaterThanOrEqual(0.03);
    expect(perDay).toBeLessThanOrEqual(0.06);
    expect(log10({ ageDays: 10, tempC: 8 })).toBeLessThan(log10({ ageDays: 10 }));
  });

  it('frozen, falls half a log at once and then 0.1–0.2 a month', () => {
    expect(log10({ store: 'frozen' })).toBeCloseTo(-0.5, 9);
    const month = log10({ store: 'frozen' }) - log10({ store: 'frozen', ageDays: 30 });
    expect(month).toBeGreaterThanOrEqual(0.1);
    expect(month).toBeLessThanOrEqual(0.2);
  });

  it('sealed and freeze-dried keeps for months: slowest frozen, fastest in the room', () => {
    const year = (store: Starter['store']) => log10({ form: 'freeze-dried', store, ageDays: 365 });
    expect(year('frozen')).toBeGreaterThan(-0.5);
    expect(year('frozen')).toBeGreaterThan(year('cold'));
    expect(year('cold')).toBeGreaterThan(year('room'));
  });

  it('is one store with another: an active culture left out goes as a cold one at room temperature would', () => {
    const out = log10({ store: 'room', ageDays: 3 });
    const warmShelf = log10({ store: 'cold', ageDays: 3, tempC: 20 });
    expect(out / warmShelf).toBeGreaterThan(0.9);
    expect(out / warmShelf).toBeLessThan(1.1);
  });

  it('never rises with age, warmth or generation, and stays within 0–1', () => {
    const starter = fc.record({
      form: fc.constantFrom('active' as const, 'freeze-dried' as const),
      store: fc.constantFrom('cold' as const, 'frozen' as const, 'room' as const),
      ageDays: fc.double({ min: 0, max: 400, noNaN: true }),
      tempC: fc.double({ min: -30, max: 30, noNaN: true }),
      generation: fc.integer({ min: 0, max: 20 }),
    });
    const culture = fc.constantFrom(...(Object.keys(CULTURES) as CultureId[]));
    fc.assert(
      fc.property(starter, culture, (s, c) => {
        const now = starterActivity(s, c);
        expect(now).toBeGreaterThanOrEqual(0);
        expect(now).toBeLessThanOrEqual(1);
        for (const worse of [{ ageDays: s.ageDays + 5 }, { tempC: s.tempC + 5 }, { generation: s.generation + 1 }]) {
          expect(starterActivity({ ...s, ...worse }, c)).toBeLessThanOrEqual(now);
        }
      }),
    );
  });
});

describe('lines of descent', () => {
  it('a bought yogurt is carried three to six generations, an heirloom for ever', () => {
    expect(LINES.thermophilic.generations).toBeGreaterThanOrEqual(3);
    expect(LINES.thermophilic.generations).toBeLessThanOrEqual(6);
    const old: Starter = { form: 'active', store: 'cold', ageDays: 1, generation: 50 };
    expect(starterActivity(old, 'room-yogurt')).toBe(starterActivity({ ...old, generation: 0 }, 'room-yogurt'));
    expect(english(starterAdvice(old, 'room-yogurt'))).toBe('Good for the next make.');
    expect(english(starterAdvice({ ...old, generation: 5 }))).toContain('begin a new line');
  });

  it('says what dose makes up for lost vigour, and when nothing will', () => {
    const aged = (ageDays: number): Starter => ({ form: 'active', store: 'cold', ageDays });
    expect(english(starterAdvice(aged(10)))).toContain('2.8 times the dose');
    expect(english(starterAdvice(aged(40)))).toContain('start from a fresh culture');
  });
});
