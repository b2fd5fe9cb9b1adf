import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { planStages } from '../make/plan.js';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { starterActivity } from '../physics/starter-activity.js';
import { cultured, onDay } from '../testing/cultured.js';
import { logged } from '../testing/logged.js';
import { asStarter, divided, givenBy, mixed, retired } from './acts.js';
import { chainPlan, otherwise } from './chain-plan.js';
import { movedTo, storeOf } from '../lots/culture-lot.js';
import { perGeneration } from './drift.js';
import { byUrgency, doseFor, dueOf } from './due.js';
import { feedingOf, grainsPctFor } from './feeding.js';
import { ancestorsOf, culturesById, descendantsOf, recallOf, rootOf } from './lineage.js';
import { mismatchOf } from './match.js';
import { parkingOf } from './park.js';
import { NOTHING_LEARNED, type Pooled } from '../learn/pooled.js';
import { paces, shownOf } from './shown.js';
import { stemsOf } from './stem.js';
import { fallsTo, reckonedActivity, activityAt } from './activity.js';

describe('the vigour of a culture', () => {
  it('in one store is what its age, store and generation make of it', () => {
    for (const [culture, generation] of [
      ['thermophilic', 3],
      ['room-yogurt', 40],
      ['clabber', 2],
    ] as const) {
      const lot = cultured('A', 10, { culture, generation });
      const starter = { form: 'active', ageDays: 9, store: 'cold', generation } as const;
      expect(reckonedActivity(lot, onDay(19))).toBeCloseTo(starterActivity(starter, culture), 12);
    }
  });

  it('counts each stay by itself: frozen it stands nearly still, at the price of a half log', () => {
    const frozen = movedTo(cultured('A', 0), 'frozen', onDay(2));
    const thawed = movedTo(frozen, 'cold', onDay(62));
    expect(
      Math.log10(activityAt(frozen, onDay(62)).likely / activityAt(cultured('A', 0), onDay(2)).likely),
    ).toBeCloseTo(-0.8, 6);
    expect(activityAt(thawed, onDay(63)).likely).toBeGreaterThan(20 * activityAt(cultured('A', 0), onDay(63)).likely);
    expect(storeOf(thawed)).toBe('cold');
    expect(movedTo(thawed, 'cold', onDay(70))).toBe(thawed);
  });

  it('never rises while it waits, and is there when it is said to come down to a share', () => {
    const arb = fc.record({
      days: fc.array(fc.double({ min: 0.1, max: 60, noNaN: true }), { minLength: 1, maxLength: 5 }),
      stores: fc.array(fc.constantFrom('cold', 'frozen', 'room'), { minLength: 5, maxLength: 5 }),
    });
    fc.assert(
      fc.property(arb, ({ days, stores }) => {
        let day = 0;
        let lot = cultured('A', 0);
        let before = activityAt(lot, 0).likely;
        days.forEach((d, i) => {
          lot = movedTo(lot, stores[i]!, onDay(day));
          day += d;
          const now = activityAt(lot, onDay(day)).likely;
          expect(now).toBeLessThanOrEqual(before + 1e-12);
          before = now;
        });
        const at = fallsTo(lot, 0.3 * before, onDay(day));
        if (at !== null) expect(activityAt(lot, at).likely).toBeCloseTo(0.3 * before, 9);
      }),
    );
  });

  it('is moved by what makes of its line showed, the more the more of them agree, and narrowed', () => {
    const seen = (makes: number, mean: number, sd: number): Pooled => ({
      known: [{ of: 'culture A', score: 'activity', mean, sd, makes }],
      covariance: [sd * sd],
    });
    const one = shownOf('thermophilic', 'A', seen(1, -0.3, 0.6))!;
    const five = shownOf('thermophilic', 'A', seen(5, -1, 0.3))!;
    const lot = cultured('A', 0);
    const [plain, once, often] = [null, one, five].map((s) => activityAt(lot, onDay(3), s));
    expect(once!.likely).toBeLessThan(plain!.likely);
    expect(often!.likely).toBeLessThan(once!.likely);
    const width = ({ low, high }: { low: number; high: number }) => Math.log(high / low);
    expect(width(often!)).toBeLessThan(width(plain!));
    expect(plain!.low).toBeLessThan(plain!.likely);
    expect(five.makes).toBe(5);
    expect(shownOf('thermophilic', 'B', seen(5, -1, 0.3))).toBeNull();
    expect(shownOf('thermophilic', 'A', NOTHING_LEARNED)).toBeNull();
  });
});

