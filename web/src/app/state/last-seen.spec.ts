import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import { USUAL_SETTINGS, type StoredEntry } from '@oat-crock/contract/api';
import { bareLot } from '@oat-crock/core';
import { entriesUntil } from '../testing/followed';
import { turns, until } from '../testing/until';
import { AccessActions, accessFeature } from './access.feature';
import { backupsFeature } from './backups.feature';
import { ClockActions, clockFeature } from './clock.feature';
import { householdSelectors } from './household';
import { instrumentsFeature } from './instruments.feature';
import { lastSeen } from './last-seen';
import { lastSeenEffects } from './last-seen.effects';
import { learnedFeature } from './learned.feature';
import { LogActions, logFeature } from './log.feature';
import { oddFeature } from './odd.feature';
import { unreachedFeature } from './unreached.feature';
import { pageFeature } from './page.feature';
import { householdRecord } from './record-writing';
import { RecordActions, recordsFeature } from './records.feature';
import { roomFeature } from './room.feature';

const CLOCK = { rate: 1, realMs: 1_000_000, kitchenMs: 5_000_000, adjustable: false };
const PAST = { count: 3, taken: [], delivered: [] };
const household = (version: number, language: 'en' | 'es') =>
  householdRecord({ version, settings: { ...USUAL_SETTINGS, language } });

describe('the dairy as it was last seen', () => {
  let store: Store;
  const state = <T>(selector: (s: object) => T) => store.selectSignal(selector as never)() as T;
  const features = [
    accessFeature,
    backupsFeature,
    clockFeature,
    instrumentsFeature,
    learnedFeature,
    logFeature,
    oddFeature,
    unreachedFeature,
    pageFeature,
    recordsFeature,
    roomFeature,
  ];

  const openPage = () => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore(Object.fromEntries(features.map(({ name, reducer }) => [name, reducer as never]))),
        provideEffects(lastSeenEffects),
      ],
    });
    store = TestBed.inject(Store);
  };
  const stored: readonly StoredEntry[] = entriesUntil(2).map((entry, i) => ({ ...entry, seq: i + 1 }));
  const lot = (version: number, name: string) => ({
    version,
    goneMs: null,
    item: { ...bareLot('01J00000000000000000000LOT', name, 500, 1), kind: 'other' as const },
  });

  /** The server tells a page all. */
  const tell = (
    version: number,
    language: 'en' | 'es',
    entries: readonly StoredEntry[],
    lots = [lot(version, 'Milk')],
  ) => {
    store.dispatch(ClockActions.compared({ clock: CLOCK, aheadMs: 40 }));
    store.dispatch(RecordActions.received({ records: { lots, settings: [household(version, language)] }, all: true }));
    store.dispatch(LogActions.loaded({ entries, past: PAST }));
  };

  beforeEach(async () => {
    await lastSeen.forget();
    openPage();
  });
  afterAll(async () => lastSeen.forget());

  it('stands on a page whose server is away: the log, the records, the clock, and as of when', async () => {
    tell(7, 'es', stored);
    await until(async () => (await lastSeen.read()) !== null);
    openPage();
    await until(() => state(logFeature.selectLoaded));
    expect(state(logFeature.selectEntries)).toEqual([...stored]);
    expect(state(logFeature.selectPast)).toEqual(PAST);
    expect(state(householdSelectors.selectSettings).language).toBe('es');
    expect(state(recordsFeature.selectLotsHere)).toEqual([lot(7, 'Milk').item]);
    expect(state(clockFeature.selectClockState)).toEqual(jasmine.objectContaining({ clock: CLOCK, aheadMs: 40 }));
    expect(state(logFeature.selectSeenMs)).toBeGreaterThan(0);
    // All is asked for then, whatever is remembered.
    expect(state(logFeature.selectLastSeq)).toBe(0);
  });

  it('gives way to what the server tells, also where that is of an earlier day; what waits stays', async () => {
    tell(7, 'es', stored);
    await until(async () => (await lastSeen.read()) !== null);
    openPage();
    await until(() => state(logFeature.selectLoaded));
    const own = { ...stored.at(-1)!, id: '01J0000000000000000DZZR099' };
    store.dispatch(LogActions.logged({ entries: [own] }));
    tell(2, 'en', stored.slice(0, 1), []);
    expect(state(logFeature.selectStored)).toEqual(stored.slice(0, 1));
    expect(state(logFeature.selectPending).map(({ id }) => id)).toEqual([own.id]);
    expect(state(householdSelectors.selectSettings).language).toBe('en');
    expect(state(recordsFeature.selectLotsHere)).toEqual([]);
    expect(state(logFeature.selectSeenMs)).toBeNull();
  });

  it('does not come where the server was sooner', async () => {
    tell(7, 'es', stored);
    await until(async () => (await lastSeen.read()) !== null);
    openPage();
    tell(8, 'en', stored.slice(0, 1));
    await turns(20);
    expect(state(logFeature.selectStored)).toEqual(stored.slice(0, 1));
    expect(state(logFeature.selectSeenMs)).toBeNull();
  });

  it('is forgotten by a device that was shut out', async () => {
    tell(7, 'es', stored);
    await until(async () => (await lastSeen.read()) !== null);
    store.dispatch(AccessActions.shutOut());
    await until(async () => (await lastSeen.read()) === null);
    expect(await lastSeen.read()).toBeNull();
  });
});
