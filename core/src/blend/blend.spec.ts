import fc from 'fast-check';
import { cheapestBlend, type Blend, type BlendMaterial, type NoBlend } from './blend.js';
import { solveLinearProgram } from './linear-program.js';
import { pearsonSquare } from './square.js';

const MILK = { name: 'milk', fatPct: 3.6, proteinPct: 3.3, pricePerKg: 1.3 };
const SKIM = { name: 'skim', fatPct: 0.1, proteinPct: 3.45, pricePerKg: 1.1 };
const CREAM = { name: 'cream', fatPct: 36, proteinPct: 2.1, pricePerKg: 6.4 };
const POWDER = { name: 'powder', fatPct: 0.8, proteinPct: 35, pricePerKg: 9 };

const MILLIGRAM = 1e-3;

const made = (answer: Blend | NoBlend): Blend => {
  if ('infeasible' in answer) throw new Error(`no blend: ${answer.infeasible.bound}`);
  return answer;
};
const missed = (answer: Blend | NoBlend) => {
  if (!('infeasible' in answer)) throw new Error('a blend was found');
  return answer.infeasible;
};
const massOf = (blend: Blend, name: string) => blend.parts.find((p) => p.name === name)!.massG;

describe('the cheapest blend', () => {
  it('of two materials is the classical square, to 1e-9', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3.6, max: 36, noNaN: true }),
        fc.integer({ min: 100, max: 60_000 }),
        (fatPct, massG) => {
          const { leanG, richG } = pearsonSquare(massG, 3.6, 36, fatPct)!;
          const blend = made(cheapestBlend([MILK, CREAM], { massG, fatPct }));
          expect(Math.abs(massOf(blend, 'milk') - leanG) / massG).toBeLessThan(1e-9);
          expect(Math.abs(massOf(blend, 'cream') - richG) / massG).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('meets fat and protein at once, and says what it gives', () => {
    const blend = made(cheapestBlend([MILK, CREAM, POWDER], { massG: 4000, fatPct: 6, proteinPct: 5 }));
    expect(blend.fatPct).toBeCloseTo(6, 9);
    expect(blend.proteinPct).toBeCloseTo(5, 9);
    expect(blend.parts.reduce((sum, p) => sum + p.massG, 0)).toBeCloseTo(4000, 6);
    expect(massOf(blend, 'powder')).toBeGreaterThan(150);
  });

  it('takes the cheap way: skim and cream rather than milk where that costs less', () => {
    const dear = { ...MILK, pricePerKg: 3 };
    expect(massOf(made(cheapestBlend([MILK, SKIM, CREAM], { massG: 1000, fatPct: 3.6 })), 'milk')).toBeCloseTo(1000, 6);
    expect(massOf(made(cheapestBlend([dear, SKIM, CREAM], { massG: 1000, fatPct: 3.6 })), 'milk')).toBe(0);
  });

  it('uses no more of anything than there is', () => {
    const short = { ...MILK, maxG: 2500 };
    const blend = made(cheapestBlend([short, SKIM, CREAM], { massG: 4000, fatPct: 3.6 }));
    expect(massOf(blend, 'milk')).toBeCloseTo(2500, 6);
    expect(blend.fatPct).toBeCloseTo(3.6, 9);
  });

  it('is never dearer than any other blend that meets the target', () => {
    const share = fc.double({ min: 0.01, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, (a, b, c) => {
        const sum = a + b + c;
        const fatPct = (a * MILK.fatPct + b * SKIM.fatPct + c * CREAM.fatPct) / sum;
        const anyCost = (a * MILK.pricePerKg + b * SKIM.pricePerKg + c * CREAM.pricePerKg) / sum;
        expect(made(cheapestBlend([MILK, SKIM, CREAM], { massG: 1000, fatPct })).cost).toBeLessThanOrEqual(
          anyCost + 1e-9,
        );
      }),
    );
  });

  it('says which bound cannot be met, and what comes nearest', () => {
    const tooRich = missed(cheapestBlend([MILK, CREAM], { massG: 1000, fatPct: 40 }));
    expect(tooRich.bound).toBe('fatPct');
    expect(tooRich.nearest.fatPct).toBeCloseTo(36, 6);
    const tooLittle = missed(cheapestBlend([{ ...MILK, maxG: 700 }], { massG: 1000 }));
    expect(tooLittle.bound).toBe('massG');
    expect(tooLittle.nearest.parts[0]!.massG).toBeCloseTo(700, 6);
    const tooFirm = missed(cheapestBlend([MILK, CREAM], { massG: 1000, fatPct: 10, proteinPct: 6 }));
    expect(tooFirm.bound).toBe('proteinPct');
    expect(tooFirm.nearest.parts.every((p: { massG: number }) => p.massG >= 0)).toBeTrue();
  });

  it('answers whatever it is asked, and never with a part below nothing', () => {
    const material: fc.Arbitrary<BlendMaterial> = fc.record({
      name: fc.constant('m'),
      fatPct: fc.double({ min: 0, max: 60, noNaN: true }),
      proteinPct: fc.double({ min: 0, max: 40, noNaN: true }),
      pricePerKg: fc.double({ min: 0, max: 20, noNaN: true }),
      maxG: fc.option(fc.double({ min: 0, max: 3000, noNaN: true }), { nil: undefined }),
    });
    const pct = fc.option(fc.double({ min: 0, max: 50, noNaN: true }), { nil: undefined });
    fc.assert(
      fc.property(fc.array(material, { minLength: 1, maxLength: 6 }), pct, pct, (materials, fatPct, proteinPct) => {
        const answer = cheapestBlend(materials, { massG: 1000, fatPct, proteinPct });
        const blend = 'infeasible' in answer ? answer.infeasible.nearest : answer;
        blend.parts.forEach((p, i) => {
          expect(p.massG).toBeGreaterThanOrEqual(0);
          expect(p.massG).toBeLessThanOrEqual((materials[i]!.maxG ?? 1000) + MILLIGRAM);
        });
      }),
    );
  });
});

describe('the linear programme', () => {
  it('solves a textbook case', () => {
    // least −3x − 5y with x ≤ 4, 2y ≤ 12, 3x + 2y ≤ 18 (Dantzig & Thapa 1997): x = 2, y = 6
    const x = solveLinearProgram({
      cost: [-3, -5, 0],
      rows: [[3, 2, 1]],
      rhs: [18],
      most: [4, 6, Infinity],
    })!;
    expect(x[0]!).toBeCloseTo(2, 9);
    expect(x[1]!).toBeCloseTo(6, 9);
  });

  it('sees that nothing will do, and ends on a degenerate one', () => {
    expect(solveLinearProgram({ cost: [1], rows: [[1]], rhs: [5], most: [4] })).toBeNull();
    expect(
      solveLinearProgram({
        cost: [1, 1],
        rows: [
          [1, 1],
          [2, 2],
        ],
        rhs: [3, 6],
        most: [3, 3],
      }),
    ).not.toBeNull();
    expect(solveLinearProgram({ cost: [1], rows: [[-2]], rhs: [-6], most: [Infinity] })).toEqual([3]);
  });
});
