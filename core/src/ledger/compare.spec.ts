import { english } from '@oat-crock/messages';
import type { Choices } from '../methods/method.js';
import { atMinute, logged, type Line } from '../testing/logged.js';
import { compareMakes, type ToCompare } from './compare.js';

const FEW = { members: 60, seed: 1, fanPoints: 0 };
const ph = (minute: number, value: number): Line => [minute, { type: 'reading', quantity: 'ph', value, by: 'meter' }];

/** A yogurt that soured until it was chilled, with its marks. */
function make(choices: Choices, chilled: number, thickness: number, ...more: readonly Line[]): ToCompare {
  const hands = [
    [9, 'heat'],
    [31, 'hold'],
    [46, 'cool'],
    [65, 'starter'],
    [71, 'warm'],
    [chilled, 'chill'],
  ] as const;
  const score = { sourness: 3, thickness, smoothness: 4, taste: 4 };
  const done: Line = [chilled + 400, { type: 'finished', productG: 3800, wheyG: null, heldBackG: 0, score, pots: 9 }];
  return { batch: logged('scalded-yogurt', { massG: 4000, ...choices }, hands, [...more, done]), household: {} };
}
const compared = (...makes: readonly ToCompare[]) => compareMakes(makes, FEW, atMinute(5000));

describe('makes that are compared', () => {
  it('are laid over one another from their own starts, with what was read of each', () => {
    const { runs } = compared(make({}, 400, 3, ph(300, 4.8)), make({}, 430, 3));
    expect(runs.map(({ series }) => series[0]!.h)).toEqual([0, 0]);
    expect(runs[0]!.read).toEqual([{ h: 5, curve: 'ph', value: 4.8 }]);
    expect(runs[0]!.series.at(-1)!.h).toBeLessThanOrEqual(800 / 60);
    expect(runs[0]!.figures!.productG).toBe(3800);
  });

  it('that came out alike have nothing to be explained', () => {
    expect(compared(make({}, 400, 3), make({}, 405, 3)).otherwise).toEqual([]);
    expect(compared(make({}, 400, 3)).otherwise).toEqual([]);
  });

  it('that took longer did so for what was otherwise in them: warmth', () => {
    const { otherwise } = compared(make({ keepC: 43 }, 400, 3), make({ keepC: 33 }, 760, 3));
    const slower = otherwise.find(({ outcome }) => outcome === 'slower')!;
    expect([slower.more, slower.less]).toEqual([1, 0]);
    expect(english(slower.cause!.says)).toContain('too cold');
    expect(slower.cause!.evidence.map(english).join(' ')).toMatch(/soured at 3\d/);
  });

  it('that came out thinner did so for what was otherwise in them: heat', () => {
    const { otherwise } = compared(make({ heatC: 66, holdMin: 1 }, 400, 1), make({ heatC: 90, holdMin: 15 }, 400, 4));
    const thinner = otherwise.find(({ outcome }) => outcome === 'thinner')!;
    expect([thinner.more, thinner.less]).toEqual([0, 1]);
    expect(thinner.cause).not.toBeNull();
  });

  it('say that nothing tells them apart where nothing does', () => {
    const { otherwise } = compared(make({}, 400, 5), make({}, 400, 2));
    expect(otherwise.map(({ outcome, cause }) => [outcome, cause])).toEqual([['thinner', null]]);
  });
});
