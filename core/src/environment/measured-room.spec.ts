import fc from 'fast-check';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { follow } from '../follow/follow.js';
import { atMinute, logged, LOGGED_FROM_MS } from '../testing/logged.js';
import { roomCourse, roomMeanOver } from './measured-room.js';

const HOUR = 3_600_000;
const usualC = (ms: number) => 20 + Math.cos((2 * Math.PI * ms) / (24 * HOUR));
const read = (h: number, tempC: number) => ({ atMs: h * HOUR, tempC });

describe('a room that is read', () => {
  it('is as it was read at each reading, and by a line between two that are near', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 10, max: 30, noNaN: true }), { minLength: 2, maxLength: 20 }), (temps) => {
        const readings = temps.map((tempC, i) => read(i, tempC));
        const course = roomCourse(readings, () => 20);
        for (const { atMs, tempC } of readings) expect(course(atMs)).toBeCloseTo(tempC, 9);
        expect(course(0.5 * HOUR)).toBeCloseTo((temps[0]! + temps[1]!) / 2, 9);
      }),
    );
  });

  it('comes back to its usual course: half of what it was off is gone in six hours', () => {
    const course = roomCourse([read(0, usualC(0) - 3)], usualC);
    expect(course(6 * HOUR) - usualC(6 * HOUR)).toBeCloseTo(-1.5, 9);
    expect(course(-6 * HOUR) - usualC(-6 * HOUR)).toBeCloseTo(-1.5, 9);
    expect(course(48 * HOUR) - usualC(48 * HOUR)).toBeCloseTo(0, 1);
    expect(roomCourse([], usualC)(5 * HOUR)).toBe(usualC(5 * HOUR));
  });

  it('has a mean of its last day once half of that day was read, whatever the hours were read how often', () => {
    const day = Array.from({ length: 24 }, (_, h) => read(h + 0.5, h < 12 ? 18 : 22));
    expect(roomMeanOver(day, 24 * HOUR)).toBeCloseTo(20, 9);
    const often = [...day, ...Array.from({ length: 50 }, (_, i) => read(3.2 + i / 500, 18))];
    expect(roomMeanOver(often, 24 * HOUR)).toBeCloseTo(20, 9);
    expect(roomMeanOver(day.slice(0, 8), 24 * HOUR)).toBeNull();
    expect(roomMeanOver(day, 90 * HOUR)).toBeNull();
  });

  it('moves what stands on the counter in it: a cold night sours later than was planned', () => {
    const make = logged('cultured-cream', { roomC: 22 }, [
      [5, 'starter'],
      [8, 'warm'],
    ]);
    const readyMs = (roomC: number) =>
      follow(make, atMinute(10), { members: 60, seed: 1, fanPoints: 2 }, { roomAt: () => roomC }).windows[0]!.p50Ms!;
    expect(readyMs(18) - LOGGED_FROM_MS).toBeGreaterThan(1.15 * (readyMs(22) - LOGGED_FROM_MS));
    const asPlanned = follow(make, atMinute(10), { members: 60, seed: 1, fanPoints: 2 }).windows[0]!.p50Ms!;
    expect(Math.abs(readyMs(22) - asPlanned)).toBeLessThan(60_000);
  });

  it('moves an oven with its lamp on as much as itself, and a thermostat not at all', () => {
    const [warm, cold] = [0, -4].map((offC) => (keeper: string) => {
      const choices = { keeper, keepC: 41, warmUntil: 'aim' };
      const swing = { roomSwing: () => offC };
      const sheet = makeSheet(methodById('scalded-yogurt'), choices, { members: 60, seed: 1, fanPoints: 2 }, swing);
      const stage = sheet.stages.find((s) => s.id === 'warm')!;
      return { planned: stage.endMin - stage.beginMin, forecast: sheet.souring!.forecast.p50Min! };
    });
    const [lamp, lampCold] = [warm!('lamp-oven'), cold!('lamp-oven')];
    expect(lampCold.planned).toBeGreaterThan(1.1 * lamp.planned);
    expect(lampCold.forecast / lamp.forecast).toBeCloseTo(lampCold.planned / lamp.planned, 1);
    expect(cold!('thermostat').forecast).toBeCloseTo(warm!('thermostat').forecast, -1);
  });
});
