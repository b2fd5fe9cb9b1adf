import { seededRandom } from '../random/random.js';
import { driftChance, driftPerYear, holm, shiftChance, shiftOf } from './changes.js';
import type { MakeFigures } from './make-figures.js';
import { scorecard, wilson } from './scorecard.js';
import { trendsOf, type TrendMake } from './trends.js';

const DAY = 86_400_000;
const START = Date.UTC(2025, 4, 1, 8);
const isWarm = (ms: number) => [6, 7, 8, 9, 10].includes(new Date(ms).getUTCMonth() + 1);

const PLAIN: Omit<MakeFigures, 'given'> = {
  inG: 5000,
  productG: 4000,
  forecastG: 4000,
  yieldPct: 80,
  lostPct: 1,
  outlay: null,
  perKg: null,
  endPh: null,
  souredH: null,
  forecastSouredH: null,
  souredC: null,
  score: null,
  milk: null,
  keeper: null,
};

/** Makes three days apart; each figure is drawn about what the world says of that make. */
function world(
  count: number,
  seed: number,
  of: (i: number, noise: () => number) => Partial<TrendMake['figures']> & { line?: string },
) {
  const random = seededRandom(seed);
  const noise = () => random() + random() + random() - 1.5;
  return Array.from({ length: count }, (_, i): TrendMake => {
    const { line = null, ...figures } = of(i, noise);
    const startedMs = START + 3 * i * DAY;
    return { startedMs, isWarm: isWarm(startedMs), line, figures: { ...PLAIN, ...figures } };
  });
}

describe('a shift between two groups', () => {
  it('is the middle of all differences, with the chance of the ranks', () => {
    // Four and four, wholly apart: 2 of the 70 ways to share them out are as far apart.
    const [low, high] = [
      [1, 2, 3, 4],
      [11, 12, 13, 14],
    ] as const;
    const shift = shiftOf(low, high);
    expect([shift.before, shift.after, shift.by]).toEqual([2.5, 12.5, 10]);
    expect(shiftChance(low, high, 1)).toBeCloseTo(2 / 70, 1);
    expect(shift.byFrom).toBeLessThanOrEqual(10);
    expect(shiftChance([1, 2, 3], [4, 5, 6, 7], 1)).toBe(1);
    expect(shiftChance([2, 2, 2, 2], [2, 2, 2, 2], 1)).toBe(1);
  });

  it('has the same chance by shuffling as by the normal law, where it goes over from one to the other', () => {
    const random = seededRandom(8);
    for (const by of [0.1, 0.2, 0.3]) {
      // Halves, so that many are equal.
      const group = (count: number, more: number) =>
        Array.from({ length: count }, () => Math.round(8 * (random() + more)) / 2);
      const [before, after] = [group(24, 0), group(60, by)];
      const shuffled = shiftChance(before, after, 1);
      // One more of the middle of all changes next to nothing, and is over the edge.
      const normal = shiftChance([...before, shiftOf(before, after).before], after, 1);
      expect(Math.abs(Math.log(Math.max(normal, 1 / 4001) / shuffled)))
        .withContext(`${by}: ${normal} ${shuffled}`)
        .toBeLessThan(0.4);
      const order = group(49, 0).map((value, i) => value + (4 * by * i) / 49);
      const [few, many] = [driftChance(order, 1), driftChance([...order, order.at(-1)!], 1)];
      expect(Math.abs(few - many))
        .withContext(`${by}: ${few} ${many}`)
        .toBeLessThan(0.05);
    }
    // 27 and 27 wholly apart: z = 6.2972 with the half taken off, and twice its tail.
    const apart = (from: number) => Array.from({ length: 27 }, (_, i) => from + i);
    expect(shiftChance(apart(0), apart(100), 1) / 3.03e-10).toBeCloseTo(1, 2);
  });

  it('knows a steady rise and how steep it is', () => {
    const rising = Array.from({ length: 12 }, (_, i) => ({ atMs: START + i * 30 * DAY, value: i }));
    expect(driftPerYear(rising)).toBeCloseTo(365.25 / 30, 6);
    expect(
      driftChance(
        rising.map((p) => p.value),
        1,
      ),
    ).toBeLessThan(0.001);
    expect(driftChance([3, 1, 2, 1, 3, 2, 1, 2, 3, 2], 1)).toBeGreaterThan(0.2);
  });

  it('raises chances as Holm has it', () => {
    expect(holm([0.01, 0.04, 0.03, 0.005]).map((p) => Number(p.toFixed(3)))).toEqual([0.03, 0.06, 0.06, 0.02]);
    expect(holm([])).toEqual([]);
  });

  it('gives Wilson’s interval', () => {
    // Newcombe 1998, Stat. Med. 17:857, table I: 81 of 263, 95 %.
    const [from, to] = wilson(81, 263, 1.96);
    expect([from, to].map((x) => x.toFixed(4))).toEqual(['0.2553', '0.3662']);
    expect(wilson(0, 10, 1.96)[0]).toBe(0);
  });
});

