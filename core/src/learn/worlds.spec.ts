import { isDeep, runs } from '../testing/runs.js';
import { learningIn, LEARNING_WORLDS } from './learning-worlds.js';
import { SOURING_WORLDS, souringCoverage } from './souring-worlds.js';
import { STRAINING_WORLDS, strainingCoverage } from './straining-worlds.js';

const BATCHES = runs(30);
/** Three standard errors of a share of so many batches, at the share that is asked for. */
const slack = (share: number) => 3 * Math.sqrt((share * (1 - share)) / BATCHES);
/** Lets the browser answer its runner during long work. */
const breathe = () => new Promise((resume) => setTimeout(resume));

describe('where the world is not what was assumed, the window still holds the truth', () => {
  const tried = isDeep() ? SOURING_WORLDS : SOURING_WORLDS.filter(({ name }) => /43 °C|colder|less/.test(name));
  for (const world of tried) {
    it(`of souring: ${world.name}`, async () => {
      await breathe();
      const { held, widthMin } = souringCoverage(world, BATCHES, 21, { members: 400 });
      world.atLeast.forEach((share, i) => expect(held[i]).toBeGreaterThan(share - slack(share)));
      expect(widthMin[1]).toBeLessThan(0.6 * widthMin[0]!);
    });
  }

  for (const world of STRAINING_WORLDS) {
    it(`of straining: ${world.name}`, async () => {
      await breathe();
      const { held, widthMin } = strainingCoverage(world, BATCHES, 22, 500);
      expect(held[1]).toBeGreaterThan(world.atLeast - slack(world.atLeast));
      expect(widthMin[1]).toBeLessThan(0.7 * widthMin[0]!);
    });
  }
});

describe('a kitchen that keeps its ways', () => {
  for (const world of LEARNING_WORLDS) {
    it(`is learned: ${world.name}`, async () => {
      await breathe();
      const [before, after] = learningIn(world, runs(6), [0, world.after], 23);
      expect(Math.abs(after!.biasMin)).toBeLessThan(world.biasMin + 10);
      expect(after!.widthMin).toBeLessThan(0.75 * before!.widthMin);
    });
  }
});
