import {
  acidity,
  amount,
  between,
  duration,
  heatLoss,
  length,
  listOf,
  mass,
  METRIC,
  ml,
  moment,
  percent,
  perKilo,
  pressure,
  rennetPerKilo,
  say,
  spoons,
  temp,
  tempBy,
  volume,
  weighed,
  type Message,
  type MessageKey,
  type SaidQuantity,
  type Text,
  type Units,
  type Value,
} from '@oat-crock/core';
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import fc from 'fast-check';
import { ENGLISH, english, inEnglish } from './english.js';
import { LANGUAGES } from './languages.js';
import { sayQuantity } from './quantities.js';
import type { Reader } from './reader.js';
import { renderText } from './render.js';

const OUNCES: Units = { temperature: 'F', mass: 'oz', volume: 'us' };
const IMPERIAL: Units = { temperature: 'C', mass: 'g', volume: 'imperial' };
const SYSTEMS: readonly Units[] = [METRIC, OUNCES, IMPERIAL];
const reader = (units: Units): Reader => ({ ...ENGLISH, units });
const comma: Reader = { ...ENGLISH, language: 'es' };
const metric = (quantity: SaidQuantity) => sayQuantity(quantity, ENGLISH);
const ounces = (quantity: SaidQuantity) => sayQuantity(quantity, reader(OUNCES));

describe('a quantity in a sentence', () => {
  it('is said as a maker measures it, in the units of the house', () => {
    expect([2, 43, 102, 1234, 12_345].map((g) => metric(mass(g)))).toEqual([
      '2 g',
      '43 g',
      '100 g',
      '1.23 kg',
      '12.3 kg',
    ]);
    expect([mass(227, 0), mass(0.25), mass(0)].map(metric)).toEqual(['227 g', '0.25 g', '0 g']);
    expect([mass(500), mass(2000), mass(0)].map(ounces)).toEqual(['1 lb 1.6 oz', '4 lb 6.5 oz', '0 oz']);
    expect([temp(42.6), temp(42.64, 1)].map(metric)).toEqual(['43 °C', '42.6 °C']);
    expect([temp(100), tempBy(10), tempBy(0.5)].map(ounces)).toEqual(['212 °F', '18 °F', '0.9 °F']);
    expect([ml(0.6), ml(5), ml(97), spoons(97), ml(3880)].map(metric)).toEqual([
      '0.6 mL',
      '5.0 mL (1 tsp)',
      '97 mL (⅓ cup)',
      '⅓ cup',
      '3.88 L',
    ]);
    expect([volume(4), length(2.54), pressure(2), perKilo(15)].map(metric)).toEqual([
      '4 L',
      '2.5 cm',
      '2.0 bar',
      '15 g/kg',
    ]);
    expect([volume(4), length(2.54), pressure(2), perKilo(15)].map(ounces)).toEqual([
      '4.2 qt',
      '1 in',
      '29 psi',
      '1.5 %',
    ]);
    expect([heatLoss(1.8), rennetPerKilo(40)].map(ounces)).toEqual(['1.00 W/°F', '18 IMCU/lb']);
    expect([percent(3.64), percent(3.6, 0), acidity(4.6), acidity(4.6, 1), amount(0.25)].map(metric)).toEqual([
      '3.6 %',
      '4 %',
      '4.60',
      '4.6',
      '0.25',
    ]);
  });

  it('that a household measures with spoons is the nearest its set has', () => {
    expect([0.2, 5, 37.5, 333, 3250].map((amountMl) => metric(spoons(amountMl)))).toEqual([
      'a pinch',
      '1 tsp',
      '2½ tbsp',
      '1⅓ cups',
      '3.25 L',
    ]);
    expect(ounces(spoons(237))).toBe('1 cup');
    expect(ounces(volume(3.785411784))).toBe('4 qt');
  });

  it('that was weighed is said to the gram, and never shows sixteen ounces or loses a twentieth of one', () => {
    expect([3.42, 0.4, 172.8, 999.7, 3827].map((g) => metric(weighed(g)))).toEqual([
      '3.4 g',
      '0.40 g',
      '173 g',
      '1.00 kg',
      '3.83 kg',
    ]);
    expect([453.59237, 28.349523].map((g) => ounces(weighed(g)))).toEqual(['1 lb', '1.0 oz']);
    fc.assert(
      fc.property(fc.double({ min: 100, max: 9000, noNaN: true }), (massG) => {
        const words = ounces(weighed(massG));
        const [, lb = '0'] = /(\d+) lb/.exec(words) ?? [];
        const [, oz = '0'] = /([\d.]+) oz/.exec(words) ?? [];
        expect(Number(oz)).toBeLessThan(16);
        expect(Math.abs(Number(lb) * 16 + Number(oz) - massG / 28.349523125)).toBeLessThan(0.0501);
      }),
    );
  });

  it('that is a span has its unit once, and is one where both ends read the same', () => {
    expect(metric(between(temp(60), temp(70)))).toBe('60 to 70 °C');
    expect(metric(between(mass(400), mass(1200)))).toBe('400 g to 1.20 kg');
    expect(metric(between(temp(60.1), temp(60.3)))).toBe('60 °C');
  });

  it('has a negative nought without its sign, and the decimals of the language', () => {
    expect(metric(temp(-0.2))).toBe('0 °C');
    expect(metric(temp(-18))).toBe('-18 °C');
    expect(sayQuantity(mass(1234), comma)).toBe('1,23 kg');
    expect(sayQuantity(acidity(4.6), comma)).toBe('4,60');
  });

  it('lasts so long, is at such an hour of the household', () => {
    expect([35, 200, 605, 4320].map((min) => metric(duration(min)))).toEqual(['35 min', '3 h 20', '10 h 10', '3 days']);
    const noon = moment(Date.UTC(2026, 4, 2, 12));
    expect(metric(noon)).toBe('12:00');
    expect(sayQuantity(noon, { ...ENGLISH, zone: 'America/St_Johns' })).toBe('09:30');
    const evening = { atMs: Date.UTC(2026, 4, 2, 22, 5), as: 'time' } as const;
    expect(sayQuantity(evening, ENGLISH)).toBe('22:05');
    expect(sayQuantity(evening, { ...ENGLISH, halfDays: true })).toMatch(/^10:05\sPM$/i);
  });
});

