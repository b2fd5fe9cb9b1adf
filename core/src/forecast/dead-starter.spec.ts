import fc from 'fast-check';
import { CULTURES } from '../constants/cultures.js';
import { DEAD_CHANCE, SPENT, SPENT_FROZEN } from '../constants/starter.js';
import { souringLaw } from '../physics/souring.js';
import { spentBelow, starterPrior, starterActivity, type Starter } from '../physics/starter-activity.js';
import type { SouringReading } from '../assimilate/evidence.js';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { atMinute, logged } from '../testing/logged.js';
import { follow } from '../follow/follow.js';
import { deadStarter } from './dead-starter.js';
import type { SouringProblem } from './souring-ensemble.js';
import { forecastSouring } from './souring-forecast.js';

const OPTIONS = { members: 600, seed: 5, fanPoints: 4 };
const problem = (deadChance: number): SouringProblem => ({
  law: souringLaw(CULTURES.thermophilic, { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 }),
  starter: { deadChance, paceSd: 0.25 },
  biomass: 0.025,
  lagQ: 1,
  lacticMolPerKg: 0.002,
  tempC: 43,
  place: { aroundC: 43, tauMin: 120 },
  targetPh: 4.6,
  gelPh: 5.28,
  horizonMin: 24 * 60,
});
const ph = (hours: number, value: number): SouringReading => ({ min: 60 * hours, ph: value, by: 'meter' });
const SOUND = problem(DEAD_CHANCE.enough);

describe('a starter that is dead', () => {
  it('is found from readings that stay where they were: never, with its chance, and none of them doubted', () => {
    const stays = [3, 5, 8, 10].map((h) => ph(h, 6.58));
    const found = forecastSouring(SOUND, stays, OPTIONS);
    expect(found.deadChance).toBeGreaterThan(0.8);
    expect([found.p10Min === null || found.p10Min > 600, found.p50Min, found.p90Min]).toEqual([true, null, null]);
    expect(found.doubtful).toEqual([]);
    expect(found.member.life).toBe('dead');
    expect(found.fan.at(-1)!.p50).toBeGreaterThan(6.4);
  });

  it('is unlikely beforehand, more likely with each look at milk that has not set, and ruled out by acid', () => {
    const look = (h: number): SouringReading => ({ min: 60 * h, cue: 'set', answer: 'liquid' });
    const chances = [[], [look(6)], [look(6), look(8)], [look(6), look(8), look(10)]].map(
      (seen) => forecastSouring(SOUND, seen, OPTIONS).deadChance,
    );
    expect(chances[0]).toBeCloseTo(DEAD_CHANCE.enough, 9);
    chances.slice(1).forEach((chance, i) => expect(chance).toBeGreaterThan(chances[i]!));
    const alive = forecastSouring(problem(DEAD_CHANCE.givenUp), [ph(3, 5.6), ph(4, 5.0)], OPTIONS);
    expect(alive.deadChance).toBeLessThan(0.01);
    expect(alive.p50Min).not.toBeNull();
    expect(alive.member.life).toBe('alive');
  });

  it('teaches nothing of its line', () => {
    const { taught } = forecastSouring(
      SOUND,
      [3, 5, 8, 10, 12].map((h) => ph(h, 6.62)),
      OPTIONS,
    );
    taught.mean.forEach((mean) => expect(Math.abs(mean)).toBeLessThan(0.5));
  });

  it('leaves the milk at the pH it had, whatever was read', () => {
    const { ph: stays } = deadStarter(SOUND, [ph(4, 4.6)]);
    expect(stays).toBeGreaterThan(6.5);
    expect(deadStarter(SOUND, [ph(4, 6.6)]).logEvidence).toBeGreaterThan(deadStarter(SOUND, [ph(4, 6.2)]).logEvidence);
  });
});

describe('a starter that is given up', () => {
  const at = (activity: number, starter: Pick<Starter, 'form' | 'store'>) => starterPrior(starter, activity).deadChance;

  it('is so under a tenth of its activity, frozen milk under a twentieth', () => {
    const cold = { form: 'active', store: 'cold' } as const;
    expect([at(SPENT, cold), at(SPENT - 1e-6, cold)]).toEqual([DEAD_CHANCE.tired, DEAD_CHANCE.givenUp]);
    const frozen = { form: 'active', store: 'frozen' } as const;
    expect([at(SPENT_FROZEN, frozen), at(SPENT_FROZEN - 1e-6, frozen)]).toEqual([
      DEAD_CHANCE.tired,
      DEAD_CHANCE.givenUp,
    ]);
    expect(at(0.5, cold)).toBe(DEAD_CHANCE.enough);
    expect(at(0.5 - 1e-6, cold)).toBe(DEAD_CHANCE.tired);
  });

  it('is a grave problem at the choice, and the nominal make, the forecast and the sheet agree: never, nothing promised', () => {
    const sheet = makeSheet(methodById('scalded-yogurt'), { ageDays: 60, store: 'room' });
    expect(sheet.problems[0]!.field).toBe('ageDays');
    expect(sheet.problems[0]!.mild).toBeUndefined();
    expect(sheet.souring!.forecast.p50Min).toBeNull();
    expect(sheet.keeps).toBeNull();
    const { works } = sheet.problems[0]!;
    expect(makeSheet(methodById('scalded-yogurt'), { store: 'room', ...works }).problems).toEqual([]);
  });

  it('is so on one side of the limit and not on the other, for every age and store', () => {
    fc.assert(
      fc.property(fc.constantFrom('cold', 'frozen', 'room'), fc.integer({ min: 0, max: 120 }), (store, ageDays) => {
        const starter = { form: 'active', store, ageDays, generation: 1 } as const;
        const spent = starterActivity(starter, 'thermophilic') < spentBelow(starter);
        const { problems } = makeSheet(methodById('scalded-yogurt'), { store, ageDays }, { ...OPTIONS, members: 20 });
        expect(problems.some(({ field }) => field === 'ageDays')).toBe(spent);
      }),
      { numRuns: 25 },
    );
  });

  it('is believed alive again as soon as acid is read', () => {
    const steps = [
      [9, 'heat'],
      [31, 'hold'],
      [46, 'cool'],
      [65, 'starter'],
      [71, 'warm'],
    ] as const;
    const made = (...read: readonly [number, number][]) =>
      logged(
        'scalded-yogurt',
        { ageDays: 30 },
        steps,
        read.map(([min, value]) => [min, { type: 'reading', quantity: 'ph', value, by: 'meter' }] as const),
      );
    const unread = follow(made(), atMinute(400), OPTIONS);
    expect(unread.arrives).toBeFalse();
    expect(unread.windows[0]!.deadChance).toBeGreaterThan(0.9);
    const read = follow(made([300, 5.4], [380, 5.0]), atMinute(400), OPTIONS);
    expect(read.arrives).toBeTrue();
    expect(read.windows[0]!.p50Ms).toBeGreaterThan(atMinute(400));
  });
});
