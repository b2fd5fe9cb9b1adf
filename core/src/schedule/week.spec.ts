import { english } from '@oat-crock/messages';
import { methodById } from '../methods/index.js';
import { EIGHT_PIECES, maker, someWeeks } from '../testing/weeks.js';
import { alternatives, differs, isEnough, OBJECTIVE_PRESETS, likenessOf, type Alternative } from './alternatives.js';
import { emptyProfile } from './resource-profile.js';
import { neededBy, toBuy, type LotLeftThen } from './materials.js';
import { moved } from './move.js';
import type { Order } from './orders.js';
import { planOf } from './plan-of.js';
import { layOut, planFor } from './plan.js';
import type { PlanAsked } from './planning-problem.js';
import { search } from './search.js';
import { FLAVOURS } from '../materials/flavours.js';
import { seededRandom } from '../random/random.js';

const DAY = 1440;

/** A setting and its plan. */
function planned(asked: PlanAsked) {
  const problem = layOut(asked);
  let plan = null;
  for (const found of search(problem.instance, seededRandom(1))) {
    plan = planOf(problem, found);
    if (found.round >= 30) break;
  }
  return { problem, plan: plan! };
}

describe('a make of a plan that is moved', () => {
  const yogurt = (id: string, dueMin: number): Order => ({
    id,
    method: methodById('scalded-yogurt'),
    productG: 3000,
    dueMin,
  });
  const box = { kind: 'thermostat', holdsL: 8, count: 1, name: 'Warm box' } as const;
  const gear = [...EIGHT_PIECES.filter((g) => g.kind !== 'thermostat'), box];
  const dueMin = 4 * DAY + 12 * 60;
  const { problem, plan } = planned({
    orders: [yogurt('A', dueMin), yogurt('B', dueMin)],
    people: [maker(6)],
    gear,
    horizonMin: 6 * DAY,
    seed: 1,
  });
  const [a, b] = plan.makes;
  const at = (startMin: number) => moved(problem, plan.makes, a!, startMin);
  const breaks = (startMin: number) => at(startMin).breaks.map((x) => x.is);

  it('holds where it stood, and says of any other minute what breaks and why', () => {
    expect(moved(problem, plan.makes, a!, a!.mode.startMin, a!.mode.extension).breaks).toEqual([]);
    expect(breaks(3 * DAY + 60)).toContain('night');
    expect(breaks(dueMin - 60)).toContain('late');
    expect(breaks(-60)).toContain('milk');
    expect(breaks(6 * DAY - 60)).toEqual(['over']);
    for (const { says } of at(3 * DAY + 60).breaks) expect(english(says)).toMatch(/\.$/);
  });

  it('that wants the box of another is told whose it is', () => {
    const onTop = at(b!.mode.startMin);
    const clash = onTop.breaks.find((x) => x.is === 'gear' || x.is === 'hands')!;
    expect(english(clash.says)).toMatch(/taken by Scalded yogurt/);
    expect(clash.against.map((m) => m.orderId)).toEqual(['B']);
    expect(onTop.mode).toBeNull();
  });

  it('is offered the nearest way that holds beside all the others', () => {
    for (const startMin of [DAY, 2.1 * DAY, b!.mode.startMin, dueMin - 60]) {
      const { repair, breaks: broken } = at(startMin);
      if (broken.length === 0) continue;
      const profile = emptyProfile(problem.instance);
      profile.put(b!.mode);
      expect(profile.fits(repair!)).toBeTrue();
      expect(repair!.readyLateMin).toBeLessThanOrEqual(dueMin);
      const found = moved(problem, plan.makes, a!, repair!.startMin, repair!.extension);
      expect(found.breaks).toEqual([]);
      const nearer = problem.wanted[0]!.modes.filter(
        (w) => Math.abs(w.startMin - startMin) < Math.abs(repair!.startMin - startMin) - 1,
      );
      for (const w of nearer) expect(moved(problem, plan.makes, a!, w.startMin, w.extension).breaks).not.toEqual([]);
    }
  });

  it('keeps its steps in order and within their give', () => {
    const { steps } = at(2 * DAY + 7 * 60);
    steps.forEach(({ beginMin }, i) => expect(beginMin).toBe(i === 0 ? 2 * DAY + 7 * 60 : steps[i - 1]!.endMin));
  });
});

