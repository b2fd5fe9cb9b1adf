import { cultured, onDay } from '../testing/cultured.js';
import { atMinute, logged, LOGGED_FROM_MS, type Line } from '../testing/logged.js';
import { giftOf, unclaimed } from './from-make.js';
import { culturesById } from './lineage.js';

const mother = cultured('MOTHER', 0, { generation: 2, name: 'Quay line' });
const all = culturesById([mother]);
const took: Line = [1, { type: 'took', lotId: 'MOTHER', massG: 80 }];
const end = (heldBackG: number | null): Line => [
  500,
  { type: 'finished', productG: 3000, wheyG: null, heldBackG, score: null },
];
const yogurt = (...lines: Line[]) => logged('scalded-yogurt', {}, [[370, 'chill']], lines);

describe('what a make gives its line', () => {
  it('is a generation on from what it took, born when it was put by', () => {
    const { lot, whole } = giftOf(yogurt(took), 'NEW', 120, onDay(30), all)!;
    expect([lot.generation, lot.parents, lot.name, lot.bornMs]).toEqual([3, ['MOTHER'], 'Quay line', atMinute(370)]);
    expect([lot.culture, lot.form, lot.origin, whole]).toEqual(['thermophilic', 'active', 'held back', false]);
  });

  it('begins a line of its own where it took of none that is known', () => {
    const { lot } = giftOf(yogurt(), 'NEW', 120, onDay(30), all)!;
    expect([lot.generation, lot.parents, lot.name]).toEqual([2, [], 'Pot']);
  });

  it('of a feeding is the whole; of kefir its grains, waiting in milk or at rest', () => {
    const fed = giftOf(logged('starter-feeding', {}, [], [took]), 'NEW', 480, onDay(30), all)!;
    expect([fed.whole, fed.lot.origin, fed.lot.bornMs]).toEqual([true, 'fed', onDay(30)]);
    const grains = (then: string) => giftOf(logged('grain-kefir', { then }, []), 'NEW', 55, onDay(30), all)!.lot;
    expect([grains('next milk').form, grains('next milk').stays[0]!.store]).toEqual(['grains', 'room']);
    expect(grains('rest').stays[0]!.store).toBe('cold');
  });

  it('is nothing where nothing lives, or nothing was held back', () => {
    expect(giftOf(logged('acid-heat-curd', {}, []), 'NEW', 50, 0, all)).toBeNull();
    expect(giftOf(yogurt(), 'NEW', 0, 0, all)).toBeNull();
  });

  it('is waited for until it stands among the cultures', () => {
    const make = yogurt(end(120));
    expect(unclaimed([make, yogurt(end(null)), yogurt()], [])).toEqual([make]);
    expect(unclaimed([make], [cultured('A', 0, { from: make.id })])).toEqual([]);
    expect(make.startedMs).toBe(LOGGED_FROM_MS);
  });
});
