import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { checkChoices } from '../methods/check-choices.js';
import { METHODS, methodById } from '../methods/index.js';
import { initialChoices } from '../methods/method.js';
import { planStages } from '../make/plan.js';
import { atMinute, logged } from '../testing/logged.js';
import { CAUSES, type CauseId } from './causes.js';
import { explain } from './explain.js';
import { faultsOf } from './faults.js';
import { nextTime } from './next-time.js';

const CAUSE_IDS = Object.keys(CAUSES) as CauseId[];

describe('what to choose otherwise next time', () => {
  it('mends what was too little or too much, and says so in words', () => {
    const yogurt = methodById('scalded-yogurt');
    const hotter = nextTime('underHeated', yogurt, { heatC: 75, holdMin: 5 })!;
    expect(hotter.choices).toEqual({ heatC: 85, holdMin: 15 });
    expect(hotter.words.map((w) => english(w).replace(/^.*: /, ''))).toEqual([
      '85 °C instead of 75 °C',
      '15 min instead of 5 min',
    ]);
    expect(nextTime('churnedWarm', methodById('cultured-butter'), { churnC: 18 })!.choices).toEqual({ churnC: 15 });
    expect(nextTime('unwashed', methodById('cultured-butter'), { washing: 'press' })!.choices).toEqual({
      washing: 'clear',
    });
  });

  it('takes a starter of four days at most, and leaves alone what is as young', () => {
    const yogurt = methodById('scalded-yogurt');
    expect(nextTime('deadStarter', yogurt, { ageDays: 5, generation: 3 })!.choices).toEqual({
      ageDays: 4,
      generation: 1,
    });
    expect(nextTime('deadStarter', yogurt, { ageDays: 4, generation: 1 })).toBeNull();
    expect(nextTime('weakStarter', yogurt, { ageDays: 9, dosePct: 2 })!.choices).toEqual({ ageDays: 4, dosePct: 3 });
  });

  it('is silent where no choice mends it, or it is so already', () => {
    expect(nextTime('lumpySlurry', methodById('scalded-yogurt'), {})).toBeNull();
    expect(nextTime('openWeave', methodById('strained-yogurt'), { weave: 'fine' })).toBeNull();
    expect(nextTime('leanCream', methodById('scalded-yogurt'), {})?.choices['churnC']).toBeUndefined();
  });

  it('never leaves what acid guards less sour than is safe', () => {
    const [yogurt, curd] = [methodById('scalded-yogurt'), methodById('smooth-curd')];
    expect(nextTime('tooLong', yogurt, { targetPh: 4.4 })!.choices).toEqual({ targetPh: 4.5 });
    expect(nextTime('tooLong', yogurt, { targetPh: 4.55 })!.choices).toEqual({ targetPh: 4.6 });
    expect(nextTime('tooLong', yogurt, { targetPh: 4.6 })).toBeNull();
    expect(nextTime('overAcid', yogurt, { targetPh: 4.7 })).toBeNull();
    expect(nextTime('overAcid', curd, { targetPh: 5.2 })!.choices).toEqual({ targetPh: 5.3 });
  });

  it('calls a lot of one’s own by its name, never by its id', () => {
    const wanted = (stocks: readonly { id: string; name: string }[]) =>
      nextTime('renneted', methodById('cream-cheese'), { milk: 'lot:L1' }, stocks)!.words.map(english).join();
    expect(wanted([{ id: 'lot:L1', name: 'Neighbour’s milk' }])).toContain('instead of Neighbour’s milk');
    expect(wanted([])).not.toContain('L1');
  });

  it('is always something that the method takes, whatever was chosen', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METHODS),
        fc.constantFrom(...CAUSE_IDS),
        fc.integer({ min: 0, max: 1 }),
        (method, cause, end) => {
          const chosen = Object.fromEntries(
            method.groups
              .flatMap((g) => g.choices)
              .map((c) => [c.key, c.kind === 'number' ? (end ? c.max : c.min) : c.options.at(end - 1)!.id]),
          );
          const next = nextTime(cause, method, chosen);
          if (!next) return;
          expect(() => checkChoices(method, { ...initialChoices(method), ...chosen, ...next.choices })).not.toThrow();
        },
      ),
      { numRuns: runs(300) },
    );
  });

  it('comes with each cause of a batch', () => {
    const batch = logged('scalded-yogurt', { heatC: 70, holdMin: 0 }, [
      [9, 'heat'],
      [25, 'hold'],
      [26, 'cool'],
      [45, 'starter'],
      [51, 'warm'],
      [400, 'chill'],
    ]);
    const ranked = explain(batch, 'thin', atMinute(1000), { members: 60, seed: 1, fanPoints: 0 });
    expect(ranked[0]!.cause).toBe('underHeated');
    expect(ranked[0]!.nextTime!.choices).toEqual({ heatC: 85, holdMin: 10 });
  });
});

describe('faults of a make', () => {
  const of = (id: string) => faultsOf(planStages(methodById(id)));

  it('are those that can be seen in it', () => {
    expect(of('cultured-butter')).toContain('no-butter');
    expect(of('scalded-yogurt')).not.toContain('no-butter');
    expect(of('scalded-yogurt')).not.toContain('through-cloth');
    expect(of('acid-heat-curd')).toContain('no-curd');
    expect(of('acid-heat-curd')).not.toContain('never-set');
    expect(of('cold-start-yogurt')).not.toContain('scorched');
    for (const { id } of METHODS) expect(of(id)).toContain('foul');
  });
});
