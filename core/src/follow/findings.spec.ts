import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import type { EntryBody } from '../batch/entry.js';
import type { Line } from '../testing/logged.js';
import { atMinute, logged } from '../testing/logged.js';
import { runs } from '../testing/runs.js';
import { follow } from './follow.js';

const FEW = { members: 250, seed: 1, fanPoints: 2 };
const H = 60;
/** When a scalded yogurt of the usual kind is put to keep warm, and how long it is forecast to take from then, minutes. */
const WARM_FROM = 71;
const STEPS = [
  [9, 'heat'],
  [31, 'hold'],
  [46, 'cool'],
  [65, 'starter'],
  [WARM_FROM, 'warm'],
] as const;
const RANK = { fine: 0, watch: 1, hold: 2, discard: 3 } as const;

const ph = (value: number, by: 'meter' | 'strip' = 'meter'): EntryBody => ({
  type: 'reading',
  quantity: 'ph',
  value,
  by,
});
const temp = (value: number): EntryBody => ({ type: 'reading', quantity: 'tempC', value, by: 'thermometer' });
const look = (cue: string, answer: string): EntryBody => ({ type: 'cue', cue, answer });

const followed = (minute: number, lines: readonly Line[] = [], choices = {}) =>
  follow(logged('scalded-yogurt', { massG: 4000, ...choices }, STEPS, lines), atMinute(minute), FEW);
/** How grave the gravest finding is. */
const verdict = (minute: number, lines: readonly Line[] = [], choices = {}) =>
  followed(minute, lines, choices).findings.reduce((most, f) => Math.max(most, RANK[f.level]), 0);

/** Forecast of the make before anything is read, minutes from when it is put to keep warm. */
const window = followed(WARM_FROM).windows[0]!;
const FORECAST = (window.p50Ms! - atMinute(WARM_FROM)) / 60_000;
const after = (times: number) => WARM_FROM + times * FORECAST;

describe('acid in time, as a make is followed', () => {
  it('is watched, held and discarded by the forecast of a usual starter where nothing is read', () => {
    expect([1, 1.6, 1.9, 2.3].map((times) => verdict(after(times)))).toEqual([
      RANK.fine,
      RANK.watch,
      RANK.hold,
      RANK.discard,
    ]);
  });

  it('is not contradicted: nobody is told to go on with what is to be discarded', () => {
    const offered = (times: number) =>
      followed(after(times)).stages.flatMap((s) => s.panel.branches.filter(({ does }) => does.do === 'next'));
    expect(offered(1.9).length).toBe(1);
    expect(offered(2.3)).toEqual([]);
  });

  it('is not put off by readings that say it does not sour', () => {
    const bad = [1, 2, 3, 4].map((h): Line => [WARM_FROM + h * H, ph(6.6)]);
    for (const times of [1.6, 1.9, 2.3]) {
      expect(verdict(after(times), bad))
        .withContext(`${times}`)
        .toBeGreaterThanOrEqual(verdict(after(times)));
    }
  });

  it('is not switched off by one low reading that is hardly to be believed', () => {
    const early = [[WARM_FROM + 20, ph(4.5)] as Line];
    const { doubtful } = followed(after(2.3), early);
    expect(doubtful.length).toBe(1);
    expect(verdict(after(2.3), early)).toBe(RANK.discard);
  });

  it('is over once the acid is measured, or seen by two looks of a set curd and a clean sour smell', () => {
    const at = after(1.2);
    expect(verdict(after(2.3), [[at, ph(4.45)]])).toBe(RANK.fine);
    const looks: Line[] = [
      [at, look('set', 'leaves-the-wall')],
      [at + 1, look('whey', 'a-film')],
    ];
    expect(verdict(after(2.3), looks)).toBe(RANK.discard);
    const left = followed(after(2.3), [...looks, [at + 2, look('smell', 'bright-acid')]]);
    expect(left.findings.map((f) => f.level)).toEqual(['watch']);
    expect(english(left.findings[0]!.reason)).toContain('sharper');
  });

  it('runs for a starter that would never do it as for a fresh one', () => {
    const dead = { ageDays: 365, store: 'room' };
    expect(verdict(WARM_FROM + 16 * H, [], dead)).toBe(RANK.discard);
  });

  it('is made no milder by any log that holds no sound sign of acid', () => {
    const bad = fc.oneof(
      fc.double({ min: 4.65, max: 6.8, noNaN: true }).map((value) => ph(value)),
      fc.double({ min: 5, max: 6.8, noNaN: true }).map((value) => ph(value, 'strip')),
      fc.double({ min: 20, max: 50, noNaN: true }).map((value) => temp(value)),
      fc.constantFrom(
        look('set', 'liquid'),
        look('set', 'wobbles'),
        look('whey', 'none'),
        look('smell', 'milky'),
        look('smell', 'yeasty'),
        look('taste', 'sweet'),
      ),
    );
    const log = fc.array(fc.tuple(fc.double({ min: 0.1, max: 1, noNaN: true }), bad), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(log, fc.constantFrom(1.3, 1.5, 1.8, 2.1, 3), (said, times) => {
        const minute = after(times);
        const lines = said.map(([share, body]): Line => [WARM_FROM + share * (minute - WARM_FROM), body]);
        expect(verdict(minute, lines)).toBeGreaterThanOrEqual(verdict(minute));
      }),
      { numRuns: runs(25) },
    );
  });
});
