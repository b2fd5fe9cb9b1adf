import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import { USUAL_SETTINGS, type Kept, type Settings } from '@oat-crock/contract/api';
import { METRIC } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { datesIn } from '../shared/ui/dates';
import { measureIn, units } from '../shared/ui/reader';
import { mass } from '../shared/ui/words';
import { until } from '../testing/until';
import { ClockActions } from './clock.feature';
import { HouseholdActions, householdSelectors } from './household';
import { householdEffects } from './household.effects';
import { HOUSEHOLD_ID, householdRecord, type Household, type RecordItem } from './record-writing';
import { RecordsClient, type Saved } from './records-client';
import { recordsEffects } from './records.effects';
import { RecordActions, recordsFeature } from './records.feature';

const KEY = 'oat-crock.records.writing';
const AWAY = [{ field: '', message: 'Away.', remedy: 'Kept.' }];

/** A server that has settings, takes others over the version it has, or refuses; it answers once it may. */
class FakeServer implements Pick<RecordsClient, 'save'> {
  answer: 'takes' | 'refuses' | 'is away' = 'takes';
  has = householdRecord({ version: 0, settings: USUAL_SETTINGS });
  may: Promise<void> = Promise.resolve();
  readonly sent: RecordItem[] = [];
  save = async (_family: string, item: RecordItem, over: number): Promise<Saved> => {
    this.sent.push(item);
    await this.may;
    const errors = [{ field: 'hobW', message: 'hobW is odd.', remedy: 'Make it even.' }];
    if (this.answer === 'refuses') return { kind: 'refused', errors };
    if (this.answer === 'is away') return { kind: 'unreachable', errors: AWAY };
    if (over !== this.has.version) return { kind: 'conflicted', theirs: this.has };
    this.has = { version: over + 1, goneMs: null, item: item as Household };
    return { kind: 'saved', kept: this.has };
  };
  /** Somebody else changes something on another page; this one has not heard of it. */
  elsewhere(change: Partial<Settings>): Kept<Household> {
    this.has = { version: this.has.version + 1, goneMs: null, item: { ...this.has.item, ...change } };
    return this.has;
  }
}

const received = (household: Kept<Household>) => RecordActions.received({ records: { settings: [household] } });
const of = (version: number, settings: Settings) => received(householdRecord({ version, settings }));
const whole = (change: Partial<Settings>): Household => ({ ...USUAL_SETTINGS, ...change, id: HOUSEHOLD_ID });

