import { english } from '@oat-crock/messages';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { planStages } from '../make/plan.js';
import { lastOf, runMake } from '../make/run.js';
import { methodById } from '../methods/index.js';
import type { CrockState } from '../state/crock-state.js';
import { blend, fillsWithG, type BlendParams } from './blend.js';
import { cool } from './cool.js';
import { incubate, type IncubateParams } from './incubate.js';
import { souringBranches } from './souring-branches.js';
import type { Seen } from './watch.js';

/** Stages of a yogurt with the crock as each left it. */
const STAGES = planStages(methodById('Y1'), {});
const RUNS = runMake(STAGES, USUAL_ENVIRONMENT);
const WARM = STAGES.findIndex((stage) => stage.kind.kind === 'incubate');
const BEGUN = RUNS[WARM]!.states[0]!;
const SET = lastOf(RUNS[WARM]!);
const PARAMS: IncubateParams = { ...incubate.defaults, keeper: 'thermostat', keepC: 43, targetPh: 4.5 };

const seen = (here: Partial<CrockState>, more: Partial<Seen> = {}): Seen => ({
  begun: BEGUN,
  here: { ...BEGUN, ph: 5.5, tempC: 43, ...here },
  planned: SET,
  environment: USUAL_ENVIRONMENT,
  looks: {},
  over: false,
  ...more,
});
const offers = (here: Partial<CrockState>, more: Partial<Seen> = {}, params: Partial<IncubateParams> = {}) =>
  souringBranches({ ...PARAMS, ...params }, seen(here, more)).map((branch) => branch.id);

describe('cooling too far', () => {
  it('matters to a starter, and to nothing else', () => {
    const offers = (toward: 'starter' | 'acid' | 'cold', tempC: number) =>
      cool.branches!({ ...cool.defaults, targetC: 44, toward }, seen({ tempC })).map((branch) => branch.id);
    expect([offers('starter', 39.01), offers('starter', 39)]).toEqual([[], ['too-cool']]);
    expect([offers('acid', 20), offers('cold', 20)]).toEqual([[], []]);
  });
});

describe('a place that strays from its warmth', () => {
  it('is spoken of from three degrees on, either way', () => {
    expect([40.01, 45.99].map((tempC) => offers({ tempC }))).toEqual([[], []]);
    expect([40, 46].map((tempC) => offers({ tempC }))).toEqual([['strays'], ['strays']]);
    expect(english(souringBranches(PARAMS, seen({ tempC: 39 }))[0]!.offer)).toBe('Warm the place up again');
    expect(english(souringBranches(PARAMS, seen({ tempC: 47 }))[0]!.offer)).toBe('Let the place cool down');
  });

  it('is not one that a cold crock is still warming up in, for its first four hours', () => {
    const begun = { ...BEGUN, tempC: 39.9, minute: 100 };
    expect(offers({ tempC: 30, minute: 339 }, { begun })).toEqual([]);
    expect(offers({ tempC: 30, minute: 340 }, { begun })).toEqual(['strays']);
    expect(offers({ tempC: 30, minute: 339 }, { begun: { ...begun, tempC: 40 } })).toEqual(['strays']);
  });

  it('where it is a bath of water, is told how much of it to change for hot', () => {
    expect(offers({ tempC: 40.01 }, {}, { keeper: 'bath' })).toEqual([]);
    expect(offers({ tempC: 47 }, {}, { keeper: 'bath' })).toEqual([]);
    const offered = english(souringBranches({ ...PARAMS, keeper: 'bath' }, seen({ tempC: 38 }))[0]!.offer);
    const litres = Number(/Change ([\d.]+) L/.exec(offered)![1]);
    // So much at 95 °C in place of as much at 38 °C brings 4 kg of milk and 6 L of water back to 43 °C.
    const kJ = (4 * 3.9 + 6 * 4.18) * 5;
    expect(litres * 4.18 * (95 - 38)).toBeGreaterThan(0.9 * kJ);
    expect(litres * 4.18 * (95 - 38)).toBeLessThan(1.1 * kJ);
  });

  it('has a warmth to stray from, and a crock that is not sour yet', () => {
    expect(offers({ tempC: 30 }, {}, { keeper: 'flask' })).toEqual([]);
    expect(offers({ tempC: 30 }, {}, { keeper: 'lamp-oven' })).toEqual(['strays']);
    const lamp = souringBranches({ ...PARAMS, keeper: 'lamp-oven' }, seen({ tempC: 30 }))[0]!;
    expect(english(lamp.offer)).toContain('oven on for a minute');
    expect(offers({ tempC: 30, ph: 4.5 })).toEqual(['chill-now']);
    expect(offers({ tempC: 30 }, { over: true })).toEqual([]);
  });
});

describe('a crock that is ready', () => {
  it('is so at the acidity wanted, and once it is set a tenth of a pH before', () => {
    expect(offers({ ph: 4.5 })).toEqual(['chill-now']);
    expect(offers({ ...SET, ph: 4.6 })).toEqual(['chill-now']);
    expect(offers({ ...SET, ph: 4.601 })).toEqual([]);
  });

  it('or as it tastes sharp, or a pool stands on it', () => {
    expect(offers({}, { looks: { taste: 'sharp' } })).toEqual(['chill-now']);
    expect(offers({}, { looks: { whey: 'a-pool' } })).toEqual(['chill-now']);
    expect(offers({}, { looks: { taste: 'tangy', whey: 'a-film' } })).toEqual([]);
  });

  it('is never advised on before what smells wrong', () => {
    const foul = souringBranches(PARAMS, seen({ ph: 4.4 }, { looks: { smell: 'foul' } }));
    expect(foul.map((branch) => branch.id)).toEqual(['foul', 'chill-now']);
    expect(foul[0]!.grave).toBeTrue();
    expect(offers({}, { looks: { smell: 'yeasty' } })).toEqual(['yeasty']);
    expect(offers({}, { looks: { smell: 'milky' } })).toEqual([]);
  });
});

describe('what a pot takes', () => {
  it('leaves a tenth of it free, and room for the starter', () => {
    expect(fillsWithG(10)).toBeCloseTo((10_000 * 0.9 * 1.03) / 1.05, 6);
    const problems = (params: Partial<BlendParams>) =>
      blend.problems!({ ...blend.defaults, vesselL: 5, ...params }, BEGUN).map((p) => p.field);
    expect(problems({ massG: fillsWithG(5) })).toEqual([]);
    expect(problems({ massG: fillsWithG(5) + 1 })).toEqual(['vesselL']);
    // the pot it asks for takes it
    const [problem] = blend.problems!({ ...blend.defaults, vesselL: 5, massG: 6000 }, BEGUN);
    const vesselL = Number(problem!.works!['vesselL']);
    expect(fillsWithG(vesselL)).toBeGreaterThanOrEqual(6000);
    expect(fillsWithG(vesselL - 0.5)).toBeLessThan(6000);
  });

  it('is asked of no blend that the fat of its milk and cream cannot give', () => {
    const problems = (fatPct: number) =>
      blend.problems!({ ...blend.defaults, vesselL: 50, fatPct }, BEGUN).map((p) => p.field);
    expect([3.6, 36].map(problems)).toEqual([[], []]);
    expect([3.59, 36.1].map(problems)).toEqual([['fatPct'], ['fatPct']]);
  });
});
