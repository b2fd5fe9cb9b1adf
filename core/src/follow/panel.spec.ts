import { english } from '@oat-crock/messages';
import { METHODS } from '../methods/index.js';
import { planStages } from '../make/plan.js';
import { firstOf, lastOf, runMake } from '../make/run.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { STAGE_KIND_NAMES } from '../stages/registry.js';
import { serumAfterWashing } from '../physics/churning.js';
import { atMinute, logged, type Line } from '../testing/logged.js';
import { follow, type Followed } from './follow.js';

const FEW = { members: 60, seed: 1, fanPoints: 2 };

/** A make followed part of the way through one of its stages, all before it as planned. */
function halfWay(methodId: string, stageId: string, more: readonly Line[] = [], choices = {}, share = 0.5) {
  const stages = planStages(
    METHODS.find((m) => m.id === methodId)!,
    choices,
  );
  const runs = runMake(stages, USUAL_ENVIRONMENT);
  const i = stages.findIndex((s) => s.id === stageId);
  const begin = firstOf(runs[i]!).minute;
  const minute = begin + share * (lastOf(runs[i]!).minute - begin);
  const steps = stages.slice(1, i + 1).map((s, k) => [firstOf(runs[k + 1]!).minute, s.id] as const);
  const lines = more.map(([after, body]): Line => [begin + after, body]);
  const followed = follow(logged(methodId, choices, steps, lines), atMinute(minute), FEW);
  return { followed, stage: followed.stages[i]!, panel: followed.stages[i]!.panel };
}
const gauge = ({ panel }: ReturnType<typeof halfWay>, what: string) =>
  panel.gauges.find((g) => english(g.what) === what)!;
const saw = (after: number, cue: string, answer: string): Line => [after, { type: 'cue', cue, answer }];
const added = (after: number, what: 'acid' | 'water' | 'whey' | 'salt', massG: number): Line => [
  after,
  { type: 'added', what, massG },
];
const offers = (shown: ReturnType<typeof halfWay>) => shown.panel.branches.map((b) => b.id);

describe('the working panel', () => {
  it('of every stage of every make has figures that are numbers or words, and lines that run through time', () => {
    const shown = new Set<string>();
    for (const method of METHODS) {
      const { stages }: Followed = follow(logged(method.id, {}, []), atMinute(1), FEW);
      for (const { id, kind, panel } of stages) {
        shown.add(kind);
        expect(panel.gauges.length).withContext(`${method.id}/${id}`).toBeGreaterThan(0);
        for (const { what, planned, now } of panel.gauges) {
          for (const figure of [planned, now]) {
            if (typeof figure === 'number')
              expect(Number.isFinite(figure))
                .withContext(`${id}: ${english(what)}`)
                .toBeTrue();
          }
        }
        for (const { line, planned } of [panel.drawn?.left, panel.drawn?.right].filter((d) => !!d)) {
          for (const points of [line, planned]) {
            expect(points.every(([, y]) => Number.isFinite(y)))
              .withContext(id)
              .toBeTrue();
            expect(points.every(([ms], i) => i === 0 || ms >= points[i - 1]![0])).toBeTrue();
          }
        }
      }
    }
    expect(shown.size).toBeGreaterThan(STAGE_KIND_NAMES.length - 9);
  });

  it('of heating watches the bottom, which is hotter than the milk, and the whey protein', () => {
    const heating = halfWay('scalded-yogurt', 'heat');
    const tempC = Number(gauge(heating, 'Temperature').now);
    expect(Number(gauge(heating, 'Bottom of the pot').now)).toBeGreaterThan(tempC + 20);
    expect(Number(gauge(heating, 'Whey protein changed by heat').now)).toBeLessThan(10);
    expect(heating.panel.drawn!.right!.measure).toBe('unfoldedPct');
    expect(offers(halfWay('scalded-yogurt', 'heat', [saw(5, 'bottom', 'scorched')]))).toContain('catches');
  });

  it('draws the two limits of cooling under what acid does not keep, and not where a culture will sour it', () => {
    expect(halfWay('acid-heat-curd', 'chill').panel.drawn!.limit!.line.map(([, c]) => c)).toEqual([57, 21, 5]);
    expect(halfWay('scalded-yogurt', 'cool').panel.drawn!.limit).toBeNull();
  });

  it('offers to go on with a pot that is as sour as wanted, and to throw away what smells foul', () => {
    expect(offers(halfWay('scalded-yogurt', 'warm'))).toEqual([]);
    const foul = halfWay('scalded-yogurt', 'warm', [saw(60, 'smell', 'foul')]).panel.branches[0]!;
    expect(foul.grave).toBeTrue();
    expect(foul.does.do).toBe('discard');
    const late = (after: number) => offers(halfWay('scalded-yogurt', 'warm', [saw(after, 'taste', 'sharp')], {}, 0.85));
    expect(late(250)).toEqual(['chill-now']);
    expect(late(30)).withContext('sharp within the half hour contradicts all the rest').not.toContain('chill-now');
  });
});

