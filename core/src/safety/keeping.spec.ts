import { english } from '@oat-crock/messages';
import { COOLING } from '../constants/safety-limits.js';
import fc from 'fast-check';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { lastOf, runMake } from '../make/run.js';
import { planStages } from '../make/plan.js';
import { byproductsOf } from '../balance/byproducts.js';
import { emptyCrock, pourIn, type CrockState } from '../state/crock-state.js';
import { massesOfMaterial } from '../materials/materials.js';
import { referenceStock } from '../materials/reference-materials.js';
import { coolingFinding, coolingRecord } from './cooling.js';
import { shelfLife, waterPhaseSaltPct } from './shelf-life.js';

const MILK = pourIn(emptyCrock(90, 6.65), massesOfMaterial(referenceStock('whole'), 1000));
/** A crock seen at some minutes with some temperatures. */
const seen = (...points: readonly (readonly [number, number])[]): CrockState[] =>
  points.map(([minute, tempC]) => ({ ...MILK, minute, tempC }));
const FEW = { members: 100, seed: 1, fanPoints: 2 };
const end = (code: string, choices = {}) =>
  lastOf(runMake(planStages(methodById(code), choices), USUAL_ENVIRONMENT).at(-1)!);

describe('cooling what acid does not keep (FDA Food Code 3-501.14)', () => {
  it('within two hours and four more is in order', () => {
    const states = seen([0, 90], [10, 57], [100, 21], [300, 5], [400, 4]);
    expect(coolingRecord(states)).toEqual({ toMiddleMin: 90, toColdMin: 290, sinceHotMin: 390 });
    expect(coolingFinding(states, 5.8)).toBeNull();
    // seven degrees are not five
    expect(coolingFinding(seen([0, 90], [10, 57], [100, 21], [300, 7], [400, 5.5]), 5.8)!.level).toBe('hold');
  });

  it('slower is held, with the time and what to do, while it lasts and after', () => {
    const standing = coolingFinding(seen([0, 90], [10, 58], [140, 30]), 6.2)!;
    expect(standing.level).toBe('hold');
    expect(english(standing.reason)).toContain('it has taken 2 h 10');
    expect(english(standing.doNow)).toContain('74 °C');
    expect(english(coolingFinding(seen([0, 60], [100, 21], [400, 8]), 6.2)!.reason)).toContain('six hours');
  });

  it('does not speak of what acid keeps, of what was never hot, or of milk that a culture sours meanwhile', () => {
    const slow = seen([0, 90], [10, 58], [240, 30]);
    expect(coolingFinding(slow, 4.5)).toBeNull();
    expect(coolingFinding(seen([0, 20], [600, 18]), 6.6)).toBeNull();
    const souring = end('Y1').souring;
    expect(
      coolingFinding(
        slow.map((s) => ({ ...s, souring })),
        5.5,
      ),
    ).toBeNull();
  });

  it('counts from when it last left the heat', () => {
    const twice = seen([0, 90], [60, 40], [120, 85], [200, 21], [300, 6]);
    expect(coolingRecord(twice)!.toMiddleMin).toBe(80);
  });

  it('every make of curd and scalded cream that ships keeps within it, and a big hot pot is told that it does not', () => {
    for (const code of ['A1', 'A2', 'A3', 'A4', 'S1']) {
      expect(makeSheet(methodById(code), {}, FEW).findings)
        .withContext(code)
        .toEqual([]);
    }
    const big = makeSheet(methodById('S1'), { massG: 20_000, vesselL: 40, depthCm: 12 }, FEW);
    expect(big.findings.map((f) => f.rule).map(english)).toEqual(['cooling']);
    expect(COOLING.hotC).toBe(57);
  });
});

describe('how long it keeps', () => {
  it('butter washed clear keeps longest, sour things for weeks, curd for days', () => {
    const days = (code: string, choices = {}) => shelfLife(end(code, choices)).days;
    expect(days('B1', { washing: 'clear' })).toBeGreaterThan(2 * days('B1', { washing: 'press' }));
    expect(days('Y1')).toBeGreaterThan(14);
    expect(days('A1')).toBeLessThanOrEqual(7);
    expect(days('S1')).toBe(7);
    expect(days('S1', { scaldC: 60, scaldH: 6 })).toBeLessThan(7);
    expect(shelfLife(end('A4')).productClass).toBe('cooked cheese');
    expect(shelfLife(end('Y6')).productClass).toBe('sour plant');
  });

  it('falls with the warmth of the store, and salt in its water helps', () => {
    const yogurt = end('Y1');
    fc.assert(
      fc.property(fc.double({ min: 0, max: 12, noNaN: true }), (storeC) => {
        expect(shelfLife(yogurt, storeC + 2).days).toBeLessThanOrEqual(shelfLife(yogurt, storeC).days);
      }),
    );
    const salted = { ...yogurt, masses: { ...yogurt.masses, salt: 0.05 * yogurt.masses.water } };
    expect(waterPhaseSaltPct(salted)).toBeCloseTo(4.76, 2);
    expect(shelfLife(salted).days).toBeGreaterThan(shelfLife(yogurt).days);
  });
});

describe('how long it keeps at the edge of what keeps it', () => {
  const yogurt = end('Y1');
  const withSalt = (share: number) => ({ ...yogurt, masses: { ...yogurt.masses, water: 100 - share, salt: share } });

  it('salt of 3.5 % in its water helps, a shade less does not', () => {
    expect(waterPhaseSaltPct(withSalt(3.5))).toBe(3.5);
    expect(shelfLife(withSalt(3.5)).days).toBeGreaterThan(shelfLife(withSalt(3.4999)).days);
    expect(shelfLife(withSalt(3.4999)).days).toBe(shelfLife(withSalt(0)).days);
  });

  it('what has no water has no salt in it', () => {
    const dry = (water: number, salt: number) => waterPhaseSaltPct({ masses: { ...yogurt.masses, water, salt } });
    expect([dry(0, 0), dry(0.4, 0.1)]).toEqual([0, 20]);
  });

  it('acid keeps it from pH 4.6 down, each tenth below adding a little', () => {
    const at = (ph: number) => shelfLife({ ...yogurt, ph });
    expect([at(4.6).productClass, at(4.601).productClass]).toEqual(['sour', 'fresh']);
    expect(at(4.3).days).toBeGreaterThan(at(4.6).days);
  });
});

describe('what is left', () => {
  const left = (code: string, choices = {}) => byproductsOf(end(code, choices), planStages(methodById(code), choices));
  const named = (code: string, choices = {}) => left(code, choices).map((b) => english(b.name));

  it('is named for what it is: acid whey never makes soft curd, sweet buttermilk is not cultured', () => {
    expect(named('Y5')).toEqual(['acid whey', 'starter held back']);
    expect(named('A1')).toEqual(['whey']);
    expect(named('B1')).toEqual(['cultured buttermilk', 'starter held back']);
    expect(named('K1')).toEqual(['kefir grains']);
    expect(named('L1')).toEqual(['soured cream', 'starter held back']);
    expect(named('S1')).toEqual(['thin cream']);
    expect(named('A4')).toEqual(['acid whey']);
    expect(english(left('Y5')[0]!.use)).toContain('never makes soft curd');
  });

  it('has its composition and its days', () => {
    const [whey] = left('Y5');
    expect(whey!.sugarsPct).toBeGreaterThan(3);
    expect(whey!.fatPct).toBeLessThan(0.5);
    expect(whey!.keepsDays).toBeGreaterThan(left('A1')[0]!.keepsDays);
    expect(left('S1')[0]!.fatPct).toBeGreaterThan(15);
  });
});
