import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import type { Family, Kept, KeptItem } from '@oat-crock/contract/wire';
import { methodById, type Lot } from '@oat-crock/core';
import { newLot } from '../larder/new-records';
import { larderEffects } from './larder.effects';
import { larderFeature, LarderActions, type Draft } from './larder.feature';
import { LarderWire, type Saved } from './larder-wire';

const KEY = 'oat-crock.larder.writing';
const ID = '01J0000000000000000000000A';
const NOW = Date.UTC(2026, 4, 2);
const lot = (more: object = {}): Draft => ({ ...newLot(ID, 'milk', NOW), ...more });

/** A server that answers as it is told, and remembers what it was asked. */
class Answers implements Pick<LarderWire, 'save' | 'remove'> {
  readonly asked: unknown[] = [];
  next: Saved | null = null;
  save = (family: Family, item: KeptItem, overVersion: number): Promise<Saved> => {
    this.asked.push(['save', family, item.id, overVersion]);
    return Promise.resolve(this.next ?? { kind: 'saved', kept: { version: overVersion + 1, goneMs: null, item } });
  };
  remove = (family: Family, id: string, overVersion: number): Promise<Saved> => {
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
      provideStore({ [larderFeature.name]: larderFeature.reducer }),
      provideEffects(larderEffects),
      { provide: LarderWire, useValue: answers },
    ],
  });
  const store = TestBed.inject(Store);
  return { store, answers, state: store.selectSignal(larderFeature.selectLarderState) };
}
const soon = (ms = 30) => new Promise((done) => setTimeout(done, ms));
const kept = (draft: Draft, version: number, goneMs: number | null = null) =>
  ({ version, goneMs, item: draft as unknown as Lot }) satisfies Kept<Lot>;

describe('writing into the larder', () => {
  beforeEach(() => localStorage.removeItem(KEY));
  afterEach(() => localStorage.removeItem(KEY));

  it('checks by the server’s own schema first: what is wrong is never sent', async () => {
    const { store, answers, state } = open();
    store.dispatch(LarderActions.written({ family: 'lots', draft: lot({ amount: null }), overVersion: 0 }));
    store.dispatch(LarderActions.saveWanted({ id: ID }));
    await soon(200);
    expect(answers.asked).toEqual([]);
    expect(state().writing[ID]!.errors.map((e) => e.field)).toEqual(['amount']);
  });

  it('is saved over the version that was read, and put away then', async () => {
    const { store, answers, state } = open();
    store.dispatch(LarderActions.told({ larder: { lots: [kept(lot(), 4)] } }));
    store.dispatch(LarderActions.written({ family: 'lots', draft: lot({ name: 'Ours' }), overVersion: 4 }));
    store.dispatch(LarderActions.saveWanted({ id: ID }));
    await soon(200);
    expect(answers.asked).toEqual([['save', 'lots', ID, 4]]);
    expect(state().lots[ID]!.version).toBe(5);
    expect(state().lots[ID]!.item.name).toBe('Ours');
    expect(state().writing).toEqual({});
  });

  it('keeps what was written where somebody else was first, or the server is away', async () => {
    const { store, answers, state } = open();
    store.dispatch(LarderActions.written({ family: 'lots', draft: lot({ name: 'Ours' }), overVersion: 1 }));
    answers.next = { kind: 'overtaken', theirs: kept(lot({ name: 'Theirs' }), 2) };
    store.dispatch(LarderActions.saveWanted({ id: ID }));
    await soon(200);
    expect(state().writing[ID]!.draft['name']).toBe('Ours');
    expect(state().writing[ID]!.theirs!.version).toBe(2);
    expect(state().lots[ID]!.item.name).toBe('Theirs');
    answers.next = { kind: 'refused', errors: [{ field: '', message: 'Away.', remedy: 'Again.' }] };
    store.dispatch(LarderActions.kept({ id: ID }));
    store.dispatch(LarderActions.saveWanted({ id: ID }));
    await soon(200);
    expect(answers.asked.at(-1)).toEqual(['save', 'lots', ID, 2]);
    expect(state().writing[ID]!.errors[0]!.message).toBe('Away.');
  });

  it('takes away and brings back over the version that stands', async () => {
    const { store, answers, state } = open();
    store.dispatch(LarderActions.told({ larder: { lots: [kept(lot(), 3)] } }));
    answers.next = { kind: 'saved', kept: kept(lot(), 4, NOW) };
    store.dispatch(LarderActions.removeWanted({ family: 'lots', id: ID }));
    await soon();
    expect(store.selectSignal(larderFeature.selectLotsHere)()).toEqual([]);
    answers.next = null;
    store.dispatch(LarderActions.restoreWanted({ family: 'lots', id: ID }));
    await soon();
    expect(answers.asked).toEqual([
      ['remove', 'lots', ID, 3],
      ['save', 'lots', ID, 4],
    ]);
    expect(state().lots[ID]!.goneMs).toBeNull();
  });

  it('tries a method of one’s own on the engine before it is sent', async () => {
    const { store, answers, state } = open();
    const empty = { ...methodById('scalded-yogurt'), id: ID, stages: [{ id: 'a', kind: 'rest', params: {} }] };
    store.dispatch(LarderActions.written({ family: 'methods', draft: empty as unknown as Draft, overVersion: 0 }));
    store.dispatch(LarderActions.saveWanted({ id: ID }));
    await soon(300);
    expect(answers.asked).toEqual([]);
    expect(state().writing[ID]!.errors[0]!.remedy).toContain('blend, base or bought');
  });

  it('is there again after the page was closed; rubbish that was kept is not', async () => {
    const { store } = open();
    store.dispatch(LarderActions.written({ family: 'lots', draft: lot({ name: 'Half' }), overVersion: 2 }));
    await soon(400);
    expect(open().state().writing[ID]).toEqual(jasmine.objectContaining({ family: 'lots', overVersion: 2 }));
    for (const rubbish of ['soup', 'null', '{"a":1}', '{"a":{"family":"moons","draft":{"id":"x"},"overVersion":1}}']) {
      localStorage.setItem(KEY, rubbish);
      expect(open().state().writing).withContext(rubbish).toEqual({});
    }
  });

  it('never lets older news overwrite newer', () => {
    const { store, state } = open();
    store.dispatch(LarderActions.told({ larder: { lots: [kept(lot({ name: 'New' }), 7)] } }));
    store.dispatch(LarderActions.told({ larder: { lots: [kept(lot({ name: 'Old' }), 6)] } }));
    expect(state().lots[ID]!.item.name).toBe('New');
  });
});
