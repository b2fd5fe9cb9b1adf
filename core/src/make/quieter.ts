import { clockFrom, PLAIN_WALL } from '../environment/day-clock.js';
import { NOMINAL_MEMBER, type Environment } from '../environment/environment.js';
import { expecting } from '../learn/expecting.js';
import { withBottles } from '../learn/pot-and-bottle.js';
import { choicesThatCount, decided, offersAll, type Choices, type Method } from '../methods/method.js';
import { kitchenFor, swingFrom, ALWAYS_AWAKE } from './household.js';
import { planStages } from './plan.js';
import { problemsOf } from './problems.js';
import { firstOf, runMake } from './run.js';
import type { SheetBegin } from './sheet.js';
import { untilWoken } from './waking.js';

const MS_PER_MIN = 60_000;
const HALF_HOUR_MS = 30 * MS_PER_MIN;
/** A better hour to begin is looked for so far ahead. */
const AHEAD_MS = 24 * 60 * MS_PER_MIN;

/** Choices that may keep hands out of the night, in the order they are tried: each leaves something till somebody is up. */
const LEFT_TILL_MORNING: readonly Choices[] = [
  { leave: 'morning' },
  { warmUntil: 'morning' },
  { stopping: 'overnight' },
  { drainUntil: 'morning' },
];

/** How a make may be kept out of the night. */
export interface Quieter {
  /** Times that hands fall in the night, begun as it is. */
  readonly nightHands: number;
  /** The first later hour to begin at which fewer do; null where none is within a day. */
  readonly begin: { readonly atMs: number; readonly nightHands: number } | null;
  /** Choices with which fewer do, begun now; the fewest first. */
  readonly choices: readonly { readonly choices: Choices; readonly nightHands: number }[];
}

/** When hands of a make fall in the night, and what would keep them out of it. */
export function quieter(method: Method, given: Choices, begin: SheetBegin & { readonly startMs: number }): Quieter {
  const nightHands = (choices: Choices, startMs: number) => nightHandsOf(method, choices, { ...begin, startMs });
  const now = nightHands(given, begin.startMs) ?? 0;
  if (now === 0) return { nightHands: 0, begin: null, choices: [] };
  let best: Quieter['begin'] = null;
  for (let atMs = begin.startMs + HALF_HOUR_MS; atMs <= begin.startMs + AHEAD_MS; atMs += HALF_HOUR_MS) {
    const then = nightHands(given, atMs);
    if (then !== null && then < (best?.nightHands ?? now)) best = { atMs, nightHands: then };
    if (best?.nightHands === 0) break;
  }
  const asked = decided(method, given);
  const other = LEFT_TILL_MORNING.flatMap((change) => {
    const choices = { ...given, ...change };
    const hands = isAsked(method, asked, change) ? nightHands(choices, begin.startMs) : null;
    return hands !== null && hands < now ? [{ choices: change, nightHands: hands }] : [];
  });
  // Of choices that come to the same, one is enough.
  const ways = other
    .sort((a, b) => a.nightHands - b.nightHands)
    .filter((way, i, all) => i === 0 || way.nightHands !== all[i - 1]!.nightHands);
  return { nightHands: now, begin: best, choices: ways };
}

/** Whether a make asks for some choices as it is decided, would take them, and they are made otherwise. */
function isAsked(method: Method, choices: Choices, change: Choices): boolean {
  const asked = new Set(method.groups.flatMap((group) => choicesThatCount(group, choices).map(({ key }) => key)));
  const isOther = Object.entries(change).every(([key, value]) => asked.has(key) && choices[key] !== value);
  return isOther && offersAll(method, change);
}

/** Times that hands of a make fall in the night; null where it would not come out. */
function nightHandsOf(method: Method, given: Choices, begin: SheetBegin & { readonly startMs: number }): number | null {
  const { startMs, wake = ALWAYS_AWAKE, wall = PLAIN_WALL, known, stocks = [] } = begin;
  const choices = decided(method, given);
  const kitchen = kitchenFor(choices, begin.kitchen, known);
  const stages = planStages(method, withBottles(choices, known?.learned), stocks);
  const { expected } = expecting(stages, choices, { member: NOMINAL_MEMBER }, known);
  const environment: Environment = {
    kitchen,
    member: expected,
    clock: clockFrom(startMs, wall),
    ...swingFrom(startMs, kitchen.roomC, begin),
  };
  const runs = runMake(stages, environment, (run) => untilWoken(run, environment, startMs, wake));
  if (runs.length < stages.length || problemsOf(runs).some(({ mild }) => !mild)) return null;
  return runs.filter((run) => {
    const atMs = startMs + firstOf(run).minute * MS_PER_MIN;
    return wake(atMs) > atMs;
  }).length;
}
