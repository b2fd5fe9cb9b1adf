import { cholesky, drawFrom, fitProposal } from '../assimilate/proposal.js';
import type { SouringReading } from '../assimilate/evidence.js';
import { DEAD_CHANCE } from '../constants/starter.js';
import { phFromTable } from '../physics/buffer.js';
import { CULTURES } from '../constants/cultures.js';
import { normals, seededRandom } from '../random/random.js';
import { souringLaw } from '../physics/souring.js';
import { wheyAfter } from '../physics/drainage.js';
import { isDeep } from '../testing/runs.js';
import { forecastDrain } from './drain-forecast.js';
import { ranked } from './quantile.js';
import { MEMBER_SPREAD } from '../environment/environment.js';
import { DIMS, placeOffsetC, priorOf, runEnsemble, type SouringProblem } from './souring-ensemble.js';
import { forecastSouring, type SouringForecast } from './souring-forecast.js';

const PROBLEM: SouringProblem = {
  law: souringLaw(CULTURES.thermophilic, { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 }),
  biomass: 0.022,
  lagQ: 1,
  lacticMolPerKg: 0.002,
  tempC: 43,
  place: { aroundC: 43, tauMin: 120 },
  targetPh: 4.6,
  gelPh: 5.28,
  horizonMin: 16 * 60,
};
const OPTIONS = { members: 1000, seed: 5, fanPoints: 0 };
const width = (f: SouringForecast) => f.p90Min! - f.p10Min!;
const ph = (min: number, value: number): SouringReading => ({ min, ph: value, by: 'meter' });

const phOfMilk = phFromTable(PROBLEM.law.ph, PROBLEM.lacticMolPerKg);

/** Batches drawn from the same prior that the forecast assumes, with what a maker would read of them. */
function syntheticBatches(count: number) {
  const random = seededRandom(99);
  const normal = normals(random);
  return Array.from({ length: count }, (_, i) => {
    const z = new Float64Array(DIMS);
    priorOf(PROBLEM).draw(normal, random, z, 0);
    const asked = [60, 90, 120, 150, 180, 210, 240];
    const run = runEnsemble(PROBLEM, z, 1, asked);
    const dead = random() < DEAD_CHANCE.enough;
    const phAt = (min: number) => (dead ? phOfMilk : run.phAt[asked.indexOf(min)]!);
    return { seed: i + 1, readyMin: dead ? Infinity : run.readyMin[0]!, phAt, noise: () => 0.05 * normal() };
  });
}

/** Lets the browser answer its runner during long work. */
const breathe = () => new Promise((resume) => setTimeout(resume));

