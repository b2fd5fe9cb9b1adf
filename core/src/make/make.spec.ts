import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { pearsonSquare } from '../blend/square.js';
import { nutritionPer100g } from '../balance/nutrition.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { METHODS, methodById } from '../methods/index.js';
import { choicesOf, type Choice, type Choices, type Method } from '../methods/method.js';
import { COMPONENTS, solidsFraction, totalG } from '../materials/composition.js';
import { balanceErrorPct } from '../state/crock-state.js';
import { bind, STAGE_KIND_NAMES } from '../stages/registry.js';
import { planStages } from './plan.js';
import { lastOf, runMake } from './run.js';
import { checkChoices } from '../methods/check-choices.js';
import { makeSheet } from './sheet.js';

/** Any value a choice allows. */
function anyOf(choice: Choice): fc.Arbitrary<number | string> {
  return choice.kind === 'number'
    ? fc.double({ min: choice.min, max: choice.max, noNaN: true })
    : fc.constantFrom(...choice.options.map((o) => o.id));
}

function anyChoices(method: Method): fc.Arbitrary<Choices> {
  return fc.record(Object.fromEntries(choicesOf(method).map((c) => [c.key, anyOf(c)])));
}

/** A forecast of few members, where a sheet is asked for its stages and problems. */
const FEW = { members: 40, seed: 1, fanPoints: 0 };

const endOf = (method: Method, choices: Choices) =>
  lastOf(runMake(planStages(method, choices), USUAL_ENVIRONMENT).at(-1)!);

for (const method of METHODS) {
  describe(`${english(method.name)}, whatever is chosen`, () => {
    it('closes its mass balance to 0.1 % and keeps every component', () => {
      fc.assert(
        fc.property(anyChoices(method), (choices) => {
          const end = endOf(method, choices);
          expect(balanceErrorPct(end)).toBeLessThan(0.1);
          for (const component of COMPONENTS) expect(end.masses[component]).toBeGreaterThanOrEqual(-1e-9);
          expect(solidsFraction(end.masses)).toBeGreaterThan(0);
          expect(solidsFraction(end.masses)).toBeLessThan(1);
          expect(Number.isFinite(end.ph) && Number.isFinite(end.tempC)).toBeTrue();
        }),
        { numRuns: runs(60) },
      );
    });

    it('only sours, and time only goes forward', () => {
      fc.assert(
        fc.property(anyChoices(method), (choices) => {
          const states = runMake(planStages(method, choices), USUAL_ENVIRONMENT).flatMap((r) => r.states);
          const soured = states.filter((s) => s.souring);
          soured.forEach((s, i) => i > 0 && expect(s.ph).toBeLessThanOrEqual(soured[i - 1]!.ph + 1e-4));
          states.forEach((s, i) => i > 0 && expect(s.minute).toBeGreaterThanOrEqual(states[i - 1]!.minute));
        }),
        { numRuns: runs(25) },
      );
    });

    it('every option of every choice makes a sheet that finishes or says why not', () => {
      for (const choice of choicesOf(method)) {
        const values = choice.kind === 'option' ? choice.options.map((o) => o.id) : [choice.min, choice.max];
        for (const value of values) {
          const sheet = makeSheet(method, { [choice.key]: value }, FEW);
          const finished = sheet.stages.at(-1)!.kind === 'finish';
          if (!finished) expect(sheet.problems.length).withContext(`${choice.key} ${value}`).toBeGreaterThan(0);
          for (const problem of sheet.problems) expect(english(problem.remedy).length).toBeGreaterThan(5);
        }
      }
    });
  });
}