describe('lines of descent', () => {
  // A pot, carried on twice; from the first make a second jar; both lines mixed in the end.
  const pot = cultured('pot', 0, { origin: 'pot', generation: 0 });
  const one = cultured('one', 3, { parents: ['pot'] });
  const two = cultured('two', 6, { parents: ['one'], generation: 2 });
  const jar = cultured('jar', 4, { parents: ['one'], origin: 'divided' });
  const other = cultured('other', 1, { origin: 'heirloom', generation: 0, culture: 'room-yogurt' });
  const mix = mixed(two, other, { id: 'mix', massG: 50, name: 'mix' }, onDay(7));
  const all = culturesById([pot, one, two, jar, other, mix]);
  const ids = (lots: readonly { id: string }[]) => lots.map((l) => l.id).sort();

  it('are followed back to what was bought and forward to all that came of it', () => {
    expect(ids(ancestorsOf(mix, all))).toEqual(['one', 'other', 'pot', 'two']);
    expect(ids(descendantsOf(one, all))).toEqual(['jar', 'mix', 'two']);
    expect(rootOf(jar, all)).toBe(pot);
    expect([mix.culture, mix.beside, mix.generation, mix.bornMs]).toEqual(['thermophilic', 'room-yogurt', 2, onDay(1)]);
  });

  it('give a recall every make of the line, whichever jar it took of', () => {
    const make = (lotId: string) => logged('scalded-yogurt', {}, [], [[1, { type: 'took', lotId, massG: 5 }]]);
    const makes = ['jar', 'mix', 'other', 'elsewhere'].map(make);
    const recall = recallOf(jar, all, makes);
    expect(ids(recall.from)).toEqual(['pot']);
    expect(ids(recall.cultures)).toEqual(['jar', 'mix', 'one', 'pot', 'two']);
    expect(recall.makes.map((m) => m.taken[0]!.lotId)).toEqual(['jar', 'mix']);
    expect(ids(recallOf(mix, all, makes).from)).toEqual(['other', 'pot']);
  });

  it('are drawn so that the living line runs straight and no two share a lane at once', () => {
    const stems = stemsOf(all);
    expect(stems.map((s) => s.rootId).sort()).toEqual(['other', 'pot']);
    const lane = new Map(stems.find((s) => s.rootId === 'pot')!.buds.map((b) => [b.lot.id, b.lane]));
    expect(['pot', 'one', 'two', 'mix'].map((id) => lane.get(id))).toEqual([0, 0, 0, 0]);
    expect(lane.get('jar')).toBe(1);
    const halved = culturesById([pot, cultured('half', 0, { parents: ['pot'], origin: 'divided' })]);
    expect(stemsOf(halved)[0]!.buds.map((b) => b.lane)).toEqual([0, 1]);
  });

  it('survive what points in a ring or nowhere', () => {
    const ring = culturesById([cultured('x', 0, { parents: ['y'] }), cultured('y', 0, { parents: ['x', 'gone'] })]);
    expect(ids(ancestorsOf(ring.get('x')!, ring))).toEqual(['y']);
    expect(rootOf(ring.get('x')!, ring).id).toBe('y');
  });
});

describe('what is done with a culture', () => {
  const lot = cultured('A', 0, { amount: 120 });

  it('divides it without losing a gram, into any store', () => {
    const [rest, cubes] = divided(lot, 90, { id: 'B', massG: 40, store: 'frozen', name: 'Cubes' }, onDay(2));
    expect([rest.amount, cubes.amount]).toEqual([50, 40]);
    expect([storeOf(rest), storeOf(cubes)]).toEqual(['cold', 'frozen']);
    expect([cubes.parents, cubes.generation, cubes.bornMs]).toEqual([['A'], 1, 0]);
    expect(() => divided(lot, 90, { id: 'B', massG: 91, store: 'cold', name: '' }, 0)).toThrowError(RangeError);
  });

  it('keeps what a make gave a generation on and fresh; grains stay the grains they were', () => {
    const given = {
      id: 'C',
      name: 'C',
      massG: 80,
      batchId: 'X',
      culture: 'thermophilic' as CultureId,
      beside: null,
      form: 'active' as const,
      origin: 'held back' as const,
      store: 'cold' as const,
      generation: 4,
      parents: ['A'],
      atMs: onDay(5),
      price: 0,
    };
    expect([givenBy(given).generation, givenBy(given).from]).toEqual([5, 'X']);
    expect(givenBy({ ...given, form: 'grains' }).generation).toBe(4);
    expect(retired(lot, 7).retiredMs).toBe(7);
  });

  it('answers a make sheet so that the engine comes to the vigour that is known of it', () => {
    const thawed = movedTo(movedTo(lot, 'frozen', onDay(1)), 'cold', onDay(40));
    const { likely } = activityAt(thawed, onDay(42));
    const { vigourPct, ...starter } = asStarter(thawed, onDay(42), { likely });
    expect((starterActivity(starter, 'thermophilic') * vigourPct) / 100 / likely).toBeCloseTo(1, 1);
    const sheet = (activity: number) =>
      makeSheet(
        methodById('scalded-yogurt'),
        { ...starter, vigourPct: activity },
        { members: 20, seed: 1, fanPoints: 2 },
      );
    expect(sheet(300).totalMin).toBeLessThan(sheet(vigourPct).totalMin);
  });
});

