import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { lastOf, runMake } from '../make/run.js';
import { planStages } from '../make/plan.js';
import { gelPointPh } from '../physics/gel.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { expectedCues } from './expected-cues.js';

const FEW = { members: 100, seed: 1, fanPoints: 2 };

describe('what to look for, and when', () => {
  const runs = runMake(planStages(methodById('Y1'), {}), USUAL_ENVIRONMENT);
  const warm = runs.find((r) => r.stage.id === 'warm')!;
  const cues = expectedCues(warm.states);
  const at = (answer: string) => cues.find((c) => c.answer === answer)!.fromMin;

  it('comes in the order of its answers', () => {
    expect(at('wobbles')).toBeLessThan(at('leaves-the-wall'));
    expect(at('leaves-the-wall')).toBeLessThan(at('stands'));
    expect(at('mild')).toBeLessThan(at('tangy'));
    cues.forEach((c, i) => i > 0 && expect(c.fromMin).toBeGreaterThanOrEqual(cues[i - 1]!.fromMin));
  });

  it('it wobbles from its gel point on', () => {
    const gel = gelPointPh(denaturedBetaLg(lastOf(warm).native));
    const before = warm.states.findLast((s) => s.minute <= at('wobbles'))!;
    const after = warm.states.find((s) => s.minute >= at('wobbles'))!;
    expect(before.ph).toBeGreaterThanOrEqual(gel);
    expect(after.ph).toBeLessThanOrEqual(gel);
  });

  it('is on the sheet of every souring make, at the stage where somebody looks', () => {
    for (const code of ['Y1', 'Y4', 'C1', 'K2', 'F1', 'L1']) {
      const sheet = makeSheet(methodById(code), {}, FEW);
      const looked = sheet.stages.find((s) => s.id === 'warm')!.expect.map((e) => e.answer);
      expect(looked).withContext(code).toContain('leaves-the-wall');
      expect(sheet.stages.find((s) => s.id === 'blend')!.expect).toEqual([]);
    }
  });

  it('is nothing where nothing sours', () => {
    const curd = runMake(planStages(methodById('A1'), {}), USUAL_ENVIRONMENT);
    expect(expectedCues(curd.flatMap((r) => r.states))).toEqual([]);
  });
});
