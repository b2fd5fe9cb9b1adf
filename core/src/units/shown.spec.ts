import fc from 'fast-check';
import { shownIn } from './shown.js';
import { METRIC, PSI_PER_BAR, toCelsius, toFahrenheit, type Units } from './system.js';

const US: Units = { temperature: 'F', mass: 'oz', volume: 'us' };
const ANY = fc.record<Units>({
  temperature: fc.constantFrom('C', 'F'),
  mass: fc.constantFrom('g', 'oz'),
  volume: fc.constantFrom('metric', 'us', 'imperial'),
});

describe('amounts in a household’s units', () => {
  it('agree with the definitions', () => {
    expect(toFahrenheit(100)).toBe(212);
    expect(toCelsius(32)).toBe(0);
    expect(PSI_PER_BAR).toBeCloseTo(14.503774, 5);
  });

  it('typed in any unit come back as they were', () => {
    const unit = fc.constantFrom(
      '°C',
      '°C a minute',
      'g',
      'kg',
      'L',
      'cm deep',
      'per kg',
      'g a kg',
      'IMCU a kg',
      '%',
      'min',
    );
    fc.assert(
      fc.property(unit, ANY, fc.double({ min: 0, max: 1e4, noNaN: true }), (name, units, n) => {
        const shown = shownIn(name, units);
        expect(shown.fromShown(shown.toShown(n))).toBeCloseTo(n, 8);
      }),
    );
  });

  it('are asked for in ounces where the step is small, in pounds where it is not; steps are round', () => {
    expect(shownIn('g', US, 5).unit).toBe('oz');
    expect(shownIn('g', US, 100).unit).toBe('lb');
    expect(shownIn('g', US, 100).step(100)).toBe(0.2);
    expect(shownIn('°C', US).step(0.5)).toBe(1);
    expect(shownIn('per kg', US).toShown(2.2046226)).toBeCloseTo(1, 6);
    expect(shownIn('cm deep', US).unit).toBe('in deep');
    expect(shownIn('cm deep', METRIC).unit).toBe('cm deep');
  });
});
