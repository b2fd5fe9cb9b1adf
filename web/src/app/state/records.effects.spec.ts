import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import type { Kept } from '@oat-crock/contract/api';
import { methodById, type Lot } from '@oat-crock/core';
import { english, inEnglish } from '@oat-crock/messages';
import { newLot } from '../places/larder/new-records';
import { ClockActions } from './clock.feature';
import { recordsEffects } from './records.effects';
import { recordsFeature, RecordActions } from './records.feature';
import type { Draft, RecordFamily, RecordItem } from './record-writing';
import { RecordsClient, type Saved } from './records-client';
import { until } from '../testing/until';

const KEY = 'oat-crock.records.writing';
const ID = '01J0000000000000000000000A';
const NOW = Date.UTC(2026, 4, 2);
const lot = (more: object = {}): Draft => ({ ...newLot(ID, 'milk', NOW), ...more });

/** A server that answers as it is told, and remembers what it was asked. */
class Answers implements Pick<RecordsClient, 'save' | 'remove'> {
  readonly asked: unknown[] = [];
  next: Saved | null = null;
  /** While this is not settled, no save is answered. */
  hold: Promise<void> = Promise.resolve();
  save = async (family: RecordFamily, item: RecordItem, overVersion: number): Promise<Saved> => {
    this.asked.push(['save', family, item.id, overVersion]);
    await this.hold;
    return this.next ?? { kind: 'saved', kept: { version: overVersion + 1, goneMs: null, item } };
  };
  remove = (family: RecordFamily, id: string, overVersion: number): Promise<Saved> => {
    this.asked.push(['remove', family, id, overVersion]);
    return Promise.resolve(this.next!);
  };
}

function open() {
  const answers = new Answers();
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideStore({ [recordsFeature.name]: recordsFeature.reducer }),
      provideEffects(recordsEffects),
      { provide: RecordsClient, useValue: answers },
    ],
  });
  const store = TestBed.inject(Store);
  const state = store.selectSignal(recordsFeature.selectRecordsState);
  return { store, answers, state, everyLot: store.selectSignal(recordsFeature.selectLots) };
}
/** A promise, and what settles it. */
function held(): { readonly settles: Promise<void>; readonly go: () => void } {
  let go: () => void = () => undefined;
  return { settles: new Promise<void>((settle) => (go = settle)), go };
}
const kept = (draft: Draft, version: number, goneMs: number | null = null) =>
  ({ version, goneMs, item: draft as unknown as Lot }) satisfies Kept<Lot>;

