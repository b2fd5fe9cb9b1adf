import fc from 'fast-check';
import { seededRandom } from '../random/random.js';
import { faultyReading, type SimulatedCondition } from './faults.js';
import { INSTRUMENT_KINDS, isOfRoom, kindReading } from './kinds.js';
import { THERMOMETER } from './thermometer.js';
import { isKept } from './thinning.js';
import { probeTrouble, type ProbeHistory } from './trouble.js';

const MIN = 60_000;
const HOUR = 60 * MIN;

describe('the registry of instruments', () => {
  it('has one kind for each quantity, and its simulated one reads within what can be', () => {
    const kinds = Object.values(INSTRUMENT_KINDS);
    expect(new Set(kinds.map((kind) => kind.quantity)).size).toBe(kinds.length);
    for (const kind of kinds) {
      expect(kindReading(kind.quantity)).toBe(kind);
      expect(isOfRoom(kind.quantity)).toBe(kind.quantity === 'roomC');
      const { min, max } = kind.bounds;
      expect(kind.simulated.jumps.some((jump) => jump < min || jump > max))
        .withContext(`${kind.quantity}: one of its jumps cannot be`)
        .toBeTrue();
      expect(kind.simulated.jumps.some((jump) => jump >= min && jump <= max))
        .withContext(`${kind.quantity}: one of them can`)
        .toBeTrue();
    }
  });
});

describe('thinning', () => {
  const at = (atMs: number, value: number) => ({ atMs, value });

  it('keeps the first, one in twenty seconds, and what differs notably', () => {
    expect(isKept('tempC', at(0, 40), null, null)).toBeTrue();
    expect(isKept('tempC', at(19_999, 40.4), at(0, 40), null)).toBeFalse();
    expect(isKept('tempC', at(20_000, 40), at(0, 40), null)).toBeTrue();
    expect(isKept('tempC', at(3000, 40.6), at(0, 40), null)).toBeTrue();
    expect(isKept('tempC', at(1000, 60), at(0, 40), null)).toBeFalse();
    expect(isKept('roomC', at(500_000, 20), at(0, 20), null)).toBeFalse();
    expect(isKept('roomC', at(90_000, 21), at(0, 20), null)).toBeTrue();
    expect(isKept('ph', at(5000, 4.5), at(0, 4.4), at(6000, 4.5))).toBeFalse();
  });

  it('is the same whether the kept one lies before or after', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60_000 }), fc.double({ min: -2, max: 2, noNaN: true }), (ms, more) => {
        const reading = at(100_000, 40);
        const [before, after] = [at(100_000 - ms, 40 + more), at(100_000 + ms, 40 + more)];
        expect(isKept('tempC', reading, before, null)).toBe(isKept('tempC', reading, null, after));
        if (ms >= THERMOMETER.keeping.everyMs) expect(isKept('tempC', reading, before, after)).toBeTrue();
      }),
    );
  });
});

describe('trouble with a probe', () => {
  const NOW = 100 * HOUR;
  const sound: ProbeHistory = {
    quantity: 'tempC',
    lastMs: NOW - 5 * MIN,
    lastValue: 42,
    sameSinceMs: NOW - 5 * MIN,
    impossible: null,
  };
  const rising = (ms: number) => 20 + (ms - NOW) / HOUR;
  const still = () => 42;
  const of = (more: Partial<ProbeHistory>, course: (ms: number) => number | null = still) =>
    probeTrouble({ ...sound, ...more }, NOW, course)?.trouble ?? null;

  it('is none while it reads, or before it ever has', () => {
    expect(of({})).toBeNull();
    expect(of({ lastMs: null, sameSinceMs: null })).toBeNull();
  });

  it('is a drop-out once it is silent, an impossible reading for an hour', () => {
    expect(of({ lastMs: NOW - HOUR })).toBe('silent');
    expect(of({ impossible: { atMs: NOW - 10 * MIN, value: 250 } })).toBe('impossible');
    expect(of({ impossible: { atMs: NOW - 2 * HOUR, value: 250 } })).toBeNull();
  });

  it('is sticking only where the crock should have moved meanwhile', () => {
    const stuck = { sameSinceMs: NOW - 3 * HOUR };
    expect(of(stuck, rising)).toBe('stuck');
    expect(of(stuck, still)).toBeNull();
    expect(of(stuck, () => null)).toBeNull();
    expect(of({ sameSinceMs: NOW - 20 * MIN }, rising)).toBeNull();
  });
});

describe('a stand-in with a fault', () => {
  const condition = (fault: SimulatedCondition['fault']): SimulatedCondition => ({
    fault,
    faultSinceMs: fault && 10 * HOUR,
    calibratedMs: 0,
  });
  const show = (fault: SimulatedCondition['fault'], atH: number, kind: 'thermometer' | 'ph-probe' = 'thermometer') =>
    faultyReading(kind, kind === 'ph-probe' ? 5 : 42, atH * HOUR, condition(fault), () => 39.5, seededRandom(atH));

  it('shows what a sound one would until the fault begins', () => {
    for (const fault of [null, 'silent', 'stuck', 'wild', 'drift', 'noisy'] as const) expect(show(fault, 9)).toBe(42);
  });

  it('is silent, sticks, drifts', () => {
    expect(show('silent', 11)).toBeNull();
    expect(show('stuck', 20)).toBe(39.5);
    expect(show('drift', 15)).toBeCloseTo(45, 6);
    const jumps = Array.from({ length: 60 }, (_, i) => show('wild', 11 + i));
    expect(jumps.some((v) => v === 250)).toBeTrue();
    expect(jumps.filter((v) => v === 42).length).toBeGreaterThan(30);
  });

  it('a pH meter wanders from its calibration, a little or by the fault a lot', () => {
    const usual = show(null, 48, 'ph-probe')! - 5;
    expect(usual).toBeCloseTo(0.1, 1);
    expect(show('drift', 48, 'ph-probe')! - 5).toBeGreaterThan(10 * usual);
    const fresh = { fault: null, faultSinceMs: null, calibratedMs: 48 * HOUR };
    expect(faultyReading('ph-probe', 5, 48 * HOUR, fresh, () => null, seededRandom(1))).toBe(5);
  });
});
