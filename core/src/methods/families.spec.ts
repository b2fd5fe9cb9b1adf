import { english } from '@oat-crock/messages';
import { makeSheet, type MakeSheet } from '../make/sheet.js';
import { CAUTIONS } from '../stages/cautions.js';
import { methodById } from './index.js';
import { choicesThatCount, initialChoices, type Choices } from './method.js';

const FEW = { members: 200, seed: 1, fanPoints: 4 };
const sheet = (code: string, choices: Choices = {}) => makeSheet(methodById(code), choices, FEW);
const kinds = (s: MakeSheet) => s.stages.map((stage) => stage.kind);
const hours = (s: MakeSheet) => s.souring!.forecast.p50Min! / 60;

describe('fresh cheese', () => {
  it('with a trace of rennet is ladled sooner than by culture alone, and calcium and rennet are weighed out', () => {
    const traced = sheet('F1');
    expect(kinds(traced)).toEqual([
      'blend',
      'heat',
      'calcium',
      'inoculate',
      'rennet',
      'incubate',
      'ladle',
      'strain',
      'strain',
      'turn',
      'strain',
      'salt',
      'finish',
    ]);
    expect(traced.amounts.map((a) => a.what).map(english)).toContain('Rennet');
    expect(traced.cautions).toContain(CAUTIONS.calcium);
    const wobbles = (s: MakeSheet) =>
      s.stages.find((x) => x.id === 'warm')!.expect.find((e) => e.answer === 'wobbles')!.fromMin;
    expect(wobbles(traced)).toBeLessThan(wobbles(sheet('F1', { rennet: 'none' })));
  });

  it('is richer and drier from richer milk; too dry for lean milk is refused', () => {
    expect(sheet('F1', { fatPct: 14 }).product.fatPct).toBeGreaterThan(sheet('F1', { fatPct: 8 }).product.fatPct);
    expect(sheet('F1', { fatPct: 5, texture: 'firm-cream-cheese' }).problems.map((p) => p.field)).toContain('drain');
    expect(sheet('F1', { fatPct: 12, texture: 'firm-cream-cheese' }).problems).toEqual([]);
  });

  it('on the counter only once it is sour enough', () => {
    expect(sheet('F1', { where: 'counter', targetPh: 4.8 }).problems.map((p) => p.field)).toContain('where');
    expect(sheet('F1', { where: 'counter' }).cautions).toContain(CAUTIONS.counterDrain);
    expect(kinds(sheet('F1', { where: 'counter' }))).toContain('chill');
  });

  it('by yogurt is set in an afternoon, by butter culture overnight', () => {
    expect(hours(sheet('F2'))).toBeLessThan(0.7 * hours(sheet('F1')));
  });

  it('quark is spooned at 18 % solids, lactic curd holds its shape at 26 %', () => {
    expect(sheet('F4').product.solidsPct).toBeCloseTo(18, 0);
    expect(sheet('F4', { texture: 'lactic-curd', smooth: 'whole' }).product.solidsPct).toBeCloseTo(26, 0);
    expect(kinds(sheet('F4', { smooth: 'whole' }))).not.toContain('stir-down');
  });

  it('yogurt cheese is drained, salted, pressed and turned out', () => {
    expect(kinds(sheet('F3')).slice(-6)).toEqual(['strain', 'strain', 'salt', 'strain', 'mould', 'finish']);
    expect(sheet('F3').nutrition.saltG).toBeGreaterThan(0.5);
  });
});

describe('soured milk and soda cheese', () => {
  it('by itself is slower than seeded, carries the cautions of raw milk, and heat within the make is on record', () => {
    expect(hours(sheet('L1', { seeding: 'wild' }))).toBeGreaterThan(1.4 * hours(sheet('L1')));
    expect(sheet('L1').cautions).toContain(CAUTIONS.raw);
    expect(sheet('L1').heat.pasteurised).toBeFalse();
    expect(sheet('L1', { pasteurise: 'yes' }).heat.pasteurised).toBeTrue();
    expect(sheet('L1', { pasteurise: 'yes', seeding: 'wild' }).problems.map((p) => p.field)).toContain('seeding');
  });

  it('soda cheese is 5.4–5.9, with egg to 74 °C, and says what it holds', () => {
    const made = sheet('A4');
    expect(made.product.ph).toBeCloseTo(5.6, 6);
    expect(made.cautions).toContain(CAUTIONS.allergenEgg);
    expect(made.cautions).toContain(CAUTIONS.notAcid);
    expect(sheet('A4', { cookC: 68 }).problems.map((p) => p.field)).toEqual(['cookC']);
    expect(sheet('A4', { cookC: 68, eggPct: 0 }).problems).toEqual([]);
    expect(english(made.product.firmnessWord)).toBe('slices');
  });
});

describe('kefir on grains', () => {
  it('is bottled only where a second ferment is asked for, with the caution that bottles burst', () => {
    expect(kinds(sheet('K1'))).not.toContain('second-ferment');
    const bottled = sheet('K1', { bottleH: 12 });
    expect(kinds(bottled)).toContain('second-ferment');
    expect(bottled.cautions).toContain(CAUTIONS.bottles);
    expect(bottled.nutrition.alcoholG).toBeGreaterThan(sheet('K1').nutrition.alcoholG);
  });

  it('wants more grains in a cold room', () => {
    expect(hours(sheet('K1', { roomC: 18, grainsPct: 10 }))).toBeLessThan(
      hours(sheet('K1', { roomC: 18, grainsPct: 3 })),
    );
  });
});

