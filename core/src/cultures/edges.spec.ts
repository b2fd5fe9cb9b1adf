import { english } from '@oat-crock/messages';
import type { Batch } from '../batch/replay.js';
import { cultured, onDay } from '../testing/cultured.js';
import { logged } from '../testing/logged.js';
import { mixed } from './acts.js';
import { tastedOf } from './drift.js';
import { feedingOf, grainsPctFor } from './feeding.js';
import { growthOf, spareGrainsG } from './grain-growth.js';
import { activityAt } from './activity.js';

const NOW = onDay(12);

describe('a feeding at its edges', () => {
  const fed = (form: 'active' | 'grains' | 'freeze-dried', leftG: number) => {
    const lot = cultured('A', 11, { form, culture: form === 'grains' ? 'kefir-grains' : 'mesophilic' });
    return feedingOf(lot, leftG, NOW, activityAt(lot, NOW, null), 22);
  };

  it('wants a gram of a live starter, three of grains, a tenth of a powder', () => {
    expect([fed('active', 0.99), fed('grains', 2.99), fed('freeze-dried', 0.099)]).toEqual([null, null, null]);
    expect([fed('active', 1)!.takesG, fed('grains', 3)!.takesG, fed('freeze-dried', 0.1)!.takesG]).toEqual([1, 3, 0.1]);
  });

  it('sets a powder as its packet would, into half a litre, by the gram', () => {
    const { choices, takesG, says } = fed('freeze-dried', 5)!;
    expect([choices['massG'], choices['packets'], choices['packetSetsL'], choices['packetG']]).toEqual([
      500, 0.15, 4, 1,
    ]);
    expect(choices['dosePct']).toBeUndefined();
    expect(takesG).toBe(0.15);
    expect(english(says)).toBe('0.15 g of the powder in 500 g of scalded milk, on the counter, until it sets bright.');
  });

  it('of a live starter is three parts in a hundred of half a litre, of less where less is left', () => {
    const usual = fed('active', 100)!.choices;
    expect(usual['massG']).toBe(500);
    const little = fed('active', 2)!.choices;
    expect(Number(little['massG']) * Number(little['dosePct'])).toBeLessThanOrEqual(200);
    expect(little['massG']).toBe(50);
  });

  it('grains are a tenth of the milk at 18 °C, a little less at each degree, never under 2.5 nor over 12 in a hundred', () => {
    expect([18, 20, 22].map(grainsPctFor)).toEqual([10, 8, 6.5]);
    expect([10, 15, 26.3, 35].map(grainsPctFor)).toEqual([12, 12, 2.5, 2.5]);
    expect([spareGrainsG(40, 500, 20), spareGrainsG(40.5, 500, 20), spareGrainsG(39, 500, 20)]).toEqual([0, 0.5, 0]);
  });
});

describe('what is read out of makes', () => {
  const grains = cultured('G', 1, { form: 'grains', culture: 'kefir-grains' });
  const make = (more: Partial<Batch>) =>
    ({ ...logged('grain-kefir', {}, []), taken: [{ lotId: 'G', massG: 1 }], ...more }) as Batch;
  const finished = (heldBackG: number | null) => ({ how: 'finished', heldBackG, score: null }) as Batch['ended'];

  it('grains grew from what was taken to what was weighed, be it a gram', () => {
    expect(growthOf([grains], [make({ ended: finished(1) })]).map((g) => g.grewPct)).toEqual([0]);
    expect(growthOf([grains], [make({ ended: finished(0.5) })]).map((g) => g.grewPct)).toEqual([-50]);
    expect(growthOf([grains], [make({ ended: finished(0) })])).toEqual([]);
    expect(growthOf([grains], [make({ ended: finished(null) })])).toEqual([]);
    expect(growthOf([grains], [make({ ended: null })])).toEqual([]);
    expect(growthOf([grains], [make({ taken: [], ended: finished(5) })])).toEqual([]);
  });

  it('a mark of sourness counts for the generation the starter was said to be, the first where nothing was said', () => {
    const score = { sourness: 4 } as never;
    const marked = (choices: object) =>
      tastedOf([make({ choices: { ...choices }, ended: { how: 'finished', heldBackG: null, score } as never })]);
    expect(marked({}).map((t) => t.generation)).toEqual([0]);
    expect(marked({ generation: 5 }).map((t) => [t.generation, t.sourness])).toEqual([[5, 4]]);
  });

  it('two cultures mixed are as old as the older; of two as old, as the first', () => {
    const part = { id: 'M', name: 'M', massG: 50 };
    const [first, second] = [cultured('A', 10), cultured('B', 10, { stays: [{ store: 'frozen', fromMs: onDay(10) }] })];
    expect(mixed(first, second, part, NOW).stays).toEqual(first.stays);
    expect(mixed(second, first, part, NOW).stays).toEqual(second.stays);
    const older = cultured('C', 9);
    expect(mixed(first, older, part, NOW).bornMs).toBe(older.bornMs);
  });
});
