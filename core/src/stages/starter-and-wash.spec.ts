import fc from 'fast-check';
import { english } from '@oat-crock/messages';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { totalG } from '../materials/composition.js';
import { emptyCrock } from '../state/crock-state.js';
import { lastOf, runStage } from '../make/run.js';
import { bind } from './registry.js';

const FEW = { members: 60, seed: 1, fanPoints: 4 };
const MILK = lastOf(
  runStage(bind({ id: 'blend', kind: 'blend', params: { massG: 1000 } }), emptyCrock(5, 6.7), USUAL_ENVIRONMENT),
);
const sow = (params: Record<string, unknown>) =>
  lastOf(runStage(bind({ id: 's', kind: 'inoculate', params }), MILK, USUAL_ENVIRONMENT));

describe('two starters in one milk', () => {
  it('share the dose as is said, whatever the share', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 95 }), (besidePct) => {
        const two = sow({ culture: 'mesophilic', beside: 'kefir-grains', besidePct, dosePct: 8 }).souring!;
        const alone = (culture: string, dosePct: number) => sow({ culture, dosePct }).souring!.biomass;
        expect(two.biomass / alone('mesophilic', (8 * (100 - besidePct)) / 100)).toBeCloseTo(1, 3);
        expect(two.beside[0]!.biomass / alone('kefir-grains', (8 * besidePct) / 100)).toBeCloseTo(1, 3);
      }),
      { numRuns: 20 },
    );
  });

  it('are weighed together, and the second’s part is said', () => {
    const sheet = makeSheet(
      methodById('cultured-cream'),
      { beside: 'kefir-grains', besidePct: 25, dosePct: 8, massG: 1000 },
      FEW,
    );
    const said = english(sheet.stages.find((s) => s.id === 'starter')!.instruction);
    expect(said).toContain('Stir 80 g starter, 20 g of it live kefir,');
    expect(said).toContain('a cup of the cream');
  });
});

describe('a large dose of starter', () => {
  const problems = (dosePct: number) =>
    makeSheet(methodById('cultured-cream'), { dosePct }, FEW).problems.filter((p) => p.field === 'dosePct');

  it('may be a quarter of the milk, with the reason why less is better from an eighth on', () => {
    expect(problems(12)).toEqual([]);
    const [much] = problems(12.5);
    expect(much!.mild).toBeTrue();
    expect(much!.works).toEqual({ dosePct: 12 });
    expect(problems(25).length).toBe(1);
    expect(() => problems(25.1)).toThrowError(RangeError);
  });

  it('is sour sooner, and its own acid makes it no better set', () => {
    const at = (dosePct: number) => makeSheet(methodById('cultured-cream'), { dosePct }, FEW);
    expect(at(25).souring!.forecast.p50Min!).toBeLessThan(at(5).souring!.forecast.p50Min!);
    expect(at(25).product.firmness).toBeLessThanOrEqual(at(5).product.firmness);
  });
});

describe('the washes of butter', () => {
  const grains = {
    ...MILK,
    tempC: 18,
    masses: { ...MILK.masses, water: 60, fat: 240, lactose: 3, casein: 1, wheyProtein: 0.5, minerals: 0.5 },
  };
  const wash = (params: Record<string, unknown>) =>
    lastOf(runStage(bind({ id: 'w', kind: 'wash', params }), grains, USUAL_ENVIRONMENT));

  it('cool it, with ice further, and never below their own water', () => {
    const [cold, ice] = [wash({}), wash({ water: 'ice' })];
    expect(ice.tempC).toBeLessThan(cold.tempC - 2);
    expect(cold.tempC).toBeLessThan(18);
    expect(wash({ water: 'ice', times: 8 }).tempC).toBeGreaterThanOrEqual(2);
  });

  it('are as many as was said; each leaves less of what turns it, and too few are said', () => {
    const left = [1, 2, 3, 4].map((times) => wash({ times }).masses.lactose);
    for (let i = 1; i < left.length; i++) expect(left[i]!).toBeLessThan(left[i - 1]!);
    const minutes = (times: number) => wash({ times }).minute - grains.minute;
    expect(minutes(4)).toBeCloseTo(4 * minutes(1), 6);
    const sheet = makeSheet(methodById('cultured-butter'), { washing: 'counted', washTimes: 1 }, FEW);
    const [few] = sheet.problems.filter((p) => p.field === 'washTimes');
    expect(few!.mild).toBeTrue();
    const enough = makeSheet(methodById('cultured-butter'), { washing: 'counted', ...few!.works! }, FEW);
    expect(enough.problems.filter((p) => p.field === 'washTimes')).toEqual([]);
    expect(enough.keeps!.days).toBeGreaterThan(sheet.keeps!.days);
    expect(totalG(grains.masses)).toBeCloseTo(totalG(wash({ times: 3 }).masses), 6);
  });
});

describe('kefir without grains', () => {
  it('may be bottled: its own gas is in it, with the bottle’s warnings', () => {
    const sheet = makeSheet(methodById('live-kefir'), { bottleH: 24 }, FEW);
    const bottles = sheet.stages.find((s) => s.id === 'bottles')!;
    expect((bottles.endMin - bottles.beginMin) / 60).toBeCloseTo(24, 2);
    expect(sheet.cautions.map(english).join(' ')).toMatch(/burst/);
    const closed = (bottleH: number) =>
      makeSheet(methodById('live-kefir'), { bottleH, headspacePct: 5, fruitSugarPct: 6, roomC: 28 }, FEW);
    const [long] = closed(48).problems.filter((p) => p.field === 'bottleH');
    expect(english(long!.message)).toContain('may burst');
    expect(closed(Number(long!.works!['bottleH'])).problems.filter((p) => p.field === 'bottleH')).toEqual([]);
  });
});

describe('kefir that worked in closed bottles', () => {
  const says = (code: string, choices: Record<string, number>) =>
    makeSheet(methodById(code), choices, { members: 20, seed: 1, fanPoints: 2 }).stages.map((s) =>
      english(s.instruction),
    );

  it('goes into the cold in them and stays in them: nothing is spooned or whisked', () => {
    for (const code of ['K1', 'K2']) {
      const bottled = says(code, { bottleH: 12 }).slice(-2).join(' ');
      expect(bottled)
        .withContext(code)
        .toMatch(/bottles into the cold.*Label them/);
      expect(bottled)
        .withContext(code)
        .not.toMatch(/hisk|Spoon/);
      expect(says(code, { bottleH: 0 }).slice(-2).join(' '))
        .withContext(code)
        .not.toContain('bottle');
    }
  });
});