describe('a message', () => {
  it('is composed of quantities, other messages, lists and names; a sentence begins with a capital', () => {
    const name = say('good.wholeMilk');
    expect(english(say('stages.blend.part', { mass: mass(4000), name, volume: spoons(3880) }))).toBe(
      '4.00 kg whole milk (3.88 L)',
    );
    const parts = listOf([name, say('good.cream'), 'butter']);
    expect(english(say('stages.blend.weighIntoPot', { parts }))).toBe(
      'Weigh whole milk, cream and butter into the pot.',
    );
    expect(english(say('follow.deviations.was', { name: 'hold', was: 'short' }))).toBe('Hold: short');
    expect(english(say('stages.strain.spoonDripSlowed', { word: 'thick' }))).toMatch(/^Thick on a spoon/);
  });

  it('counts as the language does', () => {
    const drops = (n: number) => english(say('stages.rennet.drop', { drops: n }));
    expect([drops(1), drops(2)]).toEqual(['1 drop', '2 drops']);
  });

  it('is data: it survives JSON, and is found within data', () => {
    const message = say('stages.rennet.drop', { drops: 2 });
    expect(english(JSON.parse(JSON.stringify(message)) as Text)).toBe('2 drops');
    const data = { id: 'a', says: message, all: [message], none: null, key: { other: 1 } };
    expect(inEnglish(data)).toEqual({ id: 'a', says: '2 drops', all: ['2 drops'], none: null, key: { other: 1 } });
  });

  it('stands as it is where it is a name or words of somebody’s own', () => {
    expect(english('Monday pot')).toBe('Monday pot');
  });
});

/** Every place of a text, with what its text makes of it: a count, a choice among words, or anything. */
function placesOf(
  parts: readonly MessageFormatElement[],
  places = new Map<string, readonly string[] | 'count' | 'any'>(),
) {
  for (const part of parts) {
    if (part.type === TYPE.argument) {
      const name = part.value.charAt(0).toLowerCase() + part.value.slice(1);
      if (!places.has(name)) places.set(name, 'any');
    }
    if (part.type === TYPE.plural) places.set(part.value, 'count');
    if (part.type === TYPE.select) places.set(part.value, Object.keys(part.options));
    if (part.type === TYPE.plural || part.type === TYPE.select)
      for (const { value } of Object.values(part.options)) placesOf(value, places);
  }
  return places;
}

/** What is said of nothing, of a little, of what is usual, of much. */
const EXTREMES: readonly Value[] = [
  mass(0),
  mass(1e-4),
  mass(1234.5678),
  mass(1e6),
  temp(-18.04),
  temp(98.7654),
  ml(1e-3),
  ml(123_456.7),
  percent(1 / 3),
  duration(0),
  duration(1e5),
  'A name',
];

/** What no text may read as, whatever stands in it. */
const WRONG = /undefined|NaN|\[object|[{}]|\d\.\d{4}|(°[CF]|\bg|kg|mL|%) \1(?!\w)/;

describe('every text', () => {
  for (const [id, { name, tag, texts }] of Object.entries(LANGUAGES)) {
    it(`reads whole with anything in its places, in every system of units: ${name}`, async () => {
      const wrong: string[] = [];
      const said = await texts();
      const readers = SYSTEMS.map((units): Reader => ({ language: tag, texts: said, units, zone: 'UTC' }));
      for (const [key, text] of Object.entries(said)) {
        const places = [...placesOf(parse(text, { ignoreTag: true }))];
        const count = places.length === 0 ? 1 : EXTREMES.length;
        for (let i = 0; i < count; i++) {
          const values = Object.fromEntries(
            places.map(([place, takes], j): [string, Value] => {
              if (takes === 'count') return [place, [0, 1, 2, 1000][i % 4]!];
              return [place, takes === 'any' ? EXTREMES[(i + j) % EXTREMES.length]! : takes[i % takes.length]!];
            }),
          );
          const message: Message = { key: key as MessageKey, ...(places.length > 0 && { values }) };
          const words = renderText(message, readers[i % readers.length]!);
          if (WRONG.test(words) || words.split('(').length !== words.split(')').length) wrong.push(`${key}: ${words}`);
        }
      }
      expect(wrong).withContext(id).toEqual([]);
    });
  }

  it('in Spanish has its decimal comma, its measures and its days', async () => {
    const { tag, texts } = LANGUAGES.es;
    const spanish = { language: tag, texts: await texts(), units: METRIC, zone: 'UTC' };
    expect(sayQuantity(temp(42.6, 1), spanish)).toBe('42,6 °C');
    expect(sayQuantity(spoons(333), spanish)).toBe('1⅓ tazas');
    expect(sayQuantity(duration(5 * 24 * 60), spanish)).toBe('5 días');
    expect(sayQuantity(between(temp(57), temp(21)), spanish)).toBe('57 a 21 °C');
    const parts = listOf([say('good.wholeMilk'), say('good.cream')]);
    expect(renderText(say('stages.blend.weighIntoPot', { parts }), spanish)).toBe(
      'Pese leche entera y nata en la olla.',
    );
  });
});
