// Works out the best that is known of the sixty weeks by which planning is measured, and keeps it in core/src/testing/best-known.ts:
// among every way there is, by a long search of our own and then by HiGHS among the ways that may still be part of something better.
// Takes most of an hour. Weeks that are named as numbers are worked out again, else those that are not there yet; with "anew" all of
// them, and what was known before counts for nothing: so it has to be once what a plan costs is reckoned otherwise.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { engine, ensureBuilt, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
// What was known is read as it was built: built anew where a run before this one has written it.
ensureBuilt();
const core = await engine();
const { BEST_KNOWN, tightWeeks } = await import(join(ROOT, 'core/dist/testing/index.js'));
const { solveMilp } = await import(join(ROOT, 'server/dist/testing/milp.js'));

const FILE = join(ROOT, 'core/src/testing/best-known.ts');
const SEARCH_MS = 12_000;
const MILP_S = 45;
/** A programme of more ways is not solved in that time. */
const MOST_WAYS = 3500;
const SAME = 1e-4;
/** What it costs to leave out one that is wanted by a time: all of them are. */
const LEFT_OUT = 100_000;

const anew = process.argv.includes('anew');
const known = anew ? {} : { ...BEST_KNOWN };
const again = new Set(process.argv.slice(2).map(Number).filter(Number.isFinite));

/** Keeps what is known, as a module of the tests. */
async function keep() {
  const text = `/** The best that is known of the sixty weeks: worked out by scripts/plan-weeks.mjs, not by hand. */
export const BEST_KNOWN: Readonly<Record<string, BestKnown>> = ${JSON.stringify(known)};

/** What the best choice that is known costs, how many makes it leaves out, whether none is better, and what none costs less than. */
export interface BestKnown {
  readonly cost: number;
  readonly unmet: number;
  readonly proven: boolean;
  readonly bound: number;
}
`;
  writeFileSync(FILE, await format(text, { ...(await resolveConfig(FILE)), parser: 'typescript' }));
}

/** The best of a search for so long. */
function searched(asked, seed) {
  const { instance } = core.layOut(asked);
  const from = performance.now();
  let found;
  for (const now of core.search(instance, core.seededRandom(seed))) {
    found = now;
    if (performance.now() - from > SEARCH_MS) break;
  }
  return { found, instance };
}

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
  const from = performance.now();
  const before = known[name] ?? null;
  // Among the usual ways more is found in the time where there are many orders.
  const usual = searched(asked, 1 + i).found;
  const { found, instance } = searched({ ...asked, thorough: true }, 2 + i);
  const first = usual.cost < found.cost - SAME ? usual : found;
  let best = { cost: first.cost, proven: found.proven };
  if (before && before.cost < best.cost) best = before;
  let { bound } = found;
  if (!best.proven) {
    const part = within(instance, best.cost);
    bound = Math.max(bound, part.bound);
    const ways = part.instance.jobs.reduce((sum, { modes }) => sum + modes.length, 0);
    const milp = ways <= MOST_WAYS ? await solveMilp(part.instance, MILP_S) : { optimal: false };
    if (milp.optimal && milp.cost <= best.cost + SAME)
      best = { ...best, cost: Math.min(best.cost, milp.cost), proven: true };
  }
  const rounded = (x) => Math.round(1e4 * x) / 1e4;
  const { cost, proven } = best;
  const unmet = Math.floor(cost / LEFT_OUT);
  known[name] = { cost: rounded(cost), unmet, proven, bound: rounded(proven ? cost : bound) };
  await keep();
  process.stdout.write(
    `${name}: ${JSON.stringify(known[name])} in ${((performance.now() - from) / 1000).toFixed(0)} s\n`,
  );
}
process.exit(0);
