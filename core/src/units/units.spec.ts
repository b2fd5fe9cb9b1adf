import fc from 'fast-check';
import { fromMl, gToMl, ML_PER_UNIT, mlToG, toMl, type VolumeUnit } from './volume.js';

describe('kitchen volumes', () => {
  it('come back unchanged from a round trip through any unit', () => {
    const units = Object.keys(ML_PER_UNIT) as VolumeUnit[];
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.double({ min: 1e-3, max: 1e5, noNaN: true }), (unit, amount) => {
        expect(Math.abs(fromMl(toMl(amount, unit), unit) / amount - 1)).toBeLessThan(1e-12);
      }),
    );
  });

  it('come back unchanged from mL to g to mL', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1e5, noNaN: true }),
        fc.double({ min: 0.9, max: 1.1, noNaN: true }),
        (ml, rho) => {
          expect(Math.abs(gToMl(mlToG(ml, rho), rho) / ml - 1)).toBeLessThan(1e-12);
        },
      ),
    );
  });

  it('agree with the legal definitions of the US cup and the imperial pint', () => {
    // 231 in³ per US gallon of 16 cups; 4.54609 L per imperial gallon of 8 pints
    expect(toMl(16, 'US cup')).toBeCloseTo(231 * 2.54 ** 3, 6);
    expect(toMl(8, 'imperial pint')).toBeCloseTo(4546.09, 9);
  });
});
