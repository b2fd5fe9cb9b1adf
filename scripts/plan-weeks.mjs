// Works out the best that is known of the sixty weeks by which planning is measured, and keeps it in plan-weeks/best-known.json:
// among every way there is, by a long search of our own and then by HiGHS among the ways that may still be part of something better.
// Takes most of an hour. Weeks that are named as numbers are worked out again, else those that are not there yet.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { engine, ensureBuilt, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
if (!existsSync(join(ROOT, 'server/dist/testing/milp.js'))) ensureBuilt();
const core = await engine();
const { tightWeeks } = await import(join(ROOT, 'core/dist/testing/index.js'));
const { solveMilp } = await import(join(ROOT, 'server/dist/testing/milp.js'));

const FILE = join(ROOT, 'scripts/plan-weeks/best-known.json');
const SEARCH_MS = 12_000;
const MILP_S = 45;
/** A programme of more ways is not solved in that time. */
const MOST_WAYS = 3500;
const SAME = 1e-4;

const known = existsSync(FILE) ? JSON.parse(readFileSync(FILE, 'utf8')) : {};
const again = new Set(process.argv.slice(2).map(Number));

/** Only the ways that may still be part of something better than what costs so much. */
function within(instance, cost) {
  const { cost: bound, rises } = core.bounding(core.packed(instance)).advance(1500, cost);
  const jobs = instance.jobs.map((job, j) => ({
    ...job,
    modes: job.modes.filter((_, m) => bound + rises[j][m] < cost + SAME),
  }));
  return { bound, instance: { ...instance, jobs } };
}

for (const [i, { name, asked }] of tightWeeks().entries()) {
  if (again.size > 0 ? !again.has(i) : known[name]) continue;
  const { instance } = core.layOut({ ...asked, thorough: true });
  const from = performance.now();
  let found;
  for (const now of core.search(instance, core.seededRandom(1 + i))) {
    found = now;
    if (performance.now() - from > SEARCH_MS) break;
  }
  const before = known[name];
  let best = { cost: found.cost, unmet: found.picks.filter((p) => p < 0).length, proven: found.proven };
  let { bound } = found;
  if (!best.proven) {
    const part = within(instance, Math.min(best.cost, before?.cost ?? Infinity));
    bound = Math.max(bound, part.bound);
    const ways = part.instance.jobs.reduce((sum, { modes }) => sum + modes.length, 0);
    if (ways <= MOST_WAYS) {
      const milp = await solveMilp(part.instance, MILP_S);
      if (milp.optimal && milp.cost <= best.cost + SAME)
        best = { ...best, cost: Math.min(best.cost, milp.cost), proven: true };
    }
  }
  if (before && before.cost < best.cost - SAME) best = before;
  known[name] = {
    cost: Math.round(1e4 * best.cost) / 1e4,
    unmet: best.unmet,
    proven: best.proven,
    bound: Math.round(1e4 * (best.proven ? best.cost : bound)) / 1e4,
  };
  mkdirSync(dirname(FILE), { recursive: true });
  writeFileSync(FILE, `${JSON.stringify(known, null, 2)}\n`);
  process.stdout.write(
    `${name}: ${JSON.stringify(known[name])} in ${((performance.now() - from) / 1000).toFixed(0)} s\n`,
  );
}
process.exit(0);
