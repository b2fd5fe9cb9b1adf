import { standardPrior, type TaughtScores } from '../assimilate/score-prior.js';
import { NOTHING_LEARNED, pooled, recall, type Lesson } from './pooled.js';

const OWNED = { owners: ['culture A', 'place box'], scores: ['pace', 'offset'], persists: [0.9, 0.8] };
const BEFORE = standardPrior(2);

/** A make whose readings said so much of each score, each with a standard deviation, alone or of their sum. */
function said(pace: number, offset: number, sd = 0.2): Lesson {
  const shrink = 1 / (1 + sd * sd);
  const variance = sd * sd * shrink;
  return {
    ...OWNED,
    before: BEFORE,
    taught: {
      mean: [pace * shrink, offset * shrink],
      sd: [Math.sqrt(variance), Math.sqrt(variance)],
      covariance: [variance, 0, 0, variance],
    },
  };
}
/** A make that says only what pace and offset come to together. */
function saidTogether(sum: number, sd = 0.1): TaughtScores {
  const gain = 1 / (2 + sd * sd);
  const variance = 1 - gain;
  return {
    mean: [gain * sum, gain * sum],
    sd: [Math.sqrt(variance), Math.sqrt(variance)],
    covariance: [variance, -gain, -gain, variance],
  };
}
const next = (lessons: readonly Lesson[]) => recall(pooled(lessons), OWNED, BEFORE);
const times = (count: number, lesson: Lesson) => Array.from({ length: count }, () => lesson);

describe('what finished makes teach the next', () => {
  it('is nothing where there are none', () => {
    expect(pooled([])).toEqual(NOTHING_LEARNED);
    expect(next([]).mean).toEqual([0, 0]);
    expect(next([]).sd).toEqual([1, 1]);
  });

  it('a make alone moves the next by less than a quarter of what it said: once is no habit', () => {
    const [pace] = next([said(-2, 0)]).mean;
    expect(pace).toBeLessThan(0);
    expect(pace).toBeGreaterThan(-0.5);
  });

  it('two that agree move it most of the way, six nearly all of it, and narrow it to the luck of a make', () => {
    expect(next(times(2, said(-1.2, 0))).mean[0]).toBeLessThan(-0.8 * 1.2);
    const six = next(times(6, said(-1.2, 0)));
    expect(six.mean[0]).toBeLessThan(-0.95 * 1.2);
    expect(six.mean[0]).toBeGreaterThan(-1.2);
    expect(six.sd[0]).toBeLessThan(0.4);
    expect(six.sd[0]).toBeGreaterThan(Math.sqrt(0.1));
  });

  it('an odd one among six that agree moves it by less than a quarter of its own error', () => {
    const steady = next(times(6, said(0, 0))).mean[0]!;
    for (const odd of [-4, -2.5, 2.5, 4]) {
      const after = next([...times(6, said(0, 0)), said(odd, 0)]).mean[0]!;
      expect(Math.abs(after - steady))
        .withContext(`${odd}`)
        .toBeLessThan(Math.abs(odd) / 4);
    }
  });

  it('those that contradict each other leave it in the middle', () => {
    expect(next([said(-1, 0), said(1, 0)]).mean[0]).toBeCloseTo(0, 9);
  });

  it('counts nothing twice: where only a sum was seen, its parts come to the sum, and go together', () => {
    const lessons = times(8, { ...OWNED, before: BEFORE, taught: saidTogether(-1.5) });
    const { mean, covariance } = next(lessons);
    expect(mean[0]! + mean[1]!).toBeCloseTo(-1.5, 0);
    expect(mean[0]! + mean[1]!).toBeGreaterThan(-1.5);
    expect(covariance![1]).toBeLessThan(-0.2);
  });

  it('what one make leaves open another settles: the same culture elsewhere tells culture and place apart', () => {
    const here = { ...OWNED, before: BEFORE, taught: saidTogether(-1.5) };
    const elsewhere = { ...said(-1.5, 0), owners: ['culture A', 'place oven'] };
    const learned = pooled([...times(4, here), ...times(4, elsewhere)]);
    const [pace, offset] = recall(learned, OWNED, BEFORE).mean;
    expect(pace).toBeLessThan(-1.2);
    expect(Math.abs(offset!)).toBeLessThan(0.25);
    expect(recall(learned, { ...OWNED, owners: ['culture B', 'place box'] }, BEFORE).mean[0]).toBe(0);
  });

  it('takes out what was known before a make: followed from what was learned, it teaches no more than from nothing', () => {
    const plain = said(-1, 0, 0.5);
    // The same likelihood on a prior that already leans: precision 4, said -1, prior mean -0.8 and variance 0.5.
    const variance = 1 / (1 / 0.5 + 4);
    const leaning: Lesson = {
      ...OWNED,
      before: { mean: [-0.8, 0], sd: [Math.SQRT1_2, 1] },
      taught: { ...plain.taught, mean: [variance * (-0.8 / 0.5 - 4), 0], covariance: [variance, 0, 0, 0.2] },
    };
    const [fromNothing, fromLearned] = [plain, leaning].map((lesson) => next(times(3, lesson)).mean[0]!);
    expect(fromLearned).toBeCloseTo(fromNothing!, 6);
  });

  it('says of each score whose it is and how many makes it is from', () => {
    const { known } = pooled([...times(3, said(-1, 0)), { ...said(0, 1), owners: ['culture B', 'place box'] }]);
    expect(known.map(({ of, score, makes }) => `${of} ${score} ${makes}`)).toEqual([
      'culture A pace 3',
      'place box offset 4',
      'culture B pace 1',
    ]);
  });
});
