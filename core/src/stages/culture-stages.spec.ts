import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { CULTURES } from '../constants/cultures.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { courseOf, lastOf, runStage } from '../make/run.js';
import { totalG } from '../materials/composition.js';
import { balanceErrorPct, emptyCrock, firmness, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { bind } from './registry.js';
import { bottlePressureBar } from './bottle-pressure.js';

const bound = (kind: string, params: object) => bind({ id: kind, kind, params: { ...params } });
const run = (kind: string, params: object, from: CrockState, roomC = 22) => {
  const environment = { ...USUAL_ENVIRONMENT, kitchen: { ...USUAL_ENVIRONMENT.kitchen, roomC } };
  return lastOf(runStage(bound(kind, params), from, environment));
};
const problems = (kind: string, params: object, before: CrockState) => {
  const { kind: k, params: p } = bound(kind, params);
  return k.problems(p, before).map((problem) => problem.field);
};
const EMPTY = emptyCrock(4, 6.65);
const MILK = run('blend', { massG: 1000, vesselL: 2 }, EMPTY);
const COUNTER = { keeper: 'counter', targetPh: 4.5 };

describe('kefir on grains', () => {
  const SOWN = run('grains', { grainsPct: 5 }, MILK);
  const SOUR = run('incubate', COUNTER, SOWN);

  it('grains grow 5–15 % in a batch and come out as they are', () => {
    const sieved = run('sieve', {}, SOUR);
    const grown = totalG(sieved.heldBack) / 50 - 1;
    expect(grown).toBeGreaterThan(0.05);
    expect(grown).toBeLessThan(0.15);
    expect(sieved.curd.grainsG).toBe(0);
    expect(balanceErrorPct(sieved)).toBeLessThan(1e-9);
    expect(totalG(sieved.masses)).toBeLessThan(1000);
  });

  it('grows less in milk hardly soured, and nothing is made of nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 15, noNaN: true }),
        fc.integer({ min: 30, max: 2000 }),
        (grainsPct, minutes) => {
          const sown = run('grains', { grainsPct }, MILK);
          const left = lastOf(runStage(bound('ripen', { minutes, keepC: 22 }), sown, USUAL_ENVIRONMENT));
          const sieved = run('sieve', {}, left);
          expect(balanceErrorPct(sieved)).toBeLessThan(1e-9);
          expect(sieved.masses.lactose).toBeGreaterThanOrEqual(0);
          expect(totalG(sieved.heldBack)).toBeGreaterThanOrEqual(10 * grainsPct);
        },
      ),
      { numRuns: runs(30) },
    );
  });

  it('more grains and a warmer room are quicker: 12–36 h between 18 and 28 °C', () => {
    const hours = (grainsPct: number, roomC: number) =>
      (run('incubate', COUNTER, run('grains', { grainsPct }, MILK, roomC), roomC).minute - SOWN.minute) / 60;
    expect(hours(10, 22)).toBeLessThan(hours(3, 22));
    expect(hours(3, 28)).toBeGreaterThan(8);
    expect(hours(3, 28)).toBeLessThan(20);
    expect(hours(7, 18)).toBeLessThan(36);
    expect(hours(5, 22)).toBeGreaterThan(12);
  });

  it('makes gas and a trace of alcohol, as many moles of one as of the other', () => {
    expect(SOUR.gasG / 44.01).toBeCloseTo(SOUR.masses.ethanol / 46.07, 6);
    const alcoholPct = (100 * SOUR.masses.ethanol) / totalG(SOUR.masses);
    expect(alcoholPct).toBeGreaterThan(0.02);
    expect(alcoholPct).toBeLessThan(0.5);
  });

  it('grains that rested for weeks are used with a warning, spent ones are refused, and hot milk kills them', () => {
    expect(problems('grains', { ageDays: 60, store: 'cold' }, MILK)).toEqual(['ageDays']);
    expect(problems('grains', { ageDays: 25, store: 'cold' }, MILK)).toEqual([]);
    const warned = (ageDays: number) => {
      const { kind, params } = bound('grains', { ageDays, store: 'cold' });
      return kind.cautions(params, MILK).includes(CAUTIONS.tiredGrains);
    };
    expect([warned(25), warned(7)]).toEqual([true, false]);
    expect(problems('grains', {}, { ...MILK, tempC: 50 })).toEqual(['starterC']);
  });

  it('in closed bottles presses harder the longer, warmer and fuller', () => {
    const bottled = run('sieve', {}, SOUR);
    const bar = (hours: number, headspacePct: number, roomC = 22) =>
      bottlePressureBar(bottled, run('second-ferment', { hours, headspacePct }, bottled, roomC), headspacePct);
    expect(bar(24, 15)).toBeGreaterThan(1);
    expect(bar(24, 15)).toBeLessThan(2.5);
    const fruity = run('second-ferment', { hours: 24, sugarPct: 2 }, bottled);
    expect(bottlePressureBar(bottled, fruity, 15)).toBeGreaterThan(1.3 * bar(24, 15));
    expect(balanceErrorPct(fruity)).toBeLessThan(1e-9);
    expect(bar(24, 15)).toBeGreaterThan(bar(12, 15));
    expect(bar(12, 15, 28)).toBeGreaterThan(bar(12, 15));
    expect(bar(12, 5)).toBeGreaterThan(bar(12, 30));
    expect(problems('second-ferment', { headspacePct: 0 }, bottled)).toEqual(['headspacePct']);
    const stage = bound('second-ferment', { hours: 12 });
    const slack = (params: object) => {
      const of = bound('second-ferment', params);
      return of.kind.slack(of.params, courseOf(runStage(of, bottled, USUAL_ENVIRONMENT), USUAL_ENVIRONMENT));
    };
    expect(english(slack({ hours: 12 }).cost)).toMatch(/[\d.]+ bar by then/);
    expect(slack({ hours: 12, sugarPct: 4 }).lateMin).toBeLessThan(slack({ hours: 12 }).lateMin);
    expect(stage.kind.cautions(stage.params, bottled)).toContain(CAUTIONS.bottles);
  });
});

