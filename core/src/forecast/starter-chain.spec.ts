import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { starterChain, type ChainAsked, type ChainStep } from './starter-chain.js';
import { inEnglish } from '@oat-crock/messages';

const ASKED: ChainAsked = {
  culture: 'mesophilic',
  neededG: 400,
  from: { form: 'active', ageDays: 5, store: 'cold', massG: 15 },
  dosePct: 3,
  tempC: 24,
  ripePh: 4.6,
  heldBackG: 20,
};
const steps = (change: Partial<ChainAsked> = {}) => starterChain({ ...ASKED, ...change }) as readonly ChainStep[];

describe('a chain of starters', () => {
  it('400 g from a spoon is one step, from a trace two, each no more than the one before gave', () => {
    expect(steps().length).toBe(1);
    const two = steps({ from: { ...ASKED.from, massG: 3 } });
    expect(two.length).toBe(2);
    expect(two[0]!.starterG).toBeLessThanOrEqual(3);
    expect(two[1]!.milkG + two[1]!.starterG).toBeGreaterThan(420);
  });

  it('gives what was asked for and what is held back, at every step, and ends on time', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 8, noNaN: true }),
        fc.double({ min: 2, max: 60, noNaN: true }),
        (neededG, dosePct, massG) => {
          const chain = steps({ neededG, dosePct, from: { ...ASKED.from, massG } });
          chain.forEach((step, i) => {
            const wanted = chain[i + 1]?.starterG ?? neededG;
            expect((step.milkG + step.starterG) * 0.98).toBeCloseTo(wanted + 20, 6);
            expect(step.starterG / step.milkG).toBeCloseTo(dosePct / 100, 9);
            const next = chain[i + 1]?.beginsHBefore ?? 0;
            expect(step.beginsHBefore - next).toBeCloseTo(step.ripensH, 9);
          });
          expect(chain[0]!.starterG).toBeLessThanOrEqual(massG + 1e-9);
        },
      ),
      { numRuns: runs(40) },
    );
  });

  it('a tired mother makes its first step longer, and only that', () => {
    const small = { ...ASKED.from, massG: 3 };
    const fresh = steps({ from: small });
    const tired = steps({ from: { ...small, ageDays: 20 } });
    expect(tired[0]!.ripensH).toBeGreaterThan(fresh[0]!.ripensH + 1);
    expect(tired[1]!.ripensH).toBeCloseTo(fresh[1]!.ripensH, 9);
  });

  it('says why where it cannot be', () => {
    expect(inEnglish(starterChain({ ...ASKED, tempC: 45 }))).toEqual({
      impossible: jasmine.stringContaining('never ripens'),
    });
    expect(inEnglish(starterChain({ ...ASKED, dosePct: 90, from: { ...ASKED.from, massG: 1 } }))).toEqual({
      impossible: jasmine.stringContaining('6 steps'),
    });
  });
});
