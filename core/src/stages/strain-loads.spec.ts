import { english } from '@oat-crock/messages';
import { follow, workOut } from '../follow/follow.js';
import { gearDemandsOf } from '../make/gear-demands.js';
import { firstOf, lastOf, type StageRun } from '../make/run.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { methodById } from '../methods/index.js';
import type { Choices } from '../methods/method.js';
import { usualRuns } from '../schedule/network.js';
import { atMinute, logged, type Line } from '../testing/logged.js';
import { drainProblem } from '../make/forecast-problems.js';
import { minutesForWhey } from '../physics/drainage.js';

const FEW = { members: 300, seed: 1, fanPoints: 4 };
const runsOf = (choices: Choices) =>
  usualRuns(methodById('strained-yogurt'), { massG: 8000, vesselL: 12, ...choices }, {}).runs;
const strained = (runs: readonly StageRun[]) => runs.filter(({ stage }) => stage.kind.kind === 'strain');
const lastedMin = (run: StageRun) => lastOf(run).minute - firstOf(run).minute;

describe('more than a sieve holds, strained in loads', () => {
  const once = runsOf({});
  const [whole] = strained(once);

  for (const loads of [2, 3, 4])
    it(`comes out alike in ${loads}: as thick, as much of it, of as much whey`, () => {
      const runs = runsOf({ loads });
      const each = strained(runs);
      expect(each).toHaveSize(loads);
      const [end, usual] = [lastOf(each.at(-1)!), lastOf(whole!)];
      expect(solidsFraction(end.masses)).toBeCloseTo(solidsFraction(usual.masses), 2);
      expect(totalG(end.whey) / totalG(usual.whey)).toBeCloseTo(1, 1);
      // Nothing comes and nothing goes but by the whey and the air.
      const before = firstOf(each[0]!);
      const lost = totalG(end.lost) - totalG(before.lost);
      expect(totalG(end.masses) + totalG(end.whey) + lost).toBeCloseTo(totalG(before.masses) + totalG(before.whey), 3);
    });

  it('takes longer by the cube root of how many they are: each is less deep on its cloth, and they follow one another', () => {
    for (const loads of [2, 4]) {
      const each = strained(runsOf({ loads })).map(lastedMin);
      for (const min of each) expect(Math.abs(min - each[0]!)).toBeLessThan(25);
      const all = each.reduce((a, b) => a + b, 0);
      expect(all / lastedMin(whole!) / loads ** (1 / 3)).toBeCloseTo(1, 1);
    }
  });

  it('gives a load as much whey as another, and the sieve holds one, while the rest waits in its pot', () => {
    const runs = runsOf({ loads: 2 });
    const [first, second] = strained(runs);
    const runOff = (run: StageRun) => totalG(lastOf(run).whey) - totalG(firstOf(run).whey);
    expect(runOff(second!) / runOff(first!)).toBeCloseTo(1, 1);
    const demand = (gear: string, of: readonly StageRun[]) => gearDemandsOf(of).find((d) => d.gear === gear)!;
    expect(demand('strainer', runs).litres).toBeCloseTo(demand('strainer', once).litres / 2, 6);
    expect(runs[demand('pot', runs).lastStep]!.stage.id).toBe('strain');
    expect(runs[demand('strainer', runs).lastStep]!.stage.id).toBe('strain-2');
    expect(once[demand('pot', once).lastStep]!.stage.id).not.toBe('strain');
  });

  it('is strained in whole loads, whatever number is typed', () => {
    const ids = (loads: number) => strained(runsOf({ loads })).map(({ stage }) => stage.id);
    expect(ids(1.49)).toEqual(['strain']);
    expect(ids(1.51)).toEqual(['strain', 'strain-2']);
    const typed = lastOf(strained(runsOf({ loads: 2.4 })).at(-1)!);
    expect(totalG(typed.whey)).toBeCloseTo(totalG(lastOf(strained(runsOf({ loads: 2 })).at(-1)!).whey), 6);
  });

  it('says which load it is, and what becomes of the rest', () => {
    const said = strained(runsOf({ loads: 2 })).map(({ stage, ...run }) =>
      english(stage.kind.instruction(stage.params, firstOf({ stage, ...run }))),
    );
    expect(said[0]).toMatch(/^Load 1 of 2, about 3\.\d+ kg: .* keep it cold until the sieve is free\.$/);
    expect(said[1]).toMatch(/^Load 2 of 2, about 3\.\d+ kg: /);
    expect(said[1]).not.toMatch(/rest/);
  });

  it('stops by the drip and by the clock as well', () => {
    for (const stopping of ['overnight', 'clock']) {
      const each = strained(runsOf({ loads: 2, stopping }));
      expect(each.map(({ stage }) => stage.id)).toEqual(['strain', 'strain-2']);
      expect(solidsFraction(lastOf(each[1]!).masses)).toBeGreaterThan(solidsFraction(lastOf(each[0]!).masses) + 0.03);
    }
  });

  it('a sieve too small for a load is a problem, one that holds a load is none', () => {
    const problems = (strainerL: number) => {
      const [first] = strained(runsOf({ loads: 2, strainerL }));
      return first!.stage.kind.problems(first!.stage.params, firstOf(first!)).map((p) => p.field);
    };
    expect(problems(3.8)).toEqual(['strainerL']);
    expect(problems(4)).toEqual([]);
  });
});

describe('a live make that is strained in loads', () => {
  const STEPS = [
    [10, 'heat'],
    [25, 'scald'],
    [40, 'cool'],
    [60, 'inoculate'],
    [66, 'incubate'],
    [400, 'chill'],
    [1300, 'strain'],
  ] as const;
  const ids = runsOf({ loads: 2 }).map(({ stage }) => stage.id);
  const make = (lines: readonly Line[] = []) =>
    logged(
      'strained-yogurt',
      { massG: 8000, vesselL: 12, loads: 2 },
      STEPS.filter(([, id]) => ids.includes(id)),
      lines,
    );

  it('has hands and a window for each load, the second after the first', () => {
    const { windows, tasks } = follow(make(), atMinute(1310), FEW);
    expect(windows.filter((w) => w.by === 'solids').map((w) => w.stageId)).toEqual(['strain', 'strain-2']);
    const [first, second] = ['strain-2', 'finish'].map((id) => tasks.find((t) => t.stageId === id)!.atMs);
    expect(second!).toBeGreaterThan(first! + 4 * 3_600_000);
  });

  it('whose first load is slow expects the second to be as slow', () => {
    const usual = workOut(make(), atMinute(1310), FEW);
    const run = usual.drains[0]!.at.run;
    const { course } = drainProblem(run, usual.environment)!;
    const slow = { ...course, tauMin: 1.5 * course.tauMin };
    const line = (wheyG: number): Line => [
      1300 + Math.round(minutesForWhey(slow, wheyG)!),
      { type: 'reading', quantity: 'wheyG', value: wheyG, by: 'scale' },
    ];
    const weighed = [600, 1000, 1400].map(line);
    const after = workOut(make(weighed), atMinute(weighed.at(-1)![0] + 5), FEW);
    const ends = (w: typeof usual) => w.timeline.stages.find((s) => s.stage.id === 'strain-2')!.endMs!;
    expect(after.environment.member.drainTime).toBeGreaterThan(1.25);
    expect(ends(after)).toBeGreaterThan(ends(usual) + 3 * 3_600_000);
  });
});
