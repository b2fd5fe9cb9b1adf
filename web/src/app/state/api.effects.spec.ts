import { HttpErrorResponse } from '@angular/common/http';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import { USUAL_SETTINGS, type ServerEvent, type Snapshot, type StoredEntry } from '@oat-crock/contract/api';
import { bareLot, type Entry } from '@oat-crock/core';
import { Subject } from 'rxjs';
import { probeOf } from '../testing/probe';
import { entriesUntil } from '../testing/followed';
import { ClockActions, clockFeature, kitchenMsAt } from './clock.feature';
import { FollowActions, followFeature } from './follow.feature';
import { householdSelectors } from './household';
import type { Draft } from './record-writing';
import { RecordActions, recordsFeature } from './records.feature';
import { InstrumentActions, instrumentsFeature } from './instruments.feature';
import { LogActions, logFeature } from './log.feature';
import { roomFeature } from './room.feature';
import { waiting, type WaitingPhoto } from './waiting';
import { apiEffects } from './api.effects';
import { sendingEffects } from './sending.effects';
import { ApiClient, type Sent } from './api-client';
import { turns, until } from '../testing/until';

const KITCHEN = { rate: 60, realMs: 1_000_000, kitchenMs: 5_000_000, adjustable: true };

/** A server that answers as it is told to, and remembers what it was sent. */
class FakeApiClient {
  readonly line = new Subject<ServerEvent | 'open' | 'lost'>();
  readonly sent: Entry[] = [];
  readonly placed: (string | null)[] = [];
  answer: (entry: Entry) => Sent = (entry) => ({
    kind: 'stored',
    entries: [{ ...entry, seq: this.sent.length } as StoredEntry],
  });
  up = true;

  /** The newest place in the order of its log. */
  lastSeq = 0;
  readonly readFrom: number[] = [];
  /** Reading the whole is answered with these first. */
  failing: number[] = [];

  snapshot(after: number): Promise<Snapshot> {
    this.readFrom.push(after);
    const failing = this.failing.shift();
    if (failing) return Promise.reject(new HttpErrorResponse({ status: failing }));
    if (!this.up) return Promise.reject(new Error('away'));
    return Promise.resolve({
      clock: KITCHEN,
      entries: [],
      ...(after === 0 && { past: { count: 0, taken: [], delivered: [] } }),
      instruments: [],
      household: { version: 3, settings: USUAL_SETTINGS },
      learned: { pooled: { known: [], covariance: [] }, watched: [], settled: true },
      larder: { lots: [], gear: [], methods: [], orders: [], plannedBatches: [], supplies: [] },
      room: [{ atMs: 5, tempC: 19 }],
      lastBackup: null,
      unreached: [],
      odd: [],
      lastSeq: this.lastSeq,
      page: null,
    });
  }
  /** This device's clock is so far ahead. */
  aheadMs = 0;
  compared = 0;
  compareClock = () => {
    this.compared++;
    return this.up ? Promise.resolve({ clock: KITCHEN, aheadMs: this.aheadMs }) : Promise.reject(new Error('away'));
  };
  events = () => this.line;
  /** How often a line was tried to be sent. */
  tried = 0;
  send = ([entry]: readonly Entry[]): Promise<Sent> => {
    this.tried++;
    if (!this.up) return Promise.resolve({ kind: 'unreachable' });
    this.sent.push(entry!);
    return Promise.resolve(this.answer(entry!));
  };
  readonly readWhole: string[] = [];
  whole: readonly StoredEntry[] = [];
  batch = (batchId: string): Promise<readonly StoredEntry[]> => {
    this.readWhole.push(batchId);
    return this.up ? Promise.resolve(this.whole) : Promise.reject(new Error('away'));
  };
  readonly pictures: string[] = [];
  sendPhoto = ({ photoId }: WaitingPhoto): Promise<Sent> => {
    if (!this.up) return Promise.resolve({ kind: 'unreachable' });
    this.pictures.push(`${photoId} after ${this.sent.length}`);
    return Promise.resolve({ kind: 'stored', entries: [] });
  };
  room = () => Promise.resolve(this.up ? [{ atMs: 7, tempC: 21 }] : []);
  place = (_id: string, batchId: string | null) => Promise.resolve(this.placed.push(batchId));
}

