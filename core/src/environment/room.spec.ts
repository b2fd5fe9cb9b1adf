import fc from 'fast-check';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { roomMeanC, roomSwingC, type RoomClimate } from './room.js';

const ISLAND: RoomClimate = { winterC: 17, summerC: 24, warmestMonth: 8, nightDropC: 4 };
const at = (month: number, monthShare = 0.5, hour = 12) => ({ month, monthShare, hour });

describe('the room', () => {
  it('is at its extremes in the middle of its coldest and its warmest month, and between them else', () => {
    expect(roomMeanC(ISLAND, at(8))).toBeCloseTo(24, 9);
    expect(roomMeanC(ISLAND, at(2))).toBeCloseTo(17, 9);
    expect(roomMeanC(ISLAND, at(5))).toBeCloseTo(20.5, 9);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.double({ min: 0, max: 1, noNaN: true }), (month, share) => {
        const mean = roomMeanC(ISLAND, at(month, share));
        expect(mean).toBeGreaterThanOrEqual(17 - 1e-9);
        expect(mean).toBeLessThanOrEqual(24 + 1e-9);
      }),
    );
  });

  it('is warmest in the afternoon, coldest before dawn, and as it is on average over the day', () => {
    const hours = Array.from({ length: 24 }, (_, h) => roomSwingC(ISLAND, h));
    expect(hours.indexOf(Math.max(...hours))).toBe(16);
    expect(hours.indexOf(Math.min(...hours))).toBe(4);
    expect(Math.max(...hours) - Math.min(...hours)).toBeCloseTo(4, 9);
    expect(hours.reduce((a, b) => a + b, 0)).toBeCloseTo(0, 9);
  });

  it('by its hours moves a make on the counter: begun into a cool night it takes longer than into a warm day', () => {
    const hour = (ms: number) => (ms / 3_600_000) % 24;
    const household = { roomSwing: (ms: number) => roomSwingC({ nightDropC: 8 }, hour(ms)) };
    const sourMin = (startH: number) => {
      const sheet = makeSheet(
        methodById('cultured-cream'),
        {},
        { members: 20, seed: 1, fanPoints: 2 },
        { ...household, startMs: startH * 3_600_000 },
      );
      const warm = sheet.stages.find((s) => s.id === 'warm')!;
      return warm.endMin - warm.beginMin;
    };
    expect(sourMin(20)).toBeGreaterThan(sourMin(8) + 20);
  });

  it('by its hours moves the ready window with the make, and leaves one in a thermostat as it is', () => {
    const household = { roomSwing: (ms: number) => roomSwingC({ nightDropC: 8 }, (ms / 3_600_000) % 24) };
    const sheet = (method: string, startH: number) =>
      makeSheet(
        methodById(method),
        {},
        { members: 300, seed: 1, fanPoints: 2 },
        { ...household, startMs: startH * 3_600_000 },
      );
    const p50 = (method: string, startH: number) => sheet(method, startH).souring!.forecast.p50Min!;
    for (const startH of [8, 20]) {
      const warm = sheet('cultured-cream', startH).stages.find((s) => s.id === 'warm')!;
      expect(p50('cultured-cream', startH) / (warm.endMin - warm.beginMin)).toBeCloseTo(1, 1);
    }
    expect(p50('cultured-cream', 20)).toBeGreaterThan(p50('cultured-cream', 8) + 20);
    expect(Math.abs(p50('scalded-yogurt', 20) - p50('scalded-yogurt', 8))).toBeLessThan(2);
  });
});
