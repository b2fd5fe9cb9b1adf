import { HttpErrorResponse } from '@angular/common/http';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import { USUAL_SETTINGS, type Settings, type VersionedSettings } from '@oat-crock/contract/api';
import { METRIC } from '@oat-crock/core';
import { datesIn } from '../shared/ui/dates';
import { measureIn, units } from '../shared/ui/reader';
import { mass } from '../shared/ui/words';
import { householdEffects } from './household.effects';
import { HouseholdActions, householdFeature } from './household.feature';
import { until } from '../testing/until';
import { ApiClient, type SettingsSaved } from './api-client';

const KEY = 'oat-crock.household.writing';

/** A server that has settings, takes others over the version it has, or refuses; it answers once it may. */
class FakeApiClient {
  answer: 'takes' | 'refuses' | 'is away' = 'takes';
  has: VersionedSettings = { version: 0, settings: USUAL_SETTINGS };
  may: Promise<void> = Promise.resolve();
  readonly sent: Settings[] = [];
  saveSettings = async (settings: Settings, over: number): Promise<SettingsSaved> => {
    this.sent.push(settings);
    await this.may;
    const errors = [{ field: 'hobW', message: 'hobW is odd.', remedy: 'Make it even.' }];
    if (this.answer === 'refuses') throw new HttpErrorResponse({ status: 422, error: { errors } });
    if (this.answer === 'is away') throw new HttpErrorResponse({ status: 0 });
    if (over !== this.has.version) return { kind: 'conflicted', household: this.has };
    this.has = { version: over + 1, settings };
    return { kind: 'saved', household: this.has };
  };
  /** Somebody else changes something on another page; this one has not heard of it. */
  elsewhere(change: Partial<Settings>): VersionedSettings {
    this.has = { version: this.has.version + 1, settings: { ...this.has.settings, ...change } };
    return this.has;
  }
}

