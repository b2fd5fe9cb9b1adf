import { english, LANGUAGES, renderText } from '@oat-crock/messages';
import { METRIC } from '../units/system.js';
import { METHODS } from '../methods/index.js';
import { askedFor, type AskedFor } from './asked-for.js';
import { findMakes } from './find-makes.js';
import { findWords, type FindWords } from './find-words.js';
import { FOOD_IDS, makesOf } from './food-names.js';

const ENGLISH = findWords(english);
const short = ({ foods, atHand, withinH, by, absent, words, corrected }: AskedFor) =>
  [
    ...foods,
    ...atHand.map(({ kind, massG }) => (massG === null ? kind : `${Math.round(massG)} g ${kind}`)),
    ...(withinH === null ? [] : [`${withinH} h`]),
    ...(by ? [`by ${by.hour}${by.days ? ' tomorrow' : ''}`] : []),
    ...absent.map((id) => `no ${id}`),
    ...corrected.map(({ from, to }) => `${from}>${to}`),
    ...(words ? [`? ${words}`] : []),
  ].join('; ');
const read = (line: string, by: FindWords = ENGLISH) => short(askedFor(line, [], by));

/** Lines as people type them in an empty dairy, and what is understood of them. */
const LINES: readonly (readonly [string, string])[] = [
  ['greek yogurt', 'greekYogurt'],
  ['Greek yoghurt', 'greekYogurt'],
  ['thick greek-style yogurt', 'greekYogurt; ? thick'],
  ['labneh', 'labneh'],
  ['skyr-like', 'skyr'],
  ['ricotta', 'ricotta'],
  ['paneer for tonight', 'paneer; by 21'],
  ['mascarpone by 7 pm', 'mascarpone; by 19'],
  ['crème fraîche', 'cremeFraiche'],
  ['creme fraiche', 'cremeFraiche'],
  ['sour cream', 'sourCream'],
  ['clotted cream', 'clottedCream'],
  ['quark', 'quark'],
  ['buttermilk', 'buttermilk'],
  ["farmer's cheese", 'farmersCheese'],
  ['farmers cheese', 'farmersCheese'],
  ['cottage cheese', 'cottageCheese'],
  ['cream cheese', 'creamCheese'],
  ['kefir', 'kefir'],
  ['butter', 'butter'],
  ['coconut yogurt', 'plantYogurt'],
  ['vegan yogurt', 'plantYogurt'],
  ['drinking yogurt', 'drinkingYogurt'],
  ['yogurt cheese', 'yogurtCheese'],
  ['some plain yogurt', 'yogurt'],
  ['yogrt', 'yogurt; yogrt>yogurt'],
  ['yoghrut', 'yogurt; yoghrut>yoghurt'],
  ['ricota', 'ricotta; ricota>ricotta'],
  ['mascarponi', 'mascarpone; mascarponi>mascarpone'],
  ['labnehh', 'labneh; labnehh>labneh'],
  ['2 L milk', '2060 g milk'],
  ['2 qt of milk', '1949 g milk'],
  ['half a gallon of milk', '1949 g milk'],
  ['a litre of cream', '1030 g cream'],
  ['3 litres of milk and half a litre of cream', '3090 g milk; 515 g cream'],
  ['2 kg milk, 500 g cream', '2000 g milk; 500 g cream'],
  ['leftover whey', 'whey'],
  ['5 L whey', '5150 g whey'],
  ['milk', 'milk'],
  ['cream', 'cream'],
  ['I have milk and cream', 'milk; cream'],
  ['1 gallon raw milk', '3899 g milk; ? raw'],
  ['something in 5 hours', '5 h'],
  ['ready in 90 minutes', '1.5 h'],
  ['in two days', '48 h'],
  ['for breakfast', 'by 7'],
  ['by tomorrow morning', 'by 7 tomorrow'],
  ['tomorrow evening', 'by 19 tomorrow'],
  ['ready by 6:30 pm', 'by 18.5'],
  ['before 18:00', 'by 18'],
  ['tonight', 'by 21'],
  ['yogurt for breakfast tomorrow', 'yogurt; by 7 tomorrow'],
  ['no thermometer', 'no thermometer'],
  ['without a thermometer', 'no thermometer'],
  ['no yogurt maker', 'no thermostat'],
  ['no rennet', 'no rennet'],
  ['cream cheese without rennet', 'creamCheese; no rennet'],
  ['cheese, no rennet, no lemon', 'freshCheese; no rennet; no acid'],
  ['butter without a mixer', 'butter; no mixer'],
  ['no cheesecloth', 'no cloth'],
  ['no starter', 'no starter'],
  ['yogurt without heating', 'easyYogurt'],
  ['no oven, no thermostat', 'no thermostat; no oven'],
  ['no thermometr', 'no thermometer; thermometr>thermometer'],
  ['2 pints milk, no thermostat, ready in 6 h', '1171 g milk; 6 h; no thermostat'],
  ['quick ricotta from 2 L milk', 'ricotta; 2060 g milk'],
  ['zabaglione', '? zabaglione'],
  ['cheddar', '? cheddar'],
  ['cloud cheese', 'freshCheese; ? cloud'],
  ['', ''],
];