/** Simulation-based calibration after Talts et al. (2018), Validating Bayesian Inference Algorithms with SBC. */
describe('the souring forecast', () => {
  it('is the same for the same seed, and orders its quantiles', () => {
    const one = forecastSouring(PROBLEM, [ph(120, 5.9)], OPTIONS);
    expect(forecastSouring(PROBLEM, [ph(120, 5.9)], OPTIONS)).toEqual(one);
    expect(one.p10Min!).toBeLessThan(one.p50Min!);
    expect(one.p50Min!).toBeLessThan(one.p90Min!);
  });

  /** Simulation-based calibration: the P10–P90 window must hold the truth 8 times in 10. */
  it('holds the truth in 76–84 % of synthetic batches, before and after a reading', async () => {
    const count = isDeep() ? 300 : 120;
    const batches = syntheticBatches(count);
    const options = { members: 400, seed: 3, fanPoints: 0 };
    const prior = forecastSouring(PROBLEM, [], { ...options, members: 4000 });
    let byPrior = 0;
    let byReading = 0;
    for (const batch of batches) {
      const reading = ph(150, batch.phAt(150) + batch.noise());
      const after = forecastSouring(PROBLEM, [reading], { ...options, seed: batch.seed });
      if (batch.readyMin >= prior.p10Min! && batch.readyMin <= prior.p90Min!) byPrior++;
      if (batch.readyMin >= after.p10Min! && batch.readyMin <= after.p90Min!) byReading++;
      if (batch.seed % 20 === 0) await breathe();
    }
    expect(byPrior / count).toBeGreaterThan(0.76);
    expect(byPrior / count).toBeLessThan(0.84);
    expect(byReading / count).toBeGreaterThan(0.76);
    expect(byReading / count).toBeLessThan(0.84);
  });

  it('shrinks by at least 40 % (median) on one pH reading half-way, by 20 % on three looks', () => {
    const prior = width(forecastSouring(PROBLEM, [], OPTIONS));
    const byReading: number[] = [];
    const byLooks: number[] = [];
    for (const batch of syntheticBatches(isDeep() ? 40 : 20)) {
      const options = { ...OPTIONS, members: 500, seed: batch.seed };
      const reading = ph(150, batch.phAt(150) + batch.noise());
      byReading.push(width(forecastSouring(PROBLEM, [reading], options)) / prior);
      const looks = [150, 180, 210].map((min): SouringReading => {
        const below = PROBLEM.gelPh! - batch.phAt(min);
        const answer = below < 0 ? 'liquid' : below < 0.3 ? 'wobbles' : below < 0.6 ? 'leaves-the-wall' : 'stands';
        return { min, cue: 'set', answer };
      });
      byLooks.push(width(forecastSouring(PROBLEM, looks, options)) / prior);
    }
    const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
    expect(median(byReading)).toBeLessThan(0.6);
    expect(median(byLooks)).toBeLessThan(0.8);
  });

  it('moves later on a high pH, earlier on a low one', () => {
    const middle = forecastSouring(PROBLEM, [], OPTIONS).p50Min!;
    expect(forecastSouring(PROBLEM, [ph(150, 6.0)], OPTIONS).p50Min!).toBeGreaterThan(middle + 15);
    expect(forecastSouring(PROBLEM, [ph(150, 5.2)], OPTIONS).p50Min!).toBeLessThan(middle - 10);
  });

  it('flags a reading that contradicts the rest, and does not swallow it', () => {
    const honest = [ph(120, 5.85), ph(150, 5.45), ph(180, 5.1)];
    const lied = forecastSouring(PROBLEM, [...honest, ph(200, 3.2)], OPTIONS);
    expect(lied.doubtful).toEqual([3]);
    const without = forecastSouring(PROBLEM, honest, OPTIONS);
    expect(Math.abs(lied.p50Min! - without.p50Min!)).toBeLessThan(8);
  });

  it('finds a nearly dead starter from readings that stay high, without its weights collapsing', () => {
    const dead = forecastSouring(PROBLEM, [ph(180, 6.5), ph(240, 6.45), ph(300, 6.4)], OPTIONS);
    expect(dead.member.activity).toBeLessThan(0.2);
    expect(dead.doubtful).toEqual([]);
    expect(dead.effective).toBeGreaterThan(0.05);
  });

  it('learns how far a place is off from temperatures, never surer of it than the thermometer', () => {
    const temps = (offC: number, count: number) =>
      Array.from({ length: count }, (_, i) => ({ minute: 600 + 30 * i, tempC: 43 + offC }));
    const offset = (forecast: SouringForecast) => placeOffsetC(forecast.taught.mean[5]!);
    const cold = forecastSouring({ ...PROBLEM, temps: temps(-1.2, 40) }, [], OPTIONS);
    expect(offset(cold)).toBeLessThan(-0.9);
    expect(offset(cold)).toBeGreaterThan(-1.2);
    expect(cold.taught.sd[5]! * MEMBER_SPREAD.incubatorOffsetC).toBeGreaterThan(0.12);
    expect(offset(forecastSouring({ ...PROBLEM, temps: temps(-1.2, 1) }, [], OPTIONS))).toBeGreaterThan(offset(cold));
  });

  it('is not moved by a temperature that is what was modelled, in a cold start as little as in a settled crock', () => {
    const cold = { ...PROBLEM, tempC: 6 };
    const modelled = (minute: number) => ({ minute, tempC: 43 - 37 * Math.exp(-minute / 120) });
    const many = { ...OPTIONS, members: 20_000 };
    const unread = forecastSouring(cold, [], many).p50Min!;
    for (const minute of [30, 90, 240]) {
      const read = forecastSouring({ ...cold, temps: [modelled(minute)] }, [], many).p50Min!;
      expect(Math.abs(read / unread - 1))
        .withContext(`at ${minute} min`)
        .toBeLessThan(0.01);
    }
  });

  it('answers "never" where the milk is too hot to sour', () => {
    const hot = { ...PROBLEM, tempC: 55, place: { aroundC: 55, tauMin: 120 } };
    expect(forecastSouring(hot, [], OPTIONS).p50Min).toBeNull();
  });
});

