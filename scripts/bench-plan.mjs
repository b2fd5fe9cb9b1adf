// What planning costs, and how near it comes to the best there is: by its own bound, and by a mixed-integer programme where that can prove one.
import { join } from 'node:path';
import { engine, ensureBuilt, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const core = await engine();
const { someWeeks } = await import(join(ROOT, 'core/dist/testing/index.js'));
const { solveMilp, thinned } = await import(join(ROOT, 'server/dist/testing/milp.js'));

const say = (line) => process.stdout.write(`${line}\n`);
const gap = (cost, bound) => `${((100 * (cost - bound)) / Math.max(1e-9, Math.abs(bound))).toFixed(1)} %`;

/** Lays out and searches some weeks for so long, and tells what came of it. */
function planned(orders, days, seed, forMs) {
  const from = performance.now();
  const problem = core.layOut(someWeeks(orders, days, seed));
  const laidMs = performance.now() - from;
  let last;
  let firstMs;
  for (const plan of core.plans(problem)) {
    last = plan;
    firstMs ??= performance.now() - from;
    if (performance.now() - from > forMs) break;
  }
  return { problem, plan: last, laidMs, firstMs, allMs: performance.now() - from };
}

planned(3, 7, 99, 3000);
say('orders  days  seed  laid out  first plan  in all  rounds  cost     bound    gap    proven  in the night  unmet');
for (const [orders, days, seed, forMs] of [
  ...[1, 2, 3, 4, 5].map((seed) => [3, 7, seed, 2000]),
  ...[1, 2, 3, 4, 5].map((seed) => [20, 14, seed, 2000]),
  [60, 30, 1, 15_000],
]) {
  const { plan, laidMs, firstMs, allMs } = planned(orders, days, seed, forMs);
  const cells = [
    [orders, 6],
    [days, 6],
    [seed, 6],
    [`${laidMs.toFixed(0)} ms`, 10],
    [`${firstMs.toFixed(0)} ms`, 12],
    [`${allMs.toFixed(0)} ms`, 8],
    [plan.round, 8],
    [plan.cost.toFixed(1), 9],
    [plan.bound.toFixed(1), 9],
    [gap(plan.cost, plan.bound), 7],
    [plan.proven ? 'yes' : 'no', 8],
    [`${plan.nightHandsMin.toFixed(0)} min`, 14],
    [plan.unmet.length, 5],
  ];
  say(cells.map(([text, wide]) => String(text).padEnd(wide)).join(''));
}

say('\nA make moved, and a plan that was taken laid out anew:');
for (const [orders, days] of [
  [3, 7],
  [20, 14],
]) {
  const { problem, plan } = planned(orders, days, 1, 1500);
  const times = [];
  for (let i = 0; i < 60; i++) {
    const make = plan.makes[i % plan.makes.length];
    const from = performance.now();
    core.moved(problem, plan.makes, make, Math.max(0, make.mode.startMin - 15 * ((i % 16) - 8)), make.mode.held);
    times.push(performance.now() - from);
  }
  times.sort((a, b) => a - b);
  const places = plan.makes.map(({ orderId, part, mode }) => ({
    orderId,
    part,
    startMin: mode.startMin,
    held: null,
    pinned: false,
  }));
  const from = performance.now();
  core.standingOf(problem, places);
  const standingMs = performance.now() - from;
  say(
    `  ${orders} orders: moved in ${times[30].toFixed(1)} ms, at most ${times.at(-1).toFixed(1)} ms; stood up again in ${standingMs.toFixed(0)} ms`,
  );
}

say('\nAgainst a mixed-integer programme, of the same ways (every so manieth, 40 a make):');
for (const seed of [1, 2, 3]) {
  const instance = thinned(core.layOut(someWeeks(20, 14, seed)).instance, 40);
  const from = performance.now();
  let found;
  for (const now of core.search(instance, core.seededRandom(1))) {
    found = now;
    if (performance.now() - from > 2000) break;
  }
  const tookMs = performance.now() - from;
  const milp = await solveMilp(instance, 60);
  const proof = milp.optimal ? `${milp.cost.toFixed(2)}, proven` : 'not proven in a minute';
  say(
    `  20 orders, seed ${seed}: ${found.cost.toFixed(2)} in ${tookMs.toFixed(0)} ms, against ${proof} in ${(performance.now() - from - tookMs).toFixed(0)} ms` +
      (milp.optimal ? `: ${gap(found.cost, milp.cost)} off` : ''),
  );
}
process.exit(0);
