import { seededRandom } from '../random/random.js';
import { inferMembers, type InferenceProblem } from './adaptive-sampling.js';
import { isSouringCue, readingLikelihood } from './evidence.js';
import { logDensity } from './proposal.js';

/** A standard normal prior in two directions and a normal reading of their sum: the posterior is known exactly. */
function sumProblem(seen: number, sd: number): InferenceProblem {
  return {
    dims: 2,
    drawPrior: (normal, _random, out, at) => {
      out[at] = normal();
      out[at + 1] = normal();
    },
    logPrior: (points, at) => -0.5 * (points[at]! ** 2 + points[at + 1]! ** 2),
    logLikelihood: (points, count) =>
      Float64Array.from({ length: count }, (_, i) => -0.5 * ((points[2 * i]! + points[2 * i + 1]! - seen) / sd) ** 2),
  };
}

function moments({ points, weights }: ReturnType<typeof inferMembers>) {
  let mean = 0;
  let square = 0;
  weights.forEach((w, i) => {
    const sum = points[2 * i]! + points[2 * i + 1]!;
    mean += w * sum;
    square += w * sum * sum;
  });
  return { mean, sd: Math.sqrt(square - mean * mean) };
}

describe('adaptive importance sampling', () => {
  for (const [seen, sd] of [
    [0.5, 1],
    [2, 0.2],
    [6, 0.05],
  ] as const) {
    it(`finds the exact posterior of a sum read as ${seen} ± ${sd}`, () => {
      const found = moments(inferMembers(sumProblem(seen, sd), 6000, seededRandom(4)));
      const exactVariance = 1 / (1 / 2 + 1 / sd ** 2);
      expect(found.mean).toBeCloseTo((exactVariance * seen) / sd ** 2, 1);
      expect(found.sd / Math.sqrt(exactVariance)).toBeGreaterThan(0.85);
      expect(found.sd / Math.sqrt(exactVariance)).toBeLessThan(1.15);
    });
  }

  it('keeps many members alive where plain weighting would keep a handful', () => {
    const found = inferMembers(sumProblem(6, 0.05), 2000, seededRandom(4));
    expect(found.effective).toBeGreaterThan(0.2);
    expect(found.rounds).toBeGreaterThan(1);
    expect(found.weights.reduce((a, b) => a + b)).toBeCloseTo(1, 9);
  });

  it('leaves the prior as it is where nothing was read', () => {
    const flat = { ...sumProblem(0, 1), logLikelihood: (_: Float64Array, n: number) => new Float64Array(n) };
    const found = inferMembers(flat, 3000, seededRandom(9));
    expect(found.rounds).toBe(1);
    expect(found.effective).toBeCloseTo(1, 9);
    expect(moments(found).sd).toBeCloseTo(Math.SQRT2, 1);
  });

  it('knows the density of what it draws', () => {
    const proposal = { mean: Float64Array.of(1), factor: Float64Array.of(2) };
    const ratio = Math.exp(logDensity(proposal, Float64Array.of(1), 0) - logDensity(proposal, Float64Array.of(3), 0));
    expect(ratio).toBeCloseTo(Math.exp(0.5), 9);
  });
});

describe('evidence', () => {
  const likelihood = (answer: string, ph: number) =>
    Math.exp(readingLikelihood({ min: 0, cue: 'set', answer }, ph, 5.28).log);
  const meter = (seen: number, ph: number, by: 'meter' | 'strip' = 'meter') =>
    readingLikelihood({ min: 0, ph: seen, by }, ph, 5.28);

  it('of the answers to a look adds up to one whatever the crock', () => {
    for (const ph of [6.5, 5.3, 5.0, 4.7, 4.4]) {
      const sum = ['liquid', 'wobbles', 'leaves-the-wall', 'stands'].reduce((s, a) => s + likelihood(a, ph), 0);
      expect(sum).toBeCloseTo(1, 6);
    }
  });

  it('makes each answer likeliest where it belongs', () => {
    const likeliest = (ph: number) =>
      ['liquid', 'wobbles', 'leaves-the-wall', 'stands'].sort((a, b) => likelihood(b, ph) - likelihood(a, ph))[0];
    expect([6, 5.15, 4.85, 4.5].map(likeliest)).toEqual(['liquid', 'wobbles', 'leaves-the-wall', 'stands']);
  });

  it('trusts a meter more than a strip, and neither without end', () => {
    const drop = (by: 'meter' | 'strip') => meter(5, 5, by).log - meter(5, 5.3, by).log;
    expect(drop('meter')).toBeGreaterThan(drop('strip'));
    expect(meter(5, 6.5).log).toBeGreaterThan(-60);
    expect(meter(5, 6.5).wrong).toBeGreaterThan(0.99);
    expect(meter(5, 5.02).wrong).toBeLessThan(0.05);
  });

  it('says nothing by a look that is not asked of souring', () => {
    expect(isSouringCue('drip')).toBeFalse();
    expect(isSouringCue('set')).toBeTrue();
    expect(readingLikelihood({ min: 0, cue: 'drip', answer: 'streams' }, 5, 5.2).log).toBeCloseTo(0, 9);
  });
});
