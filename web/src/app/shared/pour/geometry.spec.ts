import { isNight, wakeAfter } from '@oat-crock/calendar';
import { acidColour } from '../ui/acid-colour';
import { START_MS, makeAt } from '../../testing/followed';
import {
  acidStops,
  dotsOf,
  labelsOf,
  massScale,
  nights,
  pourInWords,
  ribbons,
  scaleBarG,
  timeScale,
  type PourFrame,
} from './geometry';

const HOUR = 3_600_000;
const { followed } = makeAt(150);
const FRAME: PourFrame = {
  width: 1200,
  height: 240,
  fromMs: START_MS - HOUR,
  untilMs: START_MS + 24 * HOUR,
  nowMs: START_MS + 2.5 * HOUR,
  head: 100,
  foot: 20,
  asleep: { fromH: 22, toH: 6, zone: 'UTC' },
};
const x = timeScale(FRAME);

describe('the pour', () => {
  it('is as thick as the mass: the heaviest moment fills its room, and straining splits whey off', () => {
    const thick = massScale(followed.series, 100);
    expect(thick(Math.max(...followed.series.map((p) => p.massG + p.wheyG)))).toBeCloseTo(100, 6);
    const { curd, whey } = ribbons(followed.series, x, thick, 100);
    expect(curd).toMatch(/,100[CLZ]/);
    expect(whey.length).toBeGreaterThan(50);
    expect(curd + whey).not.toContain('NaN');
  });

  it('has no whey before anything drains', () => {
    const sweet = followed.series.filter((p) => p.wheyG === 0);
    expect(ribbons(sweet, x, massScale(sweet, 100), 100).whey).toBe('');
  });

  it('is tinted along its length, from the first moment to the last', () => {
    const stops = acidStops(followed.series);
    expect(stops[0]!.offset).toBe(0);
    expect(stops.at(-1)!.offset).toBe(1);
    expect(stops[0]!.colour).not.toBe(stops.at(-1)!.colour);
    expect(acidStops([])).toEqual([]);
  });

  it('tells mild, tangy and sharp apart more than milk from barely sour', () => {
    const light = (ph: number) => Number(/\d+/.exec(acidColour(ph))![0]);
    expect(light(4.6) - light(4.4)).toBeGreaterThan(25);
    expect(light(4.4) - light(4.1)).toBeGreaterThan(25);
    expect(light(6.6) - light(6.2)).toBeLessThan(20);
  });

  it('lies over the nights of its span', () => {
    const bands = nights(FRAME, x);
    expect(bands.length).toBe(1);
    expect(bands[0]!.width).toBeCloseTo((8 / 25) * 1200, 0);
    expect(isNight(Date.UTC(2026, 10, 23, 23), FRAME.asleep)).toBeTrue();
    expect(isNight(Date.UTC(2026, 10, 23, 5, 59), FRAME.asleep)).toBeTrue();
    expect(isNight(Date.UTC(2026, 10, 23, 6), FRAME.asleep)).toBeFalse();
    const late = Date.UTC(2026, 10, 23, 23);
    expect(wakeAfter(late, FRAME.asleep)).toBe(Date.UTC(2026, 10, 24, 6));
    expect(wakeAfter(START_MS, FRAME.asleep)).toBe(START_MS);
  });

  it('marks hands larger the longer they take, their give about them', () => {
    const dots = dotsOf(followed.tasks, x, FRAME);
    const by = (id: string) => dots.find((d) => d.task.stageId === id)!;
    expect(by('strain').r).toBeGreaterThan(by('chill').r);
    expect(by('chill').fromX).toBeLessThan(by('chill').x);
    expect(by('chill').untilX).toBeGreaterThan(by('chill').x);
    expect(by('blend').inNight).toBeFalse();
  });

  it('labels hands without overlap; neighbours share a label', () => {
    const labels = labelsOf(dotsOf(followed.tasks, x, FRAME), FRAME.width);
    expect(labels.some((l) => l.text.includes('hands)'))).toBeTrue();
    for (const row of [0, 1]) {
      const spans = labels
        .filter((l) => l.row === row)
        .map((l) => {
          const width = l.text.length * 6.4;
          const left = l.anchor === 'start' ? l.x : l.anchor === 'end' ? l.x - width : l.x - width / 2;
          return [left, left + width] as const;
        });
      spans.forEach((s, i) => i > 0 && expect(s[0]).toBeGreaterThan(spans[i - 1]![1]));
    }
  });

  it('is said in words', () => {
    const words = pourInWords('Pot', followed, () => 'noon');
    expect(words).toContain('Pot: 4.10 kg in the crock');
    expect(words).toContain('chill at noon');
  });

  it('has a scale bar of a round mass', () => {
    expect([100, 200, 500, 1000, 2000, 5000]).toContain(scaleBarG(massScale(followed.series, 100)));
  });
});
