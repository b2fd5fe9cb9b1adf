import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { follow } from '../follow/follow.js';
import { canStandInLarder, madeLot, productLot } from '../larder/made-lot.js';
import { isStock, stockOfLot } from '../lots/lot.js';
import { massesOfMaterial } from '../materials/materials.js';
import { totalG } from '../materials/composition.js';
import { atMinute, logged } from '../testing/logged.js';
import { differenceOf } from './difference.js';
import type { Balance } from './yield.js';
import { say } from '../messages/message.js';

const FEW = { members: 40, seed: 1, fanPoints: 2 };
const FORECAST: Balance = {
  inG: 4100,
  productG: 1670,
  wheyG: 2290,
  heldBackG: 120,
  asideG: 0,
  lostG: 20,
  evaporatedG: 0,
  gasG: 0,
  sugar: { inG: 190, leftG: 60, wheyG: 80, elsewhereG: 10, eatenG: 40 },
  errorPct: 0,
};
const outcome = (methodId: string, choices = {}) => follow(logged(methodId, choices, []), atMinute(1), FEW).outcome;

describe('a yield that is not as forecast', () => {
  const says = (productG: number, wheyG: number | null, heldBackG: number | null = 120) =>
    differenceOf(FORECAST, { productG, wheyG, heldBackG }, say('good.whey')).says;

  it('is said to be as forecast within 2 %', () => {
    expect(english(says(1650, 2300))).toBe('As forecast, within 2 %.');
  });

  it('names what explains most of it: whey, what was held back, what is in no weighing', () => {
    expect(english(says(1460, 2500))).toBe(
      '13 % less than forecast. 210 g more whey ran off: it drained further than planned, or curd went with it.',
    );
    expect(english(says(1880, 2080))).toContain('13 % more than forecast. 210 g less whey ran off');
    expect(english(says(1470, 2290, 320))).toContain('200 g more was held back');
    expect(english(says(1470, 2290))).toContain('200 g is in no weighing');
    expect(english(says(1470, null))).toContain('the whey was not weighed');
    expect(english(says(1870, 2290))).toContain('200 g more came out than went in');
  });

  it('of two things that are otherwise it names the one that explains half of it or more', () => {
    expect(english(says(1560, 2390, 130))).toContain('100 g more whey ran off');
    expect(english(says(1560, 2345, 175))).toContain('55 g more whey ran off');
    expect(english(says(1540, 2340, 160))).toContain('No one weighing explains it.');
    const nothing = { ...FORECAST, productG: 1 };
    expect(differenceOf(nothing, { productG: 0.5, wheyG: 0, heldBackG: 0 }, null).pct).toBe(-50);
    expect(differenceOf({ ...FORECAST, productG: 0 }, { productG: 5, wheyG: 0, heldBackG: 0 }, null).pct).toBe(0);
  });

  it('is as forecast to just within 2 %', () => {
    expect(english(says(1670 * 0.9801, 2290))).toContain('As forecast');
    expect(english(says(1670 * 0.9799, 2290))).toContain('less than forecast');
  });

  it('accounts for all of it, whatever was weighed', () => {
    const g = fc.integer({ min: 0, max: 4000 });
    fc.assert(
      fc.property(g, g, g, (productG, wheyG, heldBackG) => {
        const { unaccountedG } = differenceOf(FORECAST, { productG, wheyG, heldBackG }, say('good.whey'));
        const forecastOut = FORECAST.productG + FORECAST.wheyG + FORECAST.heldBackG;
        expect(productG + wheyG + heldBackG + unaccountedG).toBeCloseTo(forecastOut, 6);
      }),
    );
  });
});

describe('the label of a pot', () => {
  it('names what it contains, most of what went in first, the net mass and the days', () => {
    const { label } = outcome('cultured-butter');
    expect(label.contains.map(english)).toEqual(['milk']);
    expect(english(label.ingredients[0]!)).toBe('cream');
    expect(label.netG).toBe(250);
    expect(label.per100g.fatG).toBeGreaterThan(78);
    expect(outcome('soda-cheese').label.contains.map(english)).toEqual(['milk', 'egg']);
    expect(outcome('plant-yogurt').label.contains.map(english)).toEqual(['coconut']);
  });

  it('carries the cautions for who eats it, and not those for who makes it', () => {
    const raw = outcome('clabber').label.cautions.map(english).join(' ');
    expect(raw).toContain('Raw milk is not for anyone pregnant');
    expect(raw).not.toContain('Scald vessels');
    expect(outcome('acid-heat-curd').label.cautions.map(english).join()).toContain('Listeria');
    expect(outcome('scalded-yogurt').label.cautions.map(english)).toEqual([]);
    // What stands on a pot of it is short, and whoever must not eat it is on it.
    const onPot = (method: string) => outcome(method).label.warns.map(english).join(' ');
    expect(onPot('clabber')).toContain('Made of raw milk: not for anyone pregnant');
    expect(onPot('acid-heat-curd')).toContain('not for anyone pregnant');
    expect(onPot('scalded-yogurt')).toBe('');
  });
});

describe('what is left of a make', () => {
  const made = {
    batchId: '01J00000000000000000000000',
    called: 'Acid whey',
    note: 'Left of Pot.',
    atMs: 1,
    useBy: '2026-05-12',
    treatment: 'scalded',
    species: 'cow',
  } as const;

  it('goes into the larder with its composition, and can be poured again', () => {
    const { byproducts, leftAs } = outcome('strained-yogurt');
    expect(leftAs).toEqual({ treatment: 'scalded', species: 'cow' });
    const whey = byproducts.find((b) => b.is === 'whey')!;
    const lot = madeLot(whey, '01J00000000000000000000001', 2290, made);
    if (!isStock(lot)) throw new Error('whey has a composition');
    expect([lot.kind, lot.from, lot.amount]).toEqual(['whey', made.batchId, 2290]);
    const masses = massesOfMaterial(stockOfLot(lot), 1000);
    expect(totalG(masses)).toBeCloseTo(1000, 6);
    expect(masses.lactose).toBeGreaterThan(25);
    expect(masses.fat).toBeLessThan(5);
  });

  it('is a product that another make begins with: a cream by its composition and its pH, a cheese by its name', () => {
    const cream = productLot(outcome('cultured-cream').product, '01J00000000000000000000001', 500, made);
    if (!isStock(cream)) throw new Error('soured cream has a composition');
    expect([cream.kind, cream.from, cream.amount]).toEqual(['cream', made.batchId, 500]);
    expect(cream.freshPh).toBeLessThan(4.8);
    expect(cream.material.fatPct).toBeGreaterThan(15);
    for (const method of ['strained-yogurt', 'cultured-butter', 'quark'])
      expect(productLot(outcome(method).product, '01J00000000000000000000001', 500, made))
        .withContext(method)
        .toEqual(jasmine.objectContaining({ kind: 'other', from: made.batchId, amount: 500, useBy: made.useBy }));
  });

  it('is buttermilk as a lean milk and risen cream as cream; a starter is no lot', () => {
    const kinds = (id: string) =>
      outcome(id)
        .byproducts.filter(canStandInLarder)
        .map((b) => madeLot(b, '01J00000000000000000000001', 1, made).kind);
    expect(kinds('cultured-butter')).toEqual(['milk']);
    expect(kinds('scalded-cream')).toContain('cream');
    const starter = outcome('scalded-yogurt').byproducts.find((b) => b.is === 'starter')!;
    expect(canStandInLarder(starter)).toBeFalse();
    expect(() => madeLot(starter, 'x', 1, made)).toThrowError(RangeError);
  });
});
