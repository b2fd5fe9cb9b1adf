import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { methodById, METHODS } from '../methods/index.js';
import { daily, EIGHT_PIECES, maker, piece, someWeeks } from '../testing/weeks.js';
import { emptyProfile } from './resource-profile.js';
import { gearResourcesOf, type PlanGear } from './gear-resources.js';
import { hoursOf } from './hours.js';
import { networkOf } from './network.js';
import { madeOf, type Order } from './orders.js';
import { layOut, planFor } from './plan.js';
import type { Plan, PlanAsked, PlannedMake } from './planning-problem.js';
import { awakeMin, walk } from './timeline.js';

const DAY = 1440;

describe('the hours of people', () => {
  it('are welcome where one of them is awake and at home, and count as night where none is', () => {
    const early = maker(3, { asleep: daily(20, 4, 3) });
    const late = maker(3, { asleep: daily(0, 8, 3), away: [{ fromMin: DAY, toMin: 2 * DAY }] });
    const hours = hoursOf([early, late], 3 * DAY);
    expect(hours.nightMin(0, DAY)).toBe(0 + 4 * 60);
    expect(hours.nightMin(DAY, 2 * DAY)).toBe(8 * 60);
    expect(hours.nextWelcome(60, 30)).toBe(4 * 60);
    expect(hours.lastWelcome(DAY + 60, 30)).toBe(DAY - 30);
    expect(hours.labourPerSlot[4 * 9]).toBe(2 * hours.labourPerSlot[4 * 5]!);
  });

  it('find the next and the last moment that is long enough, whatever the nights', () => {
    const arb = fc.array(fc.tuple(fc.integer({ min: 0, max: 2800 }), fc.integer({ min: 5, max: 400 })), {
      maxLength: 8,
    });
    fc.assert(
      fc.property(arb, fc.integer({ min: 0, max: 2800 }), fc.integer({ min: 1, max: 120 }), (nights, at, minutes) => {
        const asleep = nights.map(([fromMin, long]) => ({ fromMin, toMin: fromMin + long }));
        const hours = hoursOf([maker(2, { asleep })], 2 * DAY);
        const free = (t: number) => t >= 0 && t + minutes <= 2 * DAY && hours.nightMin(t, t + minutes) === 0;
        const all = Array.from({ length: 2 * DAY }, (_, t) => t).filter(free);
        expect(hours.nextWelcome(at, minutes)).toBe(all.find((t) => t >= at) ?? null);
        expect(hours.lastWelcome(at, minutes)).toBe(all.findLast((t) => t <= at) ?? null);
      }),
      { numRuns: runs(60) },
    );
  });
});

describe('a make as a network', () => {
  const hours = hoursOf([maker(8)], 8 * DAY);

  it('has every method’s steps with their spread, one after the other, and give as the engine says it', () => {
    for (const method of METHODS) {
      const { steps, demands, productG } = networkOf(method, {});
      expect(productG).toBeGreaterThan(50);
      for (const { lasts } of steps) {
        expect(lasts.early).toBeLessThanOrEqual(lasts.likely);
        expect(lasts.likely).toBeLessThanOrEqual(lasts.late);
      }
      for (const { firstStep, lastStep, litres } of demands) {
        expect(firstStep).toBeLessThanOrEqual(lastStep);
        expect(litres).toBeGreaterThan(0);
      }
      const walked = walk({ steps }, 9 * 60, hours)!;
      walked.forEach(({ beginMin, movedMin }, i) => {
        expect(beginMin).toBe(i === 0 ? 9 * 60 : walked[i - 1]!.endMin);
        const { earlyMin, lateMin } = steps[i]!.slack;
        expect(movedMin).toBeGreaterThanOrEqual(-earlyMin - 1e-6);
        expect(movedMin).toBeLessThanOrEqual(lateMin + 1e-6);
      });
    }
  });

  it('stands in its pot until it is strained, in its sieve until it is out of it, in the warm at its setting', () => {
    const { steps, demands } = networkOf(methodById('strained-yogurt'), { keepC: 42 });
    const of = (gear: string) => demands.filter((s) => s.gear === gear);
    const at = (id: string) => steps.findIndex((s) => s.stageId === id);
    expect(of('pot').map((s) => [s.firstStep, s.lastStep])).toEqual([[0, at('strain') - 1]]);
    expect(of('strainer').map((s) => s.firstStep)).toEqual([at('strain')]);
    expect(of('thermostat').map((s) => s.keepC)).toEqual([42]);
    expect(of('hob')[0]!.lastStep).toBeLessThan(at('starter'));
  });

  it('waits for morning where its give allows', () => {
    const { steps } = networkOf(methodById('strained-yogurt'), {});
    const chill = steps.findIndex((s) => s.stageId === 'chill');
    const walked = walk({ steps }, 10 * 60, hours)!;
    expect(hours.nightMin(walked[chill]!.endMin, walked[chill]!.endMin + awakeMin(steps[chill + 1]!))).toBe(0);
    expect(walked[chill]!.movedMin).toBeGreaterThan(60);
  });
});

