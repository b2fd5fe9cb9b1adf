import { FIGURES } from './figures.js';
import { differing, figuresOfTheEngine } from './same-everywhere.js';

describe('the engine in the browser', () => {
  it('comes to the same figures as on Node, to 1e-12', () => {
    expect(differing(figuresOfTheEngine(), FIGURES)).toEqual([]);
  });

  it('comes to finite figures only, and the comparison can fail', () => {
    const figures = figuresOfTheEngine();
    expect(Object.keys(figures).length).toBeGreaterThan(120);
    expect(Object.values(figures).every(Number.isFinite)).toBeTrue();
    expect(differing(figures, { ...figures, lemon: figures['lemon']! * (1 + 1e-11) }).length).toBe(1);
    expect(differing(figures, {}).length).toBe(Object.keys(figures).length);
  });
});
