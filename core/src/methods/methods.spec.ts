import { english } from '@oat-crock/messages';
import { CAUTIONS } from '../stages/cautions.js';
import { makeSheet, type MakeSheet } from '../make/sheet.js';
import { STAGE_KIND_NAMES } from '../stages/registry.js';
import { METHODS, methodById } from './index.js';
import { choicesOf, initialChoices, only, vary, type Choices, type Method } from './method.js';

const FEW = { members: 200, seed: 1, fanPoints: 4 };
const sheet = (code: string, choices: Choices = {}) => makeSheet(methodById(code), choices, FEW);
const soursInH = (s: MakeSheet) => s.souring!.forecast.p50Min! / 60;

/**
 * Hours of souring as general practice gives them (null where nothing sours), and product per kg of what went in. Cold
 * start counts its warm-up.
 */
const PRACTICE = [
  { code: 'Y1', hours: [4, 12], productPerKg: [0.93, 1] },
  { code: 'Y2', hours: [8, 12], productPerKg: [0.93, 1] },
  { code: 'Y3', hours: [4, 12], productPerKg: [0.93, 1] },
  { code: 'Y4', hours: [12, 24], productPerKg: [0.93, 1] },
  { code: 'Y5', hours: [4, 12], productPerKg: [0.35, 0.55] },
  // acid is its guard, a day and more
  { code: 'Y6', hours: [24, 36], productPerKg: [0.93, 1] },
  // the bulk starter of a small dairy: ripe in a working day, all of it kept
  { code: 'M1', hours: [4, 12], productPerKg: [0.93, 1] },
  { code: 'K1', hours: [12, 36], productPerKg: [0.9, 1] },
  { code: 'K2', hours: [12, 36], productPerKg: [0.93, 1] },
  // the cream is lifted off
  { code: 'L1', hours: [12, 72], productPerKg: [0.75, 0.95] },
  { code: 'C1', hours: [12, 72], productPerKg: [0.93, 1] },
  // 330–420 g from a litre (995 g) of 36 % cream, as kitchens weigh it, with its starter
  { code: 'B1', hours: [8, 72], productPerKg: [0.32, 0.41] },
  // hardly any whey drains
  { code: 'A3', hours: null, productPerKg: [0.82, 0.97] },
  // a crust of 0.30–0.60 of the cream
  { code: 'S1', hours: null, productPerKg: [0.3, 0.6] },
  // soft cheeses of whole milk and cream: a quarter to two fifths of the milk
  { code: 'F1', hours: [9, 24], productPerKg: [0.25, 0.42] },
  { code: 'F2', hours: [4, 12], productPerKg: [0.25, 0.42] },
  { code: 'F3', hours: [4, 12], productPerKg: [0.17, 0.28] },
  { code: 'F4', hours: [6, 18], productPerKg: [0.35, 0.55] },
  // curd of clabber with butter, milk and egg
  { code: 'A4', hours: [12, 72], productPerKg: [0.25, 0.42] },
  // 180–330 g from a kg of milk with a tenth of cream, short drain
  { code: 'A1', hours: null, productPerKg: [0.18, 0.33] },
  { code: 'A2', hours: null, productPerKg: [0.15, 0.3] },
] as const;

const soursIt = (method: Method) => method.stages.some((s) => s.kind === 'incubate');

