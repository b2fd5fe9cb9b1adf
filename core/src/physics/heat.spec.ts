import fc from 'fast-check';
import { massesOfMaterial, materialFromLabel } from '../materials/materials.js';
import { coolingMinutes, coolingSurroundings, evaporationGPerMin, thermalStep } from './heat.js';

const milk = (volumeMl: number) => massesOfMaterial(materialFromLabel(3.6, 3.3), volumeMl * 1.03);
const cooling = (method: Parameters<typeof coolingSurroundings>[0], ml: number, from: number, to: number) =>
  coolingMinutes(milk(ml), from, to, coolingSurroundings(method, ml, 20));

/** Kitchen practice; the limits lie within free convection and stirred baths as Incropera & DeWitt (ch. 9) give them. */
describe('cooling', () => {
  it('a covered 4 L pot in a 20 °C room takes 1.5–3 h from 90 to 45 °C', () => {
    expect(cooling('covered', 4000, 90, 45)).toBeGreaterThan(90);
    expect(cooling('covered', 4000, 90, 45)).toBeLessThan(180);
  });

  it('a stirred ice bath takes 8–20 min', () => {
    expect(cooling('ice-bath', 4000, 90, 45)).toBeGreaterThan(8);
    expect(cooling('ice-bath', 4000, 90, 45)).toBeLessThan(20);
  });

  it('a preheated 1 L vacuum flask filled at 46 °C is still at 40 °C after 5–6 h', () => {
    expect(cooling('flask', 1000, 46, 40)).toBeGreaterThan(6 * 60);
    expect(cooling('flask', 1000, 46, 40)).toBeLessThan(10 * 60);
  });

  it('never arrives below its surroundings, and is there already when it starts cold', () => {
    expect(cooling('covered', 4000, 90, 18)).toBeNull();
    expect(cooling('covered', 4000, 30, 45)).toBe(0);
  });

  it('takes longer for a bigger pot and a lower target', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 20_000 }), fc.integer({ min: 30, max: 80 }), (ml, to) => {
        expect(cooling('covered', ml * 2, 90, to)!).toBeGreaterThan(cooling('covered', ml, 90, to)!);
        expect(cooling('covered', ml, 90, to - 2)!).toBeGreaterThan(cooling('covered', ml, 90, to)!);
      }),
    );
  });

  it('an open pot evaporates, the more the hotter, but not where it is no warmer than the room; a covered one never', () => {
    const { openAreaM2 } = coolingSurroundings('open', 4000, 20);
    const gPerHour = (tempC: number) => evaporationGPerMin(openAreaM2, tempC, 20) * 60;
    expect(gPerHour(85)).toBeGreaterThan(60);
    expect(gPerHour(85)).toBeLessThan(400);
    expect(gPerHour(40)).toBeGreaterThan(5);
    expect(gPerHour(40)).toBeLessThan(gPerHour(50));
    expect(gPerHour(20.5)).toBeGreaterThan(0);
    expect(gPerHour(20)).toBe(0);
    expect(evaporationGPerMin(coolingSurroundings('covered', 4000, 20).openAreaM2, 85, 20)).toBe(0);
  });

  it('an open 4 L pot falls from 57 to 21 °C about a fifth sooner than a covered one, in a room of 15 °C', () => {
    const min = (method: 'open' | 'covered') =>
      coolingMinutes(milk(4000), 57, 21, coolingSurroundings(method, 4000, 15))!;
    expect(min('open') / min('covered')).toBeGreaterThan(0.75);
    expect(min('open') / min('covered')).toBeLessThan(0.85);
  });

  it('still air of a refrigerator takes a 4 L pot 12 to 16 h from 43 °C to 5 °C', () => {
    const hours = cooling('refrigerator', 4000, 43, 5)! / 60;
    expect(hours).toBeGreaterThan(12);
    expect(hours).toBeLessThan(16);
  });
});

describe('heating', () => {
  it('adds up: with no loss to speak of, the heat that went in is what the milk gained', () => {
    const masses = milk(4000);
    const around = { aroundC: 5, uaWPerK: 1e-6, openAreaM2: 0 };
    let tempC = 5;
    for (let min = 0; min < 20; min++) tempC = thermalStep(masses, tempC, around, 1000, 1).tempC;
    // 20 min × 1 kW = 1200 kJ into 4.12 kg of about 3.9 kJ/kg·K
    expect(tempC).toBeGreaterThan(5 + 1200 / (4.12 * 4.0));
    expect(tempC).toBeLessThan(5 + 1200 / (4.12 * 3.8));
  });
});
