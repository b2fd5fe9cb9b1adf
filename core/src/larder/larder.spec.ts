import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { referenceStock } from '../materials/reference-materials.js';
import { makeSheet } from '../make/sheet.js';
import { amountChoice, scaleTo } from '../make/scale.js';
import { METHODS, methodById } from '../methods/index.js';
import { checkChoices } from '../methods/check-choices.js';
import { choicesOf, initialChoices } from '../methods/method.js';
import { materialOf } from '../materials/materials.js';
import { fillOfGear, fillOfLot } from './fills.js';
import { GEAR_TYPES, type Gear, type GearKind } from '../lots/gear.js';
import { ideasFor } from './ideas.js';
import { materialOfLabel } from './label.js';
import { leftOf } from './left.js';
import { stockOfLot, type Lot, type StockLot } from '../lots/lot.js';
import { heldOf } from '../lots/held.js';
import { biggerVessels, withOwnGear } from './own-gear.js';
import { inPacks, packWords } from './packs.js';
import { fitInto } from './split.js';
import { daysBetween, nearness, useFirst } from './use-first.js';
import { saying } from '../testing/saying.js';

const FEW = { members: 40, seed: 1, fanPoints: 2 };
const ID = '01J0000000000000000000000A';

function lot(kind: StockLot['kind'], of: string, more: Partial<StockLot> = {}): StockLot {
  const stock = referenceStock(of);
  return {
    id: ID,
    kind,
    name: 'Evening milk',
    amount: 10_000,
    countedMs: 1000,
    pack: null,
    price: 2,
    useBy: null,
    note: '',
    material: materialOf(stock),
    treatment: stock.treatment,
    species: stock.species ?? 'cow',
    homogenised: false,
    stabilised: false,
    freshPh: null,
    allergen: null,
    ...more,
  };
}
const gear = (kind: GearKind, holdsL: number | null, count = 1): Gear => ({
  id: `${kind}${holdsL}`,
  kind,
  name: `${kind} of ${holdsL}`,
  holdsL,
  count,
  learned: {},
  note: '',
});

describe('what is left of a lot', () => {
  const took = (atMs: number, massG: number, lotId = ID) => ({ lotId, massG, atMs, batchId: 'b', batchName: 'Pot' });

  it('is its last count less what makes took since, of this lot alone', () => {
    const taken = [took(500, 900), took(1500, 4000), took(2000, 250), took(1600, 700, 'another')];
    expect(leftOf(lot('milk', 'whole'), taken)).toBe(5750);
    expect(leftOf(lot('milk', 'whole', { countedMs: 1800 }), taken)).toBe(9750);
    expect(leftOf(lot('milk', 'whole', { amount: 4000 }), taken)).toBe(-250);
  });
});

describe('dates', () => {
  it('are counted in days of the calendar, leap days and years among them', () => {
    expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2);
    expect(daysBetween('2026-02-28', '2026-03-01')).toBe(1);
    expect(daysBetween('2026-12-31', '2027-01-01')).toBe(1);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), fc.integer({ min: -900, max: 900 }), (from, days) => {
        const day = (n: number) => new Date(Date.UTC(1990, 0, 1 + n)).toISOString().slice(0, 10);
        expect(daysBetween(day(from), day(from + days))).toBe(days);
      }),
    );
  });

  it('decide what is used first; what keeps comes last, by name', () => {
    const lots = [
      { name: 'salt', useBy: null },
      { name: 'milk', useBy: '2026-05-03' },
      { name: 'acid', useBy: null },
      { name: 'cream', useBy: '2026-05-02' },
    ];
    expect(useFirst(lots).map((l) => l.name)).toEqual(['cream', 'milk', 'acid', 'salt']);
    expect(lots.map((l) => nearness(l, '2026-05-03'))).toEqual(['keeps', 'today', 'keeps', 'past']);
    expect(nearness({ useBy: '2026-05-06' }, '2026-05-03')).toBe('soon');
    expect(nearness({ useBy: '2026-05-07' }, '2026-05-03')).toBe('keeps');
  });
});

describe('packs', () => {
  const words = (amountG: number, packG: number) => english(packWords(amountG, packG));

  it('say whole ones and what is taken of the next', () => {
    expect(words(1210, 1030)).toBe('1 pack and 180 g of the second');
    expect(words(2060, 1030)).toBe('2 packs');
    expect(words(500, 1030)).toBe('500 g of one pack');
    expect(words(2055, 1030)).toBe('2 packs');
    expect(words(4200, 1000)).toBe('4 packs and 200 g of the fifth');
    expect(words(8000, 1000)).toBe('8 packs');
  });

  it('come to the amount again, within a hundredth of a pack', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        fc.double({ min: 10, max: 5000, noNaN: true }),
        (amount, pack) => {
          const { whole, rest } = inPacks(amount, pack);
          expect(Math.abs(whole * pack + rest - amount)).toBeLessThanOrEqual(0.0101 * pack);
          expect(rest).toBeLessThan(pack);
        },
      ),
    );
  });
});

