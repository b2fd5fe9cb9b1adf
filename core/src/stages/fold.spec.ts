import { english } from '@oat-crock/messages';
import { FLAVOUR_IDS, FLAVOURS, type Flavour } from '../materials/flavours.js';
import { makeSheet } from '../make/sheet.js';
import { METHODS, methodById } from '../methods/index.js';
import { choicesOf } from '../methods/method.js';
import { fillOfLot } from '../larder/fills.js';
import type { Lot } from '../lots/lot.js';

const FEW = { members: 20, seed: 1, fanPoints: 2 };
const TAKES = METHODS.filter((m) => choicesOf(m).some((c) => c.key === 'flavour'));
const sheetOf = (id: string, choices: Record<string, number | string> = {}) => makeSheet(methodById(id), choices, FEW);

describe('something folded in', () => {
  it('is offered where a product is eaten as it is finished', () => {
    expect(TAKES.map((m) => m.id).sort()).toEqual([
      'acid-heat-curd',
      'cream-cheese',
      'cultured-butter',
      'quark',
      'smooth-curd',
      'strained-yogurt',
      'yogurt-cream-cheese',
    ]);
  });

  it('weighs what was said of the product, and all of it is there', () => {
    for (const { id } of TAKES) {
      const [plain, more] = [sheetOf(id), sheetOf(id, { flavour: 'paste', flavourPct: 5 })];
      const folded = more.amounts.find((a) => english(a.what) === 'tomato or olive paste')!;
      const grew = more.product.massG - plain.product.massG;
      // What stays on spoon and mould is lost of it as well.
      expect(grew / folded.massG)
        .withContext(id)
        .toBeGreaterThan(0.9);
      expect(grew / folded.massG)
        .withContext(id)
        .toBeLessThanOrEqual(1 + 1e-9);
      expect(folded.massG / plain.product.massG)
        .withContext(id)
        .toBeCloseTo(0.05, 2);
      expect(more.nutrition.saltG).withContext(id).toBeGreaterThan(plain.nutrition.saltG);
    }
  });

  it('shortens the life of what it is fresh in, and is never made up for by salt or acid', () => {
    for (const flavour of FLAVOUR_IDS) {
      const { mostDays }: Flavour = FLAVOURS[flavour];
      const [plain, with5] = [sheetOf('cultured-butter'), sheetOf('cultured-butter', { flavour, flavourPct: 5 })];
      if (mostDays === null)
        expect(with5.keeps!.days)
          .withContext(flavour)
          .toBeGreaterThanOrEqual(plain.keeps!.days - 1);
      else {
        expect(with5.keeps!.days).withContext(flavour).toBe(mostDays);
        expect(english(with5.keeps!.why)).toContain('shortens its life');
      }
    }
  });

  it('carries its warnings: botulism of the fresh in fat, nuts by name', () => {
    const cautions = (flavour: string) => sheetOf('cultured-butter', { flavour }).cautions.map(english).join(' ');
    expect(cautions('garlic')).toContain('botulism');
    expect(cautions('dried')).not.toContain('botulism');
    expect(cautions('nuts')).toContain('Contains nuts.');
  });

  it('may be none, and then nothing is asked of how much', () => {
    expect(sheetOf('quark').stages.some((s) => s.id === 'fold')).toBeFalse();
  });

  it("takes what the label of one's own says of it, the rest as it usually is", () => {
    const lot: Lot = {
      ...{ id: '01J0000000000000000000000F', kind: 'flavour', name: 'Olive paste', amount: 90, countedMs: 0 },
      ...{
        pack: null,
        price: 14,
        useBy: null,
        note: '',
        flavour: 'paste',
        saltPct: 6,
        fatPct: 40,
        waterPct: 0,
        hasNuts: true,
      },
    };
    const { choices } = fillOfLot(lot)!;
    const [usual, own] = [{ flavour: 'paste' }, choices].map((c) => sheetOf('smooth-curd', { ...c, flavourPct: 10 }));
    const added = (part: 'saltG' | 'fatG') => own!.nutrition[part] - usual!.nutrition[part];
    // A tenth of the curd: 10 g in 110, of 3 % more salt (2.5 times its sodium) and 28 % more fat.
    expect(added('saltG')).toBeCloseTo(((6 - 3) / 11) * 0.393 * 2.5, 1);
    expect(added('fatG')).toBeCloseTo((40 - 12) / 11, 0);
    expect(own!.balance.errorPct).toBeCloseTo(0, 6);
    expect(own!.cost.materials - usual!.cost.materials).toBeCloseTo(
      (14 * own!.amounts.find((a) => a.outOf === 'flavour')!.massG) / 1000,
      6,
    );
    const cautions = (c: Record<string, number | string>) => sheetOf('smooth-curd', c).cautions.map(english).join(' ');
    expect(cautions(choices)).toContain('nuts');
    expect(cautions({ flavour: 'paste' })).not.toContain('nuts');
  });

  it('refuses a label that comes to more than itself, at its edge', () => {
    const problems = (flavourWaterPct: number) =>
      sheetOf('smooth-curd', { flavour: 'paste', flavourSaltPct: 10, flavourFatPct: 50, flavourWaterPct }).problems;
    expect(problems(40).map((p) => p.field)).not.toContain('flavourWaterPct');
    expect(problems(41).find((p) => p.field === 'flavourWaterPct')!.works).toEqual({ flavourWaterPct: 40 });
  });
});
