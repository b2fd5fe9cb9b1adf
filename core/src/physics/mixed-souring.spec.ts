import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { followMixed, mixedCrock, mixedStep, type MixedCrock } from './mixed-souring.js';
import { keepAt, souringCrock, souringLaw, sourStep } from './souring.js';

const MILK = { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 };
const law = (id: CultureId, lacticEndMolPerKg?: number) =>
  souringLaw(CULTURES[id], lacticEndMolPerKg === undefined ? MILK : { ...MILK, lacticEndMolPerKg });

const together = (parts: readonly (readonly [CultureId, number])[], sugarEnd?: number): MixedCrock =>
  mixedCrock(
    parts.map(([id, biomass]) => {
      const of = law(id, sugarEnd);
      return { law: of, crock: souringCrock(of, { biomass, lagQ: 1, lacticMolPerKg: 0.002 }) };
    }),
    0.002,
    0,
  );

const after = (mixed: MixedCrock, tempC: number, hours: number): MixedCrock => {
  for (let min = 0; min < hours * 60; min += 10) mixedStep(mixed, tempC, 10);
  return mixed;
};

const hoursTo = (mixed: MixedCrock, tempC: number, targetPh: number) =>
  followMixed(mixed, () => tempC, { horizonMin: 72 * 60, targetPh, askedMin: [] }, new Float32Array(0)) / 60;

describe('several cultures in one milk', () => {
  it('two halves of one culture sour as the whole does, within 0.001 pH', () => {
    for (const [id, tempC] of [
      ['thermophilic', 43],
      ['mesophilic', 24],
    ] as const) {
      const one = law(id);
      const whole = souringCrock(one, { biomass: 0.02, lagQ: 1, lacticMolPerKg: 0.002 });
      const halves = together([
        [id, 0.01],
        [id, 0.01],
      ]);
      keepAt(one, whole, tempC);
      for (let step = 0; step < 90; step++) {
        for (let min = 0; min < 10; min++) sourStep(one, whole, 1);
        mixedStep(halves, tempC, 10);
        expect(Math.abs(halves.ph - whole.ph)).toBeLessThan(0.001);
      }
    }
  });

  it('followed in long steps come within 0.01 pH and two minutes of even short ones', () => {
    const parts = [
      ['mesophilic', 0.015],
      ['kefir-grains', 0.01],
    ] as const;
    const warming = (min: number) => 22 - 18 * Math.exp(-min / 180);
    const asked = Array.from({ length: 20 }, (_, i) => 120 * (i + 1));
    const phAt = new Float32Array(asked.length);
    const ready = followMixed(together(parts), warming, { horizonMin: 2400, targetPh: 4.6, askedMin: asked }, phAt);
    const fine = together(parts);
    let crossed = 0;
    for (let min = 0; min < 2400; min++) {
      const before = fine.ph;
      mixedStep(fine, warming(min + 0.5), 1);
      if (before > 4.6 && fine.ph <= 4.6) crossed = min + 1;
      const at = asked.indexOf(min + 1);
      if (at >= 0) expect(Math.abs(phAt[at]! - fine.ph)).toBeLessThan(0.01);
    }
    expect(Math.abs(ready - crossed)).toBeLessThan(2.5);
  });

  it('share the room: together they never grow past ripe, and each has less than alone', () => {
    const mixed = after(
      together([
        ['mesophilic', 0.02],
        ['kefir-grains', 0.02],
      ]),
      24,
      40,
    );
    const grown = mixed.companions.map((c) => c.crock.biomass);
    expect(grown[0]! + grown[1]!).toBeLessThanOrEqual(1 + 1e-9);
    const alone = after(together([['kefir-grains', 0.02]]), 24, 40).companions[0]!.crock.biomass;
    expect(grown[1]!).toBeLessThan(alone);
  });

  it('share the sugar: what they make together is no more than it gives', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.08, noNaN: true }),
        fc.double({ min: 12, max: 45, noNaN: true }),
        (end, tempC) => {
          const mixed = after(
            together(
              [
                ['mesophilic', 0.03],
                ['thermophilic', 0.03],
              ],
              end,
            ),
            tempC,
            96,
          );
          expect(mixed.lacticMolPerKg).toBeLessThanOrEqual(end + 1e-12);
          const made = mixed.companions.reduce((sum, c) => sum + c.madeMolPerKg, 0.002);
          expect(made).toBeCloseTo(mixed.lacticMolPerKg, 9);
        },
      ),
      { numRuns: runs(20) },
    );
  });

  it('each works in its own warmth: yogurt culture hardly helps on the counter, butter culture not in the thermostat', () => {
    const made = (tempC: number) =>
      after(
        together([
          ['mesophilic', 0.02],
          ['thermophilic', 0.02],
        ]),
        tempC,
        12,
      ).companions.map((c) => c.madeMolPerKg);
    const [butterCool, yogurtCool] = made(22);
    expect(butterCool!).toBeGreaterThan(5 * yogurtCool!);
    const [butterWarm, yogurtWarm] = made(43);
    expect(yogurtWarm!).toBeGreaterThan(50 * butterWarm!);
  });

  it('is surer than either half dose: a tired one is carried by the other', () => {
    const half = hoursTo(together([['mesophilic', 0.01]]), 22, 4.6);
    const both = hoursTo(
      together([
        ['mesophilic', 0.01],
        ['room-yogurt', 0.01],
      ]),
      22,
      4.6,
    );
    expect(both).toBeLessThan(half);
  });

  it('kills the one that cannot bear the heat, and spares the other', () => {
    const mixed = after(
      together([
        ['mesophilic', 0.02],
        ['thermophilic', 0.02],
      ]),
      48,
      4,
    );
    expect(mixed.companions[0]!.crock.biomass).toBeLessThan(1e-6);
    expect(mixed.companions[1]!.crock.biomass).toBeGreaterThan(0.02);
  });
});
