import fc from 'fast-check';
import { RENNET_DOSES } from '../constants/rennet.js';
import { calciumDose, clottingPerMin, flocculationMin, rennetDose } from './rennet.js';

/** Flocculation against dose: Holter (1932); against temperature, pH and calcium: Walstra et al. (2006), ch. 24. */
describe('rennet', () => {
  it('a full set of 35–50 IMCU/kg flocculates in 10–18 min at 31 °C and pH 6.5 (Fox et al. 2017, ch. 7)', () => {
    for (const imcu of [RENNET_DOSES.full.least, RENNET_DOSES.full.most]) {
      expect(flocculationMin(imcu, 31, 6.5)!).toBeGreaterThan(10);
      expect(flocculationMin(imcu, 31, 6.5)!).toBeLessThan(18);
    }
  });

  it('takes half as long for twice the dose (Holter 1932)', () => {
    expect(flocculationMin(20, 30, 6.5)! / flocculationMin(40, 30, 6.5)!).toBeCloseTo(2, 9);
  });

  it('is faster warmer, sourer and with calcium, to its bounds', () => {
    expect(flocculationMin(40, 22, 6.5)!).toBeGreaterThan(1.8 * flocculationMin(40, 31, 6.5)!);
    expect(flocculationMin(40, 31, 6.15)! / flocculationMin(40, 31, 6.5)!).toBeCloseTo(0.5, 6);
    expect(flocculationMin(40, 31, 6.5, 0.2)!).toBeLessThan(flocculationMin(40, 31, 6.5)!);
    expect([flocculationMin(40, 8, 6.5), flocculationMin(40, 60, 6.5)]).toEqual([null, null]);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 80, noNaN: true }),
        fc.double({ min: 3, max: 7, noNaN: true }),
        (tempC, ph) => {
          const rate = clottingPerMin(4, tempC, ph);
          expect(rate >= 0 && rate < 1).toBeTrue();
        },
      ),
    );
  });

  it('is measured in drops of its bottle, thinned in at least a spoon of water', () => {
    const { ml, drops, waterMl } = rennetDose(4000, 4, { imcuPerMl: 200, dropsPerMl: 25 });
    expect([ml, drops, waterMl]).toEqual([0.08, 2, 15]);
    expect(rennetDose(40_000, 40, { imcuPerMl: 200, dropsPerMl: 25 }).waterMl).toBe(160);
    expect(rennetDose(4000, 4, { imcuPerMl: 100, dropsPerMl: 25 }).drops).toBe(4);
  });
});

describe('calcium chloride', () => {
  it('is dosed in grams and in mL of its solution', () => {
    const { saltG, ml } = calciumDose(10_000, 0.2, 33);
    expect(saltG).toBe(2);
    // 2 g in a third of 1.32 g/mL
    expect(ml).toBeCloseTo(4.59, 2);
  });
});
