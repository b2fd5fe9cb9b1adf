import fc from 'fast-check';
import { risenCream, scaldedCrust } from './creaming.js';

describe('cream that rises', () => {
  it('comes up with most of the fat in a day, as cream of 18–25 % (Walstra et al. 2006, ch. 3)', () => {
    const { topG, topFatG } = risenCream(1000, 42, 24);
    expect(topFatG / topG).toBeGreaterThan(0.18);
    expect(topFatG / topG).toBeLessThan(0.25);
    expect(topFatG / 42).toBeGreaterThan(0.5);
    expect(risenCream(1000, 42, 0).topG).toBe(0);
  });
});

describe('a scalded crust', () => {
  it('is 0.30–0.60 of cream of 36–48 % fat and carries 55–65 %', () => {
    for (const fatPct of [36, 42, 48]) {
      for (const how of ['lift', 'drain'] as const) {
        for (const hours of [8, 11, 14]) {
          const { topG, topFatG } = scaldedCrust(1000, fatPct * 10, hours, how);
          expect(topG / 1000).toBeGreaterThan(0.3);
          expect(topG / 1000).toBeLessThan(0.66);
          expect(topFatG / topG).toBeCloseTo(0.6, 9);
        }
      }
      // as most make it: lifted after eleven hours
      expect(scaldedCrust(1000, fatPct * 10, 11, 'lift').topG).toBeLessThan(600);
    }
  });

  it('is thicker with hours, and never more than there is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 600, noNaN: true }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        (fatG, h) => {
          const crust = scaldedCrust(1000, fatG, h, 'lift');
          expect(scaldedCrust(1000, fatG, h + 1, 'lift').topFatG).toBeGreaterThan(crust.topFatG);
          expect(crust.topFatG).toBeLessThan(fatG);
          expect(crust.topG).toBeLessThanOrEqual(900);
        },
      ),
    );
  });
});
