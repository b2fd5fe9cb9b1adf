import { english } from '@oat-crock/messages';
import { makeSheet } from '../make/sheet.js';
import { methodById } from '../methods/index.js';
import { atMinute, logged, type Line } from '../testing/logged.js';
import { follow } from './follow.js';

const FEW = { members: 60, seed: 1, fanPoints: 2 };

/** A scalded yogurt held for so many minutes, kept warm for so many more, chilled for a day. */
function held(holdMin: number, warmMin = 330, more: readonly Line[] = []) {
  const cool = 31 + holdMin;
  const steps = [
    [9, 'heat'],
    [31, 'hold'],
    [cool, 'cool'],
    [cool + 19, 'starter'],
    [cool + 25, 'warm'],
    [cool + 25 + warmMin, 'chill'],
  ] as const;
  const end = cool + 25 + warmMin + 300;
  return follow(logged('scalded-yogurt', {}, steps, more), atMinute(end), FEW).deviations;
}
const of = (deviations: ReturnType<typeof held>, stageId: string) => deviations.find((d) => d.stageId === stageId);

describe('what was done otherwise than planned', () => {
  it('is silent where a make went as planned', () => {
    expect(of(held(15), 'hold')).toBeUndefined();
    expect(of(held(16), 'hold')).toBeUndefined();
  });

  it('held short is softer, by more the shorter it was; the sentence says both times', () => {
    const softer = (holdMin: number) => {
      const found = of(held(holdMin), 'hold')!;
      expect(english(found.says)).toBe(`Hold: ${holdMin} min instead of 15 min`);
      return Number(/about (\d+) % softer/.exec(found.effects.map(english).join('; '))?.[1] ?? 0);
    };
    expect(softer(1)).toBeGreaterThan(softer(5));
    expect(softer(1)).toBeGreaterThanOrEqual(5);
  });

  it('left too long is sharper in the end, and says by how much', () => {
    const late = of(held(15, 480), 'warm')!;
    expect(english(late.says)).toMatch(/^Keep warm: pH 4\.\d\d instead of 4\.50$/);
    expect(late.effects.map(english).join()).toMatch(/sharper, pH 4\.\d\d instead of 4\.\d\d/);
    expect(of(held(15, 200), 'warm')!.effects.map(english).join()).toMatch(/milder/);
  });

  it('a pot forgotten while it cooled says what that costs in time', () => {
    const slow = follow(
      logged('scalded-yogurt', {}, [
        [9, 'heat'],
        [31, 'hold'],
        [46, 'cool'],
        [150, 'starter'],
        [156, 'warm'],
      ]),
      atMinute(170),
      FEW,
    ).deviations;
    expect(english(of(slow, 'cool')!.says)).toMatch(/^Cool 44 °C: \d\d °C instead of 44 °C$/);
    expect(of(slow, 'cool')!.effects.map(english).join()).toMatch(/what follows takes (\d+ min|\d h \d\d) longer/);
  });

  it('says of milk taken off early that it was not pasteurised', () => {
    const raw = follow(
      logged('scalded-yogurt', { milk: 'raw' }, [
        [9, 'heat'],
        [17, 'hold'],
        [18, 'cool'],
      ]),
      atMinute(30),
      FEW,
    ).deviations;
    expect(
      raw
        .flatMap((d) => d.effects)
        .map(english)
        .join(),
    ).toContain('not pasteurised');
  });

  it('salt is tasted from some fifteen hundredths of a per cent of the butter on, not below', () => {
    const { stages, amounts, product } = makeSheet(methodById('cultured-butter'), {}, FEW);
    const plannedG = amounts.find((a) => a.outOf === 'salt')!.massG;
    const at = (id: string) => stages.find((s) => s.id === id)!.beginMin;
    const steps = stages.slice(1).map((s) => [s.beginMin, s.id] as const);
    const salted = (more: number) => {
      const line: Line = [at('work') + 2, { type: 'added', what: 'salt', massG: plannedG + more * product.massG }];
      const { deviations } = follow(logged('cultured-butter', {}, steps, [line]), atMinute(at('mould') + 5), FEW);
      return (
        deviations
          .find((d) => d.stageId === 'work')
          ?.effects.map(english)
          .join() ?? ''
      );
    };
    expect(salted(0.002)).toContain('saltier');
    expect(salted(-0.002)).toContain('less salty');
    expect(salted(0.001)).not.toContain('salt');
    expect(salted(-0.001)).not.toContain('salt');
  });
});