describe('strained yogurt', () => {
  const strained = methodById('Y5');

  it('reaches the solids of each texture, with the yield that the mass balance gives', () => {
    for (const [texture, drain, solids] of [
      ['thick', 'hung', 17],
      ['very-thick', 'hung', 21],
      ['spreadable', 'hung', 25],
      ['firm', 'pressed', 30],
    ] as const) {
      const sheet = makeSheet(strained, { texture, drain, fatPct: 3.6 });
      expect(sheet.product.solidsPct).toBeCloseTo(solids, 1);
      expect(sheet.problems).toEqual([]);
    }
    expect(makeSheet(strained, { massG: 8000 }).problems.map((p) => p.field)).toEqual(['vesselL']);
    expect(makeSheet(strained, { massG: 8000, vesselL: 10 }).problems).toEqual([]);
    const perKg = makeSheet(strained, { massG: 1000, texture: 'very-thick' }).product.massG;
    expect(perKg).toBeGreaterThan(380);
    expect(perKg).toBeLessThan(520);
  });

  it('leaves less than half the sugar of the milk in 100 g times its yield', () => {
    const sheet = makeSheet(strained, { texture: 'spreadable' });
    const milkSugarG = 4000 * 0.047;
    expect((sheet.nutrition.sugarsG / 100) * sheet.product.massG).toBeLessThan(milkSugarG / 2);
    expect(sheet.nutrition.galactoseG).toBeGreaterThan(0.3);
  });

  it('says so at the choice when a texture is out of reach, a counter drain unsafe, a starter cooked', () => {
    expect(makeSheet(strained, { texture: 'firm', drain: 'flat' }).problems[0]!.field).toBe('drain');
    expect(
      makeSheet(strained, { where: 'counter', targetPh: 5, massG: 500, vesselL: 1 }).problems.map((p) => p.field),
    ).toContain('where');
    expect(makeSheet(strained, { starterC: 60 }).problems.map((p) => p.field)).toContain('starterC');
    expect(makeSheet(strained, { fatPct: 2 }).problems[0]!.field).toBe('fatPct');
  });

  it('carries the cautions that must be there', () => {
    const usual = makeSheet(strained, {}).cautions.map(english).join(' ');
    for (const word of ['pH 4.6', 'local food code', 'milk', 'starter spoon', 'Mould', 'Acid whey']) {
      expect(usual).toContain(word);
    }
    expect(makeSheet(strained, { milk: 'raw', fatPct: 4.2 }).cautions.map(english).join(' ')).toContain(
      'Raw milk is not for anyone pregnant',
    );
    expect(makeSheet(strained, { where: 'counter' }).cautions.map(english).join(' ')).toContain('On the counter');
  });

  it('is worked out the same each time', () => {
    expect(makeSheet(strained, { fatPct: 6 })).toEqual(makeSheet(strained, { fatPct: 6 }));
  });
});

describe('a plan', () => {
  it('leaves out a hold of no minutes', () => {
    const ids = planStages(methodById('Y1'), { holdMin: 0 }).map((s) => s.id);
    expect(ids).not.toContain('hold');
    expect(ids).toContain('heat');
  });

  it('knows each of its stage kinds, each of use in some method, and no other', () => {
    const used = new Set(METHODS.flatMap((m) => m.stages.map((s) => s.kind)));
    expect([...used].sort()).toEqual([...STAGE_KIND_NAMES].sort());
    expect(() => bind({ id: 'x', kind: 'levitate', params: {} })).toThrowError(/levitate/);
    expect(() => methodById('Y99')).toThrowError(/Y99/);
  });

  it('refuses choices it does not offer, by name', () => {
    const method = methodById('Y1');
    expect(() => checkChoices(method, { heatC: 120 })).toThrowError(/heatC.*63.*95/);
    expect(() => checkChoices(method, { heatC: Number.NaN })).toThrowError(/heatC/);
    expect(() => checkChoices(method, { colour: 'blue' })).toThrowError(/colour/);
    expect(() => checkChoices(method, { milk: 'moon' })).toThrowError(/milk/);
  });
});

describe('the classical square', () => {
  it('agrees with the two balances to 1e-9', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 50_000, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 10, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (total, lean, rich, share) => {
          const target = Math.min(rich, lean + share * (rich - lean));
          const { leanG, richG } = pearsonSquare(total, lean, rich, target)!;
          expect(leanG + richG).toBeCloseTo(total, 6);
          expect((leanG * lean + richG * rich) / total).toBeCloseTo(target, 9);
        },
      ),
    );
    expect(pearsonSquare(1000, 3.6, 36, 40)).toBeNull();
  });
});

describe('nutrition', () => {
  it('of whole milk is that of any table: about 64 kcal per 100 g', () => {
    const milk = endOf(methodById('Y1'), { dosePct: 0.5 });
    expect(totalG(milk.inputs)).toBeGreaterThan(4000);
    const { energyKcal, proteinG, fatG } = nutritionPer100g(milk.inputs);
    expect(energyKcal).toBeGreaterThan(60);
    expect(energyKcal).toBeLessThan(68);
    expect(proteinG).toBeCloseTo(3.3, 1);
    expect(fatG).toBeCloseTo(3.6, 1);
  });
});

describe('two products of one outlay', () => {
  it('prices buttermilk where somebody does, and never the starter that is kept', () => {
    const [plain, priced] = [0, 3].map((besidesPrice) => makeSheet(methodById('B1'), { besidesPrice }, FEW));
    const buttermilkKg = priced!.byproducts.find(({ is }) => is === 'buttermilk')!.massG / 1000;
    expect(plain!.byproducts.map(({ is }) => is)).toContain('starter');
    expect(plain!.cost.besidesWorth).toBe(0);
    expect(priced!.cost.besidesWorth).toBeCloseTo(3 * buttermilkKg, 9);
    expect(priced!.cost.outlay).toBeCloseTo(plain!.cost.outlay, 9);
    expect(priced!.cost.total).toBeCloseTo(plain!.cost.total - 3 * buttermilkKg, 9);
    expect(priced!.cost.perPot).toBeLessThan(plain!.cost.perPot);
  });
});