describe('the methods that ship', () => {
  it('all have their hours and their yield checked', () => {
    expect(PRACTICE.map((p) => p.code).sort()).toEqual(METHODS.map((m) => m.code).sort() as never);
  });

  for (const { code, hours, productPerKg } of PRACTICE) {
    it(`${code} takes its hours and yields as practice has it, as it stands`, () => {
      const made = sheet(code);
      expect(made.problems).toEqual([]);
      if (hours) {
        expect(soursInH(made)).toBeGreaterThanOrEqual(hours[0]);
        expect(soursInH(made)).toBeLessThanOrEqual(hours[1]);
      } else expect(made.souring).toBeNull();
      const share = made.product.massG / made.balance.inG;
      expect(share).toBeGreaterThan(productPerKg[0]);
      expect(share).toBeLessThan(productPerKg[1]);
      expect(made.balance.errorPct).toBeLessThan(0.1);
    });
  }

  it('carry the cautions that every make carries', () => {
    for (const method of METHODS) {
      const { cautions } = sheet(method.id);
      const guard = soursIt(method) ? CAUTIONS.acid : CAUTIONS.notAcid;
      const allergen = method.code === 'Y6' ? CAUTIONS.allergenCoconut : CAUTIONS.allergen;
      for (const always of [guard, CAUTIONS.clean, allergen, CAUTIONS.mould, CAUTIONS.defer]) {
        expect(cautions).withContext(method.id).toContain(always);
      }
    }
  });

  /** Yields by whatever is chosen, wider than practice as it stands: the leanest and the richest, the driest and the loosest. */
  const EVER: Readonly<Record<string, readonly [number, number]>> = {
    Yogurt: [0.88, 1],
    Kefir: [0.8, 1],
    // of fifty grams a pot keeps a good part
    Starters: [0.8, 1],
    'Soured milk': [0.7, 1],
    Cream: [0.2, 1],
    'Fresh cheese': [0.1, 0.6],
    // sweet whey gives a twentieth, milk with much cream half
    Curd: [0.02, 0.55],
    Y5: [0.15, 0.9],
    // strained, where it is
    Y2: [0.15, 1],
  };

  for (const method of METHODS) {
    it(`${method.code}: whatever one choice is, it finishes within its yields with its cautions, or says why not`, () => {
      const [least, most] = EVER[method.code] ?? EVER[english(method.family)]!;
      for (const choice of choicesOf(method)) {
        const values = choice.kind === 'option' ? choice.options.map((o) => o.id) : [choice.min, choice.max];
        for (const value of values) {
          const made = makeSheet(method, { [choice.key]: value }, { members: 20, seed: 1, fanPoints: 2 });
          const said = `${choice.key} ${value}`;
          if (made.problems.length > 0) continue;
          expect(made.stages.at(-1)!.kind).withContext(said).toBe('finish');
          expect(made.balance.errorPct).withContext(said).toBeLessThan(0.1);
          const { fatPct, proteinPct, solidsPct, massG } = made.product;
          for (const pct of [fatPct, proteinPct, solidsPct])
            expect(pct >= 0 && pct <= 100)
              .withContext(said)
              .toBeTrue();
          const share = massG / made.balance.inG;
          expect(share).withContext(said).toBeGreaterThan(least);
          expect(share).withContext(said).toBeLessThan(most);
          // what was soured when it was bought needs no guard of its own
          const guards = made.souring ? [CAUTIONS.acid] : soursIt(method) ? [] : [CAUTIONS.notAcid];
          for (const always of [...guards, CAUTIONS.clean, CAUTIONS.mould, CAUTIONS.defer])
            expect(made.cautions).withContext(said).toContain(always);
        }
      }
    });
  }

  it('are data: known kinds, one reason a choice, a default among what is offered', () => {
    for (const method of METHODS) {
      for (const stage of method.stages) expect(STAGE_KIND_NAMES).toContain(stage.kind);
      expect(new Set(choicesOf(method).map((c) => c.key)).size).toBe(choicesOf(method).length);
      for (const choice of choicesOf(method)) {
        expect(english(choice.why).length).withContext(`${method.id} ${choice.key}`).toBeGreaterThan(5);
        if (choice.kind === 'option') expect(choice.options.map((o) => o.id)).toContain(choice.initial);
        else expect(choice.initial >= choice.min && choice.initial <= choice.max).toBeTrue();
      }
    }
  });
});

describe('the schools of each family', () => {
  it('cold start: ordinary milk sets softer and sheds more, and the sheet says so', () => {
    const ready = sheet('Y2', { milk: 'ultra-heated' });
    const ordinary = sheet('Y2', { milk: 'whole' });
    expect(ordinary.product.firmness).toBeLessThan(ready.product.firmness);
    expect(ordinary.product.syneresis).toBeGreaterThan(ready.product.syneresis);
    expect(ordinary.cautions).toContain(CAUTIONS.unheated);
    expect(ready.cautions).not.toContain(CAUTIONS.unheated);
  });

  it('a starter stirred in at 60 °C is killed: the forecast never gets there, and the sheet says so', () => {
    const killed = sheet('Y1', { starterC: 62 });
    expect(killed.souring!.forecast.p50Min).toBeNull();
    expect(killed.problems.map((p) => p.field)).toContain('starterC');
  });

  it('cold start: the warm-up counts, hours later than a warm start', () => {
    expect(soursInH(sheet('Y2'))).toBeGreaterThan(soursInH(sheet('Y1')) + 2);
    expect(soursInH(sheet('Y2', { massG: 1000, vesselL: 2 }))).toBeLessThan(soursInH(sheet('Y2')));
  });

  it('ultrafiltered milk sours no further than its little lactose goes, and never below none', () => {
    const made = sheet('Y2', { milk: 'ultrafiltered', targetPh: 4.9 });
    expect(made.product.ph).toBeGreaterThan(4.4);
    expect(made.nutrition.lactoseG).toBeGreaterThanOrEqual(0);
    const deep = sheet('Y2', { milk: 'ultrafiltered', targetPh: 4 });
    expect(deep.problems.length).toBeGreaterThan(0);
  });

  it('enriched: powder firms, cream softens the protein', () => {
    const plain = sheet('Y3', { powderPct: 0, fatPct: 3.6 });
    expect(sheet('Y3', { powderPct: 3, fatPct: 3.6 }).product.firmness).toBeGreaterThan(plain.product.firmness);
    expect(sheet('Y3', { powderPct: 0, fatPct: 12 }).nutrition.proteinG).toBeLessThan(plain.nutrition.proteinG);
    expect(plain.amounts.map((a) => a.what).map(english)).not.toContain('Skimmed-milk powder');
  });

  it('room temperature: scalding first firms; without it the sheet warns and nothing is heated', () => {
    const scalded = sheet('Y4', { scald: 'yes' });
    const raw = sheet('Y4', { scald: 'no' });
    expect(scalded.product.firmness).toBeGreaterThan(raw.product.firmness);
    expect(raw.stages.map((s) => s.kind)).not.toContain('heat');
    expect(raw.cautions).toContain(CAUTIONS.unheated);
  });

  it('on the counter a cooler room is slower, for every culture', () => {
    for (const code of ['Y4', 'K2', 'C1']) {
      expect(soursInH(sheet(code, { roomC: 18 }))).toBeGreaterThan(1.3 * soursInH(sheet(code, { roomC: 24 })));
    }
  });

  it('cream: days are sharper than overnight, whoever sours it', () => {
    for (const culture of ['mesophilic', 'kefir-grains', 'room-yogurt']) {
      expect(soursInH(sheet('C1', { culture, targetPh: 4.4 }))).toBeGreaterThan(
        soursInH(sheet('C1', { culture, targetPh: 4.7 })),
      );
    }
  });
});

