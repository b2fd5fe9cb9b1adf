import { PLAIN_WALL } from '../environment/day-clock.js';
import { METHODS, methodById } from '../methods/index.js';
import { makeSheet } from './sheet.js';
import { quieter } from './quieter.js';

const HOUR = 3_600_000;
const FEW = { members: 20, seed: 1, fanPoints: 2 };
/** Everybody sleeps from 22 to 6. */
const isNight = (ms: number) => ((ms / HOUR) % 24) + 1e-9 >= 22 || (ms / HOUR) % 24 < 6 - 1e-9;
const HOUSE = { wake: (ms: number) => (isNight(ms) ? PLAIN_WALL.nextAt(ms, 6) : ms), wall: PLAIN_WALL };
const at = (hour: number) => ({ ...HOUSE, startMs: hour * HOUR });
const nightOf = (id: string, choices: Record<string, number | string>, startMs: number) =>
  makeSheet(methodById(id), choices, FEW, { ...HOUSE, startMs }).stages.filter((s) =>
    isNight(startMs + s.beginMin * 60_000),
  ).length;

describe('hands in the night', () => {
  it('are counted as the sheet has them, and a later hour to begin is one at which there are fewer', () => {
    for (const method of METHODS) {
      const now = quieter(method, {}, at(15));
      expect(now.nightHands)
        .withContext(method.id)
        .toBe(nightOf(method.id, {}, 15 * HOUR));
      if (!now.begin) continue;
      expect(now.begin.nightHands).withContext(method.id).toBeLessThan(now.nightHands);
      expect(nightOf(method.id, {}, now.begin.atMs))
        .withContext(method.id)
        .toBe(now.begin.nightHands);
      expect(now.begin.atMs).toBeLessThanOrEqual(39 * HOUR);
    }
  });

  it('are kept out by what may be left till morning, as the sheet then shows', () => {
    // Sour at three in the night.
    const now = quieter(methodById('scalded-yogurt'), {}, at(20));
    expect(now.nightHands).toBeGreaterThan(0);
    const [best] = now.choices;
    expect(best!.nightHands).toBe(nightOf('scalded-yogurt', best!.choices, 20 * HOUR));
    expect(best!.nightHands).toBeLessThan(now.nightHands);
  });

  it('are no matter where there are none, or where nobody sleeps', () => {
    expect(quieter(methodById('scalded-yogurt'), {}, at(8))).toEqual({ nightHands: 0, begin: null, choices: [] });
    expect(quieter(methodById('scalded-yogurt'), {}, { startMs: 20 * HOUR }).nightHands).toBe(0);
  });
});