/** What holds of any plan. */
function expectSound(asked: PlanAsked, plan: Plan): void {
  const hours = hoursOf(asked.people, asked.horizonMin);
  for (const { orderId, network, steps, mode } of plan.makes) {
    const order = asked.orders.find((o) => o.id === orderId)!;
    expect(mode.startMin).toBeGreaterThanOrEqual(order.fromMin ?? 0);
    if (order.dueMin !== null) expect(mode.readyLateMin).toBeLessThanOrEqual(order.dueMin);
    steps.forEach(({ beginMin }, i) => i > 0 && expect(beginMin).toBe(steps[i - 1]!.endMin));
    expect(network.steps.length).toBe(steps.length);
  }
  for (let t = 0; t < asked.horizonMin; t += 5) {
    for (const [g, gear] of asked.gear.entries()) {
      if (gear.kind === 'cold-shelf') continue;
      const held = plan.makes.filter(({ network, steps, gear: pieces }) =>
        network.demands.some(
          (s, i) => pieces[i] === asked.gear[g] && steps[s.firstStep]!.beginMin <= t && steps[s.lastStep]!.endMin > t,
        ),
      );
      expect(held.length).withContext(`${gear.kind} at ${t}`).toBeLessThanOrEqual(gear.count);
    }
  }
  const told = new Set([...plan.makes.map((m) => m.orderId), ...plan.unmet.map((u) => u.orderId)]);
  expect(asked.orders.every((o) => told.has(o.id))).toBeTrue();
  for (const { why, remedy } of plan.unmet) expect([why, remedy].every((s) => /[.]$/.test(english(s)))).toBeTrue();
  const night = plan.makes.reduce(
    (sum, { network, steps }) =>
      sum + steps.reduce((own, s, i) => own + hours.nightMin(s.beginMin, s.beginMin + awakeMin(network.steps[i]!)), 0),
    0,
  );
  expect(plan.nightHandsMin).toBeCloseTo(night, 6);
}