describe('the household between page and server', () => {
  let wire: FakeApiClient;
  let store: Store;
  const state = () => store.selectSignal(householdFeature.selectHouseholdState)();
  const start = () => {
    TestBed.resetTestingModule();
    wire = new FakeApiClient();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: ApiClient, useValue: wire },
        provideStore({ [householdFeature.name]: householdFeature.reducer }),
        provideEffects(householdEffects),
      ],
    });
    store = TestBed.inject(Store);
  };
  const save = (change: Partial<Settings>) => {
    store.dispatch(HouseholdActions.edited({ change }));
    store.dispatch(HouseholdActions.saveWanted({ change: state().writing }));
  };

  beforeEach(() => {
    localStorage.removeItem(KEY);
    start();
  });
  afterAll(() => {
    localStorage.removeItem(KEY);
    measureIn(METRIC);
    datesIn('en-GB');
  });

  it('saves over the version it read, and lets go of what was written', async () => {
    save({ asleepToH: 7 });
    await until(() => state().version === 1);
    expect(state().settings.asleepToH).toBe(7);
    expect([state().writing, state().saved]).toEqual([{}, 1]);
  });

  it('goes over what somebody else changed, where that is something else', async () => {
    wire.elsewhere({ currency: 'øre' });
    save({ asleepToH: 7 });
    await until(() => state().saved === 1);
    expect(wire.has.settings).toEqual({ ...USUAL_SETTINGS, currency: 'øre', asleepToH: 7 });
    expect([state().settings, state().writing, state().conflicts]).toEqual([wire.has.settings, {}, []]);
  });

  it('keeps what both changed as it was written here, shows that, and saves it once somebody has seen it', async () => {
    wire.elsewhere({ currency: 'øre', roomC: 15 });
    save({ currency: 'kr' });
    await until(() => state().conflicts.length > 0);
    expect([state().conflicts, state().saved, state().sending]).toEqual([['currency'], 0, null]);
    expect([state().writing, state().settings.currency]).toEqual([{ currency: 'kr' }, 'øre']);
    save({});
    await until(() => state().saved === 1);
    expect(wire.has.settings).toEqual({ ...USUAL_SETTINGS, currency: 'kr', roomC: 15 });
  });

  it('lets theirs stand where that is wanted', () => {
    store.dispatch(HouseholdActions.edited({ change: { currency: 'kr', roomC: 17 } }));
    store.dispatch(HouseholdActions.received({ household: wire.elsewhere({ currency: 'øre' }) }));
    expect(state().conflicts).toEqual(['currency']);
    store.dispatch(HouseholdActions.theirsTaken());
    expect([state().writing, state().conflicts]).toEqual([{ roomC: 17 }, []]);
    store.dispatch(HouseholdActions.received({ household: { version: 0, settings: USUAL_SETTINGS } }));
    expect(state().settings.currency).withContext('older news').toBe('øre');
  });

  it('is not done by another’s change while its own is on its way, nor loses what is written meanwhile', async () => {
    let answer!: () => void;
    wire.may = new Promise((settle) => (answer = settle));
    save({ asleepToH: 7 });
    await until(() => wire.sent.length === 1);
    store.dispatch(HouseholdActions.received({ household: wire.elsewhere({ currency: 'øre' }) }));
    expect([state().saved, state().writing]).toEqual([0, { asleepToH: 7 }]);
    store.dispatch(HouseholdActions.edited({ change: { roomC: 17 } }));
    answer();
    await until(() => state().settings.asleepToH === 7);
    expect([state().saved, state().writing]).toEqual([0, { roomC: 17 }]);
    expect(wire.has.settings).toEqual({ ...USUAL_SETTINGS, currency: 'øre', asleepToH: 7 });
  });

  it('asks the server’s own schema first, and says at its field what is wrong', async () => {
    save({ currency: '' });
    await until(() => state().errors.length > 0);
    expect(wire.sent).toEqual([]);
    expect(state().errors.map((e) => e.field)).toEqual(['currency']);
    expect(state().writing).toEqual({ currency: '' });
    store.dispatch(HouseholdActions.edited({ change: { currency: 'kr' } }));
    expect(state().errors).toEqual([]);
  });

  it('keeps what was written where the server refuses it or is away', async () => {
    wire.answer = 'refuses';
    save({ hobW: 2001 });
    await until(() => state().errors.length > 0);
    expect(state().errors[0]!.field).toBe('hobW');
    wire.answer = 'is away';
    save({});
    await until(() => state().errors[0]?.field === '');
    expect(state().writing).toEqual({ hobW: 2001 });
  });

  it('brings back what was being written when the page was closed', async () => {
    store.dispatch(HouseholdActions.edited({ change: { roomC: 17 } }));
    await until(() => (localStorage.getItem(KEY) ?? '').includes('17'));
    start();
    await until(() => state().writing.roomC === 17);
    expect(state().settings.roomC).toBe(USUAL_SETTINGS.roomC);
    store.dispatch(HouseholdActions.putBack());
    await until(() => !(localStorage.getItem(KEY) ?? '').includes('17'));
  });

  it('takes no setting of the house for another’s change after a reload, and finds one that was made meanwhile', async () => {
    const house = { version: 3, settings: { ...USUAL_SETTINGS, roomC: 15, currency: 'kr' } };
    store.dispatch(HouseholdActions.received({ household: house }));
    store.dispatch(HouseholdActions.edited({ change: { roomC: 17, currency: 'tal' } }));
    TestBed.tick();
    start();
    await until(() => state().writing.roomC === 17);
    store.dispatch(HouseholdActions.received({ household: house }));
    expect(state().conflicts).toEqual([]);
    const later = { version: 4, settings: { ...house.settings, currency: 'øre' } };
    store.dispatch(HouseholdActions.received({ household: later }));
    expect(state().conflicts).toEqual(['currency']);
  });

  it('does not take its own answer for another’s change where the same setting is written on', async () => {
    let answer!: () => void;
    wire.may = new Promise((settle) => (answer = settle));
    save({ roomC: 17 });
    await until(() => wire.sent.length === 1);
    store.dispatch(HouseholdActions.edited({ change: { roomC: 16 } }));
    const own = { version: 1, settings: { ...USUAL_SETTINGS, roomC: 17 } };
    store.dispatch(HouseholdActions.received({ household: own }));
    expect([state().writing, state().conflicts]).toEqual([{ roomC: 16 }, []]);
    answer();
    await until(() => state().sending === null);
    expect([state().writing, state().conflicts, state().saved]).toEqual([{ roomC: 16 }, [], 0]);
  });

  it('forgets onto what others have forgotten meanwhile', async () => {
    const theirs = { of: 'place B', beforeMs: 5 };
    wire.elsewhere({ forgotten: [theirs] });
    store.dispatch(HouseholdActions.forgetWanted({ of: 'place A', beforeMs: 7 }));
    await until(() => wire.has.version === 2);
    expect(wire.has.settings.forgotten).toEqual([theirs, { of: 'place A', beforeMs: 7 }]);
  });

  it('lets every word follow its units, from when they are told', () => {
    const told = { ...USUAL_SETTINGS, temperatureIn: 'F', massIn: 'oz', volumeIn: 'imperial' } as const;
    store.dispatch(HouseholdActions.received({ household: { version: 3, settings: told } }));
    TestBed.tick();
    expect(units()).toEqual({ temperature: 'F', mass: 'oz', volume: 'imperial' });
    expect(mass(1000)).toBe('2 lb 3.3 oz');
  });
});
