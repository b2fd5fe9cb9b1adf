import fc from 'fast-check';
import type { Entry, EntryBody } from './entry.js';
import { replay } from './replay.js';
import { temperatureTrace } from './temperature-trace.js';

const T0 = Date.UTC(2026, 4, 2, 8);
const MIN = 60_000;
let made = 0;
const id = () => String(++made).padStart(26, '0');
const entry = (min: number, body: EntryBody, source = 'hand'): Entry => ({
  id: id(),
  batchId: 'b',
  atMs: T0 + min * MIN,
  source,
  body,
});
const started = () => entry(0, { type: 'started', methodId: 'strained-yogurt', choices: {}, name: 'Pot' });
const ph = (min: number, value: number) => entry(min, { type: 'reading', quantity: 'ph', value, by: 'meter' });

describe('replay', () => {
  const log = [started(), entry(9, { type: 'step', stageId: 'heat' }), ph(120, 5.6), ph(180, 5.1)];
  const fix = entry(200, {
    type: 'correction',
    replaces: log[3]!.id,
    body: { type: 'reading', quantity: 'ph', value: 5.15, by: 'strip' },
  });
  const whole = [...log, fix, entry(210, { type: 'note', text: 'calm' })];

  it('gives the same batch whatever the order and however often each entry is sent', () => {
    const wanted = JSON.stringify(replay(whole));
    fc.assert(
      fc.property(
        fc.shuffledSubarray(whole, { minLength: whole.length }),
        fc.array(fc.constantFrom(...whole), { maxLength: 6 }),
        (shuffled, again) => {
          expect(JSON.stringify(replay([...shuffled, ...again]))).toBe(wanted);
        },
      ),
    );
  });

  it('lets a correction stand for what it replaces and keeps the history', () => {
    const batch = replay(whole)!;
    expect(batch.readings.map((r) => r.value)).toEqual([5.6, 5.15]);
    const line = batch.log.find((l) => l.entry.id === log[3]!.id)!;
    expect(line.fate).toBe('corrected');
    expect(line.entry.body).toEqual(jasmine.objectContaining({ value: 5.1 }));
  });

  it('lets a correction give a line another time, in its place among the others, and keeps it when only the value is corrected', () => {
    const body = { type: 'reading', quantity: 'ph', value: 5.1, by: 'meter' } as const;
    const moved = entry(205, { type: 'correction', replaces: log[3]!.id, body, atMs: T0 + 100 * MIN });
    const batch = replay([...log, moved])!;
    expect(batch.readings.map((r) => [r.value, r.atMs])).toEqual([
      [5.1, T0 + 100 * MIN],
      [5.6, T0 + 120 * MIN],
    ]);
    expect(batch.log.find((l) => l.entry.id === log[3]!.id)!.atMs).toBe(T0 + 100 * MIN);
    const valued = entry(210, { type: 'correction', replaces: log[3]!.id, body: { ...body, value: 5.2 } });
    expect(replay([...log, moved, valued])!.readings[0]).toEqual(
      jasmine.objectContaining({ value: 5.2, atMs: T0 + 100 * MIN }),
    );
  });

  it('lets the newest correction count, and a taken-back line say so', () => {
    const again = entry(205, { type: 'correction', replaces: log[3]!.id, body: null });
    const batch = replay([...whole, again])!;
    expect(batch.readings.map((r) => r.value)).toEqual([5.6]);
    expect(batch.log.find((l) => l.entry.id === log[3]!.id)!.fate).toBe('taken back');
  });

  it('is no batch before it was started, and ended once it is finished', () => {
    expect(replay([ph(1, 6)])).toBeNull();
    const end = entry(900, { type: 'finished', productG: 1900, wheyG: 1950, heldBackG: null, score: null });
    expect(replay([...whole, end])!.ended).toEqual(jasmine.objectContaining({ how: 'finished', productG: 1900 }));
  });
});

describe('a temperature trace', () => {
  const at = (min: number) => T0 + min * MIN;
  const trace = temperatureTrace([
    { atMs: at(10), tempC: 44 },
    { atMs: at(0), tempC: 40 },
    { atMs: at(60), tempC: 42 },
    { atMs: at(60), tempC: 43 },
  ]);

  it('is linear between readings, whatever order they came in', () => {
    expect(trace(at(0), at(5))).toEqual({ atMs: at(5), tempC: 42 });
  });
  it('across a gap of more than 25 minutes is the last one read, as far as it lies in what is asked for', () => {
    expect(trace(at(10), at(30))).toEqual({ atMs: at(10), tempC: 44 });
    expect(trace(at(11), at(30))).toBeNull();
    const near = temperatureTrace([0, 25, 51].map((min) => ({ atMs: at(min), tempC: 40 + min / 25 })));
    expect(near(at(12), at(12.5))!.tempC).toBeCloseTo(40.5, 9);
    expect(near(at(26), at(40))).toBeNull();
  });
  it('is silent before the first, after the last and where nothing was read', () => {
    expect(trace(at(-5), at(-1))).toBeNull();
    expect(trace(at(61), at(90))).toBeNull();
    expect(temperatureTrace([])(at(0), at(60))).toBeNull();
  });
  it('takes the mean of readings of one moment', () => {
    expect(trace(at(50), at(61))).toEqual({ atMs: at(60), tempC: 42.5 });
  });
});
