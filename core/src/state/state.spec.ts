import fc from 'fast-check';
import {
  addMasses,
  COMPONENTS,
  fractionOf,
  massesBy,
  NOTHING,
  proteinFraction,
  scaleMasses,
  solidsFraction,
  subtractMasses,
  totalG,
} from '../materials/composition.js';
import { balanceErrorPct, emptyCrock, pourIn, takeOut } from './crock-state.js';
import { massesOfMaterial } from '../materials/materials.js';
import { REFERENCE_CREAMS, REFERENCE_MILKS, referenceStock } from '../materials/reference-materials.js';
import { english } from '@oat-crock/messages';

const anyMasses = fc
  .array(fc.double({ min: 0, max: 5000, noNaN: true }), { minLength: COMPONENTS.length, maxLength: COMPONENTS.length })
  .map((values) => massesBy((c) => values[COMPONENTS.indexOf(c)]!));

describe('masses', () => {
  it('add, subtract and scale component by component', () => {
    fc.assert(
      fc.property(anyMasses, anyMasses, fc.double({ min: 0, max: 3, noNaN: true }), (a, b, k) => {
        expect(totalG(addMasses(a, b))).toBeCloseTo(totalG(a) + totalG(b), 6);
        expect(totalG(scaleMasses(a, k))).toBeCloseTo(k * totalG(a), 6);
        expect(totalG(subtractMasses(addMasses(a, b), b))).toBeCloseTo(totalG(a), 6);
      }),
    );
  });

  it('have fractions between 0 and 1 that add up, and none in an empty crock', () => {
    fc.assert(
      fc.property(anyMasses, (masses) => {
        fc.pre(totalG(masses) > 1);
        const sum = COMPONENTS.reduce((s, c) => s + fractionOf(masses, c), 0);
        expect(sum).toBeCloseTo(1, 9);
        expect(solidsFraction(masses)).toBeGreaterThanOrEqual(0);
        expect(proteinFraction(masses)).toBeLessThanOrEqual(1);
      }),
    );
    expect([fractionOf(NOTHING, 'fat'), solidsFraction(NOTHING)]).toEqual([0, 0]);
  });
});

describe('the books of a crock', () => {
  it('close whatever is poured in and taken out', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 10, max: 4000 }), fc.double({ min: 0, max: 0.9, noNaN: true })), {
          minLength: 1,
          maxLength: 8,
        }),
        (moves) => {
          let crock = emptyCrock(4, 6.65);
          moves.forEach(([massG, share], i) => {
            crock = pourIn(crock, massesOfMaterial(referenceStock('whole'), massG));
            crock = takeOut(crock, scaleMasses(crock.masses, share), (['whey', 'lost', 'heldBack'] as const)[i % 3]!);
          });
          expect(balanceErrorPct(crock)).toBeLessThan(1e-9);
          expect(totalG(crock.inputs)).toBeCloseTo(
            moves.reduce((s, [m]) => s + m, 0),
            6,
          );
        },
      ),
    );
  });

  it('of an empty crock are in order, and it has no culture', () => {
    expect(balanceErrorPct(emptyCrock(4, 6.65))).toBe(0);
  });
});

describe('the reference milks and creams', () => {
  it('are possible, and the creams richer than the milks', () => {
    const stocks = [...REFERENCE_MILKS, ...REFERENCE_CREAMS];
    for (const s of stocks) {
      const sum = s.fatPct + s.proteinPct + s.lactosePct + s.mineralsPct;
      expect(sum).withContext(s.id).toBeLessThan(60);
      expect(english(s.name)).withContext(s.id).toContain('fat');
    }
    const richestMilk = Math.max(...REFERENCE_MILKS.map((m) => m.fatPct));
    expect(Math.min(...REFERENCE_CREAMS.map((c) => c.fatPct))).toBeGreaterThan(richestMilk);
    expect(new Set(stocks.map((s) => s.id)).size).toBe(stocks.length);
    expect(() => referenceStock('moon')).toThrowError(/moon/);
  });
});
