import { wheyAfter } from '../physics/drainage.js';
import { totalG } from '../materials/composition.js';
import { firstOf } from '../make/run.js';
import { atMinute, logged, type Line } from '../testing/logged.js';
import { follow, workOut } from './follow.js';
import { drainProblem } from '../make/forecast-problems.js';

const FEW = { members: 400, seed: 1, fanPoints: 4 };
const STEPS = [
  [8, 'heat'],
  [24, 'calcium'],
  [26, 'starter'],
  [32, 'rennet'],
  [36, 'warm'],
  [640, 'ladle'],
  [650, 'flat'],
  [780, 'hang'],
  [1110, 'turn'],
  [1115, 'strain'],
] as const;

/** A cream cheese whose hands came as planned until a minute, and the whey that was weighed. */
const cheese = (until: number, ...whey: readonly (readonly [number, number])[]) =>
  logged(
    'cream-cheese',
    {},
    STEPS.filter(([min]) => min <= until),
    whey.map(([min, value]): Line => [min, { type: 'reading', quantity: 'wheyG', value, by: 'scale' }]),
  );
const worked = (until: number, ...whey: readonly (readonly [number, number])[]) =>
  workOut(cheese(until, ...whey), atMinute(until), FEW);
const at = (w: ReturnType<typeof worked>, id: string) => w.drains.find((d) => d.at.stage.id === id)!;

describe('a make that drains in stages', () => {
  it('has a window for each, in the order they come', () => {
    const { windows } = follow(cheese(700), atMinute(700), FEW);
    const solids = windows.filter((w) => w.by === 'solids');
    expect(solids.map((w) => w.stageId)).toEqual(['flat', 'hang', 'strain']);
    solids.forEach((w, i) => i > 0 && expect(w.p50Ms!).toBeGreaterThan(solids[i - 1]!.p50Ms!));
  });

  it('counts whey from where each began: what ran off before is not weighed again', () => {
    const plain = worked(900);
    const hang = at(plain, 'hang');
    const { course } = drainProblem(hang.at.run, plain.environment)!;
    expect(hang.wheyBeforeG).toBeCloseTo(totalG(firstOf(hang.at.run).whey), 6);
    expect(hang.wheyBeforeG).toBeGreaterThan(300);
    const weighed = [820, 860, 900].map((min) => [min, hang.wheyBeforeG + wheyAfter(course, min - 780)] as const);
    const learned = at(worked(900, ...weighed), 'hang');
    expect(learned.weighings).toBe(3);
    expect(learned.forecast.timeFactor).toBeCloseTo(1, 0);
    expect(Math.abs(learned.forecast.p50Min! / hang.forecast.p50Min! - 1)).toBeLessThan(0.1);
    expect(learned.forecast.p90Min! - learned.forecast.p10Min!).toBeLessThan(
      0.7 * (hang.forecast.p90Min! - hang.forecast.p10Min!),
    );
  });

  it('a cloth found slow in one stage is slow in the next', () => {
    const plain = worked(900);
    const hang = at(plain, 'hang');
    const { course } = drainProblem(hang.at.run, plain.environment)!;
    const slow = { ...course, tauMin: 1.6 * course.tauMin };
    const weighed = [820, 860, 900].map((min) => [min, hang.wheyBeforeG + wheyAfter(slow, min - 780)] as const);
    const after = worked(900, ...weighed);
    expect(after.environment.member.drainTime).toBeGreaterThan(1.3);
    const ends = (w: ReturnType<typeof worked>) => w.timeline.stages.find((s) => s.stage.id === 'strain')!.endMs!;
    expect(ends(after)).toBeGreaterThan(ends(plain) + 30 * 60_000);
  });

  it('asks the page for the one at hand, in all the whey there will be by then', () => {
    const { drain, balanceNow } = follow(cheese(900), atMinute(900), FEW);
    const hang = at(worked(900), 'hang');
    expect(drain!.wantedWheyG).toBeCloseTo(hang.wheyBeforeG + hang.wantedWheyG, 6);
    expect(drain!.beginMs).toBe(atMinute(780));
    expect(balanceNow.wheyG).toBeLessThan(drain!.wantedWheyG);
  });

  it('weighed in none, its cloth is taken to be as any', () => {
    expect(worked(900).environment.member.drainTime).toBe(1);
    expect(worked(900).environment.member.wheyReach).toBe(1);
  });
});
