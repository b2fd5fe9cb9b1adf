import { english } from '@oat-crock/messages';
import { methodById } from '../methods/index.js';
import { EIGHT_PIECES, maker, someWeeks } from '../testing/weeks.js';
import type { Committed, PlanAsked, PlannedMake, PlanningProblem } from './planning-problem.js';
import { layOut, planFor, plans } from './plan.js';
import { changesOf, mending } from './mend.js';
import type { Order } from './orders.js';
import { standingOf, type KeptPlace } from './standing.js';
import { extensionIn, stageExtension } from './timeline.js';
import { supposed, weighsIn } from './supposed.js';

const DAY = 1440;
const ROUNDS = 25;

const yogurt = (id: string, dueMin: number | null, more: Partial<Order> = {}): Order => ({
  id,
  method: methodById('scalded-yogurt'),
  productG: 3000,
  dueMin,
  ...more,
});

/** A plan as it is kept. */
const placesOf = (makes: readonly PlannedMake[], pinned = false): KeptPlace[] =>
  makes.map(({ orderId, part, mode, network }) => ({
    orderId,
    part,
    startMin: mode.startMin,
    extension: stageExtension(network, mode.extension),
    pinned,
  }));

const searched = (problem: PlanningProblem) => {
  for (const plan of plans(problem)) if (plan.round >= ROUNDS) return plan;
  return [...plans(problem)].at(-1)!;
};

const box = { kind: 'thermostat', holdsL: 8, count: 1, name: 'Warm box' } as const;
const gear = [...EIGHT_PIECES.filter((g) => g.kind !== 'thermostat'), box];
const dueMin = 4 * DAY + 12 * 60;
const asked: PlanAsked = {
  orders: [yogurt('A', dueMin, { name: 'Yogurt for the quay' }), yogurt('B', dueMin + DAY)],
  people: [maker(7)],
  gear,
  horizonMin: 7 * DAY,
  seed: 1,
};
const plan = planFor(asked, ROUNDS);
const places = placesOf(plan.makes);

describe('a step that is held on', () => {
  it('is the same by its place and by its name', () => {
    for (const { network } of plan.makes) {
      network.steps.forEach(({ stageId }, step) => {
        const extension = { step, forMin: 30, afterWakingMin: 15 };
        expect(stageExtension(network, extension)).toEqual({ stageId, forMin: 30, afterWakingMin: 15 });
        expect(extensionIn(network, stageExtension(network, extension))).toEqual(extension);
      });
      expect([stageExtension(network, null), extensionIn(network, null)]).toEqual([null, null]);
      expect(extensionIn(network, { stageId: 'no such', forMin: 1, afterWakingMin: 0 })).toBeNull();
    }
  });
});

