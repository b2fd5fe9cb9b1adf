import { HttpErrorResponse } from '@angular/common/http';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import { USUAL_SETTINGS, type Settings, type VersionedSettings } from '@oat-crock/contract/api';
import { METRIC } from '@oat-crock/core';
import { datesIn } from '../ui/dates';
import { measureIn, units } from '../ui/units';
import { mass } from '../ui/words';
import { householdEffects } from './household.effects';
import { HouseholdActions, householdFeature } from './household.feature';
import { until } from '../testing/until';
import { ApiClient } from './api-client';

const KEY = 'oat-crock.household.writing';

/** A server that takes settings, was told others meanwhile, or refuses. */
class FakeApiClient {
  answer: 'takes' | 'conflicted' | 'refuses' | 'is away' = 'takes';
  readonly sent: Settings[] = [];
  saveSettings = (settings: Settings, over: number): Promise<VersionedSettings | null> => {
    this.sent.push(settings);
    const errors = [{ field: 'hobW', message: 'hobW is odd.', remedy: 'Make it even.' }];
    if (this.answer === 'conflicted') return Promise.resolve(null);
    if (this.answer === 'refuses') return Promise.reject(new HttpErrorResponse({ status: 422, error: { errors } }));
    if (this.answer === 'is away') return Promise.reject(new HttpErrorResponse({ status: 0 }));
    return Promise.resolve({ version: over + 1, settings });
  };
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
    store.dispatch(HouseholdActions.changeWanted({ settings: { ...state().settings, ...state().writing } }));
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

  it('says who was faster', async () => {
    wire.answer = 'conflicted';
    save({ asleepToH: 7 });
    await until(() => state().errors.length > 0);
    expect(state().errors[0]!.message).toContain('Somebody else');
    expect(state().settings).toEqual(USUAL_SETTINGS);
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

  it('lets every word follow its units, from when they are told', () => {
    const told = { ...USUAL_SETTINGS, temperatureIn: 'F', massIn: 'oz', volumeIn: 'imperial' } as const;
    store.dispatch(HouseholdActions.received({ household: { version: 3, settings: told } }));
    TestBed.tick();
    expect(units()).toEqual({ temperature: 'F', mass: 'oz', volume: 'imperial' });
    expect(mass(1000)).toBe('2 lb 3.3 oz');
  });
});
