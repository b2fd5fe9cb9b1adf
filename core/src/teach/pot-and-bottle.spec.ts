import { workOut } from '../follow/follow.js';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { atMinute, logged, type Line } from '../testing/logged.js';
import { lessonsOf } from './lesson.js';
import { pooled, type Lesson } from '../learn/pooled.js';
import { acidStrengthFactor, potLossFactor, withBottles } from '../learn/pot-and-bottle.js';

const FEW = { members: 60, seed: 1, fanPoints: 2 };

/** What a finished make teaches of one score, from more lines of its log. */
function taught(
  methodId: string,
  choices: Record<string, string | number>,
  score: string,
  more: (begins: (id: string) => number, doseG: number) => readonly Line[],
): Lesson[] {
  const sheet = makeSheet(methodById(methodId), choices, FEW);
  const begins = (id: string) => sheet.stages.find((s) => s.id === id)!.beginMin;
  const doseG = sheet.amounts.find((a) => a.outOf === 'acid')?.massG ?? 0;
  const steps = sheet.stages.slice(1).map((s) => [s.beginMin, s.id] as const);
  const endMin = sheet.stages.at(-1)!.endMin;
  const finished: Line = [endMin, { type: 'finished', productG: 1000, wheyG: null, heldBackG: null, score: null }];
  const batch = logged(methodId, choices, steps, [...more(begins, doseG), finished]);
  return lessonsOf(workOut(batch, atMinute(endMin + 1), FEW)).filter((lesson) => lesson.scores.includes(score));
}

const tempC = (min: number, value: number): Line => [
  min,
  { type: 'reading', quantity: 'tempC', value, by: 'thermometer' },
];

describe('a bottle of acid', () => {
  const sour = (share: number, ph: number) =>
    taught('acid-heat-curd', {}, 'acidStrength', (at, doseG) => [
      [at('acid') + 1, { type: 'added', what: 'acid', massG: share * doseG }],
      [at('acid') + 4, { type: 'reading', quantity: 'ph', value: ph, by: 'meter' }],
    ]);
  const learnedFrom = (...lessons: Lesson[][]) => acidStrengthFactor(pooled(lessons.flat()), 'lemon');

  it('that took a quarter more of it to the pH that was wanted is found weak by three makes, and the next dose is larger', () => {
    const weak = sour(1.25, 5.7);
    const after = pooled([weak, weak, weak].flat());
    expect(acidStrengthFactor(after, 'lemon')).toBeGreaterThan(0.78);
    expect(acidStrengthFactor(after, 'lemon')).toBeLessThan(0.9);
    const dose = (known?: object) =>
      makeSheet(methodById('acid-heat-curd'), {}, FEW, known ? { known: { learned: after } } : {}).amounts.find(
        (a) => a.outOf === 'acid',
      )!.massG;
    expect(dose({}) / dose()).toBeGreaterThan(1.1);
    expect(acidStrengthFactor(after, 'vinegar')).toBe(1);
  });

  it('that gave just the pH wanted is as its label says, and one odd make hardly moves it', () => {
    const right = sour(1, 5.7);
    expect(learnedFrom(right, right, right)).toBeCloseTo(1, 2);
    expect(learnedFrom(sour(2, 5.7))).toBeGreaterThan(0.95);
    expect(learnedFrom(right, right, right, sour(2, 5.7))).toBeGreaterThan(0.95);
  });

  it('teaches nothing without a pH of the milk it went into', () => {
    const late = taught('acid-heat-curd', {}, 'acidStrength', (at, doseG) => [
      [at('acid') + 1, { type: 'added', what: 'acid', massG: doseG }],
      [at('strain') + 15, { type: 'reading', quantity: 'ph', value: 5.7, by: 'meter' }],
    ]);
    expect(late).toEqual([]);
    expect(taught('acid-heat-curd', {}, 'acidStrength', () => [])).toEqual([]);
  });

  it('is never reckoned weaker or stronger than any fruit or bottle of its kind', () => {
    const absurd = {
      known: [{ of: 'acid lemon', score: 'acidStrength', mean: 9, sd: 0.1, makes: 5 }],
      covariance: [0.01],
    };
    expect(withBottles({ agent: 'lemon', acidPct: 0 }, absurd)['acidPct']).toBe(9);
    expect(withBottles({ agent: 'lemon', acidPct: 5 }, undefined)['acidPct']).toBe(5);
    expect(withBottles({ massG: 1 }, absurd)).toEqual({ massG: 1 });
    const odd = { agent: 'lemon', acidPct: 30 };
    expect(withBottles(odd, absurd)).toBe(odd);
    expect(withBottles(odd, { known: [], covariance: [] })).toBe(odd);
  });
});

describe('a pot', () => {
  const covered = { coolMethod: 'covered' };
  const cooled = (byC: number, choices = covered) =>
    taught('scalded-yogurt', choices, 'potLoss', (at) => [tempC(at('cool') + 5, 82), tempC(at('cool') + 45, 82 - byC)]);
  const factor = (lessons: Lesson[]) => potLossFactor(pooled([...lessons, ...lessons, ...lessons]), { vesselL: 5 });

  it('that cools faster than is usual of its size is found out, and cools so on the next sheet', () => {
    const usual = factor(cooled(17));
    expect(factor(cooled(25)) / usual).toBeGreaterThan(1.2);
    const after = pooled([...cooled(25), ...cooled(25), ...cooled(25)]);
    const coolsMin = (known?: object) => {
      const { stages } = makeSheet(
        methodById('scalded-yogurt'),
        covered,
        FEW,
        known ? { known: { learned: after } } : {},
      );
      const cool = stages.find((s) => s.id === 'cool')!;
      return cool.endMin - cool.beginMin;
    };
    expect(coolsMin({})).toBeLessThan(0.9 * coolsMin());
    expect(potLossFactor(after, { vesselL: 8 })).toBe(1);
  });

  it('teaches nothing from a bath, from one temperature, or from two too near', () => {
    expect(cooled(25, { coolMethod: 'water-bath' })).toEqual([]);
    expect(taught('scalded-yogurt', covered, 'potLoss', (at) => [tempC(at('cool') + 5, 82)])).toEqual([]);
    const near = taught('scalded-yogurt', covered, 'potLoss', (at) => [
      tempC(at('cool') + 5, 82),
      tempC(at('cool') + 19, 76),
    ]);
    expect(near).toEqual([]);
  });
});
