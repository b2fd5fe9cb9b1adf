import { clockOf, impossibleWords, momentOf } from './when';

const MIN = 60_000;
/** A Friday, 08:16 in a kitchen two and a half hours behind UTC. */
const NOW_MS = Date.UTC(2026, 4, 8, 10, 46);
const ZONE = 'America/St_Johns';
const at = (clock: string, latestMs = NOW_MS) => momentOf({ is: 'at', clock }, latestMs, ZONE);

describe('when it was', () => {
  it('is now, or so many minutes ago', () => {
    expect(momentOf({ is: 'now' }, NOW_MS, ZONE)).toBe(NOW_MS);
    expect(momentOf({ is: 'ago', min: 10 }, NOW_MS, ZONE)).toBe(NOW_MS - 10 * MIN);
  });

  it('by the clock is the last time that the kitchen’s wall showed it: today, or last night', () => {
    expect(at('08:16')).toBe(NOW_MS);
    expect(at('08:15')).toBe(NOW_MS - MIN);
    expect(at('08:17')).toBe(NOW_MS + MIN - 24 * 60 * MIN);
    expect(at('22:15')).toBe(Date.UTC(2026, 4, 8, 0, 45));
    expect(clockOf(at('22:15')!, ZONE)).toBe('22:15');
    expect([at('22.15'), at('2215'), at(' 22h15 ')]).toEqual([at('22:15'), at('22:15'), at('22:15')]);
  });

  it('over the night on which clocks change is the hour that the wall showed', () => {
    // Clocks went forward in the night to Sunday 8 March.
    const sundayMorning = Date.UTC(2026, 2, 8, 10, 30);
    expect(clockOf(sundayMorning, ZONE)).toBe('08:00');
    expect(at('22:00', sundayMorning)).toBe(Date.UTC(2026, 2, 8, 1, 30));
  });

  it('cannot be read of what is no time', () => {
    expect([at(''), at('--:--'), at('24:00'), at('12:60')]).toEqual([null, null, null, null]);
  });

  it('that cannot have been is said in a sentence that names what stands in its way', () => {
    const name = (id: string) => `the ${id}`;
    expect(impossibleWords({ is: 'future' }, NOW_MS, name)).toMatch(/^It is not .* yet\.$/);
    expect(impossibleWords({ is: 'before the start', startedMs: NOW_MS }, NOW_MS, name)).toContain('was begun');
    const order = { is: 'out of order', stageId: 'heat', atMs: NOW_MS } as const;
    expect(impossibleWords(order, NOW_MS, name)).toContain('"the heat"');
  });
});