describe('ways of going about it', () => {
  const made = (id: string, choices: Choices = {}) => makeSheet(methodById(id), choices, FEW);
  const says = (id: string, stage: string, choices: Choices = {}) =>
    english(made(id, choices).stages.find((s) => s.id === stage)!.instruction);

  it('starts in what clings to an emptied pot: a spoon or two, slower than a dose, and less sure', () => {
    const [spoon, pot] = [{}, { sownBy: 'residue' }].map((c) => made('scalded-yogurt', { massG: 2000, ...c }));
    const starter = (sheet: typeof pot) => sheet!.amounts.find((a) => a.outOf === 'culture')!.massG;
    expect(starter(pot)).toBeGreaterThan(10);
    expect(starter(pot)).toBeLessThan(40);
    expect(pot!.souring!.forecast.p50Min!).toBeGreaterThan(spoon!.souring!.forecast.p50Min! + 10);
    const width = (f: typeof pot) => f!.souring!.forecast.p90Min! - f!.souring!.forecast.p10Min!;
    expect(width(pot)).toBeGreaterThan(1.1 * width(spoon));
    expect(says('scalded-yogurt', 'starter', { sownBy: 'residue' })).toContain('clings to it');
  });

  it('strains a cold start where it is asked to, and says nothing of straining where it is not', () => {
    const [set, strained] = [{}, { strainIt: 'yes' }].map((c) => made('cold-start-yogurt', c));
    expect(set!.stages.map((s) => s.kind)).not.toContain('strain');
    expect(strained!.stages.map((s) => s.kind)).toContain('strain');
    expect(strained!.product.massG).toBeLessThan(0.6 * set!.product.massG);
    expect(strained!.product.solidsPct).toBeGreaterThan(set!.product.solidsPct + 5);
  });

  it('simmers curd until it has curdled, hotter than off the heat, and pays for the heat', () => {
    const [off, simmer] = ['off', 'simmer'].map((restBy) => made('acid-heat-curd', { restBy }));
    const endC = (restBy: string) =>
      lastOf(
        runMake(planStages(methodById('acid-heat-curd'), { restBy }), USUAL_ENVIRONMENT).find(
          (r) => r.stage.id === 'rest',
        )!,
      ).tempC;
    expect(endC('simmer')).toBeGreaterThan(endC('off') + 1);
    expect(simmer!.cost.energy).toBeGreaterThan(off!.cost.energy);
    expect(says('acid-heat-curd', 'rest', { restBy: 'simmer' })).toContain('just under the boil');
  });

  it('salts the milk in the pot, of which most leaves with the whey and all is accounted for', () => {
    const [plain, salted] = [0, 0.5].map((potSaltPct) => made('acid-heat-curd', { potSaltPct, saltPct: 0 }));
    const saltG = (salted!.nutrition.saltG - plain!.nutrition.saltG) * (salted!.product.massG / 100);
    const inG = 0.005 * Number(salted!.choices['massG']);
    expect(saltG / inG).toBeGreaterThan(0.08);
    expect(saltG / inG).toBeLessThan(0.4);
    expect(salted!.balance.errorPct).toBeLessThan(1e-6);
  });

  it('puts acid in by as many parts as were said', () => {
    expect(says('smooth-curd', 'acid', { acidParts: 6 })).toContain('6 parts');
  });

  it('takes thin cream along with the crust: more of it, leaner, the less put by', () => {
    const [crust, softer] = [0, 40].map((withThinPct) => made('scalded-cream', { withThinPct }));
    const thin = (sheet: typeof crust) => sheet!.byproducts.find(({ is }) => is === 'cream')!.massG;
    expect(thin(softer) / thin(crust)).toBeCloseTo(0.6, 2);
    expect(softer!.product.massG).toBeGreaterThan(crust!.product.massG);
    expect(softer!.product.fatPct).toBeLessThan(crust!.product.fatPct);
  });

  it('keeps butter for months frozen, whatever is folded in aside', () => {
    expect(made('cultured-butter', { keptIn: 'frozen' }).keeps!.days).toBe(270);
    expect(made('cultured-butter').keeps!.days).toBeLessThan(60);
  });

  it('says from when acid guards what stands on a counter', () => {
    const { souring } = made('cultured-cream');
    expect(souring!.guardedAfterMin!).toBeGreaterThan(6 * 60);
    expect(souring!.guardedAfterMin!).toBeLessThan(24 * 60);
    expect(made('acid-heat-curd').souring).toBeNull();
  });
});
