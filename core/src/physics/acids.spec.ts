import fc from 'fast-check';
import { ACIDS, type AcidId, type SourAgentId } from '../constants/acids.js';
import { acidDose, acidForPh, phOf, protonsGiven, sodaForPh } from './acids.js';
import { lacticForPh, phForLactic, type BufferMilk } from './buffer.js';

/** Whole cow's milk, 3.3 % protein. */
const MILK: BufferMilk = { proteinGPerKg: 33, mineralsGPerKg: 7.2, freshPh: 6.65 };
const LITRE_G = 1031;
const dose = (agent: SourAgentId, strengthPct: number, ph: number) =>
  acidDose(LITRE_G, MILK, {}, agent, strengthPct, ph);
const anyAcid = fc.constantFrom(...(Object.keys(ACIDS) as AcidId[]));
const anyPh = fc.double({ min: 3.6, max: 6.5, noNaN: true });

/** Doses as kitchens find them: 40–65 mL of lemon juice to a litre for pH 5.4, 18–32 mL for 5.9 (juice after Penniston et al. 2008). */
describe('acids in milk', () => {
  it('1 L of whole milk takes 40–65 mL of 5.5 % lemon juice to pH 5.4, and 18–32 mL to pH 5.9 (kitchen practice)', () => {
    expect(dose('lemon', 5.5, 5.4).ml!).toBeGreaterThan(40);
    expect(dose('lemon', 5.5, 5.4).ml!).toBeLessThan(65);
    expect(dose('lemon', 5.5, 5.9).ml!).toBeGreaterThan(18);
    expect(dose('lemon', 5.5, 5.9).ml!).toBeLessThan(32);
  });

  it('5 % vinegar comes within 40 % of lemon juice by volume', () => {
    for (const ph of [5.3, 5.6, 5.9]) {
      const ratio = dose('vinegar', 5, ph).ml! / dose('lemon', 5.5, ph).ml!;
      expect(Math.abs(ratio - 1)).toBeLessThan(0.4);
    }
  });

  it('a half-strength lemon wants twice as much, and a quarter of the dose is kept by', () => {
    expect(dose('lemon', 2.75, 5.5).ml!).toBeCloseTo(2 * dose('lemon', 5.5, 5.5).ml!, 9);
    const { ml, reserve } = dose('lemon', 5.5, 5.5);
    expect(reserve).toBeCloseTo(ml! / 4, 9);
    expect(dose('citric', 100, 5.5).ml).toBeNull();
    expect(dose('citric', 100, 5.5).massG).toBeCloseTo(dose('lemon', 5.5, 5.5).massG * 0.055, 9);
  });

  it('a weighed dose brings the milk to just the pH it was reckoned for, from any start', () => {
    fc.assert(
      fc.property(anyAcid, anyPh, fc.double({ min: 0, max: 0.03, noNaN: true }), (acid, ph, lactic) => {
        const more = acidForPh(MILK, { lactic }, acid, ph);
        const with_ = { lactic, [acid]: more + (acid === 'lactic' ? lactic : 0) };
        expect(phOf(MILK, with_)).toBeCloseTo(more > 0 ? ph : phOf(MILK, { lactic }), 5);
      }),
    );
  });

  it('is the same milk that sours: lactic acid gives the pH that the souring model gives', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.2, noNaN: true }), (lactic) => {
        expect(phOf(MILK, { lactic })).toBeCloseTo(phForLactic(MILK, lactic), 7);
        expect(acidForPh(MILK, {}, 'lactic', phForLactic(MILK, lactic))).toBeCloseTo(lactic, 7);
      }),
    );
  });

  it('more acid is always sourer, more protein or minerals always less so', () => {
    fc.assert(
      fc.property(anyAcid, fc.double({ min: 0.002, max: 0.08, noNaN: true }), (acid, mol) => {
        const ph = phOf(MILK, { [acid]: mol });
        expect(phOf(MILK, { [acid]: mol * 1.2 })).toBeLessThan(ph);
        expect(phOf({ ...MILK, proteinGPerKg: 60 }, { [acid]: mol })).toBeGreaterThan(ph);
        expect(phOf({ ...MILK, mineralsGPerKg: 9 }, { [acid]: mol })).toBeGreaterThan(ph);
      }),
    );
  });

  it('an acid gives up its protons one after the other, from none to all', () => {
    for (const id of Object.keys(ACIDS) as AcidId[]) {
      const { pK } = ACIDS[id];
      expect(protonsGiven(id, 0)).toBeLessThan(0.01);
      expect(protonsGiven(id, 12)).toBeCloseTo(pK.length, 4);
      if (pK.length === 1) expect(protonsGiven(id, pK[0]!)).toBeCloseTo(0.5, 12);
      for (let ph = 2; ph < 9; ph += 0.1) expect(protonsGiven(id, ph + 0.1)).toBeGreaterThan(protonsGiven(id, ph));
    }
  });
});

describe('soda on an acid curd', () => {
  /** A clabber curd of a quarter protein at pH 4.6, with the acid of the milk it came from in its serum. */
  const CURD: BufferMilk = { proteinGPerKg: 160, mineralsGPerKg: 7, freshPh: 6.65 };
  const lactic = lacticForPh(CURD, 4.6);

  it('brings it to the pH of a smooth melt, and phOf agrees', () => {
    for (const ph of [5.4, 5.65, 5.9]) {
      const { sodaG } = sodaForPh(1000, CURD, { lactic }, 4.6, ph);
      expect(phOf(CURD, { lactic, soda: sodaG / 84.01 })).toBeCloseTo(ph, 5);
    }
  });

  it('gives off a mole of gas and leaves a mole of sodium for each mole of it', () => {
    const { sodaG, carbonDioxideL, sodiumG, saltEquivalentG } = sodaForPh(1000, CURD, { lactic }, 4.6, 5.6);
    expect(carbonDioxideL / sodaG).toBeCloseTo(24.06 / 84.01, 9);
    expect(saltEquivalentG / sodiumG).toBeCloseTo(2.54, 2);
  });

  it('is not wanted where the curd is sweet enough', () => {
    expect(sodaForPh(1000, CURD, { lactic }, 4.6, 4.5).sodaG).toBe(0);
  });
});
