import { makeAt, START_MS } from '../../testing/followed';
import { entryWords } from '../../shared/log/entry-words';
import { stagePlot } from './plots';
import { gaugeRow } from './gauge-words';
import { headline, toExpect } from './stage-words';

const MIN = 60_000;
const stageAt = (minute: number) => {
  const { batch, followed } = makeAt(
    minute,
    [200, { type: 'reading', quantity: 'ph', value: 5.3, by: 'meter' }],
    [800, { type: 'reading', quantity: 'wheyG', value: 500, by: 'scale' }],
  );
  return { batch, followed, stage: followed.stages.find((s) => s.status === 'now')! };
};

describe('the words of a make', () => {
  it('say at a glance what it does and when it is ready', () => {
    const souring = stageAt(210);
    expect(headline(souring.batch, souring.followed, START_MS + 210 * MIN)).toMatch(
      /^Souring at \d+\.\d °C\. Sour enough: likely \d/,
    );
    const straining = stageAt(900);
    expect(headline(straining.batch, straining.followed, START_MS + 900 * MIN)).toMatch(
      /On the cloth, \d+\.\d % solids now\. Stop in/,
    );
    const heating = stageAt(20);
    expect(headline(heating.batch, heating.followed, START_MS + 20 * MIN)).toMatch(/^Heat 85 °C: .* done in/);
  });

  it('say what to look for next while it sours, and nothing once it is cold', () => {
    const souring = stageAt(100);
    const words = toExpect(souring.followed, ['set', 'taste'], START_MS + 100 * MIN);
    expect(words).toMatch(/wobbles from about \d\d:\d\d/);
    expect(words.split(', ').length).toBeLessThanOrEqual(3);
    expect(toExpect(stageAt(900).followed, ['set'], START_MS + 900 * MIN)).not.toContain('wobbles');
  });

  it('set planned against actual for each stage', () => {
    const rows = (minute: number) => {
      const { stage } = stageAt(minute);
      return stage.panel.gauges.map(gaugeRow).map((r) => `${r.what}: ${r.planned}`);
    };
    expect(rows(20).slice(0, 2)).toEqual(['Temperature: 85.0 °C', 'Bottom of the pot: 110.0 °C']);
    expect(rows(35)[0]).toBe('Time: 15 min');
    expect(rows(210).slice(0, 2)).toEqual(['Acidity: pH 4.50, tangy', 'Set: leaves the wall']);
    expect(rows(900)[1]).toBe('Solids: 21 %');
  });

  it('say every kind of line in a few words', () => {
    const say = (body: Parameters<typeof entryWords>[0]) => entryWords(body, { step: () => 'Began: heat 85 °C' });
    expect(say({ type: 'step', stageId: 'heat' })).toBe('Began: heat 85 °C');
    expect(say({ type: 'reading', quantity: 'ph', value: 4.6, by: 'strip' })).toBe('pH 4.60 by strip');
    expect(say({ type: 'cue', cue: 'set', answer: 'wobbles' })).toBe('Tilted: wobbles');
    expect(say({ type: 'correction', replaces: 'x', body: null })).toBe('Taken back');
    expect(say({ type: 'finished', productG: 1990, wheyG: null, heldBackG: null, score: null })).toContain('1.99 kg');
  });
});

describe('the plot of a stage', () => {
  it('shows the fan and the readings of a souring, the target and the window', () => {
    const { batch, followed, stage } = stageAt(210);
    const spec = stagePlot(batch, followed, stage)!;
    expect(spec.left.unit).toBe('pH');
    expect(spec.dots!.map((d) => d.y)).toEqual([5.3]);
    expect(spec.rules![0]!.y).toBe(4.5);
    expect(spec.windows!.length).toBe(1);
    expect(spec.bands![0]!.points.length).toBeGreaterThan(2);
  });

  it('shows whey with the mass at which to stop', () => {
    const { batch, followed, stage } = stageAt(900);
    const spec = stagePlot(batch, followed, stage)!;
    expect(spec.rules![0]!.text).toMatch(/^stop at \d/);
    expect(spec.dots!.length).toBe(1);
  });

  it('shows the temperature of any other stage', () => {
    const { batch, followed, stage } = stageAt(20);
    expect(stagePlot(batch, followed, stage)!.left.unit).toBe('°C');
  });
});
