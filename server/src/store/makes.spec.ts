import { check, makesSchema, type MakesAsked } from '@oat-crock/contract';
import type { Entry, EntryBody } from '@oat-crock/core';
import { ulid } from 'ulid';
import { demoLots } from '../demo/larder.js';
import type { Kitchen } from '../kitchen.js';
import { entryOf, testKitchen } from '../testing/kitchen.js';
import { pageLog } from '../ledger/page-log.js';
import { connected } from '../ledger/connected.js';

const DAY = 86_400_000;
const MAY_2 = Date.UTC(2026, 4, 2, 8);

let kitchen: Kitchen;
beforeEach(() => ({ kitchen } = testKitchen(true)));
afterEach(() => kitchen.db.close());

/** A make of a yogurt, begun so many days after 2 May; it is done half a day later where a mass is given. */
function make(name: string, day: number, productG: number | null, ...more: readonly EntryBody[]): string {
  const startMs = MAY_2 + day * DAY;
  const id = ulid(startMs);
  const started: EntryBody = { type: 'started', methodId: 'scalded-yogurt', choices: {}, name };
  const done: EntryBody[] =
    productG === null ? [] : [{ type: 'finished', productG, wheyG: null, heldBackG: null, score: null, pots: 4 }];
  const log = [started, ...done, ...more].map((body, i) => entryOf(id, body, startMs + (i === 0 ? 0 : DAY / 2 + i)));
  kitchen.entries.append(log);
  return id;
}

const asked = (query: object): MakesAsked => check(makesSchema, query);
const namesOf = (query: object) => kitchen.makes.find(asked(query)).makes.map(({ name }) => name);
const OUT: EntryBody = { type: 'issued', how: 'sold', pots: 4, to: 'The Quay Market' };

