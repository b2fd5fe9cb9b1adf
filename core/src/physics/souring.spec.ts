import fc from 'fast-check';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { cardinalRate, deathRatePerMin } from './temperature-response.js';
import {
  keepAt,
  SOURING_STEP_MIN,
  souringCrock,
  sourStep,
  souringLaw,
  souringRate,
  type SouringCrock,
  type SouringLaw,
} from './souring.js';

const MILK = { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 };

interface Start {
  readonly culture: CultureId;
  readonly dosePct: number;
  readonly tempC: number;
  readonly freezeDried?: boolean;
  readonly stepMin?: number;
}

function start({ culture, dosePct, freezeDried }: Start) {
  const constants = CULTURES[culture];
  const law = souringLaw(constants, MILK);
  const biomass = (dosePct / 100) * constants.biomassPerDose;
  const lagQ = freezeDried ? constants.lagQFreezeDried : constants.lagQActive;
  return { law, crock: souringCrock(law, { biomass, lagQ, lacticMolPerKg: 0 }) };
}

function sourAt(law: SouringLaw, crock: SouringCrock, tempC: number, minutes: number): void {
  keepAt(law, crock, tempC);
  sourStep(law, crock, minutes);
}

/** Hours to a pH; Infinity where not within 60 h. */
function hoursTo(targetPh: number, given: Start): number {
  const { law, crock } = start(given);
  const step = given.stepMin ?? 5;
  for (let min = 0; min < 60 * 60; min += step) {
    const before = crock.ph;
    sourAt(law, crock, given.tempC, step);
    const after = crock.ph;
    if (after <= targetPh) return (min + (step * (before - targetPh)) / (before - after)) / 60;
  }
  return Infinity;
}

const yogurt = (tempC: number, dosePct = 2.5): Start => ({ culture: 'thermophilic', dosePct, tempC });
const butter = (tempC: number, dosePct: number): Start => ({ culture: 'mesophilic', dosePct, tempC });

/**
 * Times of general dairy practice for an active starter in plain milk, as the textbooks give them: Tamime & Robinson
 * (2007), Yoghurt: Science and Technology, 3rd ed. (2–3 % at 42–43 °C in about four hours, overnight at 30 °C).
 */
describe('souring by yogurt culture', () => {
  it('2.5 % reaches pH 4.6 in 3.8–5.5 h at 43 °C, 5–7 h at 38 °C, 11–17 h at 30 °C', () => {
    expect(hoursTo(4.6, yogurt(43))).toBeGreaterThan(3.8);
    expect(hoursTo(4.6, yogurt(43))).toBeLessThan(5.5);
    expect(hoursTo(4.6, yogurt(38))).toBeGreaterThan(5);
    expect(hoursTo(4.6, yogurt(38))).toBeLessThan(7);
    expect(hoursTo(4.6, yogurt(30))).toBeGreaterThan(11);
    expect(hoursTo(4.6, yogurt(30))).toBeLessThan(17);
  });

  it('is more than twice as slow at 50 °C and never gets there at 53 °C', () => {
    expect(hoursTo(4.6, yogurt(50))).toBeGreaterThan(2 * hoursTo(4.6, yogurt(43)));
    expect(hoursTo(4.6, yogurt(53))).toBe(Infinity);
  });

  it('saves 20–45 min at 43 °C by a double dose', () => {
    const saved = 60 * (hoursTo(4.6, yogurt(43)) - hoursTo(4.6, yogurt(43, 5)));
    expect(saved).toBeGreaterThan(20);
    expect(saved).toBeLessThan(45);
  });

  it('takes 5–7 h from a freeze-dried starter', () => {
    const hours = hoursTo(4.6, { ...yogurt(43), freezeDried: true });
    expect(hours).toBeGreaterThan(5);
    expect(hours).toBeLessThan(7);
  });

  it('takes 1.4–2 times as long to pH 4.2 as to 4.6', () => {
    const ratio = hoursTo(4.2, yogurt(43)) / hoursTo(4.6, yogurt(43));
    expect(ratio).toBeGreaterThan(1.4);
    expect(ratio).toBeLessThan(2);
  });
});

/** The three classical sets of the dairy textbooks (long, middle, short), to pH 4.7: Walstra et al. (2006), Dairy Science and Technology. */
describe('souring by butter culture', () => {
  it('21.5 °C, 1.25 %: 12–16 h', () => {
    expect(hoursTo(4.7, butter(21.5, 1.25))).toBeGreaterThan(12);
    expect(hoursTo(4.7, butter(21.5, 1.25))).toBeLessThan(16);
  });
  it('26.5 °C, 3 %: 7–9 h', () => {
    expect(hoursTo(4.7, butter(26.5, 3))).toBeGreaterThan(7);
    expect(hoursTo(4.7, butter(26.5, 3))).toBeLessThan(9);
  });
  it('31.5 °C, 5.5 %: 4.5–6.5 h', () => {
    expect(hoursTo(4.7, butter(31.5, 5.5))).toBeGreaterThan(4.5);
    expect(hoursTo(4.7, butter(31.5, 5.5))).toBeLessThan(6.5);
  });
  it('18 °C: more than 20 h; 42 °C: never', () => {
    expect(hoursTo(4.7, butter(18, 1.25))).toBeGreaterThan(20);
    expect(hoursTo(4.7, butter(42, 1.25))).toBe(Infinity);
  });
});