describe('acid in parts', () => {
  const acidify = (...more: Line[]) => halfWay('acid-heat-curd', 'acid', more);

  it('counts what was logged: half of the dose is half the way, all of it the pH that was wanted', () => {
    const byClock = acidify();
    const doseMl = Number(gauge(byClock, 'Lemon juice in').planned);
    const ask = byClock.panel.asks[0]!;
    if (ask.asks !== 'added') throw new Error('it asks for what was added');
    expect(ask.partG).toBeCloseTo((doseMl * ask.gPerMl!) / 3, 6);
    const none = acidify(added(0.1, 'acid', 0.01));
    const half = acidify(added(0.1, 'acid', 1.5 * ask.partG));
    const whole = acidify(added(0.1, 'acid', 3 * ask.partG));
    expect(gauge(half, 'Lemon juice in').now as number).toBeCloseTo(doseMl / 2, 6);
    const ph = (of: typeof half) => Number(gauge(of, 'Acidity').now);
    expect(ph(none)).toBeGreaterThan(6.4);
    expect(ph(half)).toBeLessThan(ph(none));
    expect(ph(whole)).toBeCloseTo(5.7, 1);
    expect(acidify(added(0.1, 'acid', 4 * ask.partG)).followed.end.ph).toBeLessThan(ph(whole));
  });

  it('goes by the whey: cloudy wants another part, clear is enough', () => {
    const cloudy = acidify(saw(1, 'clarity', 'cloudy')).panel.branches[0]!;
    expect(cloudy.does).toEqual(jasmine.objectContaining({ do: 'add', what: 'acid' }));
    expect(english(cloudy.offer)).toMatch(/^Stir in another \d+ mL \(.+\) of lemon juice$/);
    expect(acidify(saw(1, 'clarity', 'greenish')).panel.branches[0]!.does).toEqual({ do: 'next' });
  });

  it('too little of it leaves milk', () => {
    const steps = [
      [9, 'heat'],
      [40, 'acid'],
      [50, 'rest'],
    ] as const;
    const f = (massG: number) =>
      follow(logged('acid-heat-curd', {}, steps, [[41, { type: 'added', what: 'acid', massG }]]), atMinute(52), FEW);
    expect(f(5).now.ph).toBeGreaterThan(6.2);
    expect(f(5).end.firmnessWord).not.toBe(f(130).end.firmnessWord);
  });
});

describe('washing, whisking back and grains', () => {
  it('washes dilute the serum by their water, Π w / (w + V), and it is told when they are enough', () => {
    const two = halfWay('cultured-butter', 'wash', [added(0.5, 'water', 300), added(1, 'water', 300)]);
    expect(gauge(two, 'Washes').now).toBe(2);
    const left = Number(gauge(two, 'Serum left').now) / 100;
    const trappedG = 300 / (1 / Math.sqrt(left) - 1);
    expect(left).toBeCloseTo(serumAfterWashing(trappedG, [300, 300]), 9);
    expect(offers(halfWay('cultured-butter', 'wash', [saw(1, 'wash', 'milky')]))).toEqual(['once-more']);
    expect(offers(halfWay('cultured-butter', 'wash', [saw(1, 'wash', 'clear')]))).toEqual(['clear']);
  });

  it('whey whisked back is in the product, and the books close', () => {
    const steps = [
      [9, 'heat'],
      [31, 'hold'],
      [46, 'cool'],
      [65, 'starter'],
      [71, 'warm'],
      [400, 'chill'],
      [800, 'strain'],
      [3200, 'finish'],
    ] as const;
    const end = (...more: Line[]) => follow(logged('strained-yogurt', {}, steps, more), atMinute(3230), FEW).balanceEnd;
    const [plain, back] = [end(), end([3190, { type: 'added', what: 'whey', massG: 200 }])];
    expect(back.wheyG).toBeCloseTo(plain.wheyG - 200, 6);
    expect(back.productG).toBeGreaterThan(plain.productG + 195);
    expect(back.errorPct).toBeLessThan(0.1);
    const over = follow(logged('strained-yogurt', {}, steps.slice(0, -1)), atMinute(3190), FEW);
    const offer = over.stages.find((s) => s.id === 'strain')!.panel.branches[0]!;
    expect(offer.does).toEqual(jasmine.objectContaining({ do: 'add', what: 'whey' }));
  });

  it('grains weigh what they were weighed at', () => {
    const weighed: Line = [1, { type: 'reading', quantity: 'grainsG', value: 61, by: 'scale' }];
    const sieved = halfWay('grain-kefir', 'sieve', [weighed]);
    expect(gauge(sieved, 'Grains').now).toBe(61);
    expect(sieved.followed.balanceNow.heldBackG).toBeCloseTo(61, 6);
    expect(sieved.followed.balanceNow.errorPct).toBeLessThan(0.1);
  });
});
