import fc from 'fast-check';
import { SCORCH } from '../constants/scorch.js';
import { bottomC } from './scorch.js';

describe('the bottom of a pot', () => {
  it('is as warm as the milk without a flame, hotter with one, hotter still where nobody stirs', () => {
    expect(bottomC(40, 0, 4000, 'stirred')).toBe(40);
    const stirred = bottomC(40, 1000, 4000, 'stirred');
    expect(stirred).toBeGreaterThan(55);
    expect(stirred).toBeLessThan(75);
    expect(bottomC(40, 1000, 4000, 'still')).toBeGreaterThan(stirred + 15);
  });

  it('rises with the flame and falls with the width of the pot', () => {
    const watts = fc.integer({ min: 1, max: 3000 });
    const ml = fc.integer({ min: 500, max: 20_000 });
    fc.assert(
      fc.property(watts, ml, (heatW, volumeMl) => {
        const at = (w: number, v: number) => bottomC(60, w, v, 'stirred');
        expect(at(heatW + 100, volumeMl)).toBeGreaterThan(at(heatW, volumeMl));
        expect(at(heatW, 2 * volumeMl)).toBeLessThanOrEqual(at(heatW, volumeMl));
      }),
    );
  });

  it('of four litres over a strong flame comes to the burning film before the milk is hot enough for yogurt', () => {
    expect(bottomC(80, 1700, 4000, 'stirred')).toBeGreaterThan(SCORCH.filmFromC);
    expect(bottomC(80, 500, 4000, 'stirred')).toBeLessThan(SCORCH.filmFromC);
  });
});
