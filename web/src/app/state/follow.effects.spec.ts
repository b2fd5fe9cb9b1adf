import { learnedFeature } from './learned.feature';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import { USUAL_SETTINGS, type StoredEntry } from '@oat-crock/contract/api';
import { follow, type Batch, type EntryBody, type Followed } from '@oat-crock/core';
import { Engine } from '../engine/engine';
import type { House } from '@oat-crock/calendar';
import type { Effort } from '../engine/engine-api';
import { entriesUntil, START_MS } from '../testing/followed';
import { ClockActions, clockFeature } from './clock.feature';
import { followEffects } from './follow.effects';
import { FollowActions, followFeature } from './follow.feature';
import { householdRecord } from './record-writing';
import { RecordActions, recordsFeature } from './records.feature';
import { LogActions, logFeature } from './log.feature';
import { RoomActions, roomFeature } from './room.feature';
import { ownTimers } from '../testing/until';

const MIN = 60_000;
const NOTE: EntryBody = { type: 'note', text: 'calm' };

/** An engine that remembers what it was asked, and fails where told to. */
class FakeEngine {
  readonly asked: { readonly nowMs: number; readonly effort: Effort; readonly house: House }[] = [];
  broken = false;
  follow(batch: Batch, nowMs: number, effort: Effort, house: House): Promise<Followed> {
    this.asked.push({ nowMs, effort, house });
    if (this.broken) return Promise.reject(new Error('the worker fell over'));
    return Promise.resolve(follow(batch, nowMs, { members: 20, seed: 1, fanPoints: 4 }));
  }
}

describe('keeping makes worked out', () => {
  let engine: FakeEngine;
  let store: Store;
  const stored = (until: number, ...more: [number, EntryBody][]): StoredEntry[] =>
    entriesUntil(until, ...more).map((e, i) => ({ ...e, seq: i + 1 }));
  const at = (minute: number) =>
    store.dispatch(
      ClockActions.received({ clock: { rate: 0, realMs: 0, kitchenMs: START_MS + minute * MIN, adjustable: true } }),
    );
  let pass: (ms: number) => Promise<void>;
  const looks = () => pass(700);

  beforeEach(() => {
    pass = ownTimers();
    engine = new FakeEngine();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Engine, useValue: engine },
        provideStore({
          [logFeature.name]: logFeature.reducer,
          [clockFeature.name]: clockFeature.reducer,
          [followFeature.name]: followFeature.reducer,
          [recordsFeature.name]: recordsFeature.reducer,
          [roomFeature.name]: roomFeature.reducer,
          [learnedFeature.name]: learnedFeature.reducer,
        }),
        provideEffects(followEffects),
      ],
    });
    store = TestBed.inject(Store);
    at(100);
  });
  afterEach(() => jasmine.clock().uninstall());

  it('glances first and then looks, and rests while nothing changes', async () => {
    store.dispatch(LogActions.loaded({ entries: stored(100) }));
    await pass(1200);
    expect(engine.asked.map((a) => a.effort)).toEqual(['glance', 'look']);
  });

  it('works out anew what was logged, what is stale by the kitchen’s clock, and what other hours change', async () => {
    store.dispatch(LogActions.loaded({ entries: stored(100) }));
    await pass(900);
    const before = engine.asked.length;
    store.dispatch(LogActions.arrived({ entries: stored(100, [90, NOTE]).slice(-1) }));
    await looks();
    expect(engine.asked.length).toBe(before + 1);
    at(103);
    await looks();
    expect(engine.asked.length).toBe(before + 1);
    at(105);
    await looks();
    expect(engine.asked.length).toBe(before + 2);
    store.dispatch(
      RecordActions.received({
        records: { settings: [householdRecord({ version: 2, settings: { ...USUAL_SETTINGS, asleepToH: 9 } })] },
      }),
    );
    await looks();
    expect(engine.asked.at(-1)!.house.settings.asleepToH).toBe(9);
  });

  it('follows a finished make only once a page looks at it', async () => {
    const end: EntryBody = { type: 'finished', productG: 1700, wheyG: null, heldBackG: null, score: null };
    const entries = stored(1240, [1250, end]);
    store.dispatch(LogActions.loaded({ entries }));
    await pass(500);
    expect(engine.asked).toEqual([]);
    store.dispatch(FollowActions.wanted({ batchId: entries[0]!.batchId }));
    await pass(1000);
    const before = engine.asked.length;
    expect(before).toBeGreaterThan(0);
    store.dispatch(RoomActions.received({ readings: [{ atMs: START_MS, tempC: 16 }] }));
    await looks();
    expect(engine.asked.length).toBe(before + 1);
    expect(engine.asked.at(-1)!.house.room.length).toBe(1);
  });

  it('says where it failed, and goes on once something new is logged', async () => {
    engine.broken = true;
    const entries = stored(100);
    const failed = store.selectSignal(followFeature.selectFailed);
    store.dispatch(LogActions.loaded({ entries }));
    await pass(900);
    expect(failed()[entries[0]!.batchId]).toContain('the worker fell over');
    engine.broken = false;
    store.dispatch(LogActions.arrived({ entries: stored(100, [95, NOTE]).slice(-1) }));
    await looks();
    expect(failed()).toEqual({});
  });
});
