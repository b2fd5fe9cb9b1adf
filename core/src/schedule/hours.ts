import { SLOT_MIN } from './instance.js';
import type { Step } from './network.js';
import { whoMay, type WorkWish } from './work.js';

/** A stretch of time, minutes from when a plan begins. */
export interface Stretch {
  readonly fromMin: number;
  readonly toMin: number;
}

/** Somebody whose hands count: when they sleep, when they are away, and when they are at the crocks of their own accord. */
export interface Person {
  readonly name: string;
  readonly asleep: readonly Stretch[];
  readonly away: readonly Stretch[];
  /** Null where all waking hours are working hours. */
  readonly works: readonly Stretch[] | null;
  /** What they may not do, and what they would rather; all is one where left out. */
  readonly wishes?: WorkWish;
  /** Minutes of hands on a day of the plan beyond which they have had enough; as many as come where left out. */
  readonly mostMin?: number;
}

/** Whose hands there are, minute by minute, up to a horizon. */
export interface Hours {
  readonly horizonMin: number;
  /** Hands there are in each slot, tenths of a minute; of those who sleep, where nobody else is there. */
  readonly labourPerSlot: Int32Array;
  /** Minutes of a stretch in which nobody is awake, or nobody at home. */
  readonly nightMin: (fromMin: number, toMin: number) => number;
  /** Minutes of a stretch in which somebody is awake, and nobody works. */
  readonly offMin: (fromMin: number, toMin: number) => number;
  /** The first moment from one on at which hands are welcome for so many minutes; null within the horizon. */
  readonly nextWelcome: (fromMin: number, minutes: number) => number | null;
  /** The last moment up to one at which hands are welcome for so many minutes; null where there is none. */
  readonly lastWelcome: (untilMin: number, minutes: number) => number | null;
  /** The first moment from one on at which the clock shows an hour of the day, or somebody gets up. */
  readonly nextAt: (fromMin: number, hour: number | 'morning') => number;
  /** True where there are ever two: where there are not, one does what takes two as well as may be. */
  readonly hasTwo: boolean;
  /** The hours of those who do the work of a step, two of them where it takes two. */
  readonly ofStep: (step: Pick<Step, 'work' | 'forTwo'>) => Hours;
}

/** The days of a plan: when each begins, minutes of the plan, and the hour at which somebody gets up. */
export interface PlanDays {
  readonly midnightsMin: readonly number[];
  readonly morningH: number;
}

/** The hours of some people. With nobody named, somebody is always there and awake; with no days told, it begins at midnight. */
export function hoursOf(people: readonly Person[], horizonMin: number, days: PlanDays = plainDays(horizonMin)): Hours {
  const all = people.length > 0 ? people : [ALWAYS_THERE];
  const known = new Map<string, Hours>();
  const hasTwo = all.length > 1;
  const isAnybodys = all.every(({ wishes = {} }) => !Object.values(wishes).includes('not'));
  const ofStep: Hours['ofStep'] = ({ work, forTwo }) => {
    // Asked of every step of every mode: what holds for most is told at once.
    if (isAnybodys && !(forTwo && hasTwo)) return base;
    const may = whoMay(all, work);
    const hands = forTwo && hasTwo ? 2 : 1;
    if (may.length === all.length && hands === 1) return base;
    const key = `${String(work)} ${hands}`;
    const hours =
      known.get(key) ?? hoursFor(hands > may.length ? all : may, hands, horizonMin, days, { ofStep, hasTwo });
    known.set(key, hours);
    return hours;
  };
  const base = hoursFor(all, 1, horizonMin, days, { ofStep, hasTwo });
  return base;
}

