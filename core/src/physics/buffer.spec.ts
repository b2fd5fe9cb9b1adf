import fc from 'fast-check';
import {
  bufferValue,
  lacticForPh,
  phForLactic,
  phFromTable,
  tabulatePh,
  titratableAcidity,
  type BufferMilk,
} from './buffer.js';

const MILK: BufferMilk = { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 };
const ta = (ph: number) => titratableAcidity(MILK, ph).pctLactic;

/** Titratable acidity of milk and yogurt: Walstra et al. (2006), ch. 2 and 22. */
describe('the buffer of milk', () => {
  it('fresh milk titrates to 0.13–0.18 % as lactic acid', () => {
    expect(ta(6.65)).toBeGreaterThan(0.13);
    expect(ta(6.65)).toBeLessThan(0.18);
  });

  it('soured milk titrates to 0.72–0.95 % at pH 4.6 and 1.05–1.3 % at pH 4.2', () => {
    expect(ta(4.6)).toBeGreaterThan(0.72);
    expect(ta(4.6)).toBeLessThan(0.95);
    expect(ta(4.2)).toBeGreaterThan(1.05);
    expect(ta(4.2)).toBeLessThan(1.3);
  });

  it('buffers most between pH 4.8 and 5.3, at 30–42 mmol/kg·pH (Salaün et al. 2005)', () => {
    const at = Array.from({ length: 130 }, (_, i) => 4 + i * 0.02);
    const most = at.reduce((best, ph) => (bufferValue(MILK, ph) > bufferValue(MILK, best) ? ph : best), 4);
    expect(most).toBeGreaterThan(4.8);
    expect(most).toBeLessThan(5.3);
    expect(bufferValue(MILK, most)).toBeGreaterThan(30);
    expect(bufferValue(MILK, most)).toBeLessThan(42);
  });

  it('needs more acid for the same pH when there is twice the protein', () => {
    fc.assert(
      fc.property(fc.double({ min: 3.9, max: 6.4, noNaN: true }), (ph) => {
        expect(lacticForPh({ ...MILK, proteinGPerKg: 66 }, ph)).toBeGreaterThan(lacticForPh(MILK, ph));
      }),
    );
  });

  it('falls steadily with acid, and turns round exactly', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 15, max: 90, noNaN: true }),
        (acid, protein) => {
          const milk = { ...MILK, proteinGPerKg: protein };
          expect(phForLactic(milk, acid + 0.002)).toBeLessThan(phForLactic(milk, acid));
          expect(lacticForPh(milk, phForLactic(milk, acid))).toBeCloseTo(acid, 7);
        },
      ),
    );
  });

  it('read from its table stays within 0.002 pH of the charge balance', () => {
    const table = tabulatePh(MILK);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.35, noNaN: true }), (acid) => {
        expect(Math.abs(phFromTable(table, acid) - phForLactic(MILK, acid))).toBeLessThan(0.002);
      }),
    );
  });

  it('gives the three scales of titratable acidity by their definitions', () => {
    const { pctLactic, dornic, soxhletHenkel } = titratableAcidity(MILK, 4.6);
    expect(dornic).toBeCloseTo(pctLactic * 100, 6);
    expect(soxhletHenkel / dornic).toBeCloseTo(0.444, 2);
  });

  it('refuses a pH that milk does not reach', () => {
    expect(() => lacticForPh(MILK, 2)).toThrowError(RangeError);
    expect(() => lacticForPh(MILK, Number.NaN)).toThrowError(RangeError);
  });
});
