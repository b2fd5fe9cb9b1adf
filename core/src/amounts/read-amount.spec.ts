import { english, LANGUAGES, renderText } from '@oat-crock/messages';
import fc from 'fast-check';
import { readAmount, type AskedAmount, type ReadAmount } from './read-amount.js';
import { amountWords } from './said-units.js';
import { METRIC, type Units } from '../units/system.js';

const US: Units = { temperature: 'F', mass: 'oz', volume: 'us' };
const UK: Units = { temperature: 'C', mass: 'g', volume: 'imperial' };
const WORDS = amountWords(english);
const MILK: AskedAmount = { unit: 'g', units: METRIC, step: 250, decimal: '.', gPerMl: 1.03, pieceG: 400 };

const read = (text: string, asked: Partial<AskedAmount> = {}, shown = 'g'): ReadAmount =>
  readAmount(text, { ...MILK, ...asked }, WORDS, shown);
/** The number read, or what stood in the way. */
const value = (text: string, asked: Partial<AskedAmount> = {}, shown = 'g') => {
  const got = read(text, asked, shown);
  if (got.is === 'amount') return got.value;
  return got.is === 'nothing' ? null : `? ${got.word ?? ''}`.trim();
};

/** What people type into a field for milk or cream in grams, and how many grams that is. */
const SAID: readonly (readonly [string, number])[] = [
  ['4000', 4000],
  ['4000 g', 4000],
  ['4 kg', 4000],
  ['2 qt', 1949],
  ['2qt.', 1949],
  ['1.5 L', 1545],
  ['1,5 l', 1545],
  ['500 mL + 100 mL', 618],
  ['500 + 100 ml', 618],
  ['500 ml and 100', 618],
  ['2 L milk and 300 mL cream', 2369],
  ['3 cans', 1200],
  ['a can and a half', 600],
  ['2 tbsp', 30.9],
  ['2 tablespoons of milk', 30.9],
  ['1 lb 4 oz', 567],
  ['1 lb 4', 567],
  ['1lb4oz', 567],
  ['a pint', 585.3],
  ['half a pint', 292.7],
  ['a pint and a half', 878],
  ['one and a half pints', 878],
  ['1½ pints', 878],
  ['1 1/2 pints', 878],
  ['three quarters of a litre', 772.5],
  ['3/4 l', 772.5],
  ['¾ L', 772.5],
  ['3 x 400 g', 1200],
  ['2 kg - 340 g', 1660],
  ['about 2 litres', 2060],
  ['2.500 g', 2.5],
  ['1,250 g', 1250],
  ['1 250 g', 1250],
  ['2 cups', 515],
  ['1 gallon', 3899],
  ['a cup and half a pint', 550.2],
];

/** A number alone, in a field for grams, by the household's decimal sign; '?' cannot be read, null is nothing. */
const PLAIN: readonly (readonly [text: string, decimal: string, expected: number | null | '?'])[] = [
  ['2.5', '.', 2.5],
  ['2,5', '.', 2.5],
  ['2.5', ',', 2.5],
  [' 2,5 g ', ',', 2.5],
  ['2.5g', '.', 2.5],
  ['.5', '.', 0.5],
  ['3.', '.', 3],
  ['−4', '.', -4],
  ['1,250', '.', 1250],
  ['1.250', ',', 1250],
  ['1.250', '.', 1.25],
  ['0,250', '.', 0.25],
  ['1,250.5', '.', 1250.5],
  ['1.250,5', '.', 1250.5],
  ['12 500', '.', 12500],
  ['12\u202f500,5 g', ',', 12500.5],
  ['', '.', null],
  ['g', '.', null],
  ['2 3', '.', '?'],
  ['1,2,3', '.', '?'],
];