describe('a label', () => {
  it('for a serving says the same as for 100 g', () => {
    const per100 = materialOfLabel({ fatG: 3.6, proteinG: 3.4, sugarsG: 4.8, perG: 100 });
    const serving = materialOfLabel({ fatG: 8.64, proteinG: 8.16, sugarsG: 11.52, perG: 240 });
    expect(serving.fatPct).toBeCloseTo(per100.fatPct, 9);
    expect(serving.lactosePct).toBeCloseTo(4.8, 9);
    expect(per100.mineralsPct).toBeCloseTo(0.73, 1);
  });

  it('that is silent on sugar gets the milk’s own (Walstra et al. 2006: 4.6–4.8 %)', () => {
    const { lactosePct } = materialOfLabel({ fatG: 3.6, proteinG: 3.3, sugarsG: null, perG: 100 });
    expect(lactosePct).toBeGreaterThan(4.5);
    expect(lactosePct).toBeLessThan(4.9);
  });

  it('that cannot be is refused in words', () => {
    expect(() => materialOfLabel({ fatG: 60, proteinG: 40, sugarsG: 5, perG: 100 })).toThrowMatching(
      saying(/105 g .* into 100 g/, english),
    );
    expect(() => materialOfLabel({ fatG: 1, proteinG: 1, sugarsG: 1, perG: 0 })).toThrowError(RangeError);
  });
});

describe('vessels', () => {
  it('take the smallest that holds all of it, headspace left free', () => {
    const pots = [gear('pot', 14), gear('pot', 3), gear('pot', 8)];
    const fit = fitInto(6, pots);
    expect(fit.how === 'one' && fit.shares[0].gear.holdsL).toBe(8);
  });

  it('split it evenly over as few as it needs, and say how much fits where all are too few', () => {
    const pots = [gear('pot', 5), gear('pot', 3, 2)];
    const fit = fitInto(7, pots);
    if (fit.how !== 'split') throw new Error('it should be split');
    expect(fit.shares.map((s) => s.gear.holdsL)).toEqual([5, 3]);
    expect(fit.shares.reduce((sum, s) => sum + s.litres, 0)).toBeCloseTo(7, 9);
    const fill = fit.shares.map((s) => s.litres / s.gear.holdsL!);
    expect(fill[0]).toBeCloseTo(fill[1]!, 9);
    const much = fitInto(40, pots);
    expect(much.how === 'too much' && much.fitsL).toBeCloseTo(0.9 * 11, 9);
  });
});