describe('clabber', () => {
  const raw = run('blend', { massG: 1000, milk: 'raw', fatPct: 4.2, vesselL: 2 }, EMPTY);
  const hours = (from: CrockState, roomC: number) => (run('incubate', COUNTER, from, roomC).minute - from.minute) / 60;

  it('by itself takes one to three days at 18–28 °C', () => {
    const wild = run('wild', {}, raw);
    expect(hours(wild, 28)).toBeGreaterThan(18);
    expect(hours(wild, 22)).toBeLessThan(60);
    expect(hours(wild, 19)).toBeLessThan(80);
  });

  it('seeded is faster', () => {
    expect(hours(run('inoculate', { culture: 'clabber' }, raw), 22)).toBeLessThan(
      0.75 * hours(run('wild', {}, raw), 22),
    );
  });

  it('heated milk is not left to itself', () => {
    const heated = run('hold', { minutes: 31, targetC: 63.5 }, run('heat', { targetC: 63.5 }, raw));
    expect(problems('wild', {}, heated)).toEqual(['seeding']);
    expect(problems('wild', {}, raw)).toEqual([]);
  });

  it('its cream is lifted off with most of the fat', () => {
    const set = run('incubate', COUNTER, run('inoculate', { culture: 'clabber' }, raw));
    const skimmed = run('skim', {}, set);
    expect(skimmed.masses.fat / set.masses.fat).toBeLessThan(0.5);
    expect(skimmed.aside.fat / totalG(skimmed.aside)).toBeCloseTo(0.22, 6);
    expect(balanceErrorPct(skimmed)).toBeLessThan(1e-9);
  });
});

describe('a plant base', () => {
  const base = (params: object = {}) => run('heat', { targetC: 42 }, run('base', params, EMPTY));
  const soured = (params: object = {}, capsule: object = {}) =>
    run('incubate', { keepC: 42, targetPh: 4.4 }, run('capsule', capsule, base(params)));

  it('sours in 24–36 h from a few capsules, sooner from more', () => {
    const hours = (perLitre: number) => (soured({}, { perLitre }).minute - base().minute) / 60;
    expect(hours(2)).toBeGreaterThan(20);
    expect(hours(2)).toBeLessThan(36);
    expect(hours(8)).toBeLessThan(hours(2));
  });

  it('lives on sugar: without enough the stage says so, and what there was is used up', () => {
    const made = soured();
    expect(made.masses.sucrose).toBeLessThan(base().masses.sucrose);
    expect(made.masses.lactose).toBe(0);
    expect(problems('capsule', {}, base({ base: 'soya', sugarPct: 0 }))).toEqual(['sugarPct']);
    expect(problems('capsule', {}, base({ base: 'soya', sugarPct: 1 }))).toEqual([]);
  });

  it('of thick cream stands, of the whole can is thin, and warns of what it holds', () => {
    expect(firmness(soured())).toBeGreaterThan(firmness(soured({ base: 'coconut-whole' })) + 20);
    const { kind, params } = bound('base', { base: 'cashew' });
    expect(kind.cautions(params, EMPTY)).toContain(CAUTIONS.allergenNuts);
    expect(() =>
      bound('base', { base: 'oak' }).kind.begin(EMPTY, { base: 'oak', massG: 1, sugarPct: 0 }, USUAL_ENVIRONMENT),
    ).toThrowError(/coconut-cream/);
  });

  it('has no milk: no gel point of casein, no lactose on the label', () => {
    expect(base().masses.casein).toBe(0);
    expect(base().ph).toBeCloseTo(6.1, 6);
    expect(CULTURES.plant.sugar).toBe('sucrose');
  });
});