describe('writing into the larder', () => {
  beforeEach(() => localStorage.removeItem(KEY));
  afterEach(() => localStorage.removeItem(KEY));

  it('checks by the server’s own schema first: what is wrong is never sent', async () => {
    const { store, answers, state } = open();
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ amount: null }), overVersion: 0 }));
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => state().writing[ID]!.errors.length > 0);
    expect(answers.asked).toEqual([]);
    expect(state().writing[ID]!.errors.map((e) => e.field)).toEqual(['amount']);
  });

  it('is saved over the version that was read, and put away then', async () => {
    const { store, answers, state, everyLot } = open();
    store.dispatch(RecordActions.received({ records: { lots: [kept(lot(), 4)] } }));
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name: 'Ours' }), overVersion: 4 }));
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => everyLot()[ID]!.version === 5);
    expect(answers.asked).toEqual([['save', 'lots', ID, 4]]);
    expect(everyLot()[ID]!.item.name).toBe('Ours');
    expect(state().writing).toEqual({});
  });

  it('keeps what was written where somebody else was first, or the server is away', async () => {
    const { store, answers, state, everyLot } = open();
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name: 'Ours' }), overVersion: 1 }));
    answers.next = { kind: 'conflicted', theirs: kept(lot({ name: 'Theirs' }), 2) };
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => state().writing[ID]!.theirs?.version === 2);
    expect(state().writing[ID]!.draft['name']).toBe('Ours');
    expect(everyLot()[ID]!.item.name).toBe('Theirs');
    answers.next = { kind: 'refused', errors: [{ field: '', message: 'Away.', remedy: 'Again.' }] };
    store.dispatch(RecordActions.kept({ id: ID }));
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => state().writing[ID]!.errors[0]?.message === 'Away.');
    expect(answers.asked.at(-1)).toEqual(['save', 'lots', ID, 2]);
  });

  it('loses nothing that is written while an answer is on its way, and saves it over that when asked', async () => {
    const { store, answers, state, everyLot } = open();
    const { settles, go } = held();
    answers.hold = settles;
    const write = (name: string) =>
      store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name }), overVersion: 0 }));
    write('First');
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => answers.asked.length === 1);
    write('Second');
    go();
    await until(() => everyLot()[ID]?.item.name === 'First');
    expect(state().writing[ID]).toEqual(jasmine.objectContaining({ overVersion: 1, wanted: false }));
    expect(state().writing[ID]!.draft.name).toBe('Second');

    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => everyLot()[ID]!.item.name === 'Second');
    expect(answers.asked).toEqual([
      ['save', 'lots', ID, 0],
      ['save', 'lots', ID, 1],
    ]);
    expect(state().writing).toEqual({});
  });

  it('makes the second save that was asked for during the first', async () => {
    const { store, answers, state, everyLot } = open();
    const { settles, go } = held();
    answers.hold = settles;
    for (const name of ['First', 'Second']) {
      store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name }), overVersion: 0 }));
      store.dispatch(RecordActions.saveWanted({ id: ID }));
      await until(() => answers.asked.length === 1);
    }
    go();
    await until(() => everyLot()[ID]?.item.name === 'Second');
    expect(answers.asked).toEqual([
      ['save', 'lots', ID, 0],
      ['save', 'lots', ID, 1],
    ]);
    expect(state().writing).toEqual({});
  });

  it('sends what was to be saved again once the server answers', async () => {
    const { store, answers, state } = open();
    answers.next = { kind: 'unreachable', errors: [{ field: '', message: 'Away.', remedy: 'Kept.' }] };
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name: 'Ours' }), overVersion: 0 }));
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => state().writing[ID]!.errors.length > 0);
    expect(state().writing[ID]).toEqual(
      jasmine.objectContaining({ wanted: true, errors: [jasmine.objectContaining({ message: 'Away.' })] }),
    );
    answers.next = null;
    store.dispatch(ClockActions.lineOpen());
    await until(() => Object.keys(state().writing).length === 0);
    expect(answers.asked.length).toBe(2);
  });

  it('sends what was to be saved when the page is opened again, and nothing else', async () => {
    const { store, answers } = open();
    answers.hold = new Promise<void>(() => undefined);
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name: 'Ours' }), overVersion: 0 }));
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    const half = { ...lot({ name: 'Half' }), id: ID.replace(/A$/, 'B') };
    store.dispatch(RecordActions.edited({ family: 'lots', draft: half, overVersion: 0 }));
    const later = open();
    await until(() => later.everyLot()[ID]?.item.name === 'Ours');
    expect(Object.values(later.state().writing).map(({ draft }) => draft)).toEqual([half]);
    // Saves go one after the other: had the half one been asked for, it would stand before this.
    later.store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name: 'Last' }), overVersion: 1 }));
    later.store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => later.everyLot()[ID]?.item.name === 'Last');
    expect(later.answers.asked).toEqual([
      ['save', 'lots', ID, 0],
      ['save', 'lots', ID, 1],
    ]);
  });

  it('takes a draft that waits for its answer as saved where the server is found to have it', () => {
    const { store, state } = open();
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name: 'Ours' }), overVersion: 0 }));
    const told = RecordActions.received({ records: { lots: [kept(lot({ name: 'Ours' }), 1)] } });
    store.dispatch(told);
    expect(Object.keys(state().writing)).withContext('not asked to be saved').toEqual([ID]);
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    store.dispatch(told);
    expect(state().writing).toEqual({});
  });

  it('takes away and brings back over the version that stands', async () => {
    const { store, answers, everyLot } = open();
    store.dispatch(RecordActions.received({ records: { lots: [kept(lot(), 3)] } }));
    answers.next = { kind: 'saved', kept: kept(lot(), 4, NOW) };
    store.dispatch(RecordActions.removeWanted({ family: 'lots', id: ID }));
    await until(() => store.selectSignal(recordsFeature.selectLotsHere)().length === 0);
    answers.next = null;
    store.dispatch(RecordActions.restoreWanted({ family: 'lots', id: ID }));
    await until(() => everyLot()[ID]!.version === 5);
    expect(answers.asked).toEqual([
      ['remove', 'lots', ID, 3],
      ['save', 'lots', ID, 4],
    ]);
    expect(everyLot()[ID]!.goneMs).toBeNull();
  });

  it('says what could not be taken away, and leaves it standing', async () => {
    const { store, answers, state } = open();
    const lots = store.selectSignal(recordsFeature.selectLotsHere);
    store.dispatch(RecordActions.received({ records: { lots: [kept(lot({ name: 'Ours' }), 3)] } }));
    answers.next = { kind: 'unreachable', errors: [{ field: '', message: 'Away.', remedy: 'It is kept and saved.' }] };
    store.dispatch(RecordActions.removeWanted({ family: 'lots', id: ID }));
    await until(() => state().stays.length === 1);
    expect(lots().length).toBe(1);
    const errors = [{ field: '', message: 'The server did not answer.', remedy: 'Do it again in a moment.' }];
    expect(inEnglish(state().stays)).toEqual([{ id: ID, name: 'Ours', wanted: 'taken away', errors }]);

    // Somebody else has written it meanwhile: theirs is shown, and it is theirs that is taken away when asked again.
    answers.next = { kind: 'conflicted', theirs: kept(lot({ name: 'Theirs' }), 4) };
    store.dispatch(RecordActions.removeWanted({ family: 'lots', id: ID }));
    expect(state().stays).toEqual([]);
    await until(() => state().stays.length === 1);
    expect(lots()[0]!.name).toBe('Theirs');
    expect(english(state().stays[0]!.errors[0]!.message)).toContain('Somebody else');
    answers.next = { kind: 'saved', kept: kept(lot(), 5, NOW) };
    store.dispatch(RecordActions.removeWanted({ family: 'lots', id: ID }));
    await until(() => lots().length === 0);
    expect(state().stays).toEqual([]);
    expect(answers.asked.at(-1)).toEqual(['remove', 'lots', ID, 4]);
  });

  it('tries a method of one’s own on the engine before it is sent', async () => {
    const { store, answers, state } = open();
    const empty = { ...methodById('scalded-yogurt'), id: ID, stages: [{ id: 'a', kind: 'rest', params: {} }] };
    store.dispatch(RecordActions.edited({ family: 'methods', draft: empty as unknown as Draft, overVersion: 0 }));
    store.dispatch(RecordActions.saveWanted({ id: ID }));
    await until(() => state().writing[ID]!.errors.length > 0);
    expect(answers.asked).toEqual([]);
    expect(state().writing[ID]!.errors[0]!.remedy).toContain('blend, base or bought');
  });

  it('is there again after the page was closed; rubbish that was kept is not', async () => {
    const { store } = open();
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot({ name: 'Half' }), overVersion: 2 }));
    expect(open().state().writing[ID]).toEqual(jasmine.objectContaining({ family: 'lots', overVersion: 2 }));
    for (const rubbish of ['soup', 'null', '{"a":1}', '{"a":{"family":"moons","draft":{"id":"x"},"overVersion":1}}']) {
      localStorage.setItem(KEY, rubbish);
      expect(open().state().writing).withContext(rubbish).toEqual({});
    }
  });

  it('never lets older news overwrite newer', () => {
    const { store, everyLot } = open();
    store.dispatch(RecordActions.received({ records: { lots: [kept(lot({ name: 'New' }), 7)] } }));
    store.dispatch(RecordActions.received({ records: { lots: [kept(lot({ name: 'Old' }), 6)] } }));
    expect(everyLot()[ID]!.item.name).toBe('New');
  });
});
