import { english, LANGUAGES, renderText } from '@oat-crock/messages';
import { METRIC } from '../units/system.js';
import { askedFor, type LotLeft } from './asked-for.js';
import { findWords } from './find-words.js';
import type { StockLot } from '../lots/lot.js';

const lot = (name: string, kind: StockLot['kind'], useBy: string, more: Partial<StockLot> = {}): LotLeft => ({
  lot: {
    id: name,
    kind,
    name,
    amount: 5000,
    countedMs: 0,
    pack: null,
    price: 1,
    useBy,
    note: '',
    material: { fatPct: 4, proteinPct: 3.3, caseinShare: 0.8, lactosePct: 4.8, mineralsPct: 0.7 } as never,
    treatment: '72C-15s',
    species: 'cow',
    homogenised: false,
    stabilised: false,
    freshPh: null,
    allergen: null,
    ...more,
  },
  leftG: 4200,
});
const LOTS = [
  lot('Ferry cream, small packs', 'cream', '2026-06-01'),
  lot('Skimmed-off cream', 'cream', '2026-05-03'),
  lot('Evening milk, near meadow', 'milk', '2026-05-04', { treatment: 'raw' }),
  lot('Goats’ milk, upper path', 'milk', '2026-05-05', { species: 'goat' }),
];
const ENGLISH = findWords(english);
const read = (line: string, by = ENGLISH) => {
  const { lot: meant, ...rest } = askedFor(line, LOTS, by);
  return { ...rest, lot: meant?.lot.name ?? null, leftG: meant && Math.round(meant.leftG) };
};
const NOTHING = {
  lot: null,
  leftG: null,
  atHand: [],
  withinH: null,
  by: null,
  absent: [],
  foods: [],
  corrected: [],
  words: '',
};

describe('a line of what is at hand and what is wanted', () => {
  it('is read as milk, time and what is not there', () => {
    expect(read('2 L cream near its date, no thermostat, 5 hours')).toEqual({
      ...NOTHING,
      lot: 'Skimmed-off cream',
      leftG: 2060,
      withinH: 5,
      absent: ['thermostat'],
    });
  });

  it('takes the lot that most of its words are of', () => {
    expect(read('3 kg of goats milk').lot).toBe('Goats’ milk, upper path');
    expect(read('1,5 kg goat milk in 2 days')).toEqual(
      jasmine.objectContaining({ lot: 'Goats’ milk, upper path', leftG: 1500, withinH: 48 }),
    );
    expect(read('4 lb ferry cream')).toEqual(
      jasmine.objectContaining({ lot: 'Ferry cream, small packs', leftG: 1814 }),
    );
    expect(read('2 qt raw milk').lot).toBe('Evening milk, near meadow');
    expect(read('evening milk')).toEqual(jasmine.objectContaining({ lot: 'Evening milk, near meadow', leftG: 4200 }));
  });

  it('takes no more than there is', () => {
    expect(read('50 kg milk').leftG).toBe(4200);
  });

  it('leaves the name of a make as words, where no amount says that something is at hand', () => {
    expect(read('cultured cream')).toEqual({ ...NOTHING, foods: ['cremeFraiche'] });
    expect(read('spoon butter 12 h')).toEqual(
      jasmine.objectContaining({ words: 'spoon', foods: ['butter'], withinH: 12, lot: null }),
    );
    expect(read('2 kg milk, soft curd').foods).toEqual(['ricotta']);
  });

  it('is read in the language of the house, its own example among others', async () => {
    const { tag, texts } = LANGUAGES.es;
    const spanish = { language: tag, texts: await texts(), units: METRIC, zone: 'UTC' };
    const by = findWords((text) => renderText(text, spanish));
    expect(read('2 L de nata, sin termostato, 5 horas', by)).toEqual({
      ...NOTHING,
      lot: 'Skimmed-off cream',
      leftG: 2060,
      withinH: 5,
      absent: ['thermostat'],
    });
    expect(read('1,5 kg de leche de cabra en 2 días', by)).toEqual(
      jasmine.objectContaining({ lot: 'Goats’ milk, upper path', leftG: 1500, withinH: 48 }),
    );
    expect(read('2 litros de leche cruda', by).lot).toBe('Evening milk, near meadow');
    expect(read('sin una yogurtera, cuajada blanda', by)).toEqual(
      jasmine.objectContaining({ absent: ['thermostat'], foods: ['ricotta'] }),
    );
  });

  it('says nothing where nothing is said', () => {
    expect(read('')).toEqual(NOTHING);
  });
});