describe('whole alternatives', () => {
  const asked = someWeeks(4, 7, 2);
  const last = new Map<string, Alternative>();
  for (const alternative of alternatives(asked, { usual: 20, most: 40 })) last.set(alternative.preset.id, alternative);

  it('are one of each leaning, each as it is described', () => {
    expect([...last.keys()]).toEqual(OBJECTIVE_PRESETS.map((l) => l.id));
    const of = (id: string) => last.get(id)!.likeness;
    expect(of('fresh').meanAgeH).toBeLessThanOrEqual(of('even').meanAgeH + 1e-9);
    expect(of('early').meanAgeH).toBeGreaterThan(of('even').meanAgeH);
    expect(of('even').offMin).toBeLessThanOrEqual(of('fresh').offMin + 1e-9);
    for (const { plan } of last.values()) expect(plan.unmet).toEqual([]);
  });

  it('are searched as long as is usual, longer while an order is left out that might be met, and no longer than at most', () => {
    const { plan, problem } = last.get('even')!;
    const rounds = { usual: 10, most: 50 };
    const at = (round: number, more: object = {}) =>
      isEnough({ ...plan, round, proven: false, ...more }, problem, rounds);
    expect([at(9), at(10)]).toEqual([false, true]);
    const unmet = [{ orderId: 'A', why: 'no room', remedy: 'want less' }];
    expect([at(10, { unmet }), at(49, { unmet }), at(50, { unmet })]).toEqual([false, false, true]);
    expect(at(10, { unmet, proven: true })).toBeTrue();
    const impossible = { ...problem, impossible: unmet };
    expect(isEnough({ ...plan, round: 10, proven: false, unmet }, impossible, rounds)).toBeTrue();
  });

  it('are told apart by when their makes begin', () => {
    const [even, early] = [last.get('even')!.plan, last.get('early')!.plan];
    expect(differs(even, even)).toBeFalse();
    expect(differs(even, early)).toBeTrue();
    expect(differs(even, { ...even, makes: even.makes.slice(1) })).toBeTrue();
  });

  it('of nothing is like nothing', () => {
    const none = planFor({ ...asked, orders: [] }, 5);
    expect(likenessOf(none)).toEqual(jasmine.objectContaining({ handsMin: 0, firstMin: null, feedings: 0 }));
  });
});

describe('what a plan weighs in', () => {
  const { makes } = planFor(someWeeks(4, 7, 3), 20);
  const lot = (id: string, more: Partial<LotLeftThen>): LotLeftThen => ({
    id,
    kind: 'milk',
    name: id,
    leftG: 1000,
    untilMin: null,
    ...more,
  });

  it('comes out of lots that are in date, those to be used first first, and what is short is bought in time', () => {
    const lots = [
      lot('KEEPS', { leftG: 5e4 }),
      lot('SOON', { untilMin: 6 * DAY }),
      lot('GONE', { untilMin: 1 }),
      lot('GOAT', { untilMin: 6 * DAY, onlyNamed: true }),
    ];
    const needs = neededBy(makes, lots);
    const milk = needs.filter((n) => n.from.some((f) => f.lotId !== ''));
    const taken = (id: string) =>
      milk
        .flatMap((n) => n.from)
        .filter((f) => f.lotId === id)
        .reduce((s, f) => s + f.massG, 0);
    expect(taken('GONE')).toBe(0);
    expect(taken('GOAT')).toBe(0);
    expect(taken('SOON')).toBeCloseTo(1000, 6);
    for (const { massG, from, shortG } of needs) {
      expect(from.reduce((sum, f) => sum + f.massG, 0) + shortG).toBeCloseTo(massG, 6);
    }
  });

  it('takes cream for what is made of cream, and milk for what is made of milk', () => {
    const orders = ['cultured-butter', 'scalded-yogurt', 'plant-yogurt'].map((id) => ({
      id,
      method: methodById(id),
      productG: 500,
      dueMin: 6 * DAY,
    }));
    const made = planFor({ ...someWeeks(0, 7, 1), gear: [], orders }, 5).makes;
    const stood = (['milk', 'cream', 'base'] as const).map((kind) => lot(kind, { kind, leftG: 1e5 }));
    const takenBy = (id: string) =>
      neededBy(made, stood)
        .filter((n) => n.make.orderId === id)
        .flatMap((n) => n.from.map((f) => f.lotId));
    expect(new Set(takenBy('cultured-butter'))).toEqual(new Set(['cream']));
    expect(takenBy('scalded-yogurt')).toContain('milk');
    expect(takenBy('plant-yogurt')).toContain('base');
  });

  it('folds in what was asked for, and nothing else of its kind', () => {
    const choices = { flavour: 'garlic', flavourPct: 3 };
    const order = { id: 'A', method: methodById('cultured-butter'), productG: 500, dueMin: 6 * DAY, choices };
    const { makes } = planFor({ ...someWeeks(0, 7, 1), gear: [], orders: [order] }, 5);
    const own = (sort: 'garlic' | 'herbs') => lot(sort, { kind: 'flavour', leftG: 100, sort: FLAVOURS[sort].name });
    const folded = neededBy(makes, [own('herbs'), own('garlic')]).find((n) => n.what === FLAVOURS.garlic.name)!;
    expect(folded.from.map((f) => f.lotId)).toEqual(['garlic']);
    expect(folded.massG).toBeCloseTo(0.03 * 500, 0);
    expect(toBuy(neededBy(makes, [own('herbs')])).some(({ what }) => what === FLAVOURS.garlic.name)).toBeTrue();
  });

  it('with an empty larder is all to be bought, by the first make that wants it', () => {
    const needs = neededBy(makes, []);
    const list = toBuy(needs);
    expect(list.reduce((sum, b) => sum + b.massG, 0)).toBeCloseTo(
      needs.reduce((sum, n) => sum + n.massG, 0),
      6,
    );
    for (const { what, byMin } of list)
      expect(byMin).toBe(Math.min(...needs.filter((n) => n.what === what).map((n) => n.atMin)));
    expect(list.map((b) => b.byMin)).toEqual([...list.map((b) => b.byMin)].sort((a, b) => a - b));
  });
});
