// Whether plans say the truth of their chances: of the sixty weeks what each says against kitchens drawn afresh, and of some of them
// against kitchens in which every make is run outright by the engine (node scripts/bench-chances.mjs [weeks run outright] [kitchens each]).
import { join } from 'node:path';
import { engine, ensureBuilt, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const core = await engine();
const { outrightKitchens, tightWeeks } = await import(join(ROOT, 'core/dist/testing/index.js'));

const [OUTRIGHT, KITCHENS] = [Number(process.argv[2] ?? 6), Number(process.argv[3] ?? 500)];
const FRESH = 2000;
const ROUNDS = 40;
const points = (x) => `${(100 * x).toFixed(1)}`;
const say = (line) => process.stdout.write(`${line}\n`);

const weeks = tightWeeks();
const every = Math.max(1, Math.floor(weeks.length / Math.max(1, OUTRIGHT)));
const off = { fresh: [], outright: [] };
const met = [];
say('week                          all in time: said  fresh  outright    quiet nights: said  fresh  outright');
for (const [i, { name, asked }] of weeks.entries()) {
  const problem = core.layOut(asked);
  const { makes, unmet } = core.planOf(problem, core.searchFor(problem.instance, core.seededRandom(1), ROUNDS));
  const said = core.simulate(problem, makes);
  const fresh = core.simulate({ ...problem, asked: { ...asked, seed: 7000 + i } }, makes, undefined, FRESH);
  // The larger a week, the longer it takes to run it outright.
  const isRun = OUTRIGHT > 0 && i % every === 0 && makes.length <= 14;
  const outright = isRun ? core.simulate(problem, makes, outrightKitchens(problem, makes, 9000 + i), KITCHENS) : null;
  for (const of of ['allMet', 'quietNights']) {
    off.fresh.push(Math.abs(said[of] - fresh[of]));
    if (outright) off.outright.push(Math.abs(said[of] - outright[of]));
  }
  if (unmet.length === 0) met.push(said.allMet);
  const cells = ['allMet', 'quietNights'].map((of) =>
    [said, fresh, outright].map((chances) => (chances ? points(chances[of]) : '').padStart(8)).join(''),
  );
  say(`${name.padEnd(32)}${cells.join('          ')}${unmet.length > 0 ? `   ${unmet.length} left out` : ''}`);
}
const worst = (all) => points(Math.max(0, ...all));
say(`Off by at most: ${worst(off.fresh)} points from ${FRESH} kitchens drawn afresh;`);
say(`${worst(off.outright)} points from ${KITCHENS} run outright (${off.outright.length / 2} weeks).`);
say(
  `As sure as was wished (nine in ten): ${met.filter((x) => x >= 0.87).length} of ${met.length} weeks in which nothing is left out.`,
);
process.exit(0);
