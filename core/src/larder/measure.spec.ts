import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { SODA } from '../constants/acids.js';
import { GEAR_TYPES } from '../lots/gear.js';
import { measureHolds, measureLoss, measurePower, ROUTINES, strengthBySoda, dropsPerMl } from './measure.js';
import { saying } from '../testing/saying.js';

const KJ = 4.18;

/** Water in a vessel that loses and is heated, noted at some minutes: the exact course. */
function course(
  litres: number,
  roomC: number,
  fromC: number,
  uaWPerK: number,
  heatW: number,
  minutes: readonly number[],
) {
  const settles = roomC + heatW / uaWPerK;
  return minutes.map((min) => ({
    min,
    tempC: settles + (fromC - settles) * Math.exp((-uaWPerK * 60 * min) / (litres * KJ * 1000)),
  }));
}

describe('measuring gear', () => {
  it('finds again what a vessel loses, from three temperatures of its cooling', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        (litres, ua) => {
          const noted = course(litres, 20, 70, ua, 0, [0, 30, 120]);
          const { value, curve } = measureLoss({ noted, litres, roomC: 20 });
          expect(value / ua).toBeGreaterThan(0.97);
          expect(value / ua).toBeLessThan(1.03);
          for (const end of [0, curve.length - 1]) {
            const at = noted[end === 0 ? 0 : noted.length - 1]!;
            expect(Math.abs(curve[end]!.tempC - at.tempC)).toBeLessThan(1);
          }
        },
      ),
    );
  });

  it('finds again the power that reaches a pot', () => {
    const noted = course(4, 20, 12, 2, 1300, [0, 5, 10]);
    const { value, words } = measurePower({ noted, litres: 4, roomC: 20 }, 2);
    expect(value / 1300).toBeGreaterThan(0.97);
    expect(value / 1300).toBeLessThan(1.03);
    expect(english(words)).toMatch(/^1\d\d0 W/);
  });

  it('takes what a place holds once it has settled, with its spread', () => {
    const noted = [20, 36, 41.8, 42.2, 42, 42.4].map((tempC, i) => ({ min: 60 * i, tempC }));
    const { value, sd } = measureHolds({ noted, litres: 1, roomC: 20 });
    expect(value).toBeCloseTo(42.1, 1);
    expect(sd).toBeLessThan(0.4);
  });

  it('says in words what cannot be of such a thing', () => {
    const roomC = 20;
    const never = [{ min: 0, tempC: 60 }];
    expect(() => measureLoss({ noted: never, litres: 1, roomC })).toThrowMatching(saying(/two temperatures/, english));
    expect(() => measureLoss({ noted: [...never, { min: 30, tempC: 15 }], litres: 1, roomC })).toThrowMatching(
      saying(/above that of the room/, english),
    );
    expect(() => measureHolds({ noted: never, litres: 1, roomC })).toThrowMatching(
      saying(/three temperatures/, english),
    );
    const cooling = [
      { min: 0, tempC: 60 },
      { min: 10, tempC: 40 },
    ];
    expect(() => measurePower({ noted: cooling, litres: 1, roomC }, 2)).toThrowMatching(
      saying(/did not warm/, english),
    );
  });

  it('has a routine for everything that is learned of any gear', () => {
    for (const { learns } of Object.values(GEAR_TYPES)) {
      for (const key of learns) expect(ROUTINES[key].steps.length).toBeGreaterThan(1);
    }
  });
});

describe('measuring bottles', () => {
  it('finds the strength of vinegar by stoichiometry: one soda to one acetic acid', () => {
    const acidG = 100;
    const sodaG = (5 / 60.05) * SODA.molarG;
    expect(strengthBySoda('vinegar', acidG, sodaG)).toBeCloseTo(5, 1);
  });

  it('counts three protons, nearly, to a citric acid', () => {
    const sodaG = 3 * (5.5 / 192.12) * SODA.molarG;
    const found = strengthBySoda('lemon', 100, sodaG);
    expect(found).toBeGreaterThan(5.5);
    expect(found).toBeLessThan(6.2);
  });

  it('counts drops into a spoon', () => {
    expect(dropsPerMl(60, 2.5)).toBe(24);
  });
});
