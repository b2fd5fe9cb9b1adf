import { USUAL_ENVIRONMENT, type Environment } from '../environment/environment.js';
import { bind } from '../stages/registry.js';
import { emptyCrock } from '../state/crock-state.js';
import { lastOf, runEnded, runStage } from './run.js';

const of = (kind: string, params: object) => bind({ id: kind, kind, params: { ...params } });
const MILK = lastOf(runStage(of('blend', { massG: 4000 }), emptyCrock(4, 6.65), USUAL_ENVIRONMENT));
const HOT = lastOf(runStage(of('heat', { targetC: 85 }), MILK, USUAL_ENVIRONMENT));

describe('a stage that somebody ended', () => {
  it('is at its aim where a slower hob or a quicker sink is likelier than a hand that missed it, unless it was measured', () => {
    const ended = (
      kind: 'heat' | 'cool',
      times: number,
      kitchen: (endMin: number) => Environment = () => USUAL_ENVIRONMENT,
    ) => {
      const stage = of(kind, kind === 'heat' ? { targetC: 85 } : { targetC: 44 });
      const from = kind === 'heat' ? MILK : HOT;
      const took = lastOf(runStage(stage, from, USUAL_ENVIRONMENT)).minute - from.minute;
      return lastOf(runEnded(stage, from, kitchen(from.minute + took * times), took * times));
    };
    // On the hob it does not go on to boil, however weak the hob is; taken off too soon it is cooler.
    for (const times of [1.01, 1.8, 4]) expect(ended('heat', times).tempC).withContext(`${times}`).toBeCloseTo(85, 0);
    expect(ended('heat', 0.6).tempC).toBeLessThan(65);
    // In the sink it may have come down quicker, but not ten times so; forgotten there it is colder.
    for (const times of [0.99, 0.65]) expect(ended('cool', times).tempC).withContext(`${times}`).toBeCloseTo(44, 0);
    expect(ended('cool', 0.1).tempC).toBeGreaterThan(65);
    expect(ended('cool', 2).tempC).toBeLessThan(38);
    // Forgotten in the sink, or a sink that cools slowly: what is measured soon after tells.
    const soon = (tempC: number) => (endMin: number) => ({
      ...USUAL_ENVIRONMENT,
      measured: (fromMin: number, toMin: number) => {
        const minute = endMin + 5;
        return fromMin <= minute && minute <= toMin ? { minute, tempC } : null;
      },
    });
    expect(ended('cool', 2, soon(43)).tempC).toBeCloseTo(44, 0);
    expect(ended('cool', 2, soon(35)).tempC).toBeLessThan(38);
    expect(ended('heat', 0.6, soon(84)).tempC).toBeCloseTo(85, 0);
    const measured = () => ({ ...USUAL_ENVIRONMENT, measured: (_: number, minute: number) => ({ minute, tempC: 97 }) });
    expect(ended('heat', 4, measured).tempC).toBeCloseTo(97, 6);
  });
});