describe('butter', () => {
  const butter = (choices: Choices = {}) => sheet('B1', choices);
  const stageOf = (s: MakeSheet, kind: string) => s.stages.find((stage) => stage.kind === kind)!;
  const minutes = (s: MakeSheet, kind: string) => stageOf(s, kind).endMin - stageOf(s, kind).beginMin;

  it('is 80–86 % fat and 13–17 % moisture, salted as asked', () => {
    const made = butter({ saltPct: 1 });
    expect(made.product.fatPct).toBeGreaterThan(80);
    expect(made.product.fatPct).toBeLessThan(86);
    expect(100 - made.product.solidsPct).toBeGreaterThan(13);
    expect(100 - made.product.solidsPct).toBeLessThan(17.5);
    expect(english(made.product.firmnessWord)).toBe('spreads');
  });

  it('gives 545–580 g of buttermilk a litre, more fat in it when churned warm', () => {
    const cold = butter({ churnC: 12 });
    expect(english(cold.byproducts[0]!.name)).toBe('cultured buttermilk');
    expect(cold.balance.wheyG).toBeGreaterThan(545);
    expect(cold.balance.wheyG).toBeLessThan(600);
    expect(butter({ churnC: 20 }).product.massG).toBeLessThan(cold.product.massG);
  });

  it('breaks sooner warm and in a processor, later in a jar', () => {
    expect(minutes(butter({ churnC: 18 }), 'churn')).toBeLessThan(minutes(butter(), 'churn'));
    expect(minutes(butter({ device: 'processor' }), 'churn')).toBeLessThan(
      minutes(butter({ device: 'mixer' }), 'churn'),
    );
    expect(minutes(butter({ device: 'jar' }), 'churn')).toBeGreaterThan(minutes(butter({ device: 'crank' }), 'churn'));
  });

  it('washed until clear keeps hardly any sugar and acid, pressed only keeps them', () => {
    const clear = butter({ washing: 'clear' });
    const pressed = butter({ washing: 'press' });
    expect(clear.nutrition.lactoseG).toBeLessThan(0.1 * pressed.nutrition.lactoseG);
    expect(pressed.stages.map((s) => s.kind)).not.toContain('wash');
  });

  it('says when the churn is too small', () => {
    expect(butter({ churnL: 1 }).problems.map((p) => p.field)).toEqual(['churnL']);
    expect(english(butter({ churnL: 1 }).problems[0]!.remedy)).toMatch(/\d L, or churn it in \d lots/);
  });
});