describe('the household between page and server', () => {
  let wire: FakeServer;
  let store: Store;
  const settings = () => store.selectSignal(householdSelectors.selectSettings)();
  const writing = () => store.selectSignal(householdSelectors.selectWriting)();
  /** What is written otherwise than it was when writing began. */
  const changes = () => {
    const { draft = {}, over = {} } = writing() ?? {};
    const was = over as Record<string, unknown>;
    return Object.fromEntries(Object.entries(draft).filter(([key, value]) => !dequal(value, was[key])));
  };
  const start = () => {
    TestBed.resetTestingModule();
    wire = new FakeServer();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: RecordsClient, useValue: wire },
        provideStore({ [recordsFeature.name]: recordsFeature.reducer }),
        provideEffects(recordsEffects, householdEffects),
      ],
    });
    store = TestBed.inject(Store);
  };
  const edit = (change: Partial<Settings>) => {
    const draft = { ...store.selectSignal(householdSelectors.selectDraft)(), ...change, id: HOUSEHOLD_ID };
    const overVersion = store.selectSignal(householdSelectors.selectVersion)();
    store.dispatch(RecordActions.edited({ family: 'settings', draft, overVersion }));
  };
  const save = (change: Partial<Settings> = {}) => {
    if (Object.keys(change).length > 0) edit(change);
    store.dispatch(RecordActions.saveWanted({ id: HOUSEHOLD_ID }));
  };
  /** Lets the server answer when it is told to. */
  const holdAnswers = () => {
    let go!: () => void;
    wire.may = new Promise((settle) => (go = settle));
    return () => go();
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
    await until(() => !writing());
    expect([settings().asleepToH, wire.has.version]).toEqual([7, 1]);
  });

  it('goes over what somebody else changed, where that is something else', async () => {
    wire.elsewhere({ currency: 'øre' });
    save({ asleepToH: 7 });
    await until(() => !writing());
    expect(wire.has.item).toEqual(whole({ currency: 'øre', asleepToH: 7 }));
    expect(settings()).toEqual(wire.has.item);
  });

  it('keeps what both changed as it was written here, shows that, and saves it once somebody has seen it', async () => {
    wire.elsewhere({ currency: 'øre', roomC: 15 });
    save({ currency: 'kr' });
    await until(() => writing()!.conflicts.length > 0);
    expect(writing()).toEqual(
      jasmine.objectContaining({ conflicts: ['currency'], wanted: false, inFlight: null, overVersion: 1 }),
    );
    expect([changes(), settings().currency]).toEqual([{ currency: 'kr' }, 'øre']);
    save();
    await until(() => !writing());
    expect(wire.has.item).toEqual(whole({ currency: 'kr', roomC: 15 }));
  });

  it('lets theirs stand where that is wanted', () => {
    edit({ currency: 'kr', roomC: 17 });
    store.dispatch(received(wire.elsewhere({ currency: 'øre' })));
    expect(writing()!.conflicts).toEqual(['currency']);
    store.dispatch(RecordActions.theirsTaken({ id: HOUSEHOLD_ID }));
    expect([changes(), writing()!.conflicts]).toEqual([{ roomC: 17 }, []]);
    store.dispatch(of(0, USUAL_SETTINGS));
    expect(settings().currency).withContext('older news').toBe('øre');
  });

  it('is not done by another’s change while its own is on its way, nor loses what is written meanwhile', async () => {
    const answer = holdAnswers();
    save({ asleepToH: 7 });
    await until(() => wire.sent.length === 1);
    store.dispatch(received(wire.elsewhere({ currency: 'øre' })));
    expect(changes()).toEqual({ asleepToH: 7 });
    edit({ roomC: 17 });
    answer();
    await until(() => writing()!.inFlight === null);
    expect(changes()).toEqual({ asleepToH: 7, roomC: 17 });
    save();
    await until(() => !writing());
    expect(wire.has.item).toEqual(whole({ currency: 'øre', asleepToH: 7, roomC: 17 }));
  });

  it('says another’s change of the same setting that comes while its own is on its way', async () => {
    const answer = holdAnswers();
    save({ currency: 'kr' });
    await until(() => wire.sent.length === 1);
    store.dispatch(received(wire.elsewhere({ currency: 'øre' })));
    answer();
    await until(() => writing()!.inFlight === null);
    expect(writing()).toEqual(jasmine.objectContaining({ conflicts: ['currency'], wanted: false }));
    expect(changes()).toEqual({ currency: 'kr' });
  });

  it('asks the server’s own schema first, and says at its field what is wrong until that is touched', async () => {
    save({ currency: '', hobW: 1 });
    await until(() => writing()!.errors.length > 0);
    expect(wire.sent).toEqual([]);
    expect(
      writing()!
        .errors.map((e) => e.field)
        .sort(),
    ).toEqual(['currency', 'hobW']);
    expect(changes()).toEqual({ currency: '', hobW: 1 });
    edit({ currency: 'kr' });
    expect(writing()!.errors.map((e) => e.field)).toEqual(['hobW']);
  });

  it('keeps what was written where the server refuses it or is away, and sends it again by itself once it is back', async () => {
    wire.answer = 'refuses';
    save({ hobW: 2001 });
    await until(() => writing()!.errors.length > 0);
    expect(writing()!.errors[0]!.field).toBe('hobW');
    wire.answer = 'is away';
    save();
    await until(() => writing()!.errors[0]?.field === '');
    expect(changes()).toEqual({ hobW: 2001 });
    wire.answer = 'takes';
    store.dispatch(ClockActions.lineOpen());
    await until(() => !writing());
    expect(wire.has.item.hobW).toBe(2001);
  });

  it('brings back what was being written when the page was closed', async () => {
    edit({ roomC: 17 });
    start();
    await until(() => changes()['roomC'] === 17);
    expect(settings().roomC).toBe(USUAL_SETTINGS.roomC);
    store.dispatch(RecordActions.discarded({ id: HOUSEHOLD_ID }));
    expect(localStorage.getItem(KEY)).not.toContain('17');
  });

  it('takes no setting of the house for another’s change after a reload, and finds one that was made meanwhile', async () => {
    const house = { ...USUAL_SETTINGS, roomC: 15, currency: 'kr' };
    store.dispatch(of(3, house));
    edit({ roomC: 17, currency: 'tal' });
    start();
    await until(() => changes()['roomC'] === 17);
    store.dispatch(of(3, house));
    expect(writing()!.conflicts).toEqual([]);
    store.dispatch(of(4, { ...house, currency: 'øre' }));
    expect(writing()!.conflicts).toEqual(['currency']);
  });

  it('does not take its own answer for another’s change where the same setting is written on', async () => {
    const answer = holdAnswers();
    save({ roomC: 17 });
    await until(() => wire.sent.length === 1);
    edit({ roomC: 16 });
    store.dispatch(of(1, { ...USUAL_SETTINGS, roomC: 17 }));
    expect([changes(), writing()!.conflicts]).toEqual([{ roomC: 16 }, []]);
    answer();
    await until(() => writing()!.inFlight === null);
    expect([changes(), writing()!.conflicts, writing()!.wanted]).toEqual([{ roomC: 16 }, [], false]);
  });

  it('is nothing written once a setting is put back as it was', () => {
    edit({ roomC: 17 });
    edit({ roomC: USUAL_SETTINGS.roomC });
    expect(writing()).toBeUndefined();
  });

  it('forgets onto what others have forgotten meanwhile, and says where it could not', async () => {
    const theirs = { of: 'place B', beforeMs: 5 };
    wire.elsewhere({ forgotten: [theirs] });
    store.dispatch(HouseholdActions.forgetWanted({ of: 'place A', beforeMs: 7 }));
    await until(() => wire.has.version === 2);
    expect(wire.has.item.forgotten).toEqual([theirs, { of: 'place A', beforeMs: 7 }]);
    // What is kept as it is goes the same way; what is forgotten after is kept so no more.
    store.dispatch(HouseholdActions.pinWanted({ of: 'place D', afterMs: 8 }));
    await until(() => wire.has.version === 3);
    expect(wire.has.item.pinned).toEqual([{ of: 'place D', afterMs: 8 }]);
    store.dispatch(HouseholdActions.forgetWanted({ of: 'place D', beforeMs: 8 }));
    await until(() => wire.has.version === 4);
    expect(wire.has.item.pinned).toEqual([]);
    wire.answer = 'is away';
    store.dispatch(HouseholdActions.forgetWanted({ of: 'place C', beforeMs: 9 }));
    const stays = store.selectSignal(recordsFeature.selectStays);
    await until(() => stays().length === 1);
    expect(stays()[0]!.wanted).toBe('forgotten');
  });

  it('lets every word follow its units, from when they are told', () => {
    const told = { ...USUAL_SETTINGS, temperatureIn: 'F', massIn: 'oz', volumeIn: 'imperial' } as const;
    store.dispatch(of(3, told));
    TestBed.tick();
    expect(units()).toEqual({ temperature: 'F', mass: 'oz', volume: 'imperial' });
    expect(mass(1000)).toBe('2 lb 3.3 oz');
  });
});
