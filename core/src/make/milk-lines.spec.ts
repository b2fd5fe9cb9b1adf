import { english } from '@oat-crock/messages';
import { amountWords } from '../amounts/said-units.js';
import { readAmount } from '../amounts/read-amount.js';
import { METRIC } from '../units/system.js';
import { saidWith } from './said-with.js';
import fc from 'fast-check';
import { METHODS, methodById } from '../methods/index.js';
import { decided } from '../methods/method.js';
import { milkLines, totalOfLines } from './milk-lines.js';
import { makeSheet } from './sheet.js';

const FEW = { members: 30, seed: 1, fanPoints: 2 };

describe('milk and cream as two amounts', () => {
  const cheese = methodById('cream-cheese');

  it('lead to the total and the fat, and those lead back to them', () => {
    const amount = fc.integer({ min: 100, max: 20_000 });
    fc.assert(
      fc.property(amount, amount, (milkG, creamG) => {
        const total = totalOfLines(cheese, {}, { milkG, creamG })!;
        const back = milkLines(cheese, { ...total })!;
        expect(back.milkG).toBeCloseTo(milkG, 6);
        expect(back.creamG).toBeCloseTo(creamG, 6);
      }),
    );
  });

  it('are what the sheet weighs out', () => {
    const lines = milkLines(cheese, {})!;
    const [milk, cream] = makeSheet(cheese, {}, FEW).amounts;
    expect([milk!.massG, cream!.massG]).toEqual([lines.milkG, lines.creamG]);
    // Whole milk of 3.6 % and cream of 36 % to 10 %.
    expect(lines.creamG / 4000).toBeCloseTo((10 - 3.6) / (36 - 3.6), 9);
  });

  it('are none of a milk or a cream as it comes, or of nothing', () => {
    expect(milkLines(methodById('scalded-yogurt'), {})).toBeNull();
    expect(milkLines(methodById('thick-cream'), { blendBy: 'cream' })).toBeNull();
    expect(totalOfLines(cheese, {}, { milkG: 0, creamG: 0 })).toBeNull();
    expect(milkLines(methodById('plant-yogurt'), {})).toBeNull();
  });
});

describe('a milk or a cream as it comes', () => {
  const weighed = (id: string, choices: Record<string, number | string>) =>
    makeSheet(methodById(id), choices, FEW).amounts.filter((a) => a.stockId !== null);

  it('is weighed in alone: no cream into skimmed milk, no milk into cream', () => {
    expect(weighed('scalded-yogurt', { milk: 'skimmed' }).map((a) => a.stockId)).toEqual(['skimmed']);
    for (const id of ['thick-cream', 'scalded-cream', 'cultured-cream', 'cultured-butter']) {
      const [cream, ...rest] = weighed(id, { blendBy: 'cream', cream: 'cream-36', massG: 1000 });
      expect([cream!.stockId, cream!.massG, rest.length]).withContext(id).toEqual(['cream-36', 1000, 0]);
    }
  });

  it('has the price of what it is, whatever stands first', () => {
    const money = { milkPrice: 1, creamPrice: 10, massG: 1000 };
    const cost = (choices: Record<string, number | string>) =>
      makeSheet(methodById('thick-cream'), { ...money, ...choices }, FEW).cost;
    const [cream, blended] = [cost({ blendBy: 'cream', cream: 'cream-36' }), cost({ fatPct: 36 })];
    expect(cream).toEqual(blended);
    expect(cream.perKg).toBeGreaterThan(10);
    expect(weighed('thick-cream', { blendBy: 'cream' })[0]!.pricedAs).toBe('cream');
    expect(weighed('thick-cream', { fatPct: 36 })[0]!.pricedAs).toBe('cream');
  });

  it('is left as soon as somebody names a fat, and not before', () => {
    const method = methodById('strained-yogurt');
    expect(decided(method, {})['blendBy']).toBe('milk');
    expect(decided(method, { fatPct: 8 })['blendBy']).toBe('fat');
    expect(decided(method, { fatPct: 8, blendBy: 'milk' })['blendBy']).toBe('milk');
    expect(weighed('strained-yogurt', { fatPct: 8 }).map((a) => a.stockId)).toEqual(['whole', 'cream-36']);
  });

  it('may have no fat at all where milk has none', () => {
    const fats = METHODS.flatMap((m) => m.groups.flatMap((g) => g.choices)).filter((c) => c.key === 'fatPct');
    expect(fats.some((c) => c.kind === 'number' && c.min === 0)).toBeTrue();
  });
});

describe('a dose of rennet as it is counted out', () => {
  const words = amountWords(english);
  const choices = { massG: 8000, rennet: 'trace', imcuPerMl: 200, dropsPerMl: 25 };
  const asked = { unit: 'IMCU a kg', units: METRIC, decimal: '.' };
  const read = (text: string) =>
    readAmount(text, { ...asked, ...saidWith(methodById('cream-cheese'), 'imcuPerKg', choices) }, words);

  it('is drops of its own bottle, or a millilitre, into so much milk', () => {
    // 5 drops of 25 a mL of 200 IMCU each: 40 IMCU into 8 kg
    expect(read('5 drops')).toEqual({ is: 'amount', value: 5, own: false });
    expect(read('0.1 mL')).toEqual({ is: 'amount', value: 2.5, own: false });
    expect(read('4')).toEqual({ is: 'amount', value: 4, own: true });
    expect(read('4 g').is).toBe('unreadable');
  });
});
