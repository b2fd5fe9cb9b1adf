import { english } from '@oat-crock/messages';
import { referenceStock } from '../materials/reference-materials.js';
import { makeSheet } from '../make/sheet.js';
import { METHODS, methodById } from '../methods/index.js';
import { materialOf } from '../materials/materials.js';
import { findMakes, type Wanted } from './find-makes.js';
import { stockOfLot, type StockLot } from '../lots/lot.js';

const FEW = { members: 30, seed: 1, fanPoints: 2 };
const ANYTHING: Wanted = { lot: null, atHand: [], withinH: null, absent: [], foods: [], startMs: 0, gear: [] };
const find = (wanted: Partial<Wanted>) => findMakes(METHODS, { ...ANYTHING, ...wanted });

const cream: StockLot = {
  id: '01J0000000000000000000000A',
  kind: 'cream',
  name: 'Cream near its date',
  amount: 2000,
  countedMs: 0,
  pack: null,
  price: 6,
  useBy: null,
  note: '',
  material: materialOf(referenceStock('cream-36')),
  treatment: '72C-15s',
  species: 'cow',
  homogenised: false,
  stabilised: false,
  freshPh: null,
  allergen: null,
};

describe('what to make', () => {
  it('is any make of the house where nothing is said, and each does', () => {
    const found = find({});
    expect(found.map((f) => f.methodId).sort()).toEqual(METHODS.map((m) => m.id).sort());
    expect(found.filter((f) => f.against !== '')).toEqual([]);
    for (const f of found) expect(f.productG).withContext(f.methodId).toBeGreaterThan(0);
  });

  it('has the soonest ready first, and what would not do last, with the reason', () => {
    const found = find({ withinH: 12 });
    const does = found.filter((f) => f.against === '');
    expect(does.length).toBeGreaterThan(0);
    expect(does.every((f) => f.totalMin <= 12 * 60)).toBeTrue();
    expect(found.slice(0, does.length)).toEqual(does);
    expect(does.map((f) => f.totalMin)).toEqual(does.map((f) => f.totalMin).sort((a, b) => a - b));
    for (const f of found.slice(does.length)) expect(english(f.against)).toContain('12 h');
  });

  it('counts hands that fall while everybody sleeps', () => {
    const night = { from: 22, to: 7 };
    const hour = (ms: number) => (ms / 3_600_000) % 24;
    const wake = (ms: number) => {
      const h = hour(ms);
      if (h >= night.to && h < night.from) return ms;
      return ms + ((night.to - h + 24) % 24) * 3_600_000;
    };
    const at = (h: number) =>
      findMakes(METHODS, { ...ANYTHING, startMs: h * 3_600_000 }, { wake }).find(
        (f) => f.methodId === 'scalded-yogurt',
      )!;
    expect(find({}).every((f) => f.nightHands === 0)).toBeTrue();
    expect(at(8).nightHands).toBe(0);
    expect(at(23).nightHands).toBeGreaterThan(2);
  });

  it('of a cream uses it up, no richer than it is, in gear that holds it', () => {
    const found = find({ lot: { lot: cream, leftG: 2000 } });
    expect(found.map((f) => f.methodId).sort()).toEqual([
      'cultured-butter',
      'cultured-cream',
      'scalded-cream',
      'thick-cream',
    ]);
    for (const { methodId, choices, against } of found) {
      expect(english(against)).withContext(methodId).toBe('');
      const stocks = [stockOfLot(cream)];
      const sheet = makeSheet(methodById(methodId), choices, FEW, { stocks });
      const own = sheet.amounts.find((a) => a.lotId === cream.id)!;
      expect(own.massG).withContext(methodId).toBeGreaterThan(1900);
      expect(own.massG).withContext(methodId).toBeLessThanOrEqual(2001);
      expect(sheet.amounts.filter((a) => a.stockId !== null).length)
        .withContext(methodId)
        .toBe(1);
    }
  });

  it('without a thermostat is kept warm some other way', () => {
    const yogurt = find({ absent: ['thermostat'] }).filter((f) => f.methodId === 'scalded-yogurt');
    expect(yogurt.map((f) => f.methodId)).toContain('scalded-yogurt');
    for (const f of yogurt) expect(f.choices['keeper']).not.toBe('thermostat');
  });
});