describe('sour while everybody sleeps', () => {
  /** Begun at eight in the evening; asleep from ten to six. */
  const HOUR = 3_600_000;
  const begin = {
    startMs: 20 * HOUR,
    wake: (ms: number) => (ms > 22 * HOUR && ms < 30 * HOUR ? 30 * HOUR : ms),
  };
  const night = (leave: string) => makeSheet(methodById('Y1'), { leave }, FEW, begin);
  const chilledAt = (s: MakeSheet) =>
    (begin.startMs + s.stages.find((x) => x.kind === 'chill')!.beginMin * 60_000) / HOUR;

  it('is left till morning where that is chosen, and is forecast for then: sharper, thinner for its whey', () => {
    const [chilled, left] = [night('chill'), night('morning')];
    expect(chilledAt(chilled)).toBeLessThan(28);
    expect(chilledAt(left)).toBeCloseTo(30, 6);
    expect(left.product.ph).toBeLessThan(chilled.product.ph - 0.05);
    expect(left.product.syneresis).toBeGreaterThan(chilled.product.syneresis);
    expect(left.findings).toEqual([]);
  });

  it('by day it is chilled as soon as it is sour, whatever is chosen', () => {
    const day = (leave: string) => makeSheet(methodById('Y1'), { leave }, FEW, { ...begin, startMs: 7 * HOUR });
    expect(day('morning').stages.map((s) => s.endMin)).toEqual(day('chill').stages.map((s) => s.endMin));
  });
});

describe('curd by acid and heat', () => {
  const acidOf = (s: MakeSheet) => s.amounts.find((a) => /juice|Vinegar|acid/i.test(english(a.what)))!.massG;

  it('little acid is sweet and soft, more is sourer; the pH is the one asked for', () => {
    for (const targetPh of [5.2, 5.6, 6]) {
      expect(sheet('A1', { targetPh }).product.ph).toBeCloseTo(targetPh, 3);
    }
    expect(acidOf(sheet('A1', { targetPh: 5.3 }))).toBeGreaterThan(acidOf(sheet('A1', { targetPh: 5.9 })));
  });

  it('doses every acid by its strength, and more milk wants more', () => {
    const lemon = acidOf(sheet('A1', { agent: 'lemon' }));
    expect(acidOf(sheet('A1', { agent: 'citric' })) / lemon).toBeCloseTo(0.055, 3);
    expect(acidOf(sheet('A1', { agent: 'lemon', massG: 8000, vesselL: 10 })) / lemon).toBeCloseTo(2, 1);
    expect(sheet('A1', { agent: 'tartaric' }).problems).toEqual([]);
  });

  it('drains in well under an hour while it is hot, drier giving less', () => {
    const soft = sheet('A1');
    const drained = soft.stages.find((s) => s.kind === 'strain')!;
    expect(drained.endMin - drained.beginMin).toBeLessThan(60);
    expect(drained.endMin - drained.beginMin).toBeGreaterThan(8);
    expect(sheet('A1', { texture: 'dry-curd' }).product.massG).toBeLessThan(soft.product.massG);
    expect(english(sheet('A1', { texture: 'dry-curd' }).product.firmnessWord)).toBe('crumbles');
    expect(english(sheet('A2').product.firmnessWord)).toBe('spreads');
  });

  it('is salted as asked, and not at all where none is', () => {
    const salted = sheet('A2', { saltPct: 1 });
    expect(english(salted.stages.find((s) => s.kind === 'salt')!.instruction)).toMatch(
      /^Blend the curd smooth with \d+/,
    );
    expect(sheet('A1', { saltPct: 0 }).stages.map((s) => s.kind)).not.toContain('salt');
  });
});

describe('what is said of a make', () => {
  /** What every make says of the law and of allergens, and what grains of butter are likened to. */
  const OF_ALL = /local food code|Contains milk|thin milk/;

  it('has no word of another: no starter where none is, no milk in cream, no whey off a plant base', () => {
    for (const method of METHODS) {
      const { stages, cautions, amounts, souring } = makeSheet(method, {}, { members: 20, seed: 1, fanPoints: 0 });
      const isOf = (word: RegExp) => amounts.some(({ what }) => word.test(english(what)));
      const says = [...stages.flatMap((s) => [s.instruction, s.lookFor, s.slack.cost]), ...cautions].map(english);
      const wrong = (word: RegExp) => says.filter((text) => word.test(text) && !OF_ALL.test(text));
      if (!souring)
        expect(wrong(/starter|cultur/i))
          .withContext(method.id)
          .toEqual([]);
      if (!isOf(/milk/i))
        expect(wrong(/\bmilk\b/i))
          .withContext(method.id)
          .toEqual([]);
      if (!isOf(/milk|cream, \d/i)) expect(wrong(/whey/i)).withContext(method.id).toEqual([]);
    }
  });
});

describe('shared groups of choices', () => {
  const milk = methodById('Y1').groups[0]!;

  it('are varied by key, and the shared one stays as it was', () => {
    const varied = vary(milk, { fatPct: { initial: 10 } });
    expect(varied.choices.find((c) => c.key === 'fatPct')!.initial).toBe(10);
    expect(initialChoices(methodById('Y1'))['fatPct']).toBe(3.6);
  });

  it('are cut to some keys, in the order of the shared group', () => {
    expect(only(milk, ['fatPct', 'massG']).choices.map((c) => c.key)).toEqual(['massG', 'fatPct']);
  });
});