describe('plant-based', () => {
  it('carries what it holds and not what it does not, and sours below 4.6 whatever the base', () => {
    for (const base of ['coconut-cream', 'coconut-whole', 'cashew', 'soya']) {
      const made = sheet('Y6', { base, sugarPct: 1.5 });
      expect(made.problems).withContext(base).toEqual([]);
      expect(made.product.ph).toBeLessThan(4.6);
      expect(made.cautions).not.toContain(CAUTIONS.allergen);
      expect(made.cautions).toContain(CAUTIONS.boilRinse);
    }
  });
});

describe('cream by acid and by heat', () => {
  it('thick cream hardly drains, by either way', () => {
    for (const way of ['two-stage', 'simmer']) {
      const made = sheet('A3', { way });
      expect(made.problems).toEqual([]);
      expect(made.product.massG / made.balance.inG).toBeGreaterThan(0.82);
      expect(english(made.product.firmnessWord)).toBe('spoons');
    }
    expect(kinds(sheet('A3', { way: 'simmer' }))).not.toContain('cool-down');
  });

  it('a crust is more from richer cream, and drained gives more than lifted', () => {
    const crust = (choices: Choices) => sheet('S1', choices).product.massG;
    expect(crust({ fatPct: 48 })).toBeGreaterThan(crust({ fatPct: 36 }));
    expect(crust({ taking: 'drain' })).toBeGreaterThan(crust({}));
  });
});

describe('whey that is made into curd', () => {
  it('sweet whey gives a little, acid whey is refused', () => {
    const sweet = sheet('A1', { milk: 'sweet-whey', fatPct: 0.4 });
    expect(sweet.problems).toEqual([]);
    expect(sweet.product.massG / sweet.balance.inG).toBeLessThan(0.08);
    expect(sheet('A1', { milk: 'acid-whey', fatPct: 0.4 }).problems.map((p) => p.field)).toEqual(['milk']);
  });
});

describe('straining that nobody watches', () => {
  it('goes as far as it goes, and its whey brings it back to its texture', () => {
    const watched = sheet('Y5');
    const left = sheet('Y5', { stopping: 'overnight' });
    expect(left.product.solidsPct).toBeCloseTo(watched.product.solidsPct, 1);
    expect(left.product.massG / watched.product.massG).toBeCloseTo(1, 1);
    expect(kinds(left)).toContain('whey-back');
    expect(left.totalMin).toBeGreaterThan(watched.totalMin);
  });

  it('an open weave gives less, leaner', () => {
    expect(sheet('Y5', { weave: 'open', fatPct: 10 }).product.fatPct).toBeLessThan(
      sheet('Y5', { fatPct: 10 }).product.fatPct,
    );
  });
});

describe('cream with two starters', () => {
  it('sours by both, and a forecast of both has its window', () => {
    const one = sheet('C1');
    const two = sheet('C1', { beside: 'kefir-grains' });
    expect(two.nutrition.alcoholG).toBeGreaterThan(0);
    expect(one.nutrition.alcoholG).toBe(0);
    const { p10Min, p50Min, p90Min } = two.souring!.forecast;
    expect(p10Min!).toBeLessThan(p50Min!);
    expect(p50Min!).toBeLessThan(p90Min!);
    const made = two.stages.find((s) => s.id === 'warm')!;
    expect(Math.abs(p50Min! / (made.endMin - made.beginMin) - 1)).toBeLessThan(0.12);
  });
});

describe('yogurt that was bought', () => {
  it('goes straight to the cloth, and what was chosen for the milk has no say', () => {
    const made = sheet('F3', { from: 'bought', boughtG: 3000 });
    expect(kinds(made)).toEqual(['bought', 'strain', 'strain', 'salt', 'strain', 'mould', 'finish']);
    expect(made.problems).toEqual([]);
    expect(made.product.massG / 3000).toBeGreaterThan(0.15);
    expect(made.product.massG / 3000).toBeLessThan(0.26);
    expect(made.product.ph).toBeLessThan(4.6);
    expect(sheet('F3', { from: 'bought', boughtG: 3000, heatC: 63 }).product).toEqual(made.product);
    const groups = methodById('F3').groups;
    const counting = (from: string) =>
      groups
        .filter((g) => choicesThatCount(g, { ...initialChoices(methodById('F3')), from }).length > 0)
        .map((g) => g.title);
    expect(counting('bought').map(english)).not.toContain('Heat');
    expect(counting('milk').map(english)).toContain('Heat');
  });
});

describe('small choices of hand', () => {
  const says = (code: string, kind: string, choices: Choices) =>
    sheet(code, choices).stages.find((s) => s.kind === kind)!.instruction;

  it('a cloth or a lid, capsules or powder, a mould or paper', () => {
    expect(english(says('C1', 'incubate', { cover: 'lid' }))).toContain('a loose lid');
    expect(english(says('K1', 'incubate', {}))).toContain('a breathing cloth');
    expect(english(says('Y6', 'capsule', { as: 'powder' }))).toContain('quarter teaspoons of culture powder');
    expect(english(says('B1', 'mould', { shape: 'mould' }))).toContain('turn out');
    expect(english(says('B1', 'mould', {}))).toContain('wrap');
  });
});

describe('choices', () => {
  it('that have no say are left out of sight', () => {
    const { groups } = methodById('F1');
    const setting = groups.find((g) => english(g.title) === 'Setting')!;
    const shown = (choices: Choices) =>
      choicesThatCount(setting, { ...initialChoices(methodById('F1')), ...choices }).map((c) => c.key);
    expect(shown({})).toContain('imcuPerKg');
    expect(shown({ rennet: 'none' })).not.toContain('imcuPerKg');
    expect(shown({ calciumGPerKg: 0 })).not.toContain('solutionPct');
  });
});