describe('things of one’s own', () => {
  it('answer only choices that methods have, with values they allow', () => {
    const kinds: Lot[] = [
      lot('milk', 'whole'),
      lot('cream', 'cream-36'),
      lot('base', 'soya'),
      { ...lot('milk', 'whole'), kind: 'acid', agent: 'vinegar', strengthPct: 6 } as unknown as Lot,
      {
        ...lot('milk', 'whole'),
        kind: 'rennet',
        imcuPerMl: 180,
        dropsPerMl: 24,
        material: undefined,
      } as unknown as Lot,
    ];
    const keys = new Set(METHODS.flatMap((m) => choicesOf(m).map((c) => c.key)));
    const fills = [
      ...kinds.map(fillOfLot),
      ...Object.entries(GEAR_TYPES).map(([kind, { holds }]) => fillOfGear(gear(kind as GearKind, holds ? 6 : null))),
    ];
    for (const fill of fills) {
      for (const key of Object.keys(fill?.choices ?? {})) expect(keys).toContain(key);
    }
    expect(fills.filter((f) => f !== null).length).toBeGreaterThan(9);
  });

  it('an oven holds as much over the room as when it was measured; a bath that was never seen to hold a warmth cools', () => {
    const lamp = (roomC?: number) => ({
      ...gear('lamp-oven', null),
      learned: { holdsC: { value: 39, sd: 0.5, atMs: 0, ...(roomC !== undefined && { roomC }) } },
    });
    const keepC = (from: Gear, roomC: number | null) => fillOfGear(from, roomC)!.choices['keepC'];
    expect([keepC(lamp(24), 24), keepC(lamp(24), 18.2), keepC(lamp(24), null), keepC(lamp(), 18)]).toEqual([
      39, 33, 39, 39,
    ]);
    expect(fillOfGear(gear('bath', 6))!.choices).toEqual({ keeper: 'bath' });
    const held = { ...gear('bath', 6), learned: { holdsC: { value: 42.2, sd: 0.1, atMs: 0 } } };
    expect(fillOfGear(held)!.choices).toEqual({ keeper: 'thermostat', keepC: 42 });
  });

  it('are counted as they come: capsules by the piece, all else by weight', () => {
    const capsules = { ...lot('milk', 'whole'), kind: 'culture', form: 'capsule' } as unknown as Lot;
    expect([english(heldOf(capsules, 12)), english(heldOf(capsules, 0.4))]).toEqual(['30 capsules', '1 capsule']);
    expect(english(heldOf(lot('milk', 'whole'), 1200))).toBe('1.20 kg');
  });

  it('go into a make as they are: its fat, its treatment and its price are the lot’s', () => {
    const own = lot('milk', 'raw', { material: { ...materialOf(referenceStock('raw')), fatPct: 5.2 } });
    const stock = stockOfLot(own);
    const choices = { milk: stock.id, fatPct: 5.2 };
    const sheet = makeSheet(methodById('strained-yogurt'), choices, FEW, { stocks: [stock] });
    expect(sheet.amounts[0]).toEqual(jasmine.objectContaining({ what: 'Evening milk', lotId: ID, massG: 4000 }));
    expect(sheet.balance.errorPct).toBeLessThan(0.1);
    expect(sheet.cautions.some((c) => english(c).startsWith('Raw milk'))).toBeTrue();
    const usual = makeSheet(methodById('strained-yogurt'), { milk: 'raw', fatPct: 5.2 }, FEW);
    expect(sheet.product.massG).not.toBeCloseTo(usual.product.massG, 0);
  });

  it('are refused where their kind is not asked for, or where nobody says what they are', () => {
    const cream = stockOfLot(lot('cream', 'cream-36'));
    expect(() => checkChoices(methodById('strained-yogurt'), { milk: cream.id }, [cream])).toThrowError(RangeError);
    expect(() => checkChoices(methodById('strained-yogurt'), { cream: cream.id }, [cream])).not.toThrow();
    expect(() => checkChoices(methodById('strained-yogurt'), { cream: cream.id })).toThrowError(RangeError);
  });

  it('lead to makes of their kind: cream to makes of cream, raw milk to none that starts cold', () => {
    const of = (l: Lot) => ideasFor(l, METHODS).map((i) => i.methodId);
    expect(of(lot('cream', 'cream-36'))).toContain('cultured-butter');
    expect(of(lot('cream', 'cream-36'))).not.toContain('strained-yogurt');
    expect(of(lot('milk', 'raw'))).not.toContain('cold-start-yogurt');
    expect(of(lot('milk', 'ultra-heated'))).toContain('cold-start-yogurt');
    expect(of(lot('base', 'soya'))).toEqual(['plant-yogurt']);
    expect(of(lot('whey', 'sweet-whey'))).toEqual(['acid-heat-curd']);
  });
});

describe('a vessel too small', () => {
  const strained = methodById('strained-yogurt');
  const tooSmall = makeSheet(strained, { massG: 8000 }, FEW).problems;

  it('is offered the smallest of one’s own that does, or else the size that would', () => {
    const pots = [gear('pot', 3), gear('pot', 20), gear('pot', 12), gear('jar', 10)];
    expect(tooSmall.map((p) => p.works)).toEqual([{ vesselL: 9.5 }]);
    expect(withOwnGear(tooSmall[0]!, pots).works).toEqual({ vesselL: 12 });
    expect(withOwnGear(tooSmall[0]!, [gear('pot', 3)]).works).toEqual({ vesselL: 9.5 });
    expect(biggerVessels(tooSmall, pots)).toEqual({ vesselL: 12 });
  });

  it('is told apart from what no vessel mends', () => {
    const thin = makeSheet(strained, { texture: 'firm', drain: 'flat' }, FEW).problems;
    expect(withOwnGear(thin[0]!, [gear('pot', 20)])).toEqual(thin[0]!);
    expect(biggerVessels(thin, [])).toBeNull();
    expect(biggerVessels([], [])).toBeNull();
  });
});