describe('the souring step', () => {
  it('of 10 min stays within 0.001 pH of steps of 6 s', () => {
    for (const given of [yogurt(43), yogurt(35), yogurt(47), { ...yogurt(43), freezeDried: true }, butter(24, 2)]) {
      const coarse = start(given);
      const fine = start(given);
      for (let min = 0; min < 12 * 60; min += SOURING_STEP_MIN) {
        sourAt(coarse.law, coarse.crock, given.tempC, SOURING_STEP_MIN);
        for (let i = 0; i < 10 * SOURING_STEP_MIN; i++) sourAt(fine.law, fine.crock, given.tempC, 0.1);
        const apart = coarse.crock.ph - fine.crock.ph;
        expect(Math.abs(apart)).toBeLessThan(0.001);
      }
    }
  });

  it('makes as much acid in a short moment as its rate says', () => {
    for (const given of [yogurt(43), butter(24, 2), { ...yogurt(40), freezeDried: true }]) {
      const { law, crock } = start(given);
      keepAt(law, crock, given.tempC);
      for (let min = 0; min < 8 * 60; min += 20) {
        const rate = souringRate(law, crock);
        const before = crock.lacticMolPerKg;
        sourAt(law, crock, given.tempC, 0.01);
        expect(crock.lacticMolPerKg - before).toBeCloseTo(rate * 0.01, 9);
        sourAt(law, crock, given.tempC, 20);
      }
    }
  });

  it('never loses acid, never grows past ripe, whatever temperatures it is given', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 60, noNaN: true }), { minLength: 5, maxLength: 80 }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (temps, dosePct) => {
          const { law, crock } = start({ ...yogurt(43), dosePct });
          let acid = 0;
          for (const tempC of temps) {
            sourAt(law, crock, tempC, 5);
            expect(crock.lacticMolPerKg).toBeGreaterThanOrEqual(acid);
            expect(crock.biomass).toBeLessThanOrEqual(1);
            acid = crock.lacticMolPerKg;
          }
        },
      ),
    );
  });

  it('stops where the sugar does: a milk of little lactose stays mild', () => {
    const lean = souringLaw(CULTURES.thermophilic, { ...MILK, lacticEndMolPerKg: 0.05 });
    const crock = souringCrock(lean, { biomass: 0.05, lagQ: 1, lacticMolPerKg: 0 });
    keepAt(lean, crock, 43);
    for (let min = 0; min < 24 * 60; min += 5) sourStep(lean, crock, 5);
    expect(crock.lacticMolPerKg).toBeGreaterThan(0.0499);
    expect(crock.lacticMolPerKg).toBeLessThanOrEqual(0.05);
    expect(crock.ph).toBeGreaterThan(4.9);
  });

  it('kills a starter added at 60 °C: ten minutes there and it never sours', () => {
    const { law, crock } = start(yogurt(60));
    for (let min = 0; min < 10; min += 2) sourAt(law, crock, 60, 2);
    for (let min = 0; min < 24 * 60; min += 5) sourAt(law, crock, 43, 5);
    expect(crock.biomass).toBeLessThan(0.5);
    expect(crock.ph).toBeGreaterThan(4.6);
  });
});

describe('temperature response (Rosso et al. 1993)', () => {
  it('is 1 at the optimum, 0 at and outside the limits, between 0 and 1 elsewhere', () => {
    for (const { growth, acid } of Object.values(CULTURES)) {
      for (const cardinal of [growth, acid]) {
        expect(cardinalRate(cardinal, cardinal.optC)).toBeCloseTo(1, 12);
        expect(cardinalRate(cardinal, cardinal.minC)).toBe(0);
        expect(cardinalRate(cardinal, cardinal.maxC + 1)).toBe(0);
        for (let t = cardinal.minC; t < cardinal.maxC; t += 0.5) {
          expect(cardinalRate(cardinal, t)).toBeGreaterThanOrEqual(0);
          expect(cardinalRate(cardinal, t)).toBeLessThanOrEqual(1 + 1e-12);
        }
      }
    }
  });

  it('kills tenfold faster for each 6 °C above the lethal temperature', () => {
    const { growth } = CULTURES.thermophilic;
    expect(deathRatePerMin(growth, 62) / deathRatePerMin(growth, 56)).toBeCloseTo(10, 9);
    expect(deathRatePerMin(growth, 50)).toBe(0);
  });
});
