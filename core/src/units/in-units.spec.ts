import fc from 'fast-check';
import { inUnits } from './in-units.js';
import { METRIC, PSI_PER_BAR, toCelsius, toFahrenheit, type Units } from './system.js';
import { shownIn } from './shown.js';
import { sayLitresIn, sayMassIn, sayMlIn, sayTempIn } from './say.js';

const US: Units = { temperature: 'F', mass: 'oz', volume: 'us' };
const IMPERIAL: Units = { temperature: 'F', mass: 'oz', volume: 'imperial' };
const ANY = fc.record<Units>({
  temperature: fc.constantFrom('C', 'F'),
  mass: fc.constantFrom('g', 'oz'),
  volume: fc.constantFrom('metric', 'us', 'imperial'),
});

describe('sentences in a household’s units', () => {
  const cases: readonly (readonly [string, string])[] = [
    ['Heat it to 85 °C.', 'Heat it to 185 °F.'],
    ['cool it from 57 to 21 °C within 2 h and to 5 °C', 'cool it from 135 to 70 °F within 2 h and to 41 °F'],
    ['pasteurised at 63 or 72 °C', 'pasteurised at 145 or 162 °F'],
    ['It holds 42.1 °C, ±0.3 °C.', 'It holds 107.8 °F, ±0.5 °F.'],
    ['1.5 °C a minute, 10 °C warmer, less by 2 °C', '2.7 °F a minute, 18 °F warmer, less by 4 °F'],
    ['0.52 W per °C over the room', '0.29 W per °F over the room'],
    ['at pH 4.6 or 20 °C', 'at pH 4.6 or 68 °F'],
    ['Weigh 2.00 kg whole milk (1940 mL) into the pot.', 'Weigh 4 lb 6.5 oz whole milk (2 qt) into the pot.'],
    ['12 g starter (12 mL)', '0.42 oz starter (2½ tsp)'],
    ['Stir in 180 mL lemon juice in 3 parts of 60 mL', 'Stir in ¾ cup lemon juice in 3 parts of ¼ cup'],
    ['Stir 1.9 mL of 30 % calcium chloride', 'Stir ⅓ tsp (1.9 mL) of 30 % calcium chloride'],
    ['0.6 mL of rennet', '0.6 mL of rennet'],
    ['2 cm squares', '0.8 in squares'],
    ['About 2.0 bar by then', 'About 29 psi by then'],
    ['A pot of 4 L, or 10 L', 'A pot of 4.2 qt, or 10.6 qt'],
    ['0.2 g/kg of calcium chloride', '0.02 % of calcium chloride'],
    ['per 100 g: 4.1 lactose; In 100 g', 'per 100 g: 4.1 lactose; In 100 g'],
    ['Lay it 24 h at 4 °C', 'Lay it 24 h at 39 °F'],
    ['temper 12 °C', 'temper 54 °F'],
    ['to 29 °C over a water bath', 'to 84 °F over a water bath'],
    ['2 to 8 IMCU a kg', '0.91 to 3.6 IMCU a lb'],
    ['goat 12 gold 3 Large', 'goat 12 gold 3 Large'],
  ];
  for (const [metric, us] of cases) it(`says "${us}"`, () => expect(inUnits(metric, US)).toBe(us));

  it('lays spoons beside a volume where the household is metric, once', () => {
    expect(inUnits('60 mL of water, 12 g (12 mL)', METRIC)).toBe('60 mL (¼ cup) of water, 12 g (2⅓ tsp)');
    expect(inUnits('85 °C, 2.00 kg, 4 L, 2 cm', METRIC)).toBe('85 °C, 2.00 kg, 4 L, 2 cm');
  });

  it('has its own spoons and pints in imperial kitchens', () => {
    expect(inUnits('30 mL, 4 L', IMPERIAL)).toBe('1⅔ tbsp, 7 pt');
  });

  it('is said once however often it is passed through', () => {
    const quantity = fc
      .tuple(
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.integer({ min: 0, max: 2 }),
        fc.constantFrom('°C', 'g', 'kg', 'mL', 'L', 'cm', 'bar', '°C a minute', 'W per °C', 'g/kg'),
        fc.constantFrom(['', ''], ['(', ')'], ['±', ''], ['by ', ''], ['5 to ', ''], ['per ', '']),
      )
      .map(([n, digits, unit, [before, after]]) => `${before}${n.toFixed(digits)} ${unit}${after}`);
    fc.assert(
      fc.property(fc.array(quantity, { minLength: 1, maxLength: 4 }), ANY, (parts, units) => {
        const once = inUnits(parts.join(' of it; '), units);
        expect(inUnits(once, units)).toBe(once);
      }),
    );
  });
});

describe('amounts in a household’s units', () => {
  it('agree with the definitions', () => {
    expect(toFahrenheit(100)).toBe(212);
    expect(toCelsius(32)).toBe(0);
    expect(PSI_PER_BAR).toBeCloseTo(14.503774, 5);
    expect(sayTempIn(-17.78, US, 0)).toBe('0 °F');
    expect(sayMassIn(453.59237, US)).toBe('1 lb');
    expect(sayMassIn(28.349523, US)).toBe('1.0 oz');
    expect(sayMassIn(999.7, METRIC)).toBe('1.00 kg');
    expect(sayLitresIn(3.785411784, US)).toBe('4 qt');
    expect(sayMlIn(2000, METRIC)).toBe('2.00 L');
  });

  it('of a mass never show sixteen ounces, and lose less than a twentieth of one under twenty pounds', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 9000, noNaN: true }), (massG) => {
        const words = sayMassIn(massG, US);
        const [, lb = '0'] = /(\d+) lb/.exec(words) ?? [];
        const [, oz = '0'] = /([\d.]+) oz/.exec(words) ?? [];
        expect(Number(oz)).toBeLessThan(16);
        expect(Math.abs(Number(lb) * 16 + Number(oz) - massG / 28.349523125)).toBeLessThan(0.0501);
      }),
    );
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