describe('a plan', () => {
  const yogurt = (id: string, more: Partial<Order> = {}): Order => ({
    id,
    method: methodById('scalded-yogurt'),
    productG: 3000,
    dueMin: 4 * DAY + 8 * 60,
    ...more,
  });
  const asked = (orders: readonly Order[], more: Partial<PlanAsked> = {}): PlanAsked => ({
    orders,
    people: [maker(7)],
    gear: EIGHT_PIECES,
    horizonMin: 7 * DAY,
    seed: 1,
    ...more,
  });

  it('has no clash, no hands asleep, all orders met or explained, whatever is wanted', () => {
    for (const seed of [1, 2, 3, 4]) {
      const week = someWeeks(4, 7, seed);
      const plan = planFor(week, 60);
      expectSound(week, plan);
      expect(plan.bound).toBeLessThanOrEqual(plan.cost + 1e-6);
      expect(plan.unmet).toEqual([]);
      expect(plan.nightHandsMin).toBe(0);
    }
  });

  it('of three orders is shown to be the best there is, and is the same for the same seed', () => {
    const week = someWeeks(3, 7, 5);
    const [plan, again] = [planFor(week, 60), planFor(week, 60)];
    expect(plan.proven).toBeTrue();
    expect(again.makes.map((m) => m.mode.startMin)).toEqual(plan.makes.map((m) => m.mode.startMin));
  });

  it('has hands in the night only where there is no other plan', () => {
    const soon = (dueMin: number) =>
      planFor(asked([yogurt('A', { dueMin })], { people: [maker(7, { works: null })] }), 20);
    expect(soon(2 * DAY).nightHandsMin).toBe(0);
    const hurried = soon(18.5 * 60);
    expect(hurried.unmet).toEqual([]);
    expect(hurried.nightHandsMin).toBeGreaterThan(0);
  });

  it('says why nothing comes of what is impossible, and what would help', () => {
    const why = (order: Order, more: Partial<PlanAsked> = {}) => planFor(asked([order], more), 5).unmet[0]!.why;
    expect(english(why(yogurt('A', { dueMin: 300 })))).toMatch(
      /^It takes \d+ h( \d\d)? nine times in ten, begun at once, and is wanted in 5 h\./,
    );
    const curd: Order = { ...yogurt('A'), method: methodById('quark')!, choices: {} };
    const bare = EIGHT_PIECES.filter((g) => g.kind !== 'strainer').concat(piece('strainer', 8, 0));
    expect(english(why(curd, { gear: bare }))).toContain('wants a strainer, and the larder has none');
    expect(english(why(yogurt('A', { productG: 900_000 })))).toMatch(/more than 6 makes|kg of milk/);
    const away = maker(7, { away: [{ fromMin: 0, toMin: 5 * DAY }] });
    expect(planFor(asked([yogurt('A')], { people: [away] }), 5).unmet.length).toBe(1);
  });

  it('keeps warm another way what finds no box, the evenest there is, and says what that changes', () => {
    const pots = EIGHT_PIECES.filter((g) => g.kind !== 'thermostat');
    const kept = (gear: readonly PlanGear[], order = yogurt('A')) => {
      const { makes, unmet } = planFor(asked([order], { gear }), 5);
      expect(unmet).toEqual([]);
      const [{ network, instead }] = makes as [PlannedMake];
      return { keeper: network.choices['keeper'], says: instead && english(instead) };
    };
    expect(kept(EIGHT_PIECES)).toEqual({ keeper: 'thermostat', says: null });
    expect(kept(pots).keeper).toBe('wrapped');
    expect(kept([...pots, piece('flask', 6)]).keeper).toBe('flask');
    const bath = kept([...pots, piece('flask', 6), piece('bath', 20)]);
    expect(bath.keeper).toBe('bath');
    for (const { says } of [bath, kept(pots)])
      expect(says).toMatch(
        /^Kept warm another way \(.+\), as there is no thermostat: sour in \d+ h.* rather than \d+ h/,
      );
    // A place that keeps it as a thermostat does is as quick.
    const lamp = kept([...pots, piece('lamp-oven', 40)]);
    expect([lamp.keeper, lamp.says]).toEqual(['lamp-oven', jasmine.stringContaining('in about the same time')]);
    // Too small a flask holds nothing: the next way is taken.
    expect(kept([...pots, piece('flask', 0.5)]).keeper).not.toBe('thermostat');
    expect(kept(EIGHT_PIECES, { ...yogurt('A'), choices: { keeper: 'flask' } }).keeper).toBe('thermostat');
  });

  it('lets every make have what it would have alone, where there is one piece of each', () => {
    for (const method of METHODS) {
      const kinds = [
        'pot',
        'thermostat',
        'strainer',
        'hob',
        'churn',
        'cold-shelf',
        'flask',
        'bath',
        'lamp-oven',
      ] as const;
      const one = kinds.map((kind) => ({ kind, holdsL: kind === 'hob' ? null : 60, count: 1 }));
      const tired = Object.keys(CULTURES).map((culture) => ({
        culture: culture as CultureId,
        massG: 40,
        activity: 0.45,
        lossPerDay: 0.02,
      }));
      const orders = [{ id: 'A', method, productG: 1000, dueMin: 6 * DAY }];
      const problem = layOut(asked(orders, { gear: one, starters: tired }));
      const profile = emptyProfile(problem.instance);
      for (const { modes, order } of problem.wanted)
        for (const mode of modes.slice(0, 20)) expect(profile.clash(mode)).withContext(order.method.id).toBeNull();
      expect(problem.impossible).withContext(method.id).toEqual([]);
    }
  });

  it("takes a vessel of one's own that is large enough, and does not plan what its sheet would not let begin", () => {
    const butter: Order = { id: 'A', method: methodById('cultured-butter'), productG: 800, dueMin: 6 * DAY };
    const churns = [...EIGHT_PIECES, { kind: 'churn', holdsL: 8, count: 1, name: 'Churn' } as const];
    const [make] = planFor(asked([butter], { gear: churns }), 5).makes;
    expect(make!.network.choices['churnL']).toBe(8);
    expect(make!.network.problems.filter((p) => !p.mild)).toEqual([]);
    const unmade = planFor(asked([yogurt('A', { choices: { starterC: 60 } })]), 5).unmet[0]!;
    expect(english(unmade.why)).toBe(
      english(networkOf(methodById('scalded-yogurt'), { starterC: 60 }).problems[0]!.message),
    );
  });

  it('divides what no vessel holds into makes alike', () => {
    const plan = planFor(asked([yogurt('A', { productG: 34_000 })]), 60);
    expect(plan.unmet).toEqual([]);
    expect(plan.makes.length).toBeGreaterThan(1);
    expect(plan.makes.reduce((sum, m) => sum + m.network.productG, 0)).toBeCloseTo(34_000, -2);
  });

  it('two things that want the same box one after the other, and the one that cannot is told what stands in its way', () => {
    const box = EIGHT_PIECES.filter((g) => g.kind !== 'thermostat');
    const gear = [...box, { kind: 'thermostat', holdsL: 8, count: 1, name: 'Warm box' } as const];
    const two = planFor(asked([yogurt('A'), yogurt('B')], { gear }), 60);
    expect(two.makes.length).toBe(2);
    expectSound(asked([yogurt('A'), yogurt('B')], { gear }), two);
    const dueMin = 19 * 60;
    const both = planFor(asked([yogurt('A', { dueMin }), yogurt('B', { dueMin })], { gear }), 60);
    expect(both.makes.length).toBe(1);
    expect(english(both.unmet[0]!.why)).toMatch(/^(The (Warm box|pot) is taken|Hands for)/);
  });

  it('puts two crocks into one box side by side where they are kept alike, and there is room', () => {
    const one = (holdsL: number) => [
      ...EIGHT_PIECES.filter((g) => g.kind !== 'thermostat'),
      { kind: 'thermostat', holdsL, count: 1, name: 'Box' } as const,
    ];
    const dueMin = 30 * 60;
    const two = [yogurt('A', { dueMin }), yogurt('B', { dueMin })];
    const together = planFor(asked(two, { gear: one(24) }), 60);
    expect(together.makes.length).toBe(2);
    const begins = together.makes.map((m) => m.steps[m.network.sown!.step]!.beginMin);
    expect(Math.abs(begins[0]! - begins[1]!)).toBeLessThan(240);
    const unlike = [two[0]!, { ...two[1]!, choices: { keepC: 39 } }];
    expect(planFor(asked(unlike, { gear: one(24) }), 60).cost).toBeGreaterThan(together.cost);
    // Two such boxes may be kept at two warmths.
    const pair = one(24).map((g) => (g.kind === 'thermostat' ? { ...g, count: 2 } : g));
    expect(planFor(asked(unlike, { gear: pair }), 60).cost).toBeCloseTo(together.cost, 1);
  });

  it('leaves alone what is on already, and begins nothing before its milk is there', () => {
    const free = planFor(asked([yogurt('A')]), 20).makes[0]!;
    const { beginMin } = free.steps[free.network.sown!.step]!;
    const box = { gear: 'thermostat', litres: 5, keepC: 30 } as const;
    const [fromMin, toMin] = [beginMin - 600, beginMin + 240];
    const demands = [0, 1].map(() => ({ ...box, fromMin, toMin }));
    const on = planFor(asked([yogurt('A')], { committed: [{ name: 'On', tasks: [], demands }] }), 20).makes[0]!;
    const warm = on.network.demands.find((s) => s.gear === 'thermostat')!.firstStep;
    const { beginMin: warmFrom, endMin: warmTo } = on.steps[warm]!;
    expect(warmFrom >= toMin - 15 || warmTo <= fromMin + 15).toBeTrue();
    const late = planFor(asked([yogurt('A', { fromMin: 3 * DAY })]), 20).makes[0]!;
    expect(late.mode.startMin).toBeGreaterThanOrEqual(3 * DAY);
    const pinned = planFor(
      asked([yogurt('A')], { pins: [{ orderId: 'A', part: 1, startMin: 3 * DAY + 7 * 60, extension: null }] }),
      20,
    ).makes[0]!;
    expect(pinned.mode.startMin).toBe(3 * DAY + 7 * 60);
  });

  it('of things with no time places them soon, by day', () => {
    const plan = planFor(asked([yogurt('A', { dueMin: null })]), 20);
    expect(plan.makes[0]!.mode.startMin).toBeLessThan(DAY);
    expect(plan.nightHandsMin).toBe(0);
  });

  it('of nothing is empty, and with no gear named takes one of each to be there', () => {
    expect(planFor(asked([]), 5).makes).toEqual([]);
    expect(planFor(asked([yogurt('A')], { gear: [] }), 5).unmet).toEqual([]);
    expect(
      gearResourcesOf([])
        .map((r) => r.gear.kind)
        .sort(),
    ).toEqual(['cold-shelf', 'hob', 'pot', 'strainer', 'thermostat']);
    expect(madeOf(yogurt('A'), gearResourcesOf([])).ok).toBeTrue();
    expect(layOut(asked([yogurt('A')])).wanted.length).toBe(1);
  });
});
