import fc from 'fast-check';
import { WASHED_CLEAR } from '../constants/butter.js';
import {
  buttermilkFatPct,
  churnBalance,
  churnMinutes,
  churnTrouble,
  serumAfterWashing,
  washesUntilClear,
} from './churning.js';

/** Fat left in buttermilk by temperature: McDowall (1953), The Buttermaker's Manual; composition of butter: Walstra et al. (2006), ch. 18. */
describe('churning', () => {
  it('1 L of 36 % cream, cold-churned: 420–440 g of 82 % butter and 545–580 g buttermilk before handling losses', () => {
    const { butterG, buttermilkG } = churnBalance({ massG: 995, fatPct: 36, tempC: 12 }, 82);
    expect(butterG).toBeGreaterThan(420);
    expect(butterG).toBeLessThan(440);
    expect(buttermilkG).toBeGreaterThan(545);
    expect(buttermilkG).toBeLessThan(580);
  });

  it('buttermilk keeps 0.3–0.6 % fat at 12 °C and 1.5–2.5 % at 21 °C (McDowall 1953)', () => {
    expect(buttermilkFatPct(12)).toBeGreaterThan(0.3);
    expect(buttermilkFatPct(12)).toBeLessThan(0.6);
    expect(buttermilkFatPct(21)).toBeGreaterThan(1.5);
    expect(buttermilkFatPct(21)).toBeLessThan(2.5);
  });

  it('butter is 13–17 % moisture at 82–85 % fat', () => {
    for (const fat of [82, 83, 85]) {
      const { moisturePct } = churnBalance({ massG: 1000, fatPct: 36, tempC: 12 }, fat);
      expect(moisturePct).toBeGreaterThan(13);
      expect(moisturePct).toBeLessThan(17);
    }
  });

  it('closes mass and fat, whatever the cream', () => {
    const cream = fc.record({
      massG: fc.double({ min: 100, max: 50_000, noNaN: true }),
      fatPct: fc.double({ min: 20, max: 60, noNaN: true }),
      tempC: fc.double({ min: 7, max: 24, noNaN: true }),
    });
    fc.assert(
      fc.property(cream, fc.double({ min: 78, max: 87, noNaN: true }), (c, fat) => {
        const { butterG, buttermilkG, buttermilkFatPct: left } = churnBalance(c, fat);
        expect(butterG + buttermilkG).toBeCloseTo(c.massG, 6);
        expect(butterG * fat + buttermilkG * left).toBeCloseTo(c.massG * c.fatPct, 4);
        expect(butterG).toBeGreaterThan(0);
      }),
    );
  });

  it('takes longer cold, lean and sweet, and costs fat when warm', () => {
    const at = (change: object) => churnMinutes({ fatPct: 36, tempC: 12, ...change });
    expect(at({ tempC: 20 })).toBeLessThan(at({}));
    expect(at({ fatPct: 28 })).toBeGreaterThan(at({}));
    expect(at({ ph: 6.6 })).toBeCloseTo(1.3 * at({}), 9);
    expect(at({ ph: 4.0 })).toBe(at({}));
    expect(churnBalance({ massG: 1000, fatPct: 36, tempC: 21 }, 82).butterG).toBeLessThan(
      churnBalance({ massG: 1000, fatPct: 36, tempC: 12 }, 82).butterG,
    );
  });

  it('says which cream will not break, and why', () => {
    expect(churnTrouble({ fatPct: 36, tempC: 4 })).toBe('too cold');
    expect(churnTrouble({ fatPct: 36, tempC: 30 })).toBe('too warm');
    expect(churnTrouble({ fatPct: 15, tempC: 12 })).toBe('too lean');
    expect(churnTrouble({ fatPct: 36, tempC: 12 })).toBeNull();
    expect(() => churnBalance({ massG: 1000, fatPct: 90, tempC: 12 }, 82)).toThrowError(RangeError);
  });
});

describe('washing butter', () => {
  it('leaves of the serum what each dilution leaves', () => {
    expect(serumAfterWashing(100, [])).toBe(1);
    expect(serumAfterWashing(100, [100, 300])).toBeCloseTo(0.5 * 0.25, 12);
  });

  it('runs clear after as many washes as bring it under 2 % of the start', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 200, noNaN: true }),
        fc.double({ min: 50, max: 2000, noNaN: true }),
        (trapped, wash) => {
          const n = washesUntilClear(trapped, wash);
          const after = (count: number) => serumAfterWashing(trapped, new Array<number>(count).fill(wash));
          expect(after(n)).toBeLessThanOrEqual(WASHED_CLEAR + 1e-9);
          expect(after(n - 1)).toBeGreaterThan(WASHED_CLEAR - 1e-9);
        },
      ),
    );
    expect(washesUntilClear(100, 0)).toBe(Infinity);
  });
});