describe('scaling', () => {
  const strained = methodById('strained-yogurt');

  it('finds the milk for a product, on any make, to a hundredth', () => {
    for (const id of ['strained-yogurt', 'cultured-butter', 'cream-cheese', 'acid-heat-curd']) {
      const method = methodById(id);
      const scaled = scaleTo(method, { vesselL: 40 }, { is: 'product', massG: 2500 });
      if (!scaled.ok) throw new Error(english(scaled.message));
      const made = makeSheet(method, { vesselL: 40, massG: scaled.massG }, FEW).product.massG;
      expect(Math.abs(made / 2500 - 1))
        .withContext(id)
        .toBeLessThan(0.01);
    }
  });

  it('scales what is soured already by what there is of it', () => {
    const cheese = methodById('yogurt-cheese');
    const scaled = scaleTo(cheese, { from: 'bought' }, { is: 'product', massG: 1200 });
    if (!scaled.ok) throw new Error(english(scaled.message));
    expect(scaled.key).toBe('boughtG');
    const sheet = makeSheet(cheese, { from: 'bought', boughtG: scaled.massG }, FEW);
    expect(Math.abs(sheet.product.massG / 1200 - 1)).toBeLessThan(0.01);
    expect(amountChoice(cheese, initialChoices(cheese))!.key).toBe('massG');
  });

  it('uses a lot up, and not a gram more, cream being added to it', () => {
    const stock = stockOfLot(lot('milk', 'whole'));
    const choices = { milk: stock.id, fatPct: 8, vesselL: 20 };
    const scaled = scaleTo(strained, choices, { is: 'use up', lotId: ID, massG: 6000 }, { stocks: [stock] });
    if (!scaled.ok) throw new Error(english(scaled.message));
    const sheet = makeSheet(strained, { ...choices, massG: scaled.massG }, FEW, { stocks: [stock] });
    const own = sheet.amounts.find((a) => a.lotId === ID)!.massG;
    expect(own).toBeLessThanOrEqual(6001);
    expect(own).toBeGreaterThan(5950);
    expect(scaled.massG).toBeGreaterThan(6500);
  });

  it('fills the pot as far as it may be filled', () => {
    const scaled = scaleTo(strained, { vesselL: 10 }, { is: 'fill the pot' });
    if (!scaled.ok) throw new Error(english(scaled.message));
    const fields = (massG: number) => makeSheet(strained, { vesselL: 10, massG }, FEW).problems.map((p) => p.field);
    expect(fields(scaled.massG)).toEqual([]);
    expect(fields(scaled.massG + 50)).toEqual(['vesselL']);
  });

  it('says so, with the nearest, where a make does not go that far', () => {
    const scaled = scaleTo(strained, {}, { is: 'product', massG: 400_000 });
    expect(scaled.ok).toBeFalse();
    expect(scaled.ok ? '' : english(scaled.remedy)).toContain('60 kg');
  });
});

describe('what would work instead', () => {
  it('is said in the choice that tells the stage that is in trouble, where another stage is told the like', () => {
    const choices = { warmC: 27, keepC: 23, warmUntil: 'hours', warmH: 13, drainBy: 'clock', where: 'cold' };
    const problems = (flatWhere: string) =>
      makeSheet(methodById('yogurt-cream-cheese'), { ...choices, flatWhere }, FEW).problems.filter((p) => !p.mild);
    expect(problems('counter').map((p) => [p.field, p.works])).toEqual([['flatWhere', { flatWhere: 'cold' }]]);
    expect(problems('cold')).toEqual([]);
  });

  it('works: taking it ends the trouble it was offered for, on every make', () => {
    const wrong: [string, Record<string, number | string>, string][] = [
      ['strained-yogurt', { fatPct: 2 }, 'fatPct'],
      ['strained-yogurt', { massG: 8000 }, 'vesselL'],
      ['strained-yogurt', { starterC: 60 }, 'starterC'],
      ['strained-yogurt', { where: 'counter', targetPh: 5, massG: 500, vesselL: 1 }, 'where'],
      ['strained-yogurt', { texture: 'firm', drain: 'flat' }, 'drain'],
      ['scalded-yogurt', { heatC: 66, holdMin: 0 }, 'heatC'],
      ['cold-start-yogurt', { milk: 'lot' }, 'milk'],
      ['soda-cheese', { cookC: 68 }, 'cookC'],
      ['acid-heat-curd', { acidPct: 30 }, 'acidPct'],
      ['clabber', { pasteurise: 'yes', seeding: 'wild' }, 'seeding'],
    ];
    const raw = { ...stockOfLot(lot('milk', 'whole')), id: 'lot' };
    for (const [id, choices, field] of wrong) {
      const sheet = (c: object) => makeSheet(methodById(id), { ...choices, ...c }, FEW, { stocks: [raw] });
      const problem = sheet({}).problems.find((p) => p.field === field);
      if (!problem?.works) throw new Error(`${id} ${field} offers nothing`);
      expect(sheet(problem.works).problems.map((p) => p.field))
        .withContext(`${id} ${field}`)
        .not.toContain(field);
    }
  });

  it('tells apart what defeats a make and what only makes it worse', () => {
    const unheated = makeSheet(methodById('scalded-yogurt'), { heatC: 66, holdMin: 0 }, FEW).problems;
    expect(unheated.map((p) => [p.field, p.mild])).toEqual([['heatC', true]]);
    expect(makeSheet(methodById('room-yogurt'), {}, FEW).problems).toEqual([]);
    expect(makeSheet(methodById('yogurt-cream-cheese'), {}, FEW).problems).toEqual([]);
  });
});
