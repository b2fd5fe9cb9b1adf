import fc from 'fast-check';
import { CULTURES } from '../constants/cultures.js';
import { PERSISTS } from '../constants/pooling.js';
import { DIMS, runEnsemble, SCORES, STANDARD_PRIOR, type SouringProblem } from '../forecast/souring-ensemble.js';
import { forecastSouring } from '../forecast/souring-forecast.js';
import { souringLaw } from '../physics/souring.js';
import { normals, seededRandom } from '../random/random.js';
import { forecastDrain } from '../forecast/drain-forecast.js';
import { wheyAfter } from '../physics/drainage.js';
import { pooledDrainPrior, pooledPrior, type TaughtBy } from './pooled-prior.js';

const flat = (value: number, sd: number): TaughtBy => ({
  mean: SCORES.map(() => value),
  sd: SCORES.map(() => sd),
});
const vigour = (taught: readonly TaughtBy[]) => {
  const { mean, sd } = pooledPrior(taught);
  return { mean: mean[0]!, sd: sd[0]! };
};

describe('what finished batches teach the next', () => {
  it('is nothing where there are none, or where they taught nothing', () => {
    expect(pooledPrior([])).toEqual(STANDARD_PRIOR);
    const dull = pooledPrior([flat(0, 1), flat(0, 1)]);
    dull.mean.forEach((m) => expect(m).toBe(0));
    dull.sd.forEach((sd) => expect(sd).toBeCloseTo(1, 12));
  });

  it('a single batch moves the prior a little, an odd one hardly more', () => {
    const one = vigour([flat(-1, 0.4)]);
    expect(one.mean).toBeLessThan(0);
    expect(Math.abs(one.mean)).toBeLessThan(0.6);
    const odd = vigour([flat(-5, 0.3)]);
    expect(Math.abs(odd.mean)).toBeLessThan(2.2);
    expect(Math.abs(odd.mean) / 5).toBeLessThan(Math.abs(one.mean));
  });

  it('ten that agree move it most of the way, and leave only the luck of the batch', () => {
    const ten = vigour(Array.from({ length: 10 }, () => flat(-1, 0.4)));
    expect(ten.mean).toBeLessThan(-0.9);
    expect(ten.sd).toBeLessThan(0.8);
    expect(ten.sd).toBeGreaterThan(Math.sqrt(1 - PERSISTS.vitality));
  });

  it('those that contradict each other leave it in the middle', () => {
    expect(vigour([flat(-1, 0.4), flat(1, 0.4)]).mean).toBeCloseTo(0, 12);
  });

  it('never widens, never overshoots what was taught, and more news is never less sure', () => {
    const batch = fc.record({
      value: fc.double({ min: -2, max: 2, noNaN: true }),
      sd: fc.double({ min: 0.1, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(batch, { minLength: 1, maxLength: 8 }), batch, (batches, more) => {
        const taught = batches.map((b) => flat(b.value, b.sd));
        const now = vigour(taught);
        expect(now.sd).toBeLessThanOrEqual(1 + 1e-12);
        expect(vigour([...taught, flat(more.value, more.sd)]).sd).toBeLessThanOrEqual(now.sd + 1e-12);
      }),
    );
  });
});

describe('a kitchen that keeps its ways', () => {
  const law = souringLaw(CULTURES.thermophilic, { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 });
  const PROBLEM: SouringProblem = {
    law,
    biomass: 0.025,
    lagQ: 1,
    lacticMolPerKg: 0.002,
    tempC: 43,
    place: { aroundC: 43, tauMin: 120 },
    targetPh: 4.6,
    gelPh: 5.28,
    horizonMin: 24 * 60,
  };
  const FEW = { members: 400, seed: 3, fanPoints: 0 };
  const KITCHENS = 40;
  const BATCHES = 6;

  /** Each kitchen has its own effect; each batch its own luck. Six are made and read, the seventh is forecast. */
  function kitchens() {
    const normal = normals(seededRandom(11));
    return Array.from({ length: KITCHENS }, () => {
      const own = SCORES.map((s) => Math.sqrt(PERSISTS[s]) * normal());
      const batch = () => Float64Array.from(SCORES, (s, d) => own[d]! + Math.sqrt(1 - PERSISTS[s]) * normal());
      const taught = Array.from({ length: BATCHES }, () => {
        const truth = batch();
        const asked = [120, 200, 260];
        const run = runEnsemble(PROBLEM, truth, 1, asked);
        const readings = asked.map((min, i) => ({ min, ph: run.phAt[i]! + 0.05 * normal(), by: 'meter' as const }));
        return forecastSouring(PROBLEM, readings, FEW).taught;
      });
      const truth = runEnsemble(PROBLEM, batch(), 1, []).readyMin[0]!;
      const learned = forecastSouring({ ...PROBLEM, prior: pooledPrior(taught) }, [], FEW);
      return { truth, learned };
    });
  }

  it('is forecast more narrowly after six batches, and the window still holds the truth', () => {
    const fresh = forecastSouring(PROBLEM, [], FEW);
    const freshWidth = fresh.p90Min! - fresh.p10Min!;
    const all = kitchens();
    const widths = all.map(({ learned }) => learned.p90Min! - learned.p10Min!).sort((a, b) => a - b);
    expect(widths[KITCHENS / 2]!).toBeLessThan(0.85 * freshWidth);
    const held = all.filter(({ truth, learned }) => truth >= learned.p10Min! && truth <= learned.p90Min!).length;
    expect(held / KITCHENS).toBeGreaterThan(0.65);
    expect(held / KITCHENS).toBeLessThan(0.95);
  });

  it('a forecast says what it taught, one figure a score', () => {
    const { taught } = forecastSouring(PROBLEM, [{ min: 200, ph: 6.2, by: 'meter' }], FEW);
    expect(taught.mean.length).toBe(DIMS);
    expect(taught.mean[0]!).toBeLessThan(0);
    expect(taught.sd.every((sd) => sd > 0)).toBeTrue();
  });
});

describe('what a cloth teaches', () => {
  const nominal = { wheyEndG: 1000, tauMin: 150 };
  const slow = { wheyEndG: 980, tauMin: 230 };
  const weighed = [60, 120, 240].map((min) => ({ min, wheyG: wheyAfter(slow, min) }));
  const few = { members: 1500, seed: 4 };

  it('a slow one is expected to be slow next time, and the window of the next is narrower and truer', () => {
    const taught = Array.from({ length: 6 }, () => forecastDrain(nominal, 700, weighed, few).taught);
    expect(taught[0]!.mean[1]!).toBeGreaterThan(0.8);
    const learned = forecastDrain(nominal, 700, [], few, pooledDrainPrior(taught));
    const blank = forecastDrain(nominal, 700, [], few);
    expect(learned.p90Min! / learned.p10Min!).toBeLessThan(0.95 * (blank.p90Min! / blank.p10Min!));
    const truth = slow.tauMin * (-Math.log1p(-700 / slow.wheyEndG)) ** (1 / 0.7);
    expect(Math.abs(learned.p50Min! - truth)).toBeLessThan(Math.abs(blank.p50Min! - truth));
  });

  it('with nothing weighed teaches nothing', () => {
    const { taught } = forecastDrain(nominal, 700, [], few);
    taught.mean.forEach((m) => expect(Math.abs(m)).toBeLessThan(0.1));
    taught.sd.forEach((sd) => expect(sd).toBeCloseTo(1, 1));
  });
});
