import { normals, seededRandom, type Random } from '../random/random.js';
import { scorecard } from '../ledger/scorecard.js';
import { follow } from '../follow/follow.js';
import { logged, LOGGED_FROM_MS } from '../testing/logged.js';
import { NOTHING_LEARNED } from './pooled.js';
import { GIVEN_AT, type GivenWindow, widened, WidthsSeen, widthAt } from './widths.js';

/** Windows of a kitchen whose times lie otherwise about the likeliest than the engine's normal spread has them. */
function windowsOf(makes: number, seed: number, draw: (random: Random, normal: () => number) => number) {
  const random = seededRandom(seed);
  const normal = normals(random);
  return Array.from({ length: makes }, (_, i) => {
    const [sooner, later] = [0.5 + random(), 1 + random()];
    const off = draw(random, normal) / 1.2816;
    const aheadH = 6 + off * (off < 0 ? sooner : later);
    const window: GivenWindow = { by: 'acidity', share: 0, aheadH, p10H: 6 - sooner, p50H: 6, p90H: 6 + later };
    return { methodId: 'quark', batchId: `make ${i}`, ...window };
  });
}
/** How many of the windows of a kitchen's second hundred held: as the engine gives them, and as they were widened by then. */
function heldIn(draw: Parameters<typeof windowsOf>[2]) {
  const all = [1, 2, 3, 4].map((seed) => windowsOf(200, seed, draw));
  const share = (held: number) => Math.round((100 * held) / all.length) / 100;
  const bare = all.reduce(
    (sum, windows) => sum + windows.slice(100).filter((w) => w.aheadH >= w.p10H && w.aheadH <= w.p90H).length / 100,
    0,
  );
  const shown = all.reduce((sum, windows) => {
    const [whole, first] = [scorecard(windows)[0]!, scorecard(windows.slice(0, 100))[0]!];
    return sum + (whole.held - first.held) / 100;
  }, 0);
  return { bare: share(bare), shown: share(shown) };
}

describe('how wide windows are to be', () => {
  it('is as the engine has it while nothing was seen, and hardly otherwise after one odd make', () => {
    const seen = new WidthsSeen();
    expect(seen.factor('acidity', 0)).toBe(1);
    expect([widthAt(undefined, 'acidity', 0), widthAt(NOTHING_LEARNED, 'solids', 0.5)]).toEqual([1, 1]);
    seen.add({ by: 'acidity', share: 0, aheadH: 40, p10H: 4, p50H: 5, p90H: 6 });
    expect(seen.factor('acidity', 0)).toBeGreaterThan(1);
    expect(seen.factor('acidity', 0)).toBeLessThan(1.2);
    expect(seen.factor('solids', 0)).toBe(1);
  });

  it('brings eight in ten to hold, whatever the kitchen: twice as scattered, steadier, with wild days, or always later', () => {
    const sound = heldIn((_r, normal) => normal());
    expect([sound.bare, sound.shown].every((held) => Math.abs(held - 0.8) < 0.05))
      .withContext(JSON.stringify(sound))
      .toBeTrue();
    const kitchens = {
      scattered: heldIn((_r, normal) => 2 * normal()),
      steady: heldIn((_r, normal) => 0.75 * normal()),
      wild: heldIn((random, normal) => (random() < 0.2 ? 4 * normal() : normal())),
      late: heldIn((_r, normal) => 0.8 + 1.3 * normal()),
    };
    for (const [kitchen, { bare, shown }] of Object.entries(kitchens)) {
      expect(Math.abs(bare - 0.8))
        .withContext(`${kitchen}, bare ${bare}`)
        .toBeGreaterThan(0.06);
      expect(Math.abs(shown - 0.8))
        .withContext(`${kitchen}, shown ${shown}`)
        .toBeLessThan(0.06);
    }
  });

  it('is never past its bounds, and forgets what was long ago', () => {
    const seen = new WidthsSeen();
    const add = (aheadH: number) => seen.add({ by: 'solids', share: 0.5, aheadH, p10H: 4, p50H: 5, p90H: 6 });
    for (let i = 0; i < 80; i++) add(30);
    expect(seen.factor('solids', 0.5)).toBe(2.5);
    for (let i = 0; i < 60; i++) add(5);
    expect(seen.factor('solids', 0.5)).toBe(0.7);
    expect(seen.all()).toEqual([{ by: 'solids', share: 0.5, factor: 0.7, makes: 60 }]);
  });

  it('goes about the likeliest moment, and leaves a side that has no end without one', () => {
    expect(widened<number>(4, 5, 8, 2)).toEqual([3, 11]);
    expect(widened<number | null>(4, 5, null, 2)).toEqual([3, null]);
    expect(widened<number | null>(null, null, 8, 2)).toEqual([null, 8]);
  });

  it('widens what a make that is on is told, as of how far it has gone, and begins no window before now', () => {
    const steps = (['heat', 'hold', 'cool', 'starter', 'warm'] as const).map(
      (stageId, i) => [[9, 31, 46, 65, 71][i]!, stageId] as const,
    );
    const widths = GIVEN_AT.map((share) => ({
      by: 'acidity' as const,
      share,
      factor: share === 0 ? 2 : 1.5,
      makes: 20,
    }));
    const options = { members: 120, seed: 3, fanPoints: 0 };
    const at = (minute: number, learned = NOTHING_LEARNED) =>
      follow(logged('scalded-yogurt', {}, steps), LOGGED_FROM_MS + minute * 60_000, options, { known: { learned } })
        .windows[0]!;
    const half = ({ p50Ms, p90Ms }: ReturnType<typeof at>) => p90Ms! - p50Ms!;
    const wide = { ...NOTHING_LEARNED, widths };
    expect(half(at(80, wide)) / half(at(80))).toBeCloseTo(2, 6);
    const halfWay = 71 + 0.5 * ((at(80).p50Ms! - LOGGED_FROM_MS) / 60_000 - 71);
    expect(half(at(halfWay, wide)) / half(at(halfWay))).toBeCloseTo(1.5, 6);
    const late = at(halfWay, { ...wide, widths: widths.map((w) => ({ ...w, factor: 2.5 })) });
    expect(late.p10Ms).toBeGreaterThanOrEqual(Math.min(LOGGED_FROM_MS + halfWay * 60_000, at(halfWay).p10Ms!));
    expect(late.p50Ms).toBe(at(halfWay).p50Ms);
  });
});
