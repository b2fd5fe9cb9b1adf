import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { denatureAlong, denaturedBetaLg, denaturedWhey, type TracePoint } from './denaturation.js';
import { PMO_PAIRS } from '../constants/pasteurisation.js';
import { pasteurisationAlong, pasteurisationShare } from './pasteurisation.js';

const hold = (tempC: number, min: number): TracePoint[] => [
  { min: 0, tempC },
  { min, tempC },
];
const betaLgPct = (tempC: number, min: number) => 100 * denaturedBetaLg(denatureAlong(hold(tempC, min)));

describe('whey-protein denaturation (Dannenberg & Kessler 1988)', () => {
  const published: [string, number, number, number, number][] = [
    ['63 °C 30 min leaves it nearly native', 63, 30, 0, 8],
    ['72 °C 15 s leaves it native', 72, 0.25, 0, 2],
    ['80 °C 30 min', 80, 30, 82, 95],
    ['85 °C 30 min unfolds nearly all', 85, 30, 95, 100],
    ['90 °C 5 min', 90, 5, 93, 99],
    ['138 °C 4 s, ultra-heated', 138, 4 / 60, 40, 75],
  ];
  for (const [what, tempC, min, low, high] of published) {
    it(`${what}: ${low}–${high} % of β-lactoglobulin`, () => {
      expect(betaLgPct(tempC, min)).toBeGreaterThanOrEqual(low);
      expect(betaLgPct(tempC, min)).toBeLessThanOrEqual(high);
    });
  }

  it('counts the slow heating and cooling, not only the hold', () => {
    const kitchen: TracePoint[] = [
      { min: 0, tempC: 5 },
      { min: 25, tempC: 85 },
      { min: 30, tempC: 85 },
      { min: 90, tempC: 45 },
    ];
    expect(denaturedBetaLg(denatureAlong(kitchen))).toBeGreaterThan(denaturedBetaLg(denatureAlong(hold(85, 5))));
  });

  it('never undoes itself, and stays a fraction, on any trace', () => {
    const trace = fc
      .array(
        fc.record({
          d: fc.double({ min: 0, max: 30, noNaN: true }),
          tempC: fc.double({ min: 0, max: 140, noNaN: true }),
        }),
        {
          minLength: 2,
          maxLength: 12,
        },
      )
      .map((steps) => {
        let min = 0;
        return steps.map(({ d, tempC }) => ({ min: (min += d), tempC }));
      });
    fc.assert(
      fc.property(trace, (points) => {
        const whole = denatureAlong(points);
        const part = denatureAlong(points.slice(0, -1));
        expect(denaturedBetaLg(whole)).toBeGreaterThanOrEqual(denaturedBetaLg(part) - 1e-12);
        expect(denaturedWhey(whole)).toBeGreaterThanOrEqual(0);
        expect(denaturedWhey(whole)).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('the pasteurisation record (PMO pairs)', () => {
  it('is met exactly by each listed pair', () => {
    for (const { tempC, seconds } of PMO_PAIRS) {
      expect(pasteurisationShare(tempC, seconds / 60)).toBeCloseTo(1, 9);
      expect(pasteurisationShare(tempC + 3, seconds / 60, true)).toBeCloseTo(1, 9);
    }
  });

  it('counts nothing below 63 °C, nor below 66 °C for rich or sweetened milk, however long', () => {
    expect(pasteurisationShare(62.99, 24 * 60)).toBe(0);
    expect(pasteurisationShare(65.99, 24 * 60, true)).toBe(0);
    expect(pasteurisationAlong(hold(62.9, 600)).share).toBe(0);
    expect(pasteurisationAlong(hold(63, 30)).share).toBeCloseTo(1, 6);
  });

  it('never counts for less where it is hotter, and lies between its neighbours between two pairs', () => {
    const between = fc.double({ min: 50, max: 140, noNaN: true });
    fc.assert(
      fc.property(between, between, fc.boolean(), (a, b, rich) => {
        const [cooler, hotter] = [Math.min(a, b), Math.max(a, b)];
        expect(pasteurisationShare(hotter, 1, rich)).toBeGreaterThanOrEqual(pasteurisationShare(cooler, 1, rich));
      }),
    );
    // Half-way from 63 to 72 °C on a log scale: √(1800 s · 15 s).
    expect(pasteurisationShare(67.5, Math.sqrt(1800 * 15) / 60)).toBeCloseTo(1, 9);
  });

  it('names the pair of the peak', () => {
    expect(english(pasteurisationAlong(hold(85, 15)).pair)).toBe('72 °C for 15 s');
    expect(english(pasteurisationAlong(hold(60, 15)).pair)).toBe('63 °C for 30 min');
  });
});
