import { USUAL_SETTINGS } from '@oat-crock/contract';
import { householdStore } from '../store/household.js';
import { openDb, type Db } from '../store/open.js';
import { KEEP_CLOCK_MS, machineClock, setClock } from './clock.js';
import { timeSettings } from './settings.js';

describe('the clock', () => {
  let db: Db;
  let machineMs: number;
  const START = Date.UTC(2026, 4, 5, 14, 20);

  /** A clock over the same data, as a server that is started anew opens it. */
  const open = (latestEntryMs: (untilMs: number) => number | null = () => null, rate = 1) =>
    setClock({ store: householdStore(db, 'UTC'), latestEntryMs, startMs: START, rate, machineNow: () => machineMs });

  beforeEach(() => {
    db = openDb(':memory:');
    machineMs = 1_000_000;
  });
  afterEach(() => db.close());

  it('of a household is the machine’s, and is not to be set', () => {
    const clock = machineClock(() => machineMs);
    expect(clock.now()).toBe(machineMs);
    expect(clock.set({ rate: 600, kitchenMs: 5 })).toEqual({
      rate: 1,
      realMs: machineMs,
      kitchenMs: machineMs,
      adjustable: false,
    });
  });

  it('that can be set begins at its own moment, and runs on without a jump when its rate changes', () => {
    const clock = open();
    expect(clock.now()).toBe(START);
    machineMs += 1000;
    expect(clock.now()).toBe(START + 1000);
    clock.set({ rate: 600 });
    expect(clock.now()).toBe(START + 1000);
    machineMs += 1000;
    expect(clock.now()).toBe(START + 601_000);
    expect(clock.reading()).toEqual({ rate: 600, realMs: machineMs, kitchenMs: START + 601_000, adjustable: true });
    clock.set({ kitchenMs: START + 9_000_000 });
    machineMs += 1;
    expect(clock.now()).toBe(START + 9_000_600);
  });

  it('runs at the rate it was opened with until it is told another', () => {
    const clock = open(undefined, 60);
    machineMs += 1000;
    expect(clock.now()).toBe(START + 60_000);
  });

  it('goes on after a kill from where it was kept, or from what was logged since; time that it was off is no time', () => {
    const first = open();
    machineMs += 10_000;
    first.keep();
    machineMs += 3_600_000;
    expect(open().now()).toBe(START + 10_000);
    expect(open(() => START + 4_000).now()).toBe(START + 10_000);
    expect(open(() => START + 11_500).now()).toBe(START + 11_500);
  });

  it('is not moved by a line of a day to come: only what may have been logged since it was kept counts', () => {
    open().set({ rate: 60 });
    const asked: number[] = [];
    open((untilMs) => {
      asked.push(untilMs);
      return null;
    });
    expect(asked).toEqual([START + 2 * KEEP_CLOCK_MS * 60]);
  });
});

describe('what a kitchen is told of the time', () => {
  const machineZone = () => 'Asia/Kolkata';

  it('is nothing, and then it goes by the machine’s clock and zone', () => {
    expect(timeSettings({}, false, machineZone)).toEqual({ startMs: null, rate: 1, zone: 'Asia/Kolkata' });
  });

  it('is always the same week for the demonstration, a Tuesday afternoon in May', () => {
    const startMs = Date.UTC(2026, 4, 5, 14, 20);
    expect(timeSettings({}, true, machineZone)).toEqual({ startMs, rate: 1, zone: 'UTC' });
    expect(new Date(startMs).getUTCDay()).toBe(2);
  });

  it('is a local time of its zone, and a rate', () => {
    const told = { OAT_CROCK_START: '2026-03-29T00:05', OAT_CROCK_ZONE: 'America/St_Johns', OAT_CROCK_RATE: '60' };
    for (const demo of [true, false]) {
      expect(timeSettings(told, demo, machineZone)).toEqual({
        startMs: Date.UTC(2026, 2, 29, 2, 35),
        rate: 60,
        zone: 'America/St_Johns',
      });
    }
  });

  it('is refused by the name of what is wrong', () => {
    const wrong = (told: Record<string, string>) => () => timeSettings(told, false, machineZone);
    expect(wrong({ OAT_CROCK_ZONE: 'Mars/Olympus' })).toThrowError(/^OAT_CROCK_ZONE: .*Mars/);
    expect(wrong({ OAT_CROCK_RATE: '7' })).toThrowError(/^OAT_CROCK_RATE: give one of 1, 60, 600$/);
    for (const start of ['yesterday', '2026-05-05', '2026-13-05T10:00', '2026-02-30T10:00', '2026-05-05T25:00']) {
      expect(wrong({ OAT_CROCK_START: start })).toThrowError(/^OAT_CROCK_START/);
    }
  });

  it('is the zone of a household until it has chosen one', () => {
    const db = openDb(':memory:');
    const store = householdStore(db, 'Asia/Kolkata');
    expect(store.settings().settings.zone).toBe('Asia/Kolkata');
    store.saveSettings({ ...USUAL_SETTINGS, zone: 'Pacific/Auckland' }, 0);
    expect(store.settings().settings.zone).toBe('Pacific/Auckland');
    db.close();
  });
});
