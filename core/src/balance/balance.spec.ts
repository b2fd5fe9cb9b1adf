import fc from 'fast-check';
import { NOTHING } from '../materials/composition.js';
import { costOf } from './cost.js';
import { nutritionPer100g, ofPortion } from './nutrition.js';

const BARE = { parts: [], energyKJ: 0, productG: 1000, potG: 250, shopPricePerKg: 0 };

describe('cost', () => {
  it('adds up what was bought, burnt, potted and worked, less what the rest is worth', () => {
    const cost = costOf({
      parts: [
        { massG: 4000, pricePerKg: 1.3 },
        { massG: 500, pricePerKg: 6 },
      ],
      energyKJ: 3600,
      productG: 1500,
      potG: 400,
      shopPricePerKg: 9,
      potPrice: 0.25,
      handsMin: 90,
      handsPerHour: 12,
      pricePerKwh: 0.4,
      byproductsWorth: 1,
    });
    expect(cost.materials).toBeCloseTo(8.2, 9);
    expect(cost.energy).toBeCloseTo(0.4, 9);
    expect(cost.packaging).toBeCloseTo(4 * 0.25, 9);
    expect(cost.hands).toBe(18);
    expect(cost.total).toBeCloseTo(8.2 + 0.4 + 1 + 18 - 1, 9);
    expect(cost.outlay).toBeCloseTo(8.2 + 0.4 + 1 + 18, 9);
    expect(cost.besidesWorth).toBe(1);
    expect(cost.perPot).toBeCloseTo((cost.total / 1500) * 400, 9);
    expect(cost.savedAgainstShop).toBeCloseTo(13.5 - cost.total, 9);
  });

  it('leaves out what nobody priced, and is never less than its materials', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 9000, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (massG, price) => {
          const cost = costOf({ ...BARE, parts: [{ massG, pricePerKg: price }] });
          expect(cost.total).toBeCloseTo((massG / 1000) * price, 6);
          expect(cost.packaging + cost.hands + cost.energy).toBe(0);
        },
      ),
    );
  });
});

describe('the label', () => {
  const masses = { ...NOTHING, water: 870, fat: 35, casein: 26, wheyProtein: 7, lactose: 47, minerals: 7.3, salt: 5 };

  it('counts salt as all sodium times 2.5: the milk’s own, the table salt, and that of soda', () => {
    const perKg = (soda: number) => (nutritionPer100g(masses, { sodaG: soda }).saltG * (997.3 / 100)) as number;
    // 5 g of salt, 0.45 g of sodium in the minerals
    expect(perKg(0)).toBeCloseTo(5 * 0.393 * 2.5 + 7.3 * 0.062 * 2.5, 3);
    expect(perKg(8.4) - perKg(0)).toBeCloseTo(8.4 * (22.99 / 84.01) * 2.5, 3);
  });

  it('has of the fat the saturated: of milk by the tables, of coconut most of it', () => {
    const wholeMilk = { ...NOTHING, water: 874, fat: 36, casein: 26, wheyProtein: 7, lactose: 47, minerals: 7 };
    expect(nutritionPer100g(wholeMilk).saturatesG).toBeCloseTo(2.3, 1);
    const cream = { ...NOTHING, water: 780, fat: 220 };
    expect(nutritionPer100g(cream, { fatOf: 'coconut' }).saturatesG / 22).toBeGreaterThan(0.82);
  });

  it('of a portion is its share of a hundred grams, line by line', () => {
    const per100 = nutritionPer100g(masses);
    const portion = ofPortion(per100, 150);
    expect(portion.energyKcal).toBeCloseTo(1.5 * per100.energyKcal, 9);
    expect(portion.saltG).toBeCloseTo(1.5 * per100.saltG, 9);
    expect(Object.keys(portion)).toEqual(Object.keys(per100));
  });

  it('counts alcohol, which has 29 kJ a gram', () => {
    const some = nutritionPer100g({ ...masses, ethanol: 10 });
    expect(some.alcoholG).toBeCloseTo(0.993, 2);
  });
});
