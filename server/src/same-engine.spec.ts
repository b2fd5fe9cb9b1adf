import { differing, FIGURES, figuresOfTheEngine } from '@oat-crock/core/testing';

describe('the engine on Node', () => {
  it('comes to the figures that browser and worker are held to, to 1e-12', () => {
    expect(differing(figuresOfTheEngine(), FIGURES)).toEqual([]);
  });
});