describe('a plan that was taken', () => {
  it('says which of its makes was to be begun a while ago, and from what lateness on', () => {
    const [first, second] = places;
    const late = (startMin: number) =>
      standingOf(layOut(asked), [first!, { ...second!, startMin }])
        .troubles.filter(({ breaks }) =>
          breaks.some((b) => b.is === 'past' && english(b.says).startsWith('It was to be begun')),
        )
        .map(({ make }) => make.orderId);
    expect(late(-20)).toEqual([second!.orderId]);
    expect(late(-15)).toEqual([]);
  });

  it('stands as it was found for as long as nothing has changed, whatever week it is of', () => {
    for (const seed of [1, 2, 3, 4]) {
      const week = someWeeks(5, 7, seed);
      const found = planFor(week, ROUNDS);
      const standing = standingOf(layOut(week), placesOf(found.makes));
      expect(standing.troubles).toEqual([]);
      expect(standing.makes.map((m) => m.steps)).toEqual(found.makes.map((m) => m.steps));
      expect(standing.handsMin).toBeCloseTo(found.handsMin, 6);
    }
  });

  it('says what is wanted and has no place in it', () => {
    const more = { ...asked, orders: [...asked.orders, yogurt('C', dueMin)] };
    expect(standingOf(layOut(more), places).unplaced).toEqual([{ orderId: 'C', part: 1 }]);
    expect(standingOf(layOut(asked), [])).toEqual(jasmine.objectContaining({ makes: [], troubles: [] }));
  });

  it('that is not begun in time is begun at once, and says so', () => {
    const late = places.map((p) => (p.orderId === 'A' ? { ...p, startMin: -95 } : p));
    const { troubles, makes } = standingOf(layOut(asked), late);
    expect(makes.find((m) => m.orderId === 'A')!.mode.startMin).toBe(0);
    expect(troubles[0]!.breaks[0]).toEqual(jasmine.objectContaining({ is: 'past', atMin: -95 }));
    expect(english(troubles[0]!.breaks[0]!.says)).toBe('It was to be begun 1 h 35 ago.');
  });

  it('holds a step on, or ends it early, no further than its give', () => {
    const [make] = plan.makes;
    const i = make!.network.steps.findIndex((s) => s.slack.earlyMin > 30 && s.slack.lateMin > 30);
    const { stageId, slack } = make!.network.steps[i]!;
    const movedMin = (forMin: number) => {
      const extension = { stageId, forMin, afterWakingMin: 0 };
      const own = places.map((p) => (p.orderId === make!.orderId ? { ...p, extension } : p));
      return standingOf(layOut(asked), own).makes.find((m) => m.orderId === make!.orderId)!.steps[i]!.movedMin;
    };
    expect(movedMin(slack.lateMin + 600)).toBeLessThanOrEqual(slack.lateMin + 1e-6);
    expect(movedMin(-slack.earlyMin - 600)).toBeGreaterThanOrEqual(-slack.earlyMin - 1e-6);
    expect(movedMin(slack.lateMin + 600)).toBeGreaterThan(movedMin(-slack.earlyMin - 600));
  });

  it('says first what breaks of itself, then what that stands in the way of', () => {
    const away = { ...asked, people: asked.people.map((p) => ({ ...p, away: [{ fromMin: 0, toMin: dueMin - 60 }] })) };
    const { troubles } = standingOf(layOut({ ...away, committed: [blocking(180)] }), places);
    const ofItself = troubles.map(({ breaks }) => breaks.some(({ is }) => is !== 'gear' && is !== 'hands'));
    expect(ofItself).toEqual([...ofItself].sort((a, b) => Number(b) - Number(a)));
    expect(ofItself[0]).toBeTrue();
  });

  it('keeps what can no longer be in time, and says that of it', () => {
    const soon = { ...asked, orders: [yogurt('A', 300)] };
    const { troubles, unmet } = standingOf(layOut(soon), [{ ...places[0]!, orderId: 'A', startMin: 0 }]);
    expect(troubles[0]!.breaks.map((b) => b.is)).toContain('late');
    expect(troubles[0]!.repair).toBeNull();
    expect(unmet).toEqual([]);
  });
});

/** A live make that has the warm box where A wants it. */
function blocking(minutes: number): Committed {
  const a = plan.makes.find((m) => m.orderId === 'A')!;
  const demand = a.network.demands.find((s) => s.gear === 'thermostat')!;
  const fromMin = a.steps[demand.firstStep]!.beginMin - 120;
  return {
    name: 'Thick yogurt',
    tasks: [],
    demands: [{ gear: 'thermostat', litres: 4, keepC: 43, fromMin, toMin: fromMin + 120 + minutes }],
  };
}

