// What planning costs, and how near it comes to the best there is: by its own bound, and of sixty weeks by the best that is known.
import { join } from 'node:path';
import { engine, ensureBuilt, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const core = await engine();
const { BEST_KNOWN, someWeeks, tightWeeks } = await import(join(ROOT, 'core/dist/testing/index.js'));

const say = (line) => process.stdout.write(`${line}\n`);
const gap = (cost, bound) => `${((100 * (cost - bound)) / Math.max(1e-9, Math.abs(bound))).toFixed(1)} %`;

/** Lays out and searches some weeks for so long, and tells what came of it. */
const planned = (orders, days, seed, forMs) => searchedFor(someWeeks(orders, days, seed), forMs);

function searchedFor(asked, forMs) {
  const from = performance.now();
  const problem = core.layOut(asked);
  const laidMs = performance.now() - from;
  let last;
  let firstMs;
  for (const plan of core.plans(problem)) {
    last = plan;
    firstMs ??= performance.now() - from;
    if (performance.now() - from - laidMs > forMs) break;
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
    core.moved(problem, plan.makes, make, Math.max(0, make.mode.startMin - 15 * ((i % 16) - 8)), make.mode.extension);
    times.push(performance.now() - from);
  }
  times.sort((a, b) => a - b);
  const places = plan.makes.map(({ orderId, part, mode }) => ({
    orderId,
    part,
    startMin: mode.startMin,
    extension: null,
    pinned: false,
  }));
  const from = performance.now();
  core.standingOf(problem, places);
  const standingMs = performance.now() - from;
  say(
    `  ${orders} orders: moved in ${times[30].toFixed(1)} ms, at most ${times.at(-1).toFixed(1)} ms; stood up again in ${standingMs.toFixed(0)} ms`,
  );
}

say('\nSixty weeks, against the best that is known of them (worked out by scripts/plan-weeks.mjs):');
say('orders  searched  weeks  more left out  gap: median  worst  bound below: median  laid out (median)');
const LEFT_OUT = 100_000;
const middle = (all) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)];
const percent = (x) => `${(100 * x).toFixed(1)} %`;
const weeks = tightWeeks();
for (const [least, most, forMs] of [
  [5, 12, 2000],
  [14, 20, 5000],
  [24, 40, 10_000],
]) {
  const some = weeks.filter(({ asked: { orders } }) => orders.length >= least && orders.length <= most);
  const told = some.map(({ name, asked }) => {
    const best = BEST_KNOWN[name];
    const { plan, laidMs } = searchedFor(asked, forMs);
    // What is left out counts apart: in what it costs, a gap of all else would not be seen.
    const served = (cost, unmet) => cost - LEFT_OUT * unmet;
    const gap = (served(plan.cost, plan.unmet.length) - served(best.cost, best.unmet)) / served(best.cost, best.unmet);
    if (gap > 0.001)
      say(`  ${name}: ${plan.cost.toFixed(1)}, known ${best.cost.toFixed(1)}${best.proven ? ', proven' : ''}`);
    return { gap, laidMs, more: plan.unmet.length - best.unmet, below: (best.cost - plan.bound) / best.cost };
  });
  const cells = [
    [`${least}-${most}`, 8],
    [`${forMs / 1000} s`, 10],
    [some.length, 7],
    [told.filter(({ more }) => more > 0).length, 15],
    [percent(middle(told.map(({ gap }) => gap))), 13],
    [percent(Math.max(...told.map(({ gap }) => gap))), 7],
    [percent(middle(told.map(({ below }) => below))), 21],
    [`${middle(told.map(({ laidMs }) => laidMs)).toFixed(0)} ms`, 10],
  ];
  say(cells.map(([text, wide]) => String(text).padEnd(wide)).join(''));
}
process.exit(0);
