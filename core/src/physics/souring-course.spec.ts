import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import type { BufferMilk } from './buffer.js';
import { keepAt, souringCrock, souringLaw, sourStep, type SouringStart } from './souring.js';
import { followCourse, MEASURED_EVERY_MIN, SWING_EVERY_MIN, type TemperatureCourse } from './souring-course.js';

const MILK: BufferMilk = { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 };
const NONE_MEASURED = new Float64Array(0);

interface Given {
  readonly culture: CultureId;
  readonly start: SouringStart;
  readonly temperature: TemperatureCourse;
  readonly hours: number;
  readonly milk?: BufferMilk;
}

const steady = (tempC: number): TemperatureCourse => ({
  startC: tempC,
  aroundC: tempC,
  tauMin: 120,
  measuredC: NONE_MEASURED,
});
const yogurt = (temperature: TemperatureCourse, start: Partial<SouringStart> = {}): Given => ({
  culture: 'thermophilic',
  start: { biomass: 0.025, lagQ: 1, lacticMolPerKg: 0.002, ...start },
  temperature,
  hours: 24,
});

/** pH each half hour and the minutes to 4.6, by the course and by steps of `stepMin`. */
function byCourse(given: Given): { ready: number; ph: Float32Array } {
  const law = souringLaw(CULTURES[given.culture], given.milk ?? MILK);
  const askedMin = Array.from({ length: given.hours * 2 + 1 }, (_, i) => i * 30);
  const ph = new Float32Array(askedMin.length);
  const questions = { horizonMin: given.hours * 60, targetPh: 4.6, askedMin };
  const crock = souringCrock(law, given.start);
  return { ready: followCourse(law, crock, given.temperature, questions, { phAt: ph, offset: 0, stride: 1 }), ph };
}

function bySteps(given: Given, stepMin: number): { ready: number; ph: number[] } {
  const law = souringLaw(CULTURES[given.culture], given.milk ?? MILK);
  const crock = souringCrock(law, given.start);
  const { startC, aroundC, tauMin, measuredC, swingC } = given.temperature;
  let leftAtMin = 0;
  let leftAtC = startC;
  const ph = [crock.ph];
  let ready = Infinity;
  const perPoint = Math.round(30 / stepMin);
  for (let i = 0; i < given.hours * 2 * perPoint; i++) {
    const middle = (i + 0.5) * stepMin;
    const measured = measuredC[Math.floor(middle / MEASURED_EVERY_MIN)] ?? NaN;
    const swing = swingC?.[Math.floor(middle / SWING_EVERY_MIN)] ?? 0;
    const tempC = Number.isNaN(measured)
      ? aroundC + swing + (leftAtC - aroundC) * Math.exp((leftAtMin - middle) / tauMin)
      : measured;
    if (!Number.isNaN(measured)) [leftAtMin, leftAtC] = [(i + 1) * stepMin, measured - swing];
    const before = crock.ph;
    keepAt(law, crock, tempC);
    sourStep(law, crock, stepMin);
    if (before > 4.6 && crock.ph <= 4.6) ready = (i + (before - 4.6) / (before - crock.ph)) * stepMin;
    if ((i + 1) % perPoint === 0) ph.push(crock.ph);
  }
  return { ready, ph };
}

function expectSame(given: Given): void {
  const course = byCourse(given);
  const fine = bySteps(given, 0.25);
  fine.ph.forEach((ph, i) => expect(Math.abs(course.ph[i]! - ph)).toBeLessThan(0.01));
  if (fine.ready === Infinity) expect(course.ready).toBe(Infinity);
  else expect(Math.abs(course.ready - fine.ready)).toBeLessThan(Math.max(3, 0.005 * fine.ready));
}

describe('the course of a souring, in long steps', () => {
  it('stays within 0.01 pH of steps of 15 s at a steady warmth, for every culture', () => {
    for (const culture of Object.keys(CULTURES) as CultureId[]) {
      const optC = CULTURES[culture].growth.optC;
      for (const tempC of [optC - 8, optC - 3, optC, optC + 4]) {
        expectSame({ ...yogurt(steady(tempC)), culture });
      }
    }
  });

  it('stays within 0.01 pH while it warms from the cold, cools down, or starts far too hot', () => {
    const to = (startC: number, aroundC: number, tauMin: number) => ({
      startC,
      aroundC,
      tauMin,
      measuredC: NONE_MEASURED,
    });
    for (const temperature of [to(8, 43, 120), to(46, 38, 300), to(44, 22, 200), to(58, 42, 90)]) {
      expectSame(yogurt(temperature));
    }
  });

  it('stays within 0.01 pH where the sugar runs out', () => {
    for (const lacticEndMolPerKg of [0.03, 0.06, 0.09]) {
      expectSame({ ...yogurt(steady(43)), milk: { ...MILK, lacticEndMolPerKg } });
    }
  });

  it('follows measured temperatures through, and settles from the last of them', () => {
    const measuredC = Float64Array.from({ length: 12 }, (_, i) => (i % 5 === 3 ? NaN : 44 - i * 0.4));
    expectSame(yogurt({ startC: 44, aroundC: 41, tauMin: 120, measuredC }));
  });

  it('stays within 0.01 pH where the room swings, settled or not, measured for a while or not', () => {
    const swingC = Float64Array.from({ length: 24 }, (_, h) => 4 * Math.cos((2 * Math.PI * (h - 16)) / 24));
    const cream = (startC: number, tauMin: number, measuredC = NONE_MEASURED) =>
      expectSame({
        ...yogurt({ startC, aroundC: 23, tauMin, measuredC, swingC }, { biomass: 0.05 }),
        culture: 'mesophilic',
      });
    cream(8, 300);
    cream(23, 120);
    cream(23, 120, new Float64Array(18).fill(24));
  });

  it('agrees for any member of an ensemble', () => {
    const factor = fc.double({ min: 0.6, max: 1.6, noNaN: true });
    fc.assert(
      fc.property(factor, factor, factor, factor, fc.double({ min: 30, max: 47, noNaN: true }), (v, q, mu, acid, c) => {
        expectSame(yogurt(steady(c), { biomass: 0.025 * v, lagQ: q, mu, acid, phShift: 0.08 * (v - 1) }));
      }),
      { numRuns: runs(25) },
    );
  });

  it('answers the same minutes whatever else is asked of it', () => {
    const given = yogurt(steady(42));
    const law = souringLaw(CULTURES.thermophilic, MILK);
    const alone = followCourse(
      law,
      souringCrock(law, given.start),
      given.temperature,
      { horizonMin: 24 * 60, targetPh: 4.6, askedMin: [] },
      { phAt: new Float32Array(0), offset: 0, stride: 1 },
    );
    expect(alone).toBe(byCourse(given).ready);
  });

  it('never arrives where nothing lives', () => {
    expect(byCourse(yogurt(steady(43), { biomass: 0 })).ready).toBe(Infinity);
    expect(byCourse(yogurt(steady(5))).ready).toBe(Infinity);
  });
});