describe('the drain forecast', () => {
  const course = { wheyEndG: 600, tauMin: 150 };

  it('narrows as whey is weighed and finds a slow cloth', () => {
    const slow = { wheyEndG: 600, tauMin: 240 };
    const weighed = [60, 120, 180].map((min) => ({ min, wheyG: wheyAfter(slow, min) }));
    const before = forecastDrain(course, 450);
    const after = forecastDrain(course, 450, weighed);
    expect(after.p90Min! - after.p10Min!).toBeLessThan(0.8 * (before.p90Min! - before.p10Min!));
    expect(after.timeFactor).toBeGreaterThan(1.3);
  });

  it('says never where the texture lies beyond what drains', () => {
    expect(forecastDrain(course, 900).p50Min).toBeNull();
  });
});

describe('what the forecasts stand on', () => {
  it('quantiles of weighted values, infinite ones last', () => {
    const rank = ranked(Float64Array.of(3, 1, Infinity, 2), Float64Array.of(1, 1, 1, 1));
    expect([0.25, 0.5, 0.75, 1].map(rank.quantile)).toEqual([1, 2, 3, Infinity]);
    expect(ranked(Float64Array.of(1, 2), Float64Array.of(0.9, 0.1)).quantile(0.5)).toBe(1);
  });

  it('a Cholesky factor whose square is the matrix', () => {
    const f = cholesky(Float64Array.of(4, 0, 2, 5), 2);
    expect(f[0]! * f[0]!).toBeCloseTo(4, 12);
    expect(f[2]! * f[0]!).toBeCloseTo(2, 12);
    expect(f[2]! ** 2 + f[3]! ** 2).toBeCloseTo(5, 12);
  });

  it('a proposal that draws what it was fitted to', () => {
    const normal = normals(seededRandom(2));
    const points = Float64Array.from({ length: 2 * 4000 }, (_, i) => (i % 2 ? 3 : -1) + (i % 2 ? 0.5 : 2) * normal());
    const proposal = fitProposal(points, new Float64Array(4000).fill(1), 2, 1);
    expect(proposal.mean[0]!).toBeCloseTo(-1, 0);
    expect(proposal.mean[1]!).toBeCloseTo(3, 1);
    const out = new Float64Array(2);
    let sum = 0;
    for (let i = 0; i < 2000; i++) {
      drawFrom(proposal, normal, out, 0);
      sum += out[1]!;
    }
    expect(sum / 2000).toBeCloseTo(3, 1);
  });

  it('seeded chance is even and repeatable', () => {
    const a = seededRandom(7);
    const b = seededRandom(7);
    const drawn = Array.from({ length: 5000 }, a);
    expect(drawn.slice(0, 5)).toEqual(Array.from({ length: 5 }, b));
    expect(drawn.reduce((x, y) => x + y) / 5000).toBeCloseTo(0.5, 1);
  });
});