describe('what a culture wants', () => {
  const due = (day: number, more: Parameters<typeof cultured>[2] = {}, about = {}) =>
    dueOf(cultured('A', 0, more), 100, onDay(day), about);

  it('is nothing while it is fresh, to be fed once it is tired, to be given up once it is spent', () => {
    expect([due(1), due(5), due(8), due(30)].map((d) => [d.level, d.does])).toEqual([
      ['well', 'use'],
      ['soon', 'feed'],
      ['now', 'feed'],
      ['past', 'renew'],
    ]);
    const { feedByMs, lastMs } = due(1);
    expect(dueOf(cultured('A', 0), 100, feedByMs! + 1000).level).toBe('now');
    expect(dueOf(cultured('A', 0), 100, lastMs! + 1000).level).toBe('past');
  });

  it('of what is frozen or dry is not to be fed', () => {
    const cubes = due(30, { stays: [{ store: 'frozen', fromMs: 0 }] });
    expect([cubes.feedByMs, cubes.does]).toEqual([null, 'nothing']);
    expect(due(300, { form: 'freeze-dried', stays: [{ store: 'frozen', fromMs: 0 }] }).level).toBe('well');
  });

  it('after some generations is a new line, by one school; heirlooms never, nor by taste', () => {
    expect(due(1, { generation: 5 }).does).toBe('renew');
    expect(due(1, { generation: 5 }, { school: 'taste' }).does).not.toBe('renew');
    expect(due(1, { generation: 90, culture: 'room-yogurt', origin: 'heirloom' }, { school: 'never' }).does).toBe(
      'use',
    );
  });

  it('puts the most urgent first', () => {
    const days = [1, 8, 30, 5];
    expect(
      days
        .map((d) => due(d))
        .sort(byUrgency)
        .map((d) => d.level),
    ).toEqual(['past', 'now', 'soon', 'well']);
  });

  it('asks for a dose that makes up for lost vigour, until nothing will', () => {
    expect(doseFor(0.5, 2.5)).toBeCloseTo(5, 9);
    expect(doseFor(0.05, 2.5)).toBeNull();
    expect(doseFor(0.15, 5)).toBeNull();
  });

  it('is fed by a make that can be made, of as little as is left', () => {
    for (const culture of ['thermophilic', 'mesophilic', 'room-yogurt', 'clabber'] as const) {
      const lot = cultured('A', 0, { culture });
      const feeding = feedingOf(lot, 8, onDay(3), activityAt(lot, onDay(3)), 20)!;
      expect(feeding.takesG).toBeLessThanOrEqual(8);
      const sheet = makeSheet(methodById(feeding.methodId), feeding.choices, { members: 10, seed: 1, fanPoints: 2 });
      expect(sheet.problems.filter((p) => !p.mild))
        .withContext(culture)
        .toEqual([]);
    }
    const capsule = cultured('A', 0, { culture: 'plant', form: 'capsule' });
    expect(feedingOf(capsule, 8, 0, activityAt(capsule, 0), 20)).toBeNull();
  });

  it('of grains is milk by the season: less of it to the grain in a cool room', () => {
    expect(grainsPctFor(18)).toBe(10);
    expect(grainsPctFor(26)).toBe(3);
    const lot = cultured('A', 0, { culture: 'kefir-grains', form: 'grains', stays: [{ store: 'room', fromMs: 0 }] });
    const milk = (roomC: number) =>
      Number(feedingOf(lot, 50, onDay(1), activityAt(lot, onDay(1)), roomC)!.choices['massG']);
    expect(milk(26)).toBeGreaterThan(2.5 * milk(18));
  });
});

describe('going away', () => {
  const away = (days: number, more: Parameters<typeof cultured>[2] = {}) =>
    parkingOf(cultured('A', 0, more), onDay(1), onDay(1 + days));

  it('takes the least trouble that brings it over: leave it, feed it, freeze it, begin again', () => {
    expect(away(3).does).toBe('leave');
    const old = parkingOf(cultured('A', -5), onDay(1), onDay(7));
    expect([old.does, old.activityThen > 0.4]).toEqual(['feed', true]);
    expect(away(90).does).toBe('freeze');
    expect(away(900).does).toBe('renew');
    expect(away(200, { form: 'freeze-dried', stays: [{ store: 'frozen', fromMs: 0 }] }).does).toBe('leave');
  });

  it('puts grains under fresh milk into the cold', () => {
    const grains = { culture: 'kefir-grains', form: 'grains', stays: [{ store: 'room', fromMs: 0 }] } as const;
    expect(away(5, grains).does).toBe('cold');
    expect(away(10, grains).does).toBe('feed');
    expect(away(10, grains).activityThen).toBeGreaterThan(0.5);
  });
});