describe('milk of other animals', () => {
  it('starts at its own pH: goat 6.4–6.7, and a blend between', () => {
    const goat = run('blend', { massG: 1000, milk: 'goat', fatPct: 3.9, vesselL: 2 }, EMPTY);
    expect(goat.ph).toBeGreaterThan(6.4);
    expect(goat.ph).toBeLessThan(6.6);
    const mixed = run('blend', { massG: 1000, milk: 'goat', fatPct: 10, vesselL: 2 }, EMPTY);
    expect(mixed.freshPh).toBeGreaterThan(goat.freshPh);
    expect(mixed.freshPh).toBeLessThan(6.65);
  });

  it('sheep’s milk, of more protein, wants more acid for the same pH and sets firmer', () => {
    const set = (milk: string, fatPct: number) =>
      run(
        'incubate',
        { keepC: 43 },
        run(
          'inoculate',
          {},
          run('heat', { targetC: 43 }, run('blend', { massG: 1000, milk, fatPct, vesselL: 2 }, EMPTY)),
        ),
      );
    const [sheep, cow] = [set('sheep', 6.5), set('whole', 6.5)];
    expect(sheep.masses.lactic).toBeGreaterThan(1.3 * cow.masses.lactic);
    expect(firmness(sheep)).toBeGreaterThan(firmness(cow));
  });
});

describe('a starter', () => {
  it('of two cultures brings half the dose of each', () => {
    const { souring } = run('inoculate', { culture: 'mesophilic', beside: 'kefir-grains', dosePct: 4 }, MILK);
    expect(souring!.beside.map((b) => b.culture)).toEqual(['kefir-grains']);
    const alone = run('inoculate', { culture: 'mesophilic', dosePct: 2 }, MILK).souring!;
    expect(souring!.biomass).toBeCloseTo(alone.biomass, 6);
    const sour = run('incubate', COUNTER, run('inoculate', { culture: 'mesophilic', beside: 'kefir-grains' }, MILK));
    expect(sour.masses.ethanol).toBeGreaterThan(0);
    expect(balanceErrorPct(sour)).toBeLessThan(1e-6);
  });

  it('carried on too often is weaker', () => {
    const at = (generation: number) => run('inoculate', { generation }, MILK).souring!.biomass;
    expect(at(6)).toBeLessThan(0.75 * at(0));
  });

  it('in jars in a bath is as warm as milk and water come to, and cools as a pot of both would', () => {
    const litre = run('inoculate', {}, run('heat', { targetC: 38 }, MILK));
    const forHours = (keeper: string, hours: number) =>
      lastOf(runStage(bound('incubate', { keeper, keepC: 46 }), litre, USUAL_ENVIRONMENT, 60 * hours)).tempC;
    // 1 kg of milk at 3.9 kJ/(kg·K) and a litre and a half of water at 4.18.
    const [milk, water] = [3.9 * 1.02, 1.5 * 4.18 * 0.98];
    expect(forHours('bath', 0.02)).toBeCloseTo((litre.tempC * milk + 46 * water) / (milk + water), 0);
    // Two and a half litres wrapped lose 0.11 · 2.5^(2/3) W/K.
    const perHour = (0.11 * 2.5 ** (2 / 3) * 3.6) / (milk + water);
    const share = (forHours('bath', 4) - 20) / (forHours('bath', 1) - 20);
    expect(share).toBeCloseTo(Math.exp(-3 * perHour), 2);
    expect(forHours('bath', 4)).toBeGreaterThan(forHours('wrapped', 4) + 4);
  });

  it('in a flask that was not preheated sours later', () => {
    const warm = run('inoculate', {}, run('heat', { targetC: 46 }, MILK));
    const hours = (preheated: string) => run('incubate', { keeper: 'flask', preheated }, warm).minute;
    expect(hours('no')).toBeGreaterThan(hours('yes'));
  });
});
