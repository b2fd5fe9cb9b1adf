import { follow } from '../follow/follow.js';
import { methodById } from '../methods/index.js';
import { atMinute, logged, LOGGED_FROM_MS } from '../testing/logged.js';
import { EIGHT_PIECES } from '../testing/weeks.js';
import { committedOf } from './committed.js';
import { planFor } from './plan.js';
import type { PlanAsked } from './planning-problem.js';

const DAY = 1440;
const OPTIONS = { members: 200, seed: 1, fanPoints: 2 };

describe('a live make beside a plan', () => {
  const steps = [
    [8, 'heat'],
    [30, 'hold'],
    [45, 'cool'],
    [65, 'starter'],
    [71, 'warm'],
  ] as const;
  const batch = logged('strained-yogurt', {}, steps);
  const nowMin = 120;
  const followed = follow(batch, atMinute(nowMin), OPTIONS);
  const on = committedOf('Pot', followed, atMinute(nowMin), 7 * DAY);

  it('keeps its hands that are still to come, and what it stands in, from now on', () => {
    expect(on.tasks.map((h) => h.minutes)).toEqual(
      followed.tasks.filter((h) => h.status !== 'done').map((h) => h.minutes),
    );
    expect(on.tasks.every((h) => h.atMin >= 0)).toBeTrue();
    const box = on.demands.find((s) => s.gear === 'thermostat')!;
    expect(box.fromMin).toBe(0);
    expect(on.demands.some((s) => s.gear === 'hob')).toBeFalse();
    expect(on.demands.find((s) => s.gear === 'strainer')!.fromMin).toBeGreaterThan(box.toMin);
  });

  it('keeps its box for as long as it may still take, not only for as long as is likely', () => {
    const demand = followed.demands.find((s) => s.gear === 'thermostat')!;
    const window = followed.windows.find((w) => w.stageId === 'warm')!;
    const likelyMin = (demand.toMs! - atMinute(nowMin)) / 60_000;
    const lateMin = (window.p90Ms! - window.p50Ms!) / 60_000;
    expect(lateMin).toBeGreaterThan(5);
    expect(on.demands.find((s) => s.gear === 'thermostat')!.toMin).toBeCloseTo(likelyMin + lateMin, 6);
  });

  it('has what a plan would put into its box wait until it is out of it', () => {
    const box = { kind: 'thermostat', holdsL: 8, count: 1, name: 'Box' } as const;
    const gear = [...EIGHT_PIECES.filter((g) => g.kind !== 'thermostat'), box];
    const asked: PlanAsked = {
      orders: [{ id: 'A', method: methodById('scalded-yogurt'), productG: 3000, dueMin: null }],
      people: [],
      gear,
      horizonMin: 7 * DAY,
      seed: 1,
    };
    const warmFrom = (more: Partial<PlanAsked>) => {
      const [make] = planFor({ ...asked, ...more }, 20).makes;
      return make!.steps[make!.network.demands.find((s) => s.gear === 'thermostat')!.firstStep]!.beginMin;
    };
    const until = on.demands.find((s) => s.gear === 'thermostat')!.toMin;
    expect(warmFrom({})).toBeLessThan(until);
    expect(warmFrom({ committed: [on] })).toBeGreaterThanOrEqual(until - 15);
    expect(LOGGED_FROM_MS).toBeLessThan(followed.nowMs);
  });
});