describe('the line to the server', () => {
  let wire: FakeApiClient;
  let store: Store;
  const state = <T>(selector: (s: object) => T) => store.selectSignal(selector as never)() as T;

  const openPage = () => {
    TestBed.resetTestingModule();
    wire = new FakeApiClient();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: ApiClient, useValue: wire },
        provideStore({
          [recordsFeature.name]: recordsFeature.reducer,
          [logFeature.name]: logFeature.reducer,
          [clockFeature.name]: clockFeature.reducer,
          [instrumentsFeature.name]: instrumentsFeature.reducer,
          [followFeature.name]: followFeature.reducer,
          [roomFeature.name]: roomFeature.reducer,
        }),
        provideEffects(apiEffects, sendingEffects),
      ],
    });
    store = TestBed.inject(Store);
  };

  beforeEach(async () => {
    await waiting.drop((await waiting.all()).map((e) => e.id));
    await waiting.dropRefused();
    openPage();
    await until(() => state(logFeature.selectLoaded));
  });
  afterEach(async () => {
    TestBed.resetTestingModule();
    await waiting.drop((await waiting.all()).map((e) => e.id));
  });

  it('reads the whole at once, before any event', () => {
    expect(state(clockFeature.selectLine)).toBe('open');
    expect(state(householdSelectors.selectVersion)).toBe(3);
    expect(state(roomFeature.selectReadings)).toEqual([{ atMs: 5, tempC: 19 }]);
  });

  it('holds this device’s clock against the server’s, and again where the device slept or was set', async () => {
    const kitchenMs = (deviceMs: number) => kitchenMsAt(state(clockFeature.selectClockState), deviceMs);
    expect(kitchenMs(1_000_000)).toBe(5_000_000);
    wire.aheadMs = -20 * 60_000;
    store.dispatch(ClockActions.deviceJumped());
    await until(() => state(clockFeature.selectAheadMs) === wire.aheadMs);
    expect(kitchenMs(1_000_000 + wire.aheadMs)).toBe(5_000_000);
    expect(kitchenMs(1_001_000 + wire.aheadMs)).toBe(5_060_000);
    store.dispatch(ClockActions.received({ clock: { ...KITCHEN, rate: 1 } }));
    expect(kitchenMs(1_001_000 + wire.aheadMs)).toBe(5_001_000);
    wire.up = false;
    store.dispatch(ClockActions.deviceJumped());
    await until(() => wire.compared === 3);
    await turns(2);
    expect(state(clockFeature.selectAheadMs)).toBe(wire.aheadMs);
  });

  it('reads all anew from a server that was set back to an earlier day, and shows nothing that it does not know', async () => {
    const [started, note] = entriesUntil(1);
    store.dispatch(
      LogActions.arrived({
        entries: [
          { ...started!, seq: 4 },
          { ...(note ?? started!), id: 'later', seq: 9 },
        ],
      }),
    );
    wire.lastSeq = 4;
    wire.line.next('open');
    await until(() => state(logFeature.selectEntries).length === 0);
    expect(wire.readFrom.slice(-2)).toEqual([9, 0]);
    expect(state(logFeature.selectSeenMs)).toBeNull();
  });

  it('sends what the browser lost while it waited', async () => {
    wire.up = false;
    const [line] = entriesUntil(0);
    store.dispatch(LogActions.logged({ entries: [line!] }));
    await until(() => wire.tried > 0);
    await waiting.drop([line!.id]);
    wire.up = true;
    store.dispatch(ClockActions.lineOpen());
    await turns(5);
    await until(() => wire.sent.length > 0);
    expect(wire.sent.map(({ id }) => id)).toEqual([line!.id]);
  });

  it('sends what is written, each once and in order', async () => {
    const entries = entriesUntil(100);
    store.dispatch(LogActions.logged({ entries: [...entries].reverse() }));
    await until(() => wire.sent.length === entries.length);
    expect(wire.sent.map((e) => e.id)).toEqual(entries.map((e) => e.id));
    await until(() => state(logFeature.selectPending).length === 0);
    await until(() => wire.sent.length === entries.length);
    expect(await waiting.all()).toEqual([]);
  });

  it('sends what a make took of a lot once the lot is with the server, and all else meanwhile', async () => {
    const lot = { ...bareLot('01J00000000000000000000LOT', 'Soured cream', 500, 1), kind: 'other' as const };
    store.dispatch(RecordActions.edited({ family: 'lots', draft: lot as unknown as Draft, overVersion: 0 }));
    const [first, second] = entriesUntil(100);
    const took: Entry = { ...first!, body: { type: 'took', lotId: lot.id, massG: 500 } };
    store.dispatch(LogActions.logged({ entries: [took, second!] }));
    await until(() => wire.sent.length === 1);
    expect(wire.sent.map((e) => e.id)).toEqual([second!.id]);
    const kept = { version: 1, goneMs: null, item: lot };
    store.dispatch(RecordActions.saved({ family: 'lots', kept, sent: lot as unknown as Draft }));
    await until(() => wire.sent.length === 2);
    expect(wire.sent[1]!.id).toBe(took.id);
  });

  it('keeps what it cannot send, in the browser too, and sends it when the line is open again', async () => {
    wire.up = false;
    wire.line.next('lost');
    const [first] = entriesUntil(0);
    store.dispatch(LogActions.logged({ entries: [first!] }));
    await until(() => wire.tried === 1);
    expect(state(clockFeature.selectLine)).toBe('lost');
    expect(state(logFeature.selectPending).length).toBe(1);
    expect((await waiting.all()).map((e) => e.id)).toEqual([first!.id]);
    wire.up = true;
    wire.line.next('open');
    await until(() => wire.sent.length === 1);
    await until(() => state(logFeature.selectPending).length === 0);
  });

  it('keeps a picture with the line that names it while the server is away, and sends it before that line', async () => {
    wire.up = false;
    wire.line.next('lost');
    const entries = entriesUntil(0, [1, { type: 'photo', photoId: 'P1', text: '' }]);
    const batchId = entries[0]!.batchId;
    await waiting.keepPhoto({ photoId: 'P1', batchId, picture: new Blob(['x'], { type: 'image/png' }) });
    store.dispatch(LogActions.logged({ entries }));
    await until(() => wire.tried === 1);
    expect(wire.pictures).toEqual([]);
    expect((await waiting.photo('P1'))!.picture.size).toBe(1);
    wire.up = true;
    wire.line.next('open');
    await until(() => state(logFeature.selectPending).length === 0);
    expect(wire.pictures).toEqual(['P1 after 1']);
    expect(wire.sent.map((e) => e.body.type)).toEqual(['started', 'photo']);
    expect(await waiting.photo('P1')).toBeNull();
  });

  it('reads the whole again by itself where the server could not give it, though the line for events is open', async () => {
    const lines: string[] = [];
    const heard = store.select(clockFeature.selectLine).subscribe((line) => lines.push(line));
    const before = wire.readFrom.length;
    wire.failing = [503, 503];
    wire.line.next('open');
    await until(() => wire.readFrom.length === before + 3 && state(clockFeature.selectLine) === 'open');
    expect(lines).toEqual(['open', 'lost', 'open']);
    wire.failing = [429];
    wire.line.next('open');
    await until(() => wire.readFrom.length === before + 5);
    heard.unsubscribe();
    expect(lines).withContext('a server that is busy answers').toEqual(['open', 'lost', 'open']);
  });

  it('takes a refused line out, says why, and goes on with the next', async () => {
    const [first, second] = entriesUntil(20);
    const errors = [{ field: 'x', message: 'no.', remedy: 'Do.' }];
    wire.answer = (entry) =>
      entry.id === first!.id
        ? { kind: 'refused', problem: { type: '', title: '', status: 422, detail: '', errors } }
        : { kind: 'stored', entries: [{ ...entry, seq: 2 }] };
    store.dispatch(LogActions.logged({ entries: [first!, second!] }));
    await until(() => state(logFeature.selectRefused).length === 1);
    await until(() => wire.sent.length === 2);
    expect(state(logFeature.selectRefused)[0]!.errors).toEqual(errors);
    // It is kept with the reason until somebody has seen it, also where the page is closed before.
    const kept = await waiting.refused();
    expect(kept.map(({ entry, ...why }) => [entry.id, why])).toEqual([[first!.id, { errors }]]);
    await until(() => state(logFeature.selectPending).length === 0);
    expect(await waiting.all()).toEqual([]);
    openPage();
    await until(() => state(logFeature.selectRefused).length === 1);
    store.dispatch(LogActions.refusalsSeen());
    let left = 1;
    await until(() => (void waiting.refused().then((all) => (left = all.length)), left === 0));
  });

  it('reads what instruments saw of a finished make once it is looked at, once, and again where it failed', async () => {
    const stored = (lines: readonly Entry[]) => lines.map((e, i): StoredEntry => ({ ...e, seq: i + 1 }));
    const end = [1260, { type: 'finished', productG: 1700, wheyG: null, heldBackG: null, score: null }] as const;
    const hands = stored(entriesUntil(1250, end));
    const read = entriesUntil(1250, end, [200, { type: 'reading', quantity: 'ph', value: 5.5, by: 'meter' }]);
    wire.whole = stored(read);
    wire.line.next({ type: 'entries', entries: hands });
    await until(() => state(logFeature.selectBatches).length === 1);
    const { id } = state(logFeature.selectBatches)[0]!;
    wire.up = false;
    store.dispatch(FollowActions.wanted({ batchId: id }));
    await until(() => wire.readWhole.length === 1);
    wire.up = true;
    await turns(2);
    store.dispatch(FollowActions.wanted({ batchId: id }));
    await until(() => state(logFeature.selectBatches)[0]!.readings.length === 1);
    expect(state(roomFeature.selectReadings).map((r) => r.tempC)).toEqual([19, 21]);
    store.dispatch(FollowActions.wanted({ batchId: id }));
    await turns(4);
    expect(wire.readWhole).toEqual([id, id]);
  });

  it('asks for a make that the page was not told of, and knows that there is none where there is none', async () => {
    await until(() => state(logFeature.selectLoaded));
    wire.whole = entriesUntil(20).map((e, i): StoredEntry => ({ ...e, seq: i + 1 }));
    const { batchId } = wire.whole[0]!;
    store.dispatch(FollowActions.wanted({ batchId }));
    await until(() => state(logFeature.selectBatches).length === 1);
    expect(state(logFeature.selectReadSince)).toEqual([batchId]);
    wire.batch = () => Promise.reject(new HttpErrorResponse({ status: 404 }));
    store.dispatch(FollowActions.wanted({ batchId: 'none' }));
    await until(() => state(logFeature.selectUnknown).includes('none'));
  });

  it('says in the server’s words why it cannot write just now, keeps what waits, and sends it once it can', async () => {
    const [first] = entriesUntil(0);
    const taken = wire.answer;
    wire.answer = () => ({ kind: 'unreachable', why: 'The disk is full.' });
    store.dispatch(LogActions.logged({ entries: [first!] }));
    await until(() => state(logFeature.selectUnsentWhy) === 'The disk is full.');
    expect(state(logFeature.selectPending).length).toBe(1);
    wire.answer = taken;
    await until(() => state(logFeature.selectPending).length === 0);
    expect(state(logFeature.selectUnsentWhy)).toBe('');
  });

  it('shows what others log, and where they put the probes', async () => {
    const entries = entriesUntil(20).map((e, i): StoredEntry => ({ ...e, seq: i + 1 }));
    wire.line.next({ type: 'entries', entries });
    wire.line.next({ type: 'instruments', instruments: [probeOf()] });
    wire.line.next({ type: 'room', readings: [{ atMs: 3, tempC: 18 }] });
    await until(() => state(instrumentsFeature.selectAll).length === 1);
    expect(state(logFeature.selectBatches).length).toBe(1);
    expect(state(roomFeature.selectReadings).map((r) => r.atMs)).toEqual([3, 5]);
    store.dispatch(InstrumentActions.place({ id: 'p', batchId: 'b' }));
    await until(() => wire.placed.length === 1);
    expect(wire.placed).toEqual(['b']);
  });
});
