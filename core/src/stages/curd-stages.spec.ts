import { english } from '@oat-crock/messages';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { readingLikelihood } from '../assimilate/evidence.js';
import { souringProblem } from '../make/forecast-problems.js';
import { planStages } from '../make/plan.js';
import { lastOf, runMake, runStage } from '../make/run.js';
import { methodById } from '../methods/index.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { balanceErrorPct, emptyCrock, firmness, hasSet, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { bind } from './registry.js';
import { wheyBackG } from './whey-balance.js';

const bound = (kind: string, params: object) => bind({ id: kind, kind, params: { ...params } });
const run = (kind: string, params: object, from: CrockState) =>
  lastOf(runStage(bound(kind, params), from, USUAL_ENVIRONMENT));
const says = (kind: string, params: object, before: CrockState) => {
  const { kind: k, params: p } = bound(kind, params);
  return k.instruction(p, before);
};
const problems = (kind: string, params: object, before: CrockState) => {
  const { kind: k, params: p } = bound(kind, params);
  return k.problems(p, before);
};

const MILK = run('blend', { massG: 4000 }, emptyCrock(4, 6.65));
const WARM = run('heat', { targetC: 28, paceCPerMin: 1.5 }, MILK);
const SOWN = run('inoculate', { culture: 'mesophilic' }, WARM);
const RENNETED = run('rennet', { imcuPerKg: 4 }, SOWN);
const SET = run('incubate', { keepC: 26, targetPh: 4.6 }, RENNETED);

describe('calcium chloride', () => {
  it('goes in by its dose, and is refused above the usual limit', () => {
    const dosed = run('calcium', { gPerKg: 0.15 }, MILK);
    expect(dosed.masses.minerals - MILK.masses.minerals).toBeCloseTo(0.6, 6);
    expect(dosed.curd.calciumGPerKg).toBe(0.15);
    expect(english(problems('calcium', { gPerKg: 0.25 }, MILK)[0]!.remedy)).toContain('0.2 g/kg');
    expect(problems('calcium', { gPerKg: 0.2 }, MILK)).toEqual([]);
  });
});

describe('rennet', () => {
  it('is told in drops and thinned water, with the time it keeps', () => {
    expect(english(says('rennet', { imcuPerKg: 4 }, SOWN))).toMatch(/^Thin 2 drops of rennet in 15 mL .*within 30 min/);
    expect(english(says('rennet', { imcuPerKg: 1, dropsPerMl: 10 }, WARM))).toContain('1 drop in 5 parts');
    expect(
      english(says('rennet', { imcuPerKg: 40 }, { ...WARM, masses: run('blend', { massG: 60_000 }, MILK).masses })),
    ).toMatch(/\d mL \(.+\) of rennet/);
  });

  it('a trace clots while it sours and makes it set sooner', () => {
    const plain = run('incubate', { keepC: 26, targetPh: 5.1 }, SOWN);
    const traced = run('incubate', { keepC: 26, targetPh: 5.1 }, RENNETED);
    expect(traced.curd.clotted).toBeGreaterThan(0.5);
    expect(hasSet(traced)).toBeTrue();
    expect(hasSet(plain)).toBeFalse();
  });

  it('a trace sets milk that hardly sours, given time: as soft as junket, and not what was heated high', () => {
    const yogurt = run('rennet', { imcuPerKg: 4 }, run('inoculate', { culture: 'thermophilic' }, WARM));
    const cool = (hours: number, from = yogurt) => run('incubate', { keepC: 23, until: 'hours', untilH: hours }, from);
    expect(hasSet(cool(4))).toBeFalse();
    const overnight = cool(12);
    expect(overnight.ph).toBeGreaterThan(6);
    expect(hasSet(overnight)).toBeTrue();
    expect(firmness(overnight)).toBeGreaterThan(15);
    expect(firmness(overnight)).toBeLessThan(firmness(SET));
    const scalded = run('hold', { minutes: 20 }, run('heat', { targetC: 85 }, MILK));
    const tooHot = run('rennet', { imcuPerKg: 4 }, run('inoculate', {}, run('cool', { targetC: 28 }, scalded)));
    expect(firmness(cool(12, tooHot))).toBeLessThan(0.3 * firmness(overnight));
  });

  it('at work, a set says nothing of the acid', () => {
    const runs = runMake(planStages(methodById('cream-cheese'), {}), USUAL_ENVIRONMENT);
    const problem = souringProblem(
      runs.find((r) => r.stage.id === 'warm')!,
      USUAL_ENVIRONMENT,
    )!;
    expect(problem.gelPh).toBeNull();
    const plain = runMake(planStages(methodById('cream-cheese'), { rennet: 'none' }), USUAL_ENVIRONMENT);
    expect(
      souringProblem(
        plain.find((r) => r.stage.id === 'warm')!,
        USUAL_ENVIRONMENT,
      )!.gelPh,
    ).toBeCloseTo(4.9, 1);
    const seen = { min: 60, cue: 'set', answer: 'stands' };
    expect(readingLikelihood(seen, 6.4, null)).toEqual(readingLikelihood(seen, 4.4, null));
    expect(readingLikelihood(seen, 6.4, 5.2).log).toBeLessThan(readingLikelihood(seen, 4.4, 5.2).log);
  });

  it('a full dose sets sweet milk by itself', () => {
    const full = run('rennet', { imcuPerKg: 40 }, run('heat', { targetC: 31 }, MILK));
    expect(hasSet(full)).toBeFalse();
    expect(hasSet(run('rest', { minutes: 40 }, full))).toBeTrue();
  });

  it('is refused gently in ultra-heated milk, and where it is too cold or too hot', () => {
    const ultra = run('blend', { massG: 4000, milk: 'ultra-heated' }, emptyCrock(4, 6.65));
    const warm = run('heat', { targetC: 28 }, ultra);
    expect(english(problems('rennet', {}, warm)[0]!.message)).toContain('whey protein is changed');
    expect(english(problems('rennet', {}, MILK)[0]!.message)).toContain('does not clot');
    expect(english(problems('rennet', {}, run('heat', { targetC: 58 }, MILK))[0]!.message)).toContain('dies');
    expect(problems('rennet', {}, WARM)).toEqual([]);
  });
});

