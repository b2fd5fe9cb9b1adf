import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import type { Batch } from '../batch/replay.js';
import { cultured, onDay } from '../testing/cultured.js';
import { logged, type Line } from '../testing/logged.js';
import { retired, revived } from './acts.js';
import { beginAgain, renewalPolicyOf, RENEWAL_POLICIES } from './renewal-policy.js';
import { chainPlan } from './chain-plan.js';
import { perGeneration, tastedOf, turnedSour, type Tasted } from './drift.js';
import { dueOf } from './due.js';
import { growthOf, spareGrainsG, usualMilkG } from './grain-growth.js';
import { culturesById } from './lineage.js';

const marked = (sourness: number | null): Line => [
  500,
  {
    type: 'finished',
    productG: 3000,
    wheyG: null,
    heldBackG: 100,
    score: sourness === null ? null : { sourness, thickness: 3, smoothness: 4, taste: 4 },
  },
];
const tasted = (...marks: number[]): Tasted[] =>
  marks.map((sourness, i) => ({ batchId: `b${i}`, generation: i, atMs: i, sourness }));

describe('drift from generation to generation', () => {
  it('is the slope of the straight line that points lie on, whatever their number and order', () => {
    const points = fc.uniqueArray(fc.integer({ min: 0, max: 30 }), { minLength: 3, maxLength: 12 });
    const number = fc.double({ min: -5, max: 5, noNaN: true });
    fc.assert(
      fc.property(points, number, number, (generations, slope, start) => {
        const line = generations.map((generation) => ({ generation, value: start + slope * generation }));
        expect(perGeneration(line)).toBeCloseTo(slope, 8);
      }),
    );
  });

  it('to sour is told of what was marked, and only where it has become sharp', () => {
    const makes = [4, null, 2].map((mark, i) => ({
      ...logged('scalded-yogurt', { generation: i }, [], [marked(mark)]),
      startedMs: -i,
    }));
    expect(tastedOf(makes).map((t) => [t.generation, t.sourness])).toEqual([
      [2, 2],
      [0, 4],
    ]);
    expect(turnedSour(tasted(2, 3, 4, 5))).toEqual({ from: 2.5, to: 4.5 });
    expect(turnedSour(tasted(1, 1, 3, 3))).toBeNull();
    expect(turnedSour(tasted(4, 4, 4, 4))).toBeNull();
    expect(turnedSour(tasted(1, 5))).toBeNull();
  });
});

describe('when a line is begun again', () => {
  const pot = cultured('POT', 0, { origin: 'pot', generation: 0 });
  const spoon = cultured('SPOON', 3, { parents: ['POT'], generation: 6 });

  it('goes by what the line began with, unless somebody keeps it by another school', () => {
    expect(renewalPolicyOf(spoon, culturesById([pot, spoon]))).toBe('generations');
    expect(renewalPolicyOf(spoon, culturesById([{ ...pot, beginAgain: 'taste' }, spoon]))).toBe('taste');
    expect(renewalPolicyOf(spoon, culturesById([{ ...pot, origin: 'heirloom' }, spoon]))).toBe('never');
  });

  it('has its reason, of its own in each school', () => {
    expect(english(beginAgain(spoon, 'generations', [])!)).toContain('carried on 6 times');
    expect(english(beginAgain(spoon, 'taste', tasted(2, 2, 4, 5))!)).toContain('from 2.0 to 4.5 of 5');
    expect(beginAgain(spoon, 'taste', tasted(2, 2, 2, 2))).toBeNull();
    expect(beginAgain(spoon, 'never', tasted(2, 2, 5, 5))).toBeNull();
    expect(dueOf(spoon, 100, onDay(4), { school: 'taste', tasted: tasted(1, 2, 4, 5) }).does).toBe('renew');
    expect(new Set(RENEWAL_POLICIES.map((s) => english(s.why))).size).toBe(3);
  });

  it('and what was given up can be taken up again, as old as it is by then', () => {
    expect(revived(retired(spoon, onDay(5)))).toEqual(spoon);
  });
});

describe('grains', () => {
  const line = [cultured('G', 0, { form: 'grains', culture: 'kefir-grains', generation: 0 })];
  const kefir = (day: number, fromG: number, toG: number, massG = 800): Batch => ({
    ...logged(
      'grain-kefir',
      { massG },
      [],
      [
        [1, { type: 'took', lotId: 'G', massG: fromG }],
        [500, { type: 'finished', productG: 700, wheyG: null, heldBackG: toG, score: null }],
      ],
    ),
    startedMs: onDay(day),
  });

  it('are followed in their growth from batch to batch, the oldest first', () => {
    const grew = growthOf(line, [kefir(2, 44, 48), kefir(1, 40, 44)]);
    expect(grew.map((g) => [g.fromG, g.toG, Math.round(g.grewPct)])).toEqual([
      [40, 44, 10],
      [44, 48, 9],
    ]);
    expect(growthOf([cultured('A', 0)], [kefir(1, 40, 44)])).toEqual([]);
  });

  it('are spare beyond what the usual milk wants, fewer of them in a cool room', () => {
    const batches = [kefir(1, 40, 44, 400), kefir(2, 44, 48, 800), kefir(3, 48, 52, 900)];
    expect(usualMilkG(line, batches)).toBe(800);
    expect(usualMilkG(line, [])).toBeNull();
    expect(spareGrainsG(100, 800, 26)).toBeCloseTo(76, 9);
    expect(spareGrainsG(100, 800, 18)).toBeCloseTo(20, 9);
    expect(spareGrainsG(10, 800, 18)).toBe(0);
  });
});

describe('a chain of starters and the night', () => {
  const HOUR = 3_600_000;
  const isAwake = (atMs: number) => {
    const hour = (atMs / HOUR) % 24;
    return hour >= 6 && hour < 22;
  };
  const wanted = { neededG: 400, nowMs: onDay(5), dosePct: 2.5, tempC: 42.5, heldBackG: 30, isAwake };
  const from = { lot: cultured('A', 6), leftG: 2, activity: 0.8 };

  it('has no hands in it while anybody sleeps, and each step is ripe when it is taken', () => {
    fc.assert(
      fc.property(fc.double({ min: 8, max: 12, noNaN: true }), (day) => {
        const readyMs = onDay(day);
        const { steps, impossible } = chainPlan(from, { ...wanted, readyMs });
        expect(english(impossible)).toBe('');
        for (const [i, step] of steps.entries()) {
          expect(isAwake(step.beginMs) && isAwake(step.ripeMs)).toBeTrue();
          const takenMs = steps[i + 1]?.beginMs ?? readyMs - HOUR;
          expect(step.ripeMs + step.waitsH * HOUR).toBeCloseTo(takenMs, 0);
          expect(step.waitsH).toBeGreaterThanOrEqual(-1e-9);
        }
      }),
      { numRuns: runs(40) },
    );
  });

  it('is begun in the night all the same where there is no other time for it', () => {
    const readyMs = onDay(8) + 5 * HOUR;
    const byDay = chainPlan(from, { ...wanted, readyMs });
    const nowMs = byDay.steps[0]!.beginMs + 1;
    const byNight = chainPlan(from, { ...wanted, readyMs, nowMs });
    expect(english(byNight.impossible)).toBe('');
    expect(byNight.steps.some((s) => !isAwake(s.beginMs) || !isAwake(s.ripeMs))).toBeTrue();
  });
});
