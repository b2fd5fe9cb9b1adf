import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { emptyCrock } from '../state/crock-state.js';
import { blend, blendParts } from './blend.js';
import { bind } from './registry.js';

const EMPTY = emptyCrock(4, 6.65);

describe('blend', () => {
  it('meets the fat that was asked for with milk and cream', () => {
    fc.assert(
      fc.property(fc.double({ min: 3.7, max: 20, noNaN: true }), (fatPct) => {
        const parts = blendParts({
          ...blend.defaults,
          massG: 5000,
          fatPct,
          milk: 'whole',
          cream: 'cream-36',
          powderPct: 0,
          vesselL: 8,
        });
        const fat = parts.reduce((sum, p) => sum + (p.massG * p.stock.fatPct) / 100, 0);
        expect(fat / 50).toBeCloseTo(fatPct, 9);
        expect(parts.reduce((sum, p) => sum + p.massG, 0)).toBeCloseTo(5000, 6);
      }),
    );
  });

  it('uses no cream where the milk has the fat already', () => {
    const parts = blendParts({
      ...blend.defaults,
      massG: 4000,
      fatPct: 3.6,
      milk: 'whole',
      cream: 'cream-36',
      powderPct: 0,
      vesselL: 5,
    });
    expect(parts.length).toBe(1);
  });

  it('says what to weigh, in grams and in a measure', () => {
    const { kind, params } = bind({ id: 'b', kind: 'blend', params: { massG: 2000, fatPct: 6 } });
    expect(english(kind.instruction(params, EMPTY))).toMatch(
      /Weigh 1\.85 kg whole milk \(1\.79 L\) and 150 g cream \(⅔ cup\)/,
    );
  });
});