describe('curd in its pot', () => {
  it('is cut only once it has set', () => {
    expect(problems('cut', {}, SOWN)[0]!.field).toBe('targetPh');
    expect(problems('cut', {}, SET)).toEqual([]);
    expect(run('cut', {}, SET).curd.cut).toBeTrue();
  });

  it('ladled loses less and drains faster than poured', () => {
    const [ladled, poured] = ['ladle', 'pour'].map((how) => run('ladle', { how }, SET));
    expect(totalG(ladled!.masses)).toBeGreaterThan(totalG(poured!.masses));
    const minutes = (from: CrockState) => run('strain', { texture: 'quark' }, from).minute - from.minute;
    expect(minutes(ladled!)).toBeLessThan(minutes(poured!));
  });

  it('warms no faster than it is told, and takes the heat of that', () => {
    const slow = run('heat', { targetC: 46, paceCPerMin: 0.6 }, SET);
    expect(slow.minute - SET.minute).toBeCloseTo((46 - SET.tempC) / 0.6, 0);
    expect(slow.energyKJ).toBeGreaterThan(SET.energyKJ);
  });
});

describe('curd on its cloth', () => {
  const HUNG = run('strain', { texture: 'quark' }, run('ladle', {}, SET));

  it('turned, it gives more whey than left hanging', () => {
    const far = (from: CrockState) => solidsFraction(run('strain', { share: 0.95 }, from).masses);
    expect(far(run('turn', {}, HUNG))).toBeGreaterThan(far(HUNG));
  });

  it('an open weave lets fat through, and more when it is loaded warm', () => {
    const fatLost = (from: CrockState, params: object) => run('strain', { texture: 'quark', ...params }, from).whey.fat;
    const cold = run('chill', { holdBackPct: 0 }, SET);
    expect(fatLost(cold, { weave: 'open' })).toBeGreaterThan(2 * fatLost(cold, {}));
    expect(fatLost(SET, { where: 'counter' })).toBeGreaterThan(fatLost(cold, {}));
  });

  it('wants a sieve that holds it', () => {
    expect(english(problems('strain', { strainerL: 2 }, SET)[0]!.remedy)).toMatch(/one of 4 L, or 2 of them/);
    expect(problems('strain', { strainerL: 5, texture: 'quark' }, SET)).toEqual([]);
  });

  it('drained too far takes back just the whey that brings it to its texture', () => {
    const over = run('strain', { texture: 'spreadable' }, SET);
    const mended = run('whey-back', { texture: 'very-thick' }, over);
    expect(solidsFraction(mended.masses)).toBeCloseTo(0.21, 9);
    expect(totalG(mended.masses) - totalG(over.masses)).toBeCloseTo(wheyBackG(over, 0.21), 6);
    expect(balanceErrorPct(mended)).toBeLessThan(1e-6);
    expect(wheyBackG(SET, 0.21)).toBe(0);
    expect(english(problems('whey-back', { texture: 'firm' }, over)[0]!.message)).toContain('looser than firm');
  });

  it('stirred down is smooth and softer, moulded loses a little to the mould', () => {
    expect(run('stir-down', {}, HUNG).curd.disturbed).toBe(1);
    const moulded = run('mould', { pieceG: 250 }, HUNG);
    expect(totalG(moulded.masses)).toBeLessThan(totalG(HUNG.masses));
    expect(english(says('mould', { pieceG: 250 }, HUNG))).toMatch(/\d+ pieces of 250 g/);
    expect(english(says('mould', { pieceG: 5000, shape: 'wrap' }, HUNG))).toContain('1 piece of 5000 g');
  });
});

