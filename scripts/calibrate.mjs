// How often the forecasts hold the truth, in worlds that are as assumed and in worlds that are not; and how soon a kitchen
// that is otherwise is learned. Prints the tables of docs/models.md.
//   npm run calibrate [-- BATCHES KITCHENS]      300 and 40 where none are given; some minutes
import { join } from 'node:path';
import { engine, ensureInstalled, must } from './lib.mjs';

ensureInstalled();
must('npx', ['tsc', '-b', 'core']);
const core = await engine();
const [batches = 300, kitchens = 40] = process.argv.slice(2).map(Number);
const SEED = 7;

const row = (cells) => process.stdout.write(`| ${cells.join(' | ')} |\n`);
const head = (cells) => {
  row(cells);
  row(cells.map((_, i) => (i === 0 ? '---' : '--:')));
};
const pct = (share) => `${Math.round(100 * share)}`;
const min = (minutes) => `${Math.round(minutes)}`;

head(['Souring', 'unread, %', 'one pH, %', 'two pH, %', 'asked for', 'widths, min']);
for (const world of core.SOURING_WORLDS) {
  const { held, widthMin } = core.souringCoverage(world, batches, SEED);
  row([world.name, ...held.map(pct), world.atLeast.map(pct).join(' / '), widthMin.map(min).join(' / ')]);
}
process.stdout.write('\n');
head(['Straining', 'unweighed, %', 'three weighings, %', 'asked for', 'widths, min']);
for (const world of core.STRAINING_WORLDS) {
  const { held, widthMin } = core.strainingCoverage(world, batches, SEED);
  row([world.name, ...held.map(pct), pct(world.atLeast), widthMin.map(min).join(' / ')]);
}
process.stdout.write('\n');
head(['Learning', 'makes', 'P50 less truth, min', 'held, %', 'width, min', 'activity, %', 'pace, %']);
for (const world of core.LEARNING_WORLDS) {
  const { spread } = world.problem.law.culture;
  for (const { makes, biasMin, held, widthMin, learned } of core.learningIn(
    world,
    kitchens,
    [0, 1, 2, 4, 6, 10],
    SEED,
  )) {
    const activity = Math.exp(spread.activity * learned[core.SCORES.indexOf('activity')]);
    const pace = Math.exp(core.PACE_SD.active * learned[core.SCORES.indexOf('pace')]);
    row([makes === 0 ? world.name : '', makes, min(biasMin), pct(held), min(widthMin), pct(activity), pct(pace)]);
  }
}
