import fc from 'fast-check';
import { massesOfMaterial, materialFromLabel, snfPct } from '../materials/materials.js';
import { totalG } from '../materials/composition.js';
import { materialDensity } from './density.js';
import { fatDensityGPerMl, meltingKJPerKgK, solidFatShare } from './fat-melting.js';
import { specificHeatKJPerKgK } from './specific-heat.js';

const WHOLE = { fatPct: 3.6, proteinPct: 3.3, lactosePct: 4.7, mineralsPct: 0.7 };

describe('density', () => {
  it('of whole milk, cream and skimmed milk lies where tables put it (Walstra et al. 2006, table 1.1)', () => {
    expect(materialDensity(WHOLE)).toBeGreaterThan(1.029);
    expect(materialDensity(WHOLE)).toBeLessThan(1.033);
    const cream = materialDensity({ fatPct: 36, proteinPct: 2.1, lactosePct: 3.1, mineralsPct: 0.45 });
    expect(cream).toBeGreaterThan(0.99);
    expect(cream).toBeLessThan(1.0);
    const skimmed = materialDensity({ fatPct: 0.05, proteinPct: 3.4, lactosePct: 4.9, mineralsPct: 0.75 });
    expect(skimmed).toBeGreaterThan(1.033);
    expect(skimmed).toBeLessThan(1.037);
  });

  it('of cold and warm cream and milk follows the melting of their fat (Walstra et al. 2006, ch. 2)', () => {
    const cream = { fatPct: 36, proteinPct: 2.1, lactosePct: 3.1, mineralsPct: 0.45 };
    expect(materialDensity(cream, 5)).toBeGreaterThan(1.003);
    expect(materialDensity(cream, 5)).toBeLessThan(1.01);
    expect(materialDensity(cream, 40)).toBeGreaterThan(0.974);
    expect(materialDensity(cream, 40)).toBeLessThan(0.982);
    expect(materialDensity(WHOLE, 5)).toBeGreaterThan(1.031);
    expect(materialDensity(WHOLE, 5)).toBeLessThan(1.034);
    expect(materialDensity(WHOLE, 40)).toBeGreaterThan(1.02);
    expect(materialDensity(WHOLE, 40)).toBeLessThan(1.024);
    expect(fatDensityGPerMl(20)).toBeCloseTo(0.93, 3);
  });

  it('falls as milk warms and as fat rises', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.double({ min: 0.5, max: 45, noNaN: true }),
        (t, fat) => {
          const at = (tempC: number, fatPct: number) => materialDensity(materialFromLabel(fatPct, 3), tempC);
          expect(at(t + 5, fat)).toBeLessThan(at(t, fat) + 1e-6 + (t < 5 ? 1e-4 : 0));
          expect(at(20, fat + 1)).toBeLessThan(at(20, fat));
        },
      ),
    );
  });
});

describe('materials', () => {
  it('weigh what was asked for, component by component', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 50_000, noNaN: true }), (massG) => {
        const masses = massesOfMaterial(WHOLE, massG);
        expect(Math.abs(totalG(masses) / massG - 1)).toBeLessThan(1e-12);
        expect(masses.casein / masses.wheyProtein).toBeCloseTo(4, 9);
      }),
    );
  });

  it('from a label carry the lactose and minerals of their serum', () => {
    const milk = materialFromLabel(3.6, 3.3);
    expect(milk.lactosePct).toBeGreaterThan(4.5);
    expect(milk.lactosePct).toBeLessThan(4.9);
    expect(snfPct(milk)).toBeGreaterThan(8.4);
    expect(snfPct(milk)).toBeLessThan(9);
  });

  it('have the specific heat of their components: whole milk about 3.9 kJ/kg·K (Choi & Okos 1986)', () => {
    const heat = specificHeatKJPerKgK(massesOfMaterial(WHOLE, 1000), 40);
    expect(heat).toBeGreaterThan(3.82);
    expect(heat).toBeLessThan(3.98);
  });

  it('take more heat where their fat melts: 40 % cream at 15 °C 3.7–4.4 kJ/kg·K, and 85 J a gram of fat in all', () => {
    const cream = massesOfMaterial(materialFromLabel(40, 2), 1000);
    expect(specificHeatKJPerKgK(cream, 15)).toBeGreaterThan(3.7);
    expect(specificHeatKJPerKgK(cream, 15)).toBeLessThan(4.4);
    let meltsJPerG = 0;
    for (let tempC = -5; tempC < 38; tempC += 0.01) meltsJPerG += 0.01 * meltingKJPerKgK(tempC);
    expect(meltsJPerG).toBeGreaterThan(84.5);
    expect(meltsJPerG).toBeLessThan(85.5);
    expect(meltingKJPerKgK(38)).toBe(0);
    expect(solidFatShare(38)).toBe(0);
    expect(solidFatShare(5)).toBeCloseTo(0.57, 2);
  });
});
