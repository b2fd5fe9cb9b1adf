import { english } from '@oat-crock/messages';
import { methodById } from '../methods/index.js';
import { goesOnAs } from '../make/goes-on-as.js';
import { EIGHT_PIECES, maker } from '../testing/weeks.js';
import { alternatives } from './alternatives.js';
import { fedTooEarly } from './feeds-on.js';
import { lotsLeft, neededBy, toBuy, type LotLeftThen } from './materials.js';
import type { Order } from './orders.js';
import type { PlanAsked, PlannedMake } from './planning-problem.js';

const DAY = 1440;
const NOON = 12 * 60;

/** What the usual whole plan of some orders is, once everything was tried for it. */
function planned(orders: readonly Order[], lots: readonly LotLeftThen[]): readonly PlannedMake[] {
  const asked: PlanAsked = { orders, lots, people: [maker(9)], gear: EIGHT_PIECES, horizonMin: 9 * DAY, seed: 1 };
  let makes: readonly PlannedMake[] = [];
  for (const { preset, plan } of alternatives(asked, { usual: 20, most: 40 })) {
    if (preset.id !== 'even') break;
    makes = plan.makes;
  }
  return makes;
}
const startOf = (makes: readonly PlannedMake[], id: string) => makes.find((m) => m.orderId === id)!.mode.startMin;
const readyOf = (makes: readonly PlannedMake[], id: string) => makes.find((m) => m.orderId === id)!.mode.readyMin;
const bought = (makes: readonly PlannedMake[], lots: readonly LotLeftThen[]) =>
  toBuy(neededBy(makes, [...lots, ...lotsLeft(makes)])).map((b) => english(b.what));

describe('a make that goes on with another', () => {
  const cheese: Order = {
    ...{ id: 'F', method: methodById('yogurt-cheese'), choices: { from: 'bought', boughtG: 2000 } },
    ...{ productG: 700, dueMin: 6 * DAY + NOON },
  };
  const yogurt = (fromMin: number, leftG = 4000): LotLeftThen => ({
    ...{ id: 'Y', kind: 'yogurt', name: 'what is over of Monday’s', leftG, fromMin, untilMin: null },
  });

  it('takes the yogurt that is there, and nobody is told to buy any', () => {
    const makes = planned([cheese], [yogurt(0)]);
    expect(fedTooEarly(makes, [yogurt(0)])).toEqual([]);
    expect(bought(makes, [yogurt(0)])).not.toContain('Plain yogurt');
    expect(bought(makes, [])).toContain('Plain yogurt');
  });

  it('waits for yogurt that is on its way, where it is still in time; else it is bought', () => {
    const usual = startOf(planned([cheese], []), 'F');
    const soon = usual + 90;
    const makes = planned([cheese], [yogurt(soon)]);
    expect(startOf(makes, 'F')).toBeGreaterThanOrEqual(soon);
    expect(bought(makes, [yogurt(soon)])).not.toContain('Plain yogurt');
    const late = [yogurt(6 * DAY)];
    expect(startOf(planned([cheese], late), 'F')).toBe(usual);
    expect(bought(planned([cheese], late), late)).toContain('Plain yogurt');
    // Too little of it is nothing to wait for.
    const little = [yogurt(soon, 500)];
    expect(startOf(planned([cheese], little), 'F')).toBe(usual);
  });

  it('is begun behind the make that leaves what it takes, which is made earlier where it would come too late', () => {
    const clabber: Order = { id: 'L', method: methodById('clabber'), productG: 12_000, dueMin: 6 * DAY + NOON };
    const butter: Order = {
      ...{ id: 'B', method: methodById('cultured-butter'), choices: { from: 'bought', sourCream: 'soured-cream-20' } },
      ...{ productG: 60, dueMin: 5 * DAY + NOON },
    };
    const apart = startOf(planned([butter], []), 'B');
    expect(readyOf(planned([clabber], []), 'L')).toBeGreaterThan(apart);
    const makes = planned([butter, clabber], []);
    expect(startOf(makes, 'B')).toBeGreaterThanOrEqual(readyOf(makes, 'L'));
    const cream = neededBy(makes, lotsLeft(makes)).find((n) => n.make.orderId === 'B' && n.from.length > 0)!;
    expect(cream.from[0]!.lotId).toBe('left of L 1 cream');
  });
});

describe('what a product is for a make that goes on with it', () => {
  const as = (id: string, choices = {}) => goesOnAs(methodById(id), choices);

  it('is yogurt or clabber where it is plain, and nothing where it is anything else', () => {
    expect(['scalded-yogurt', 'room-yogurt', 'cold-start-yogurt'].map((id) => as(id))).toEqual(Array(3).fill('yogurt'));
    expect([as('clabber', { milk: 'lot:OWN' }), as('clabber', { seeding: 'wild', skim: 'no' })]).toEqual([
      'clabber',
      'clabber',
    ]);
    for (const id of ['strained-yogurt', 'plant-yogurt', 'cultured-cream', 'live-kefir', 'quark', 'starter-feeding'])
      expect(as(id)).withContext(id).toBeNull();
  });
});