const SPANISH: readonly (readonly [string, string])[] = [
  ['yogur griego', 'greekYogurt'],
  ['yogur grieg', 'greekYogurt; grieg>griego'],
  ['requesón', 'ricotta'],
  ['requeson sin cuajo', 'ricotta; no rennet'],
  ['queso crema para esta tarde', 'creamCheese; by 16'],
  ['2 litros de leche', '2060 g milk'],
  ['litro y medio de leche', '1545 g milk'],
  ['mantequilla sin batidora', 'butter; no mixer'],
  ['sin termómetro', 'no thermometer'],
  ['listo en 5 horas', '5 h'],
  ['nata agria', 'sourCream'],
  ['kéfir', 'kefir'],
];

describe('a line as somebody types it', () => {
  for (const [line, expected] of LINES) {
    it(`"${line}" is ${expected || 'nothing'}`, () => expect(read(line)).toBe(expected));
  }

  it('is read in Spanish as well', async () => {
    const { tag, texts } = LANGUAGES.es;
    const spanish = { language: tag, texts: await texts(), units: METRIC, zone: 'UTC' };
    const by = findWords((text) => renderText(text, spanish));
    for (const [line, expected] of SPANISH) expect(read(line, by)).withContext(line).toBe(expected);
    const { atHand } = askedFor('1.500 g de leche', [], by, { units: METRIC, decimal: ',' });
    expect(atHand).toEqual([{ kind: 'milk', massG: 1500 }]);
  });
});

describe('what is found by a line', () => {
  const found = (line: string) => {
    const { atHand, withinH, absent, foods } = askedFor(line, [], ENGLISH);
    return findMakes(METHODS, { lot: null, atHand, withinH, absent, foods, startMs: 0, gear: [] });
  };
  const does = (line: string) => found(line).filter((f) => f.against === '');

  it('is a make of the house for every food that is known, decided as that food is', () => {
    for (const id of FOOD_IDS) {
      for (const { methodId, choices } of makesOf(id)) {
        expect(METHODS.map((m) => m.id))
          .withContext(id)
          .toContain(methodId);
        expect(typeof choices).toBe('object');
      }
    }
    const [skyr] = does('skyr');
    expect(skyr!.methodId).toBe('strained-yogurt');
    expect(skyr!.choices).toEqual(jasmine.objectContaining({ texture: 'very-thick', milk: 'skimmed' }));
    expect(does('greek yogurt')[0]!.choices['milk']).toBeUndefined();
    expect(does('paneer')[0]!.choices).toEqual(jasmine.objectContaining({ texture: 'dry-curd' }));
  });

  it('is of the milk and the cream that were said', () => {
    const [ricotta] = does('ricotta from 2 L milk');
    expect(ricotta!.choices['massG']).toBeCloseTo(2060, 6);
    const cheese = does('cream cheese of 3 litres of milk and half a litre of cream').find(
      (f) => f.methodId === 'cream-cheese',
    )!;
    expect(cheese.choices['massG']).toBeCloseTo(3605, 6);
    expect(cheese.choices['blendBy']).toBe('fat');
    expect(does('1 L cream').every((f) => f.choices['massG'] === 1030)).toBeTrue();
    expect(does('5 L whey').map((f) => f.methodId)).toEqual(['acid-heat-curd']);
  });

  it('does without what is not there, or says what it wants', () => {
    const cheese = does('cream cheese, no rennet');
    expect(cheese.map((f) => f.methodId)).toContain('cream-cheese');
    for (const f of cheese.filter((c) => c.methodId.endsWith('cream-cheese'))) expect(f.choices['rennet']).toBe('none');
    expect(does('butter without a mixer').map((f) => f.choices['device'])).toEqual(['jar']);
    const noThermometer = found('no thermometer');
    for (const f of noThermometer.filter((m) => m.against === ''))
      expect([
        'room-yogurt',
        'cold-start-yogurt',
        'grain-kefir',
        'live-kefir',
        'clabber',
        'cultured-cream',
        'cultured-butter',
        'strained-yogurt',
        'yogurt-cheese',
        'plant-yogurt',
      ])
        .withContext(f.methodId)
        .toContain(f.methodId);
    expect(english(noThermometer.find((f) => f.methodId === 'scalded-yogurt')!.against)).toBe(
      'It wants a thermometer.',
    );
    expect(does('no starter').map((f) => f.methodId)).toContain('acid-heat-curd');
    expect(does('no starter').map((f) => f.methodId)).not.toContain('scalded-yogurt');
  });

  it('is eaten within the hours that were said', () => {
    const [first] = does('ricotta in 5 hours');
    expect(first!.totalMin).toBeLessThanOrEqual(300);
    expect(does('greek yogurt in 5 hours')).toEqual([]);
  });
});