describe('what the ledger knows of makes', () => {
  it('is found by the beginnings of any words said of it, in either language, all of them, whatever their marks', () => {
    const id = make('Brúma pots', 0, 1200, { type: 'note', text: 'Crème from the upper path.' }, OUT);
    make('Others', 300, 1200, { type: 'cue', cue: 'taste', answer: 'sour' });
    for (const find of [
      'bruma',
      'BRÚ',
      'creme upp',
      'quay mark',
      'yogur',
      'mayo 2026',
      '2 may',
      '260502',
      id.slice(-4),
    ])
      expect(namesOf({ find })).withContext(find).toContain('Brúma pots');
    for (const find of ['pots', '2026-05-02', 'path creme'])
      expect(namesOf({ find })).withContext(find).toEqual(['Brúma pots']);
    expect(namesOf({ find: 'bruma others' })).toEqual([]);
    kitchen.entries.append([entryOf(id, { type: 'complaint', fault: 'stringy' }, MAY_2 + DAY)]);
    for (const find of ['stringy', 'hebras']) expect(namesOf({ find })).withContext(find).toEqual(['Brúma pots']);
    for (const find of ['" OR words:', '*', '(', 'NEAR/2', "'; DROP"]) expect(() => namesOf({ find })).not.toThrow();
    expect(namesOf({ find: '***' }).length).toBe(2);
  });

  it('is filtered by all that is asked for, at the edges of a stretch of time too', () => {
    make('Here', 0, 1200);
    make('Gone', 1, 1200, OUT);
    make('On', 2, null);
    make('Held', 3, 1200, { type: 'held', by: 'Ine', reason: 'smells' });
    make('Thrown', 4, null, { type: 'discarded', reason: 'spilt' });
    expect(namesOf({ descending: false })).toEqual(['Here', 'Gone', 'On', 'Held', 'Thrown']);
    expect(namesOf({ states: 'here,held' })).toEqual(['Held', 'Here']);
    expect(namesOf({ states: ['on'] })).toEqual(['On']);
    expect(namesOf({ fromMs: MAY_2 + DAY, untilMs: MAY_2 + 2 * DAY })).toEqual(['Gone']);
    expect(namesOf({ methodId: 'quark' })).toEqual([]);
    expect(kitchen.makes.find(asked({ find: 'yogurt', take: 2, skip: 1 }))).toEqual(
      jasmine.objectContaining({ found: 5, all: 5, makes: [jasmine.any(Object), jasmine.any(Object)] }),
    );
  });

  it('is sorted by any figure either way, what has none last', () => {
    const scored = (taste: number) => ({ sourness: 3, thickness: 3, smoothness: 3, taste });
    const body = (taste: number | null): EntryBody => ({
      type: 'finished',
      productG: 1000 * (taste ?? 2),
      wheyG: null,
      heldBackG: null,
      score: taste === null ? null : scored(taste),
    });
    make('Good', 0, null, body(5));
    make('Unmarked', 1, null, body(null));
    make('Fair', 2, null, body(3));
    expect(namesOf({ sort: 'taste' })).toEqual(['Good', 'Fair', 'Unmarked']);
    expect(namesOf({ sort: 'taste', descending: false })).toEqual(['Fair', 'Good', 'Unmarked']);
    expect(namesOf({ sort: 'made' })).toEqual(['Good', 'Fair', 'Unmarked']);
    expect(namesOf({ sort: 'name', descending: false })).toEqual(['Fair', 'Good', 'Unmarked']);
    expect(namesOf({ taste: 4 })).toEqual(['Good']);
  });

  it('follows the log: what goes out, what is put right, what a lot is called by now', () => {
    const id = make('Pots', 0, 1200);
    const found = () => kitchen.makes.find(asked({})).makes[0]!;
    expect([found().here, found().state]).toEqual([4, 'here']);
    const sold = entryOf(id, OUT, MAY_2 + DAY);
    kitchen.entries.append([sold]);
    expect([found().here, found().state]).toEqual([0, 'gone']);
    expect(namesOf({ find: 'quay' })).toEqual(['Pots']);
    kitchen.entries.append([entryOf(id, { type: 'correction', replaces: sold.id, body: null }, MAY_2 + DAY)]);
    expect([found().here, found().state]).toEqual([4, 'here']);
    expect(namesOf({ find: 'quay' })).toEqual([]);
  });

  it('is worked out anew where it is behind, and a record that cannot be read keeps no other from it', () => {
    make('Pots', 0, 1200);
    kitchen.db.exec('DELETE FROM make; DELETE FROM make_words; DELETE FROM make_link');
    const bad: Entry = entryOf(ulid(), { type: 'started', methodId: 'no such method', choices: {}, name: 'Bad' });
    kitchen.entries.append([bad]);
    expect(namesOf({})).toEqual([]);
    expect(kitchen.makes.catchUp()).toBe(2);
    expect(namesOf({ find: 'pots' })).toEqual(['Pots']);
    kitchen.db.exec(`UPDATE make SET form = 'of old', name_key = 'wrong'`);
    kitchen.makes.catchUp();
    expect(kitchen.db.prepare('SELECT name_key FROM make').pluck().all()).toEqual(['pots']);
  });

  it('tells a page what is on, here or held and the newest; of all others only what they took', () => {
    const [first] = demoLots(MAY_2, 'UTC').map((lot) => ({ ...lot, countedMs: MAY_2 }));
    const lot = first!.id;
    kitchen.lots.save(first!, 0);
    const forOrder = { ...OUT, occurrenceId: 'an order 2026-05-03' };
    const old = make('Old, gone', 0, 1200, { type: 'took', lotId: lot, massG: 700 }, forOrder);
    const oldHere = make('Old, here', 1, 1200, { type: 'took', lotId: lot, massG: 50 });
    for (let n = 0; n < 38; n++) make(`Gone ${n}`, 2 + n, 1200, OUT);
    const told = () => new Set(pageLog(kitchen.entries, kitchen.makes, 0).map(({ batchId }) => batchId));
    expect([told().size, told().has(old), told().has(oldHere)]).toEqual([40, true, true]);
    expect(kitchen.makes.past()).toEqual({ count: 0, taken: [], delivered: [] });
    make('One more', 200, 1200, OUT);
    make('And one', 201, 1200, OUT);
    expect([told().size, told().has(old), told().has(oldHere)]).toEqual([41, false, true]);
    expect(kitchen.makes.past()).toEqual({
      count: 1,
      taken: [{ lotId: lot, massG: 700, atMs: MAY_2 + DAY / 2 + 2 }],
      delivered: [{ occurrenceId: 'an order 2026-05-03', massG: 1200 }],
    });
    kitchen.lots.save({ ...first!, countedMs: MAY_2 + DAY }, 1);
    expect(kitchen.makes.past().taken).toEqual([]);
    const seq = kitchen.entries.byHandSince(0).at(-1)!.seq;
    kitchen.entries.append([entryOf(old, { type: 'note', text: 'Late' }, MAY_2 + 9 * DAY)]);
    expect(pageLog(kitchen.entries, kitchen.makes, seq).map((e) => e.body.type)).toEqual(['note']);
  });

  it('knows the makes that something is connected with, both ways, and nothing beside', () => {
    const [milk, other] = ['01J00000000000000000000001', '01J00000000000000000000002'];
    const one = make('One', 0, 1200, { type: 'took', lotId: milk, massG: 700 }, OUT);
    const two = make('Two', 1, 1200, { type: 'took', lotId: milk, massG: 700 });
    make('Apart', 2, 1200, { type: 'took', lotId: other, massG: 700 });
    const ids = (id: string) => [...new Set(connected(kitchen, id).entries.map((e) => e.batchId))];
    expect(ids(milk)).toEqual([one, two]);
    expect(ids('receiver:the quay market')).toEqual([one]);
    expect(ids(two)).toEqual([two]);
    // What was made of some of it is connected with its milk, and with it from its own side.
    const [some] = demoLots(MAY_2, 'UTC');
    kitchen.lots.save({ ...some!, id: '01J00000000000000000000003', from: two }, 0);
    const onward = make('Of one', 3, 900, { type: 'took', lotId: '01J00000000000000000000003', massG: 300 });
    expect(ids(milk)).toEqual([one, two, onward]);
    expect(ids(onward)).toEqual([two, onward]);
    expect(connected(kitchen, 'nothing')).toEqual({ entries: [], makes: 0, told: 0 });
  });
});
