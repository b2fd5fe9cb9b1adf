import { asStarter } from '../cultures/acts.js';
import { chainPlan } from '../cultures/chain-plan.js';
import { movedTo, type CultureLot } from '../lots/culture-lot.js';
import { doseFor, dueOf } from '../cultures/due.js';
import { feedingOf, grainsPctFor } from '../cultures/feeding.js';
import { mismatchOf } from '../cultures/match.js';
import { parkingOf } from '../cultures/park.js';
import { activityAt } from '../cultures/activity.js';
import { planStages } from '../make/plan.js';
import { METHODS } from '../methods/index.js';
import type { Words } from './make-book.js';
import { cultured, onDay } from './cultured.js';

const HOUR_MS = 3_600_000;
const AGES_DAYS = [0, 2, 6, 9, 18, 40] as const;
const STORES = ['cold', 'frozen', 'room'] as const;
const round = (value: number) => Math.round(value * 1000) / 1000;

const LOTS: readonly CultureLot[] = [
  cultured('yogurt', 0),
  cultured('butter', 0, { culture: 'mesophilic', generation: 4, origin: 'pot' }),
  cultured('heirloom', 0, { culture: 'room-yogurt', origin: 'heirloom' }),
  cultured('grains', 0, { culture: 'kefir-grains', form: 'grains', origin: 'grains' }),
  cultured('powder', 0, { culture: 'mesophilic', form: 'freeze-dried', origin: 'powder' }),
  cultured('clabber', 0, { culture: 'clabber', origin: 'wild', generation: 13 }),
];

/** What every kind of culture is worth at every age in every store, and what is to be done about it, in lines. */
export function cultureBook(words: Words): readonly string[] {
  return [
    '# cultures',
    ...LOTS.flatMap((lot) => linesOf(lot, words)),
    ...[12, 18, 21, 27, 33].map((c) => `grains at ${c}: ${grainsPctFor(c)} %`),
  ];
}

function linesOf(lot: CultureLot, words: Words): string[] {
  const wrong = METHODS.flatMap(({ id, ...method }) => {
    const found = mismatchOf(lot, planStages({ id, ...method }));
    return found ? [`${id}${found.grave ? '!' : ''}: ${words(found.says)}`] : [];
  });
  const kept = STORES.flatMap((store) =>
    AGES_DAYS.flatMap((age) => {
      const there = movedTo({ ...lot, stays: [{ store: 'cold', fromMs: lot.bornMs }] }, store, lot.bornMs);
      return ageLines(there, store, age, words);
    }),
  );
  return [`${lot.id} does not suit ${wrong.join(' / ')}`, ...kept];
}

function ageLines(lot: CultureLot, store: string, age: number, words: Words): string[] {
  const nowMs = onDay(age);
  const due = dueOf(lot, 120, nowMs);
  const activity = activityAt(lot, nowMs);
  const feeding = feedingOf(lot, 120, nowMs, activity, 22);
  const parking = parkingOf(lot, nowMs, onDay(age + 14));
  const chain = chainPlan(
    { lot, leftG: 40, activity: activity.likely },
    { neededG: 900, readyMs: onDay(age + 4), nowMs, dosePct: 3, tempC: 30, heldBackG: 25 },
  );
  const hours = (ms: number | null) => (ms === null ? '-' : String(Math.round((ms - nowMs) / HOUR_MS)));
  return [
    `${lot.id} ${store} ${age} d: ${round(activity.likely)} (${round(activity.low)}-${round(activity.high)}) ${due.level} ${due.does}, feed in ${hours(due.feedByMs)} h, last in ${hours(due.lastMs)} h, dose ${doseFor(activity.likely, 2.5)?.toFixed(2)}: ${words(due.says)}`,
    `  starter ${JSON.stringify(asStarter(lot, nowMs, activity))}; away ${parking.does} ${round(parking.activityThen)}: ${words(parking.says)}`,
    `  feeding ${feeding ? `${feeding.methodId} takes ${round(feeding.takesG)}: ${words(feeding.says)} ${JSON.stringify(feeding.choices)}` : '-'}`,
    `  chain ${words(chain.impossible)}${chain.steps.map((s) => `${round(s.milkG)}+${round(s.starterG)} g at ${hours(s.beginMs)}-${hours(s.ripeMs)} h, waits ${round(s.waitsH)}`).join(', ')}`,
  ];
}