describe('a chain of starters', () => {
  const wanted = { neededG: 400, readyMs: onDay(10), nowMs: onDay(7), dosePct: 2.5, tempC: 42.5, heldBackG: 30 };
  const from = (leftG: number, activity = 0.8) => ({ lot: cultured('A', 6), leftG, activity });

  it('is reckoned backwards by the clock, each step giving the next what it takes', () => {
    const { steps, impossible } = chainPlan(from(2), wanted);
    expect(english(impossible)).toBe('');
    expect(steps.length).toBe(2);
    const [mother, bulk] = steps;
    expect(mother!.ripeMs).toBeLessThanOrEqual(bulk!.beginMs + 1);
    expect(bulk!.ripeMs).toBeLessThan(wanted.readyMs);
    expect(mother!.milkG + mother!.starterG).toBeGreaterThan(bulk!.starterG + 30);
    expect(chainPlan(from(50), wanted).steps.length).toBe(1);
  });

  it('of a tired mother is begun earlier, and says so where that is past', () => {
    const [fresh, tired] = [0.9, 0.2].map((v) => chainPlan(from(50, v), wanted).steps[0]!.beginMs);
    expect(tired).toBeLessThan(fresh!);
    expect(english(chainPlan(from(50), { ...wanted, nowMs: onDay(9.95) }).impossible)).toContain(
      'should have been begun',
    );
    expect(english(chainPlan(from(50, 0.05), wanted).impossible)).toContain('Too little is left');
  });

  it('goes on with the next best of its kind where it breaks', () => {
    const broken = from(50);
    const powder = { lot: cultured('P', 0, { form: 'freeze-dried' }), leftG: 20, activity: 0.7 };
    const cream = { lot: cultured('C', 6, { culture: 'mesophilic' }), leftG: 90, activity: 0.9 };
    expect(otherwise(broken, [broken, cream, powder], wanted)!.from).toBe(powder);
    expect(otherwise(broken, [broken, cream], wanted)).toBeNull();
  });
});

describe('a wrong match', () => {
  const of = (culture: CultureId) => ({ culture, form: 'active' as const, name: 'A' });
  const on = (methodId: string) => planStages(methodById(methodId), {});

  it('is told: a warm culture on the counter, a capsule without sugar, a cream culture in the warm', () => {
    expect(mismatchOf(of('thermophilic'), on('cultured-cream'))!.grave).toBeTrue();
    expect(english(mismatchOf(of('plant'), on('scalded-yogurt'))!.says)).toContain('sugar');
    expect(mismatchOf(of('mesophilic'), on('scalded-yogurt'))!.grave).toBeTrue();
    expect(mismatchOf(of('clabber'), on('cultured-cream'))!.grave).toBeFalse();
    expect(mismatchOf(of('thermophilic'), on('scalded-yogurt'))).toBeNull();
    expect(mismatchOf(of('kefir-grains'), on('grain-kefir'))).toBeNull();
    expect(mismatchOf(of('thermophilic'), on('acid-heat-curd'))).toBeNull();
  });
});

describe('drift over generations', () => {
  const of = (generation: number, speed: number) => ({
    batchId: `b${generation}`,
    generation,
    atMs: generation,
    taught: { mean: [0, 0, speed, 0, 0, 0, 0, 0, 0], sd: [0.5, 1, 0.5, 1, 1, 1, 1, 0.2, 1] },
  });

  it('is seen as hours at one dose and warmth, with their spread; too few makes show none', () => {
    const line = paces('thermophilic', [of(1, 0), of(2, -1), of(3, -2), of(4, -3)]);
    for (const { lowH, likelyH, highH } of line) {
      expect(lowH).toBeLessThan(likelyH);
      expect(likelyH).toBeLessThan(highH);
    }
    expect(line[0]!.likelyH).toBeGreaterThan(3.8);
    expect(line[0]!.likelyH).toBeLessThan(5.5);
    const hours = line.map(({ generation, likelyH: value }) => ({ generation, value }));
    expect(perGeneration(hours)).toBeGreaterThan(0.2);
    expect(perGeneration(hours.slice(0, 2))).toBeNull();
    expect(CULTURES.thermophilic.spread.mu).toBeGreaterThan(0);
  });
});
