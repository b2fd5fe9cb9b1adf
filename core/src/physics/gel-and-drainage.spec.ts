import fc from 'fast-check';
import { drainageCourse, endSolids, minutesForWhey, wheyAfter, wheyForSolids } from './drainage.js';
import { firmnessIndex, firmnessWord, gelPointPh, syneresisIndex, type GelConditions } from './gel.js';

const SET: GelConditions = { ph: 4.5, denatured: 0.95, caseinPct: 2.6, fatPct: 3.6, setTempC: 43, disturbed: 0 };

describe('the acid gel', () => {
  it('sets at pH 4.8–5.0 unheated and 5.2–5.4 well heated (Lee & Lucey 2010)', () => {
    expect(gelPointPh(0)).toBeGreaterThanOrEqual(4.8);
    expect(gelPointPh(0)).toBeLessThanOrEqual(5.0);
    expect(gelPointPh(0.95)).toBeGreaterThanOrEqual(5.2);
    expect(gelPointPh(0.95)).toBeLessThanOrEqual(5.4);
  });

  it('is firmer with heat, casein and a cooler set, softer when stirred through', () => {
    const base = firmnessIndex(SET);
    expect(firmnessIndex({ ...SET, denatured: 0.1 })).toBeLessThan(base);
    expect(firmnessIndex({ ...SET, caseinPct: 3.2 })).toBeGreaterThan(base);
    expect(firmnessIndex({ ...SET, setTempC: 38 })).toBeGreaterThan(base);
    expect(firmnessIndex({ ...SET, disturbed: 1 })).toBeLessThan(base);
    expect(firmnessWord(base)).toBe('spoons');
    expect(firmnessWord(firmnessIndex({ ...SET, ph: 6 }))).toBe('pours');
  });

  it('sheds more when hot, disturbed, unheated or very sour', () => {
    const base = syneresisIndex(SET);
    expect(syneresisIndex({ ...SET, setTempC: 47 })).toBeGreaterThan(base);
    expect(syneresisIndex({ ...SET, disturbed: 1 })).toBeGreaterThan(base);
    expect(syneresisIndex({ ...SET, denatured: 0.2 })).toBeGreaterThan(base);
    expect(syneresisIndex({ ...SET, ph: 4.0 })).toBeGreaterThan(base);
  });

  it('keeps both indices between 0 and 100 and firms as it sours', () => {
    fc.assert(
      fc.property(
        fc.record({
          ph: fc.double({ min: 3.8, max: 6.7, noNaN: true }),
          denatured: fc.double({ min: 0, max: 1, noNaN: true }),
          caseinPct: fc.double({ min: 1, max: 8, noNaN: true }),
          fatPct: fc.double({ min: 0, max: 25, noNaN: true }),
          setTempC: fc.double({ min: 20, max: 50, noNaN: true }),
          disturbed: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        (gel) => {
          for (const index of [firmnessIndex(gel), syneresisIndex(gel)]) {
            expect(index).toBeGreaterThanOrEqual(0);
            expect(index).toBeLessThanOrEqual(100);
          }
          expect(firmnessIndex({ ...gel, ph: gel.ph - 0.1 })).toBeGreaterThanOrEqual(firmnessIndex(gel));
        },
      ),
    );
  });
});

/** Yields of strained yogurt: the balance of solids, within kitchen practice. */
const WHOLE = { solids: 0.13, fat: 0.036, wheySolids: 0.063 };

describe('straining', () => {
  const course = (massG: number, tempC = 4) => drainageCourse({ massG, ...WHOLE, method: 'hung', tempC });

  it('1 kg of 13 % solids gives 430–520 g at 21 % and 330–410 g at 25 %', () => {
    const left = (solids: number) => 1000 - wheyForSolids(1000, 0.13, 0.063, solids);
    expect(left(0.21)).toBeGreaterThan(430);
    expect(left(0.21)).toBeLessThan(520);
    expect(left(0.25)).toBeGreaterThan(330);
    expect(left(0.25)).toBeLessThan(410);
  });

  it('never runs back, never exceeds its end, and turns round', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 20_000 }),
        fc.double({ min: 1, max: 4000, noNaN: true }),
        (massG, min) => {
          const c = course(massG);
          expect(wheyAfter(c, min + 5)).toBeGreaterThanOrEqual(wheyAfter(c, min));
          expect(wheyAfter(c, min)).toBeLessThanOrEqual(c.wheyEndG);
          const whey = wheyAfter(c, min);
          if (whey < c.wheyEndG * 0.999) expect(minutesForWhey(c, whey)!).toBeCloseTo(min, 3);
        },
      ),
    );
  });

  it('is slower in the cold and for a bigger batch, and says when a texture is out of reach', () => {
    expect(course(1000, 4).tauMin).toBeGreaterThan(course(1000, 20).tauMin);
    expect(course(4000).tauMin).toBeGreaterThan(course(1000).tauMin);
    expect(minutesForWhey(course(1000), wheyForSolids(1000, 0.13, 0.063, 0.36))).toBeNull();
    expect(endSolids('flat', WHOLE)).toBeLessThan(endSolids('hung', WHOLE));
    expect(endSolids('hung', WHOLE)).toBeLessThan(endSolids('pressed', WHOLE));
  });

  it('leaves off at 28, 32 and 40 % solids of whole-milk yogurt; richer curd ends drier, as its fat goes along', () => {
    expect(endSolids('flat', WHOLE)).toBeCloseTo(0.285, 1);
    expect(endSolids('hung', WHOLE)).toBeCloseTo(0.325, 1);
    expect(endSolids('pressed', WHOLE)).toBeCloseTo(0.4, 1);
    const rich = { solids: 0.18, fat: 0.1, wheySolids: 0.06 };
    expect(endSolids('hung', rich)).toBeGreaterThan(0.45);
  });

  it('every curd that drains ends drier than it began, keeps its fat, and turned drier still', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0.07, max: 0.14, noNaN: true }),
        fc.constantFrom('flat' as const, 'hung' as const, 'pressed' as const),
        (fat, fatFree, method) => {
          const curd = { fat, solids: fat + (1 - fat) * fatFree, wheySolids: 0.06 };
          const end = endSolids(method, curd);
          expect(end).toBeGreaterThanOrEqual(curd.solids);
          expect(end).toBeLessThan(1);
          expect(endSolids(method, curd, { turns: 2 })).toBeGreaterThan(end);
          expect(endSolids(method, curd, { body: 'grains' })).toBeGreaterThan(end);
        },
      ),
    );
  });

  it('cut curd drains faster, poured and broken curd slower', () => {
    const tau = (curd: object) => drainageCourse({ massG: 1000, ...WHOLE, method: 'hung', tempC: 4, curd }).tauMin;
    expect(tau({ cut: true })).toBeLessThan(tau({}));
    expect(tau({ broken: 1 })).toBeGreaterThan(tau({}));
    expect(tau({ turns: 1 })).toBeLessThan(tau({}));
  });
});