describe('figures over time', () => {
  it('say nothing where nothing changed, nineteen times in twenty', () => {
    const said = Array.from({ length: 60 }, (_, seed) => {
      const makes = world(60, seed + 1, (i, noise) => ({
        yieldPct: 80 + noise(),
        lostPct: 1 + noise(),
        souredH: 5 + noise(),
        forecastSouredH: 5,
        line: i < 30 ? 'old' : 'new',
        milk: i % 40 < 20 ? 'hay' : 'grass',
      }));
      return trendsOf(makes).findings.length > 0;
    });
    expect(said.filter(Boolean).length).toBeLessThanOrEqual(8);
  });

  it('find a slow culture, and say by how much and since when, and nothing of what it left alone', () => {
    const makes = world(40, 3, (i, noise) => ({
      yieldPct: 80 + noise(),
      souredH: (i < 20 ? 5 : 6.5) + 0.4 * noise(),
      forecastSouredH: 5,
      line: i < 20 ? 'old' : 'new',
    }));
    const { findings, changes } = trendsOf(makes);
    expect(changes).toEqual([{ of: 'culture', atMs: makes[20]!.startedMs, from: 'old', to: 'new' }]);
    const of = findings.find((f) => f.figure === 'souredH' && f.is === 'change');
    if (of?.is !== 'change') return fail('the change of culture was not found');
    expect(of.shift.by).toBeCloseTo(1.5, 0);
    expect(of.shift.byFrom).toBeGreaterThan(1);
    expect(of.shift.byTo).toBeLessThan(2);
    expect(findings.filter((f) => f.figure === 'yieldPct')).toEqual([]);
    // It is a step, and neither a slow drift nor the season it fell into.
    expect(findings.filter((f) => f.figure === 'souredH').map((f) => f.is)).toEqual(['change']);
  });

  it('tell the warm months from the cold, and pass over a single pot of another milk', () => {
    const makes = world(120, 5, (i, noise) => ({
      lostPct: (isWarm(START + 3 * i * DAY) ? 3 : 1) + 0.5 * noise(),
      milk: i === 50 ? 'borrowed' : 'evening',
    }));
    const { findings, changes } = trendsOf(makes);
    expect(changes).toEqual([]);
    const season = findings.find((f) => f.is === 'season');
    expect(season?.figure).toBe('lostPct');
    expect(season?.is === 'season' && season.shift.by).toBeCloseTo(2, 0);
  });

  it('look at nothing that is no figure, and at few makes not at all', () => {
    expect(trendsOf([])).toEqual({ trends: [], changes: [], findings: [], asked: 0 });
    const odd = world(3, 1, () => ({ yieldPct: NaN }));
    expect(trendsOf(odd).trends.map((t) => t.figure)).toEqual(['lostPct']);
  });
});

describe('the scorecard of forecasts', () => {
  it('counts what held, what was sooner and later, at the edge of a window as held', () => {
    const window = {
      methodId: 'quark',
      batchId: 'one make',
      by: 'acidity',
      share: 0,
      p10H: 4,
      p50H: 5,
      p90H: 7,
    } as const;
    const [group] = scorecard([4, 7, 5, 3.99, 7.01].map((aheadH) => ({ ...window, aheadH })));
    expect([group!.given, group!.held, group!.sooner, group!.later]).toEqual([5, 3, 1, 1]);
    expect(group!.middleOffH).toBe(0);
    expect(group!.heldFrom).toBeLessThan(0.6);
    expect(
      scorecard([
        { ...window, aheadH: 5 },
        { ...window, methodId: 'kefir', aheadH: 5 },
      ]).length,
    ).toBe(2);
  });
});
