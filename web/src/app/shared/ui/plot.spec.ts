import { pageOf } from '../../testing/page';
import { Plot } from './plot';
import type { PlotSpec } from './plot-spec';

const H = 3_600_000;
const MIDNIGHT = Date.UTC(2026, 10, 24);

const SPEC: PlotSpec = {
  words: 'pH falls from 6.6 to 4.5 by 06:00.',
  x: { from: MIDNIGHT - 6 * H, to: MIDNIGHT + 6 * H, kind: 'moment' },
  left: { from: 4, to: 7, unit: 'pH' },
  lines: [
    {
      points: [
        [MIDNIGHT - 6 * H, 6.6],
        [MIDNIGHT + 6 * H, 4.5],
      ],
      look: 'plan',
      label: 'planned',
    },
  ],
};

const plot = (change: Partial<PlotSpec> = {}) => pageOf(Plot, [], 0, { spec: { ...SPEC, ...change } });
const number = (element: Element | null, name: string) => Number(element!.getAttribute(name));

describe('a plot', () => {
  it('says in words what it draws', async () => {
    const { element } = await plot();
    const svg = element.querySelector('svg')!;
    expect(svg.getAttribute('role')).toBe('img');
    expect(element.querySelector(`#${svg.getAttribute('aria-labelledby')}`)!.textContent).toBe(SPEC.words);
  });

  it('draws a falling line downwards, from the first moment to the last, with its name', async () => {
    const { element, text } = await plot();
    const [x1, y1, x2, y2] = element
      .querySelector('path.line')!
      .getAttribute('d')!
      .match(/[\d.]+/g)!
      .map(Number);
    expect(x2!).toBeGreaterThan(x1!);
    expect(y2!).toBeGreaterThan(y1!);
    expect(text()).toContain('planned');
  });

  it('names the day where it changes, and hours elsewhere', async () => {
    const { text } = await plot();
    expect(text()).toMatch(/Tue 24/);
    expect(text()).toMatch(/21:00|20:00|22:00/);
  });

  it('puts what is read on the scale of its axis, between its bounds', async () => {
    const dots = [
      { x: MIDNIGHT, y: 5.5, look: 'read' as const, title: 'pH 5.5' },
      { x: MIDNIGHT, y: 4, look: 'cue' as const, title: 'wobbles' },
    ];
    const { element } = await plot({ dots, rules: [{ y: 5.5, text: 'target', look: 'target' }], now: MIDNIGHT });
    const dot = element.querySelector('circle.dot');
    expect(number(dot, 'cy')).toBeCloseTo(number(element.querySelector('line.rule'), 'y1'), 6);
    expect(number(dot, 'cx')).toBeCloseTo(number(element.querySelector('line.now'), 'x1'), 6);
    expect(element.querySelector('path.dot.cue title')!.textContent).toBe('wobbles');
  });

  it('gives a second scale its own numbers at the right', async () => {
    const right = { from: 0, to: 1000, unit: 'g' };
    const lines = [
      ...SPEC.lines,
      {
        points: [
          [MIDNIGHT, 0],
          [MIDNIGHT + H, 1000],
        ] as const,
        look: 'whey' as const,
        axis: 'right' as const,
      },
    ];
    const { element, text } = await plot({ right, lines });
    const whey = element
      .querySelector('path.line.whey')!
      .getAttribute('d')!
      .match(/[\d.]+/g)!
      .map(Number);
    expect(whey[3]!).toBeLessThan(whey[1]!);
    expect(text()).toContain('1000');
  });

  it('shades a ready window around its likeliest moment', async () => {
    const window = { from: MIDNIGHT, likely: MIDNIGHT + H, until: MIDNIGHT + 2 * H };
    const { element } = await plot({ windows: [window] });
    const shade = element.querySelector('g rect');
    const middle = number(shade, 'x') + number(shade, 'width') / 2;
    const now = (await plot({ now: window.likely })).element.querySelector('line.now');
    expect(middle).toBeCloseTo(number(now, 'x1'), 3);
  });

  it('counts hours from the start where the moment is not known', async () => {
    const { text } = await plot({ x: { from: 0, to: 8, kind: 'hours' }, lines: [] });
    expect(text()).toContain('4 h');
  });
});