describe('an amount as people say it', () => {
  for (const [text, decimal, expected] of PLAIN) {
    it(`"${text}" where "${decimal}" is the decimal sign`, () => expect(value(text, { decimal })).toBe(expected));
  }

  for (const [text, massG] of SAID) {
    it(`"${text}" is ${massG} g`, () => expect(value(text)).toBeCloseTo(massG, 6));
  }

  it('is of the household’s own set of measures', () => {
    expect(value('a pint', { units: US })).toBeCloseTo(487.4, 6);
    expect(value('a pint', { units: UK })).toBeCloseTo(585.3, 6);
    expect(value('1 cup', { units: US })).toBeCloseTo(243.7, 6);
    expect(value('2', { units: US, step: 250 }, 'lb')).toBeCloseTo(907.18474, 5);
    expect(value('8 oz', { units: US })).toBeCloseTo(226.8, 6);
  });

  it('in a field for a volume is a volume, an ounce there a fluid one', () => {
    const pot: Partial<AskedAmount> = { unit: 'L', step: 0.5, gPerMl: undefined, pieceG: undefined } as never;
    expect(value('6 qt', pot, 'L')).toBeCloseTo(5.678, 6);
    expect(value('800 ml', pot, 'L')).toBe(0.8);
    expect(value('64 oz', { ...pot, units: US }, 'qt')).toBeCloseTo(1.893, 6);
    expect(value('2 kg', pot, 'L')).toBe('? kg');
  });

  it('of time goes by weeks, days, hours and minutes', () => {
    const hours: Partial<AskedAmount> = { unit: 'h', step: 1 };
    expect(value('1 h 30', hours, 'h')).toBe(1.5);
    expect(value('3h20', hours, 'h')).toBeCloseTo(10 / 3, 9);
    expect(value('2 days', hours, 'h')).toBe(48);
    expect(value('a day and a half', hours, 'h')).toBe(36);
    expect(value('90 min', hours, 'h')).toBe(1.5);
    expect(value('2 weeks', { unit: 'days ago', step: 1 }, 'days ago')).toBe(14);
    expect(value('half an hour', { unit: 'min', step: 1 }, 'min')).toBe(30);
    expect(value('2 kg', hours, 'h')).toBe('? kg');
  });

  it('of warmth is on either scale', () => {
    const warmth: Partial<AskedAmount> = { unit: '°C', step: 0.5 };
    expect(value('110 F', warmth, '°C')).toBeCloseTo(43.33, 6);
    expect(value('110°f', warmth, '°C')).toBeCloseTo(43.33, 6);
    expect(value('43°', warmth, '°C')).toBe(43);
    expect(value('110°', { ...warmth, units: US }, '°F')).toBeCloseTo(43.33, 6);
    expect(value('-18', warmth, '°C')).toBe(-18);
    expect(value('43 C', { ...warmth, units: US }, '°F')).toBe(43);
    expect(value('68 F + 5 F', warmth, '°C')).toBe('?');
  });

  it('may be said for a share of something whose mass is known, and of a packet that is', () => {
    const dose: Partial<AskedAmount> = { unit: '% of the milk', step: 0.1, wholeG: 2000 };
    expect(value('2 tbsp', dose, '% of the milk')).toBeCloseTo(1.545, 6);
    expect(value('50 g', dose, '% of the milk')).toBe(2.5);
    expect(value('3', dose, '% of the milk')).toBe(3);
    expect(value('3 %', dose, '% of the milk')).toBe(3);
    expect(value('50 g', { unit: '%' }, '%')).toBe('? g');
    const packets: Partial<AskedAmount> = { unit: 'packets', step: 0.05, pieceG: 2 };
    expect(value('half a packet', packets, 'packets')).toBe(0.5);
    expect(value('1 g', packets, 'packets')).toBe(0.5);
    expect(value('1/4', packets, 'packets')).toBe(0.25);
  });

  it('of money is for a kilo, whatever amount the label names, and less a discount', () => {
    const price: Partial<AskedAmount> = { unit: 'per kg', step: 0.05 };
    expect(value('6.40', price, 'per kg')).toBe(6.4);
    expect(value('6.40 - 30 %', price, 'per kg')).toBeCloseTo(4.48, 6);
    expect(value('6.40 -30%', price, 'per kg')).toBeCloseTo(4.48, 6);
    expect(value('3.20 for 500 g', price, 'per kg')).toBeCloseTo(6.4, 6);
    expect(value('1.55 / L', price, 'per kg')).toBeCloseTo(1.505, 6);
    expect(value('1.55/L', price, 'per kg')).toBeCloseTo(1.505, 6);
    expect(value('1.30 per litre', price, 'per kg')).toBeCloseTo(1.262, 6);
    expect(value('3.20 since 500 g', price, 'per kg')).toBe('? since');
    expect(value('2.40 for 2 lb - 50 %', price, 'per kg')).toBeCloseTo(1.323, 6);
    expect(value('6 - 120 %', price, 'per kg')).toBe('? %');
    expect(value('3 for 0 g', price, 'per kg')).toBe('? for');
  });

  it('of the clock is an hour of the day', () => {
    const at: Partial<AskedAmount> = { unit: 'clock', step: 0.25 };
    const hours: readonly (readonly [string, number | string | null])[] = [
      ['18:30', 18.5],
      ['6:30 pm', 18.5],
      ['6.30pm', 18.5],
      ['7', 7],
      ['7 am', 7],
      ['12 am', 0],
      ['12 pm', 12],
      ['ten pm', 22],
      ['eleven', 11],
      ['noon', 12],
      ['midnight', 0],
      ['23:59', 23 + 59 / 60],
      ['24:00', '?'],
      ['half', '? half'],
      ['7:60', '?'],
      ['13 pm', '?'],
      ['0 am', '?'],
      ['7 kg', '? kg'],
      ['', null],
    ];
    for (const [text, expected] of hours)
      expect(value(text, at, ''))
        .withContext(text)
        .toBe(expected);
  });

  it('that cannot be read names the word that is in the way, and is never half read', () => {
    expect(value('2 quats')).toBe('? quats');
    expect(value('2 L butter')).toBe('? butter');
    expect(value('4 °C')).toBe('? °c');
    expect(value('six')).toBe(6);
    expect(value('milk')).toBe('?');
    for (const text of ['2-3 L', '4x', '1.2.3.4', '2 + ', 'L', '1/0 kg', '2 3', '(2 kg)'])
      expect(read(text).is).withContext(text).toBe('unreadable');
    expect(value('')).toBeNull();
    expect(value('g')).toBeNull();
  });

  it('typed plainly is the number itself, to the last digit, in either decimal sign', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1e5, noNaN: true }), fc.constantFrom('.', ','), (n, decimal) => {
        const text = n.toFixed(3).replace('.', decimal);
        expect(value(text, { decimal })).toBe(Number(n.toFixed(3)));
      }),
    );
  });

  it('keeps every digit of what is weighed and added up', () => {
    expect(value('12000 g + 345 g')).toBe(12345);
    expect(value('25 kg 340 g')).toBe(25340);
    expect(value('12.345 kg - 0.1 g')).toBe(12344.9);
    expect(value('31 cans', { pieceG: 401 })).toBe(12431);
    expect(value('23456 mL', { unit: 'L', step: 0.5 }, 'L')).toBe(23.456);
  });

  it('never takes a number for another: what is read is what the parts come to', () => {
    const part = fc.record({ n: fc.integer({ min: 1, max: 999 }), unit: fc.constantFrom('g', 'kg', 'ml', 'l', 'lb') });
    const grams = { g: 1, kg: 1000, ml: 1.03, l: 1030, lb: 453.59237 } as const;
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(' + ', ' and ', ', '),
        (parts, by) => {
          const text = parts.map(({ n, unit }) => `${n} ${unit}`).join(by);
          const sum = parts.reduce((total, { n, unit }) => total + n * grams[unit as keyof typeof grams], 0);
          expect(Number(value(text)) / sum).toBeCloseTo(1, 3);
        },
      ),
    );
  });

  it('is said in Spanish in a Spanish household', async () => {
    const { tag, texts } = LANGUAGES.es;
    const spanish = { language: tag, texts: await texts(), units: METRIC, zone: 'UTC' };
    const words = amountWords((text) => renderText(text, spanish));
    const inSpanish = (text: string) => readAmount(text, { ...MILK, decimal: ',' }, words, 'g');
    for (const [text, massG] of [
      ['litro y medio', 1545],
      ['2 litros y medio', 2575],
      ['medio litro', 515],
      ['tres cuartos de litro', 772.5],
      ['1,5 l de leche', 1545],
      ['2 cucharadas', 30.9],
      ['3 latas', 1200],
      ['1 kg 200', 1200],
      ['1.500 g', 1500],
    ] as const)
      expect(inSpanish(text))
        .withContext(text)
        .toEqual({ is: 'amount', value: massG, own: text === '1.500 g' });
  });
});
