import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { referenceStock } from '../materials/reference-materials.js';
import { massesOfMaterial } from '../materials/materials.js';
import { fitHeatingPower, fitHeatLoss } from './fit-heat.js';
import { thermalStep } from './heat.js';
import { saying } from '../testing/saying.js';

const MILK = massesOfMaterial(referenceStock('whole'), 4000);

/** Temperatures that a pot of given loss shows, noted every so many minutes. */
function noted(uaWPerK: number, startC: number, roomC: number, heatW: number, everyMin: number, count: number) {
  const points = [{ min: 0, tempC: startC }];
  for (let i = 1; i < count; i++) {
    let { tempC } = points[i - 1]!;
    for (let k = 0; k < 20; k++)
      tempC = thermalStep(MILK, tempC, { aroundC: roomC, uaWPerK, openAreaM2: 0 }, heatW, everyMin / 20).tempC;
    points.push({ min: i * everyMin, tempC });
  }
  return points;
}

describe('a vessel measured with a thermometer', () => {
  it('gives back the heat loss it has, from two temperatures or more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 8, noNaN: true }),
        fc.integer({ min: 2, max: 6 }),
        fc.double({ min: 10, max: 28, noNaN: true }),
        (ua, count, roomC) => {
          const { uaWPerK } = fitHeatLoss(MILK, noted(ua, 80, roomC, 0, 30, count), roomC);
          expect(Math.abs(uaWPerK / ua - 1)).toBeLessThan(0.02);
        },
      ),
    );
  });

  it('says how sure it is once there are three, and what an hour costs', () => {
    const points = noted(2, 46, 20, 0, 60, 4);
    const shaken = points.map((p, i) => ({ ...p, tempC: p.tempC + (i % 2 ? 0.4 : -0.4) }));
    expect(fitHeatLoss(MILK, points.slice(0, 2), 20).sdWPerK).toBeNull();
    const { sdWPerK, uaWPerK } = fitHeatLoss(MILK, shaken, 20);
    expect(sdWPerK!).toBeGreaterThan(0.01);
    expect(Math.abs(uaWPerK - 2)).toBeLessThan(4 * sdWPerK!);
    expect(fitHeatLoss(MILK, points, 20).perHourC).toBeCloseTo(points[0]!.tempC - points[1]!.tempC, 1);
  });

  it('gives back the power that reaches the milk', () => {
    expect(fitHeatingPower(MILK, noted(3, 5, 20, 950, 5, 5), 20, 3)).toBeCloseTo(950, -1);
  });

  it('refuses what cannot be fitted, in words', () => {
    expect(() => fitHeatLoss(MILK, [{ min: 0, tempC: 50 }], 20)).toThrowMatching(saying(/two temperatures/, english));
    expect(() =>
      fitHeatLoss(
        MILK,
        [
          { min: 0, tempC: 50 },
          { min: 30, tempC: 19 },
        ],
        20,
      ),
    ).toThrowMatching(saying(/above that of the room/, english));
    expect(() =>
      fitHeatingPower(
        MILK,
        [
          { min: 5, tempC: 50 },
          { min: 5, tempC: 51 },
        ],
        20,
        3,
      ),
    ).toThrowMatching(saying(/different times/, english));
  });
});
