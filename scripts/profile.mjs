// What takes the time in a make and in a forecast: the engine sampled at work, by function.
import { Session } from 'node:inspector/promises';
import { join } from 'node:path';
import { engine, ensureInstalled, must } from './lib.mjs';
import { usualProblem } from './usual.mjs';

ensureInstalled();
must('npx', ['tsc', '-b', 'core']);
const core = await engine();

/** Functions by their own share of the time, greatest first. */
async function sampled(work) {
  const session = new Session();
  session.connect();
  await session.post('Profiler.enable');
  await session.post('Profiler.setSamplingInterval', { interval: 200 });
  await session.post('Profiler.start');
  work();
  const { profile } = await session.post('Profiler.stop');
  session.disconnect();
  const names = new Map(profile.nodes.map((n) => [n.id, `${n.callFrame.functionName || '(top)'} ${fileOf(n)}`]));
  const own = new Map();
  profile.samples.forEach((id, i) => own.set(names.get(id), (own.get(names.get(id)) ?? 0) + profile.timeDeltas[i]));
  const all = [...own.values()].reduce((a, b) => a + b, 0);
  return [...own].map(([name, took]) => [name, (100 * took) / all]).sort((a, b) => b[1] - a[1]);
}

const fileOf = (node) => node.callFrame.url.split('/').slice(-2).join('/').replace('.js', '');

function show(what, functions) {
  console.log(`\n${what}`);
  for (const [name, share] of functions.slice(0, 12)) console.log(`  ${share.toFixed(1).padStart(5)} %  ${name}`);
}

const stages = core.planStages(core.methodById('strained-yogurt'), {});
const make = () => core.runMake(stages, core.USUAL_ENVIRONMENT);
for (let i = 0; i < 300; i++) make();
show(
  'One strained yogurt, milk to pot',
  await sampled(() => {
    for (let i = 0; i < 1000; i++) make();
  }),
);
const problem = usualProblem(core);
const forecast = () =>
  core.forecastSouring(problem, [{ min: 150, ph: 5.5, by: 'meter' }], { members: 2000, seed: 1, fanPoints: 48 });
for (let i = 0; i < 10; i++) forecast();
show(
  'A forecast of 2,000 members weighed by one reading',
  await sampled(() => {
    for (let i = 0; i < 60; i++) forecast();
  }),
);
