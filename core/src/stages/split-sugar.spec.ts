import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { balanceOf } from '../balance/yield.js';
import { nutritionPer100g } from '../balance/nutrition.js';
import { planStages } from '../make/plan.js';
import { lastOf, runMake } from '../make/run.js';
import { totalG } from '../materials/composition.js';
import { massesOfMaterial } from '../materials/materials.js';
import { referenceStock } from '../materials/reference-materials.js';
import { methodById } from '../methods/index.js';
import { balanceErrorPct } from '../state/crock-state.js';

/** The end of a make of 2 kg of one's own milk, its sugar whole or split. */
function madeOf(code: string, lactoseSplit: boolean) {
  const lot = { ...referenceStock('whole'), id: 'lot:own', lactoseSplit };
  const choices = { massG: 2000, milk: 'lot:own', blendBy: 'milk' };
  return lastOf(runMake(planStages(methodById(code), choices, [lot]), USUAL_ENVIRONMENT).at(-1)!);
}

describe('milk whose sugar was split', () => {
  it('weighs what it weighed, its label sugar half glucose and half galactose', () => {
    const masses = massesOfMaterial({ ...referenceStock('whole'), lactoseSplit: true }, 1000);
    expect(totalG(masses)).toBeCloseTo(1000, 9);
    expect([masses.lactose, masses.glucose, masses.galactose]).toEqual([0, 23.5, 23.5]);
  });

  it('sours as far, out of its glucose, and leaves the galactose to a yogurt culture', () => {
    const [whole, split] = [madeOf('Y1', false), madeOf('Y1', true)];
    expect(split.ph).toBeCloseTo(whole.ph, 2);
    expect(Math.abs(balanceErrorPct(split))).toBeLessThan(1e-6);
    const [a, b] = [nutritionPer100g(whole.masses), nutritionPer100g(split.masses)];
    expect(a.glucoseG).toBe(0);
    expect(b.glucoseG).toBeLessThan(2.35 - 0.5);
    expect(b.galactoseG).toBeGreaterThan(2);
    expect(b.lactoseG).toBeLessThan(0.15);
    expect(b.sugarsG).toBeCloseTo(a.sugarsG, 0);
  });

  it('as soured cream has its acid out of glucose first, and weighs as much', () => {
    const ofCream = (lactoseSplit: boolean) => {
      const lot = { ...referenceStock('cream-36'), id: 'lot:own', kind: 'cream' as const, freshPh: 4.5, lactoseSplit };
      const choices = { from: 'bought', sourCream: 'lot:own', boughtG: 1000 };
      return runMake(planStages(methodById('B1'), choices, [lot]), USUAL_ENVIRONMENT)[0]!.states.at(-1)!.masses;
    };
    const [whole, split] = [ofCream(false), ofCream(true)];
    expect(totalG(split)).toBeCloseTo(1000, 6);
    expect(split.lactic).toBeCloseTo(whole.lactic, 6);
    expect(split.glucose).toBeLessThan(split.galactose - 3);
    expect(split.lactose).toBe(0);
  });

  it('gives grains with their yeasts as much gas, and loses no gram', () => {
    const [whole, split] = [madeOf('K1', false), madeOf('K1', true)];
    expect(Math.abs(balanceErrorPct(split))).toBeLessThan(1e-6);
    expect(split.gasG).toBeCloseTo(whole.gasG, 1);
  });
});

describe('the balance of sugar', () => {
  it('adds up: what went in is left, gone with the whey, elsewhere or eaten', () => {
    for (const [code, split] of [
      ['Y5', false],
      ['Y5', true],
      ['B1', false],
      ['K1', true],
      ['A1', false],
    ] as const) {
      const { sugar } = balanceOf(madeOf(code, split));
      expect(sugar.leftG + sugar.wheyG + sugar.elsewhereG + sugar.eatenG)
        .withContext(code)
        .toBeCloseTo(sugar.inG, 6);
    }
  });

  it('knows that straining takes more sugar with the whey than the culture eats, and that no culture eats of curd by acid', () => {
    const { sugar } = balanceOf(madeOf('Y5', false));
    expect(sugar.wheyG).toBeGreaterThan(sugar.eatenG);
    expect(sugar.eatenG).toBeGreaterThan(5);
    expect(balanceOf(madeOf('A1', false)).sugar.eatenG).toBeCloseTo(0, 6);
  });
});
