import { methodById } from '../methods/index.js';
import { maker, piece } from '../testing/weeks.js';
import type { PlanGear } from './gear-resources.js';
import { gearResourcesOf } from './gear-resources.js';
import { SLOT_MIN } from './instance.js';
import { layOut, planFor } from './plan.js';
import type { Committed, PlanAsked } from './planning-problem.js';
import { simulate } from './simulate.js';
import { sharedOut } from './vessels.js';

const DAY = 1440;
const GEAR = [piece('pot', 8), piece('pot', 3), piece('thermostat', 16), piece('cold-shelf', 60), piece('hob', null)];
const asked = (
  methodId: string,
  grams: readonly number[],
  gear: readonly PlanGear[],
  more: Partial<PlanAsked> = {},
) => ({
  orders: grams.map((productG, i) => ({ id: `${i}`, method: methodById(methodId), productG, dueMin: 5 * DAY + 720 })),
  ...{ people: [maker(8)], gear, horizonMin: 8 * DAY, seed: 1 },
  ...more,
});
const potsOf = ({ makes }: ReturnType<typeof planFor>) =>
  makes.map(({ network, gear }) =>
    network.demands.flatMap((d, i) => (d.gear === 'pot' ? [[gear[i]!.holdsL, d.litres] as const] : [])),
  );

describe('a make that no single vessel holds', () => {
  it('is shared out: the largest filled to the full, the rest in the smallest that holds it', () => {
    const plan = planFor(asked('scalded-yogurt', [9000], GEAR), 20);
    const [pots] = potsOf(plan);
    expect(pots!.map(([holdsL]) => holdsL)).toEqual([8, 3]);
    expect(pots![0]![1]).toBeCloseTo(7.2, 6);
    expect(pots![1]![1]).toBeLessThan(2.7);
    const alone = planFor(asked('scalded-yogurt', [6000], GEAR), 20);
    const hands = ({ makes }: typeof plan) => makes[0]!.network.steps.reduce((sum, s) => sum + s.handsMin, 0);
    // Two pots are seen to: less than two makes, and more than one.
    expect(hands(plan)).toBeGreaterThan(1.2 * hands(alone));
    expect(hands(plan)).toBeLessThan(1.6 * hands(alone));
  });

  it('takes two pieces alike where there are two, and is two makes where there is one', () => {
    const two = planFor(asked('scalded-yogurt', [9000], [piece('pot', 6, 2), ...GEAR.slice(2)]), 20);
    expect(potsOf(two)[0]!.map(([holdsL]) => holdsL)).toEqual([6, 6]);
    const one = planFor(asked('scalded-yogurt', [9000], [piece('pot', 6), ...GEAR.slice(2)]), 20);
    expect(one.makes.map((m) => [m.part, m.parts])).toEqual([
      [1, 2],
      [2, 2],
    ]);
  });

  it('at the edge of what all of them hold is one make, and beyond it two', () => {
    const demand = { gear: 'pot', firstStep: 0, lastStep: 4, keepC: null } as const;
    const at = (litres: number) => sharedOut([{ ...demand, litres }], gearResourcesOf(GEAR))?.map((d) => d.litres);
    expect(at(7.2)).toEqual([7.2]);
    expect(at(9.9)!.map((l) => Math.round(1000 * l))).toEqual([7200, 2700]);
    expect(at(9.91)).toBeUndefined();
    const four = gearResourcesOf([piece('pot', 10, 4)]);
    expect(sharedOut([{ ...demand, litres: 27 }], four)!.map((d) => d.litres)).toEqual([9, 9, 9]);
    expect(sharedOut([{ ...demand, litres: 28 }], four)).toBeNull();
  });

  it('leaves neither of its pots to another while it stands in both', () => {
    const plan = planFor(asked('scalded-yogurt', [9000, 2000, 6000], GEAR), 60);
    expect(plan.unmet).toEqual([]);
    for (const { network, mode, steps, gear } of plan.makes)
      network.demands.forEach((d, i) => {
        if (d.gear !== 'pot') return;
        for (const other of plan.makes)
          other.network.demands.forEach((od, oi) => {
            const same = other.network !== network || oi !== i;
            if (od.gear !== 'pot' || !same || other.gear[oi] !== gear[i]) return;
            const [from, to] = [steps[d.firstStep]!.beginMin, steps[d.lastStep]!.endMin];
            const apart =
              other.steps[od.lastStep]!.endMin <= from + SLOT_MIN ||
              other.steps[od.firstStep]!.beginMin >= to - SLOT_MIN;
            expect(apart)
              .withContext(`${String(mode.startMin)} ${String(other.mode.startMin)}`)
              .toBeTrue();
          });
      });
    const chances = simulate(layOut(asked('scalded-yogurt', [9000, 2000, 6000], GEAR)), plan.makes);
    expect(chances.allMet).toBeGreaterThan(0.8);
  });

  it('that is on already keeps all of its pots', () => {
    const on: Committed = {
      name: 'On',
      tasks: [],
      demands: [{ gear: 'pot', litres: 9, keepC: null, fromMin: 0, toMin: 8 * DAY }],
    };
    const { instance } = layOut(asked('scalded-yogurt', [2000], GEAR, { committed: [on] }));
    const pots = instance.resources.filter(({ id }) => id === 'pot');
    expect(pots.map(({ capacity }) => capacity[4])).toEqual([0, 0]);
  });
});

describe('a make that no strainer holds', () => {
  const strainers = (holdsL: number, count: number) => [
    piece('pot', 12),
    ...GEAR.slice(2),
    piece('strainer', holdsL, count),
  ];
  const plan = (holdsL: number, count: number) =>
    planFor(asked('strained-yogurt', [3500], strainers(holdsL, count)), 20);

  it('goes over several where there are several, else in loads, each with its hands: one make, not four', () => {
    const [once, two, loads] = [plan(10, 1), plan(5, 2), plan(2.5, 1)].map(({ makes }) => makes);
    for (const makes of [once, two, loads]) expect(makes!.map((m) => m.parts)).toEqual([1]);
    expect(two![0]!.network.choices['loads']).toBe(1);
    expect(two![0]!.network.demands.filter((d) => d.gear === 'strainer')).toHaveSize(2);
    expect(loads![0]!.network.choices['loads']).toBe(4);
    expect(loads![0]!.network.steps.filter((s) => s.kind === 'strain')).toHaveSize(4);
    const [strainer] = loads![0]!.network.demands.filter((d) => d.gear === 'strainer');
    expect(strainer!.litres).toBeLessThanOrEqual(2.25);
  });

  it('stays as the maker chose it: in one, it is more makes', () => {
    const { orders, ...rest } = asked('strained-yogurt', [3500], strainers(5, 1));
    const chosen = planFor({ ...rest, orders: [{ ...orders[0]!, choices: { loads: 1 } }] }, 20);
    expect(chosen.makes.length).toBe(2);
  });
});