/** The hours in which so many of some people are there at once. */
function hoursFor(
  all: readonly Person[],
  hands: number,
  horizonMin: number,
  days: PlanDays,
  { ofStep, hasTwo }: Pick<Hours, 'ofStep' | 'hasTwo'>,
): Hours {
  const awake = new Uint8Array(horizonMin);
  const present = new Uint8Array(horizonMin);
  const working = new Uint8Array(horizonMin);
  for (const person of all) {
    const away = marked(person.away, horizonMin);
    const asleep = marked(person.asleep, horizonMin);
    const works = person.works && marked(person.works, horizonMin);
    for (let t = 0; t < horizonMin; t++) {
      if (away[t]) continue;
      present[t]!++;
      if (asleep[t]) continue;
      awake[t]!++;
      if (!works || works[t]) working[t]!++;
    }
  }
  const labourPerSlot = labourOf(awake, present);
  // Fewer than are wanted are as good as nobody.
  for (let t = 0; t < horizonMin; t++) if (awake[t]! < hands) awake[t] = 0;
  const night = running(horizonMin, (t) => awake[t] === 0);
  const off = running(horizonMin, (t) => awake[t]! > 0 && working[t]! < hands);
  const [awakeUntil, awakeFrom] = runsOf(awake);
  const within = (t: number) => Math.min(horizonMin, Math.max(0, t));
  const between = (sums: Int32Array) => (fromMin: number, toMin: number) =>
    Math.max(0, sums[Math.floor(within(toMin))]! - sums[Math.floor(within(fromMin))]!);
  return {
    horizonMin,
    ofStep,
    hasTwo,
    labourPerSlot,
    nightMin: between(night),
    offMin: between(off),
    nextWelcome: (fromMin, minutes) => {
      let t = Math.max(0, fromMin);
      while (t < horizonMin) {
        const until = awakeUntil[Math.floor(t)]!;
        if (until >= t + minutes) return t;
        t = Math.max(until, Math.floor(t) + 1);
        while (t < horizonMin && awake[t] === 0) t++;
      }
      return null;
    },
    nextAt: (fromMin, hour) => {
      const minutes = 60 * (hour === 'morning' ? days.morningH : hour);
      return days.midnightsMin.map((at) => at + minutes).find((at) => at >= fromMin) ?? Infinity;
    },
    lastWelcome: (untilMin, minutes) => {
      let t = Math.min(untilMin, horizonMin - minutes);
      while (t >= 0) {
        const at = Math.floor(t);
        if (awake[at]! > 0 && awakeUntil[at]! >= t + minutes) return t;
        if (awake[at]! > 0 && awakeUntil[at]! - minutes >= awakeFrom[at]!) return awakeUntil[at]! - minutes;
        t = awake[at]! > 0 ? awakeFrom[at]! - 1 : at - 1;
      }
      return null;
    },
  };
}

const DAY_MIN = 24 * 60;

/** Days of a plan that begins at midnight; who has not said when they get up does so at six. */
export const plainDays = (horizonMin: number): PlanDays => ({
  midnightsMin: Array.from({ length: Math.ceil(horizonMin / DAY_MIN) + 1 }, (_, day) => day * DAY_MIN),
  morningH: 6,
});

const ALWAYS_THERE: Person = { name: '', asleep: [], away: [], works: null };

function marked(stretches: readonly Stretch[], horizonMin: number): Uint8Array {
  const marks = new Uint8Array(horizonMin);
  for (const { fromMin, toMin } of stretches) {
    marks.fill(1, Math.max(0, Math.round(fromMin)), Math.max(0, Math.min(horizonMin, Math.round(toMin))));
  }
  return marks;
}

/** How many minutes of some kind there were up to each. */
function running(horizonMin: number, is: (t: number) => boolean): Int32Array {
  const sums = new Int32Array(horizonMin + 1);
  for (let t = 0; t < horizonMin; t++) sums[t + 1] = sums[t]! + Number(is(t));
  return sums;
}

/** Of each waking minute, when that stretch of waking ends, and when it began. */
function runsOf(awake: Uint8Array): readonly [Int32Array, Int32Array] {
  const until = new Int32Array(awake.length);
  const from = new Int32Array(awake.length);
  for (let t = awake.length - 1; t >= 0; t--) {
    until[t] = awake[t] === 0 ? t : t + 1 < awake.length && awake[t + 1]! > 0 ? until[t + 1]! : t + 1;
  }
  for (let t = 0; t < awake.length; t++) from[t] = t > 0 && awake[t - 1]! > 0 && awake[t]! > 0 ? from[t - 1]! : t;
  return [until, from];
}

/** A minute of hands is so many units. */
export const LABOUR_UNITS = 10;

/** Hands in each slot, by who is there at its middle. */
function labourOf(awake: Uint8Array, present: Uint8Array): Int32Array {
  return Int32Array.from({ length: Math.ceil(awake.length / SLOT_MIN) }, (_, slot) => {
    const t = Math.min(awake.length - 1, slot * SLOT_MIN + Math.floor(SLOT_MIN / 2));
    return LABOUR_UNITS * SLOT_MIN * (awake[t] || present[t]!);
  });
}
