import fc from 'fast-check';
import { bufferPh, BUFFERS, checkOutcome, corrected, nernstMv, type BufferCheck } from './check.js';

const buffers = (acid: number, neutral: number, more: Partial<BufferCheck> = {}): BufferCheck => ({
  ...{ by: 'buffers', shows: 'ph', tempC: 25 },
  reads: { 'pH 4.01': acid, 'pH 7.00': neutral },
  ...more,
});

describe('a pH meter in two buffers', () => {
  it('goes by the published slope of a glass electrode and the pH of the buffers by temperature', () => {
    expect(nernstMv(25)).toBeCloseTo(59.16, 2);
    expect(nernstMv(20)).toBeCloseTo(58.17, 2);
    expect(BUFFERS.map((b) => bufferPh(b, 25))).toEqual([4.01, 7]);
    expect(bufferPh('pH 7.00', 20)).toBe(7.02);
    expect(bufferPh('pH 7.00', 22.5)).toBeCloseTo(7.01, 10);
    expect([-5, 60].map((tempC) => bufferPh('pH 7.00', tempC))).toEqual([7.12, 6.97]);
  });

  it('that is right is left as it is, and is of full slope, in pH and in millivolts', () => {
    const exact = checkOutcome(buffers(4.01, 7));
    expect(exact.level).toBe('sound');
    expect(exact.slope).toBeCloseTo(1, 10);
    expect(corrected(5.2, exact.correction)).toBeCloseTo(5.2, 10);
    const mv = checkOutcome(buffers(2.99 * 59.159, 0, { shows: 'mV' }));
    expect(mv.slope).toBeCloseTo(1, 4);
    expect(corrected(59.159 * 2.4, mv.correction)).toBeCloseTo(4.6, 3);
  });

  it('reads each buffer as it is once corrected, whatever it showed', () => {
    const shown = fc.record({
      acid: fc.double({ min: 3, max: 5, noNaN: true }),
      neutral: fc.double({ min: 6, max: 8, noNaN: true }),
      tempC: fc.double({ min: 0, max: 40, noNaN: true }),
    });
    fc.assert(
      fc.property(shown, ({ acid, neutral, tempC }) => {
        const { correction } = checkOutcome(buffers(acid, neutral, { tempC }));
        expect(corrected(acid, correction)).toBeCloseTo(bufferPh('pH 4.01', tempC), 8);
        expect(corrected(neutral, correction)).toBeCloseTo(bufferPh('pH 7.00', tempC), 8);
      }),
    );
  });

  it('is sound, tired or unfit by its slope and its zero, each limit at its edge', () => {
    const bySlope = (slope: number) => checkOutcome(buffers(7 - 2.99 * slope, 7)).level;
    expect([0.8499, 0.8501, 0.9499, 0.9501, 1.0199, 1.0201, 1.0799, 1.0801].map(bySlope)).toEqual([
      ...(['unfit', 'tired', 'tired', 'sound', 'sound', 'tired', 'tired', 'unfit'] as const),
    ]);
    const byZero = (off: number) => checkOutcome(buffers(4.01 + off, 7 + off)).level;
    expect([0.499, 0.501, -0.999, -1.001].map(byZero)).toEqual(['sound', 'tired', 'tired', 'unfit']);
    // Bottles mistaken for one another, and a meter that shows the same in both.
    expect(checkOutcome(buffers(7, 4.01)).level).toBe('unfit');
    expect(checkOutcome(buffers(6, 6)).level).toBe('unfit');
  });
});

describe('a thermometer in ice water', () => {
  it('is corrected by what it read, and is unfit where it is far off', () => {
    const of = (readsC: number) => checkOutcome({ by: 'ice', readsC });
    expect(corrected(43.2, of(1.2).correction)).toBeCloseTo(42, 10);
    expect([0.5, 0.51, -4, -4.01].map((readsC) => of(readsC).level)).toEqual(['sound', 'tired', 'tired', 'unfit']);
  });
});