describe('soda cheese', () => {
  const CURD = run('strain', { texture: 'firm' }, run('cut', {}, SET));
  const SODA = run('neutralise', { targetPh: 5.6 }, CURD);

  it('comes to the pH that was asked for, gives off its gas, and closes its books', () => {
    expect(SODA.ph).toBeCloseTo(5.6, 6);
    expect(SODA.gasG).toBeGreaterThan(1);
    expect(SODA.gasG).toBeCloseTo((SODA.curd.sodaG / 84.01) * 44.01, 6);
    expect(balanceErrorPct(SODA)).toBeLessThan(1e-9);
    expect(english(says('neutralise', { targetPh: 5.6 }, CURD))).toMatch(
      /[\d.]+ g of bicarbonate of soda.*[\d.]+ L of gas/,
    );
    expect(problems('neutralise', { targetPh: 4.4 }, CURD)[0]!.field).toBe('sodaPh');
  });

  it('wants more soda the higher the pH: 5.4 to 5.9 is 5 to 16 g a kg of curd (a teaspoon to the pound)', () => {
    const gPerKg = (targetPh: number) => {
      const to = run('neutralise', { targetPh }, CURD);
      return (1000 * to.curd.sodaG) / totalG(CURD.masses);
    };
    expect(gPerKg(5.4)).toBeGreaterThan(5);
    expect(gPerKg(5.9)).toBeLessThan(16);
    expect(gPerKg(5.9)).toBeGreaterThan(gPerKg(5.4));
  });

  it('is melted with what it is melted with, to a heat that is safe for egg', () => {
    const melted = run('cook', { targetC: 80 }, SODA);
    expect(melted.tempC).toBeCloseTo(80, 0);
    expect(melted.masses.fat).toBeGreaterThan(SODA.masses.fat + 0.06 * totalG(SODA.masses));
    expect(balanceErrorPct(melted)).toBeLessThan(1e-9);
    expect(english(problems('cook', { targetC: 70 }, SODA)[0]!.remedy)).toContain('74 °C');
    expect(problems('cook', { targetC: 70, eggPct: 0 }, SODA)).toEqual([]);
    const { kind, params } = bound('cook', {});
    expect(kind.cautions(params, SODA)).toContain(CAUTIONS.egg);
    expect(english(says('cook', { eggPct: 0 }, SODA))).not.toContain('egg');
  });
});

describe('thinning', () => {
  it('hardly moves the pH, makes more of it, and it goes on souring from there', () => {
    const cold = run('chill', { holdBackPct: 0 }, SET);
    const thinned = run('dilute', { into: 'water', pct: 50 }, cold);
    expect(totalG(thinned.masses) / totalG(cold.masses)).toBeCloseTo(1.5, 6);
    expect(Math.abs(thinned.ph - cold.ph)).toBeLessThan(0.02);
    expect(run('temper', { targetC: 18 }, thinned).ph).toBeLessThan(thinned.ph);
    expect(balanceErrorPct(run('dilute', { into: 'milk', pct: 30 }, cold))).toBeLessThan(1e-9);
  });
});
