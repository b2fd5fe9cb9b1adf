import { standardPrior } from '../assimilate/score-prior.js';
import { normals, seededRandom } from '../random/random.js';
import { kitchenDraws, type Unknowns } from './kitchen-draw.js';
import { NOTHING_LEARNED, recall, type Pooled } from './pooled.js';

const make = (line: string, place: string): Unknowns => ({
  owners: [`culture ${line}`, `place ${place}`],
  scores: ['pace', 'offset'],
  persists: [0.9, 0.8],
  before: { ...standardPrior(2), sd: [1, 0.5] },
  offset: [0, 0],
});
const LEARNED: Pooled = {
  known: [
    { of: 'culture A', score: 'pace', mean: -1, sd: 0.5, makes: 4 },
    { of: 'place box', score: 'offset', mean: 0.6, sd: 0.4, makes: 4 },
  ],
  covariance: [0.25, -0.12, -0.12, 0.16],
};
const COUNT = 20_000;

/** Mean and covariance of what is drawn of some makes of one kitchen, all their scores in a row. */
function drawn(learned: Pooled, of: readonly Unknowns[]) {
  const kitchens = kitchenDraws(learned, of, normals(seededRandom(3)));
  const n = 2 * of.length;
  const out = new Float64Array(2);
  const all = Array.from({ length: COUNT }, () => {
    kitchens.next();
    return of.flatMap((_, i) => {
      kitchens.make(i, out);
      return [...out];
    });
  });
  const mean = Array.from({ length: n }, (_, d) => all.reduce((sum, row) => sum + row[d]!, 0) / COUNT);
  const covariance = (r: number, c: number) =>
    all.reduce((sum, row) => sum + (row[r]! - mean[r]!) * (row[c]! - mean[c]!), 0) / COUNT;
  return { mean, covariance };
}

describe('kitchens that are drawn', () => {
  it('have makes that are each as the next make of such owners is recalled to be', () => {
    for (const [learned, of] of [
      [LEARNED, make('A', 'box')],
      [LEARNED, make('A', 'lamp')],
      [NOTHING_LEARNED, make('A', 'box')],
    ] as const) {
      const next = recall(learned, of, of.before);
      const { mean, covariance } = drawn(learned, [of]);
      for (const r of [0, 1]) {
        expect(mean[r]).withContext(`mean ${r}`).toBeCloseTo(next.mean[r]!, 1);
        for (const c of [0, 1]) {
          expect(Math.abs(covariance(r, c) - next.covariance![2 * r + c]!))
            .withContext(`${r} ${c}`)
            .toBeLessThan(0.03);
        }
      }
    }
  });

  it('have in common what stays with a line or a place, and nothing else', () => {
    const { covariance } = drawn(NOTHING_LEARNED, [make('A', 'box'), make('A', 'lamp'), make('B', 'box')]);
    // The pace of two makes of a line; the offset of two in a box; and what has nothing in common.
    expect(Math.abs(covariance(0, 2) - 0.9)).toBeLessThan(0.03);
    expect(Math.abs(covariance(1, 5) - 0.8 * 0.25)).toBeLessThan(0.03);
    for (const [r, c] of [
      [0, 4],
      [1, 3],
      [0, 1],
      [2, 5],
    ] as const)
      expect(Math.abs(covariance(r, c)))
        .withContext(`${r} ${c}`)
        .toBeLessThan(0.03);
    const learned = drawn(LEARNED, [make('A', 'box'), make('A', 'box')]);
    expect(Math.abs(learned.covariance(0, 2) - 0.25)).toBeLessThan(0.03);
    expect(Math.abs(learned.covariance(0, 3) + 0.12)).toBeLessThan(0.03);
  });

  it('add what was said of the very make', () => {
    const { mean } = drawn(LEARNED, [{ ...make('A', 'box'), offset: [2, 0] }]);
    expect(mean[0]).toBeCloseTo(1, 1);
  });
});
