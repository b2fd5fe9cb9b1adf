import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { NOMINAL_MEMBER, USUAL_ENVIRONMENT, type Environment } from '../environment/environment.js';
import { METHODS, methodById } from '../methods/index.js';
import { totalG } from '../materials/composition.js';
import { amountsOf } from './amounts.js';
import { planStages } from './plan.js';
import { firstOf, lastOf, runMake, runOn, runStage, stateIn } from './run.js';

const run = (code: string, choices = {}, environment: Environment = USUAL_ENVIRONMENT) =>
  runMake(planStages(methodById(code), choices), environment);

describe('the end of a stage', () => {
  it('is where it is just done, and not two hundredths of a minute before, in every make', () => {
    for (const method of METHODS) {
      for (const one of run(method.code)) {
        const { kind, params } = one.stage;
        const since = firstOf(one).minute;
        const end = lastOf(one);
        const said = `${method.code} ${one.stage.id}`;
        expect(kind.done(end, params, USUAL_ENVIRONMENT, since))
          .withContext(said)
          .toBeTrue();
        const before = one.states[one.states.length - 2];
        const gap = before && end.minute - before.minute - 0.025;
        if (!gap || gap <= 0) continue;
        const earlier = kind.advance(before, params, USUAL_ENVIRONMENT, gap);
        expect(kind.done(earlier, params, USUAL_ENVIRONMENT, since))
          .withContext(said)
          .toBeFalse();
      }
    }
  });

  it('of something that takes its time by the clock is that time, to a thousandth of a step', () => {
    const held = run('Y1').find((r) => r.stage.id === 'hold')!;
    expect(lastOf(held).minute - firstOf(held).minute).toBeCloseTo(15, 1);
  });

  it('moves with the batch: a crock that loses more heat is cool sooner', () => {
    const cooled = (heatLoss: number) => {
      const environment = { ...USUAL_ENVIRONMENT, member: { ...NOMINAL_MEMBER, heatLoss } };
      const cool = run('Y1', {}, environment).find((r) => r.stage.id === 'cool')!;
      return lastOf(cool).minute - firstOf(cool).minute;
    };
    expect(cooled(1.3)).toBeLessThan(cooled(0.8));
  });
});

describe('a crock between the states that were kept', () => {
  const strained = run('Y5').find((r) => r.stage.id === 'strain')!;
  const from = firstOf(strained).minute;
  const lasted = lastOf(strained).minute - from;

  it('is what a run to just that minute comes to', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
        const minute = from + share * lasted;
        const seen = stateIn(strained, minute, USUAL_ENVIRONMENT);
        const straight = lastOf(
          runStage(strained.stage, run('Y5')[6]!.states.at(-1)!, USUAL_ENVIRONMENT, minute - from),
        );
        expect(seen.minute).toBeCloseTo(minute, 6);
        expect(totalG(seen.whey)).toBeCloseTo(totalG(straight.whey), 3);
      }),
      { numRuns: runs(20) },
    );
  });

  it('drains steadily: a scale read every ten minutes never reads the same twice while it runs', () => {
    const read = Array.from({ length: 12 }, (_, i) => totalG(stateIn(strained, from + 10 * i, USUAL_ENVIRONMENT).whey));
    read.forEach((g, i) => i > 0 && expect(g).toBeGreaterThan(read[i - 1]! + 1));
  });

  it('before it began is as it began, and left to go on it goes on', () => {
    expect(stateIn(strained, from - 60, USUAL_ENVIRONMENT)).toBe(firstOf(strained));
    expect(lastOf(runOn(strained, USUAL_ENVIRONMENT, 90)).minute).toBeCloseTo(from + lasted + 90, 6);
  });
});

describe('what is weighed out', () => {
  const priced = (code: string, choices: Record<string, number>) =>
    Object.fromEntries(
      amountsOf(run(code, choices), choices).map((a) => [english(a.what), (a.pricePerKg * a.massG) / 1000] as const),
    );

  it('is priced by the kilo, or by the piece where there are pieces', () => {
    const pots = priced('Y6', { milkPrice: 10, capsulePrice: 0.5 });
    expect(pots['Thick coconut cream, off the chilled can']).toBeCloseTo(8, 6);
    expect(pots['Live capsules']).toBeCloseTo(1, 6);
    expect(pots['sugar']).toBe(0);
  });

  it('has butter and egg at their own price, and what is one’s own at none', () => {
    const cheese = priced('A4', { milkPrice: 1, butterPrice: 12, eggPrice: 5 });
    const plain = priced('A4', { milkPrice: 1 });
    expect(cheese['butter']).toBeGreaterThan(0.3);
    expect(plain['butter']).toBe(0);
    expect(cheese['Bicarbonate of soda']).toBe(0);
    expect(priced('K1', { milkPrice: 1 })['Kefir grains']).toBe(0);
  });
});