describe('a plan that a late batch runs into', () => {
  const late = { ...asked, committed: [blocking(180)] };
  const problem = layOut(late);
  const standing = standingOf(problem, places);
  const mended = searched(mending(problem, standing, places));
  const changes = changesOf(standing.makes, mended.makes);

  it('names the piece of gear, and what has it', () => {
    expect(standing.troubles.map((t) => t.make.orderId)).toEqual(['A']);
    expect(english(standing.troubles[0]!.breaks[0]!.says)).toMatch(
      /^The Warm box is taken by Thick yogurt .+ after it begins\.$/,
    );
    expect(standing.troubles[0]!.breaks[0]!.atMin).toBeGreaterThan(0);
  });

  it('is mended by moving what must be moved, and nothing else', () => {
    expect(changes.map((c) => c.orderId)).toEqual(['A']);
    expect(changes[0]!.tasks.length).toBeGreaterThan(0);
    for (const { fromMin, toMin } of changes[0]!.tasks) expect(fromMin).not.toBe(toMin);
    expect(mended.unmet).toEqual([]);
    expect(standingOf(problem, placesOf(mended.makes)).troubles).toEqual([]);
  });

  it('leaves what somebody has put where it is, though it does not hold', () => {
    const pinned = placesOf(plan.makes, true);
    const kept = searched(mending(problem, standing, pinned));
    for (const make of kept.makes)
      expect(make.mode.startMin).toBe(pinned.find((p) => p.orderId === make.orderId)!.startMin);
    expect(kept.unmet.map((u) => u.orderId)).toEqual(['A']);
    expect(english(kept.unmet[0]!.why)).toContain('Thick yogurt');
  });

  it('is mended whatever is late in whatever week: nothing clashes, and what is left out says why', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const week = someWeeks(4, 7, seed);
      const found = planFor(week, ROUNDS);
      const make = found.makes[seed % found.makes.length]!;
      const fromMin = make.mode.startMin - 60;
      const demands = (['pot', 'thermostat', 'strainer', 'hob'] as const).flatMap((gear) =>
        [1, 2].map(() => ({ gear, litres: 5, keepC: 25, fromMin, toMin: fromMin + 400 + 60 * seed })),
      );
      const tasks = [{ atMin: fromMin + 60, minutes: 45 }];
      const problem = layOut({ ...week, committed: [{ name: 'Late pot', tasks, demands }] });
      const before = standingOf(problem, placesOf(found.makes));
      const mended = searched(mending(problem, before, placesOf(found.makes)));
      const after = standingOf(problem, placesOf(mended.makes));
      expect(after.troubles.flatMap((t) => t.breaks.map((b) => b.is)))
        .withContext(`seed ${seed}`)
        .not.toContain('gear');
      expect(after.troubles.flatMap((t) => t.breaks.map((b) => b.is)))
        .withContext(`seed ${seed}`)
        .not.toContain('hands');
      expect(mended.makes.length + mended.unmet.length).toBeGreaterThanOrEqual(found.makes.length);
      const moved = changesOf(before.makes, mended.makes).length;
      const troubled = before.troubles.length;
      expect(moved === 0)
        .withContext(`seed ${seed}`)
        .toBe(troubled === 0);
    }
  });

  it('is not touched where all of it holds', () => {
    const free = layOut(asked);
    const still = searched(mending(free, standingOf(free, places), places));
    expect(changesOf(plan.makes, still.makes)).toEqual([]);
  });
});

describe('what would be, were something otherwise', () => {
  const week = someWeeks(5, 7, 2);
  const { makes } = planFor(week, ROUNDS);

  it('has what wants a material wait for it, and nothing else', () => {
    const users = makes.filter((m) => weighsIn(m, 'milk'));
    const first = Math.min(...users.map((m) => m.mode.startMin));
    const then = supposed(week, makes, { is: 'comes late', what: 'milk', byMin: DAY });
    for (const order of then.orders) {
      const uses = users.some((m) => m.orderId === order.id);
      expect(order.fromMin).toBe(uses ? first + DAY : undefined);
    }
    expect(supposed(week, [], { is: 'comes late', what: 'milk', byMin: DAY })).toEqual(week);
    for (const make of planFor(then, ROUNDS).makes.filter((m) => weighsIn(m, 'milk')))
      expect(make.mode.startMin).toBeGreaterThanOrEqual(first + DAY);
  });

  it('has one piece of gear less, and none where there was one', () => {
    const then = supposed(asked, [], { is: 'out of use', gear: 'Warm box' });
    const { makes: kept, unmet } = planFor(then, 5);
    expect(unmet).toEqual([]);
    // Each is kept warm another way, and says so.
    expect(kept.map(({ network }) => network.choices['keeper'])).toEqual(['wrapped', 'wrapped']);
    for (const { instead } of kept) expect(english(instead!)).toContain('as there is no thermostat');
    const pots = supposed(week, [], { is: 'out of use', gear: 'strainer' }).gear.find((g) => g.kind === 'strainer');
    expect(pots!.count).toBe(1);
  });

  it('has somebody ill, and the others as they are', () => {
    const two = { ...asked, people: [maker(7), { ...maker(7), name: 'Ines' }] };
    const time = { fromMin: 0, toMin: 7 * DAY };
    const then = supposed(two, [], { is: 'away', who: 'Ines', time });
    expect(then.people.map(({ away }) => away)).toEqual([two.people[0]!.away, [...two.people[1]!.away, time]]);
  });

  it('has nobody at home for a day', () => {
    const time = { fromMin: 3 * DAY, toMin: 4 * DAY };
    const then = planFor(supposed(asked, [], { is: 'away', time }), ROUNDS);
    for (const { steps, network } of then.makes)
      steps.forEach(({ beginMin }, i) => {
        if (network.steps[i]!.handsMin > 0) expect(beginMin >= time.toMin || beginMin < time.fromMin).toBeTrue();
      });
  });
});
