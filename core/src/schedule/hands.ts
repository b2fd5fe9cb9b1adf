import type { Person, Stretch } from './hours.js';
import type { Committed, PlannedMake } from './planning-problem.js';
import type { Step } from './network.js';
import { FEED_HANDS } from './starters.js';
import { awakeMin } from './timeline.js';
import { mayDo, type Work } from './work.js';

/** Hands of a make: whose, and at which minute of the plan they begin. */
export interface GivenHands {
  readonly who: string;
  /** Who lends a hand, where it takes two; left out where nobody does, or it takes one. */
  readonly with?: string;
  readonly beginMin: number;
}

/** Whose hands each step of a make has, by the make's place; and those of its feeding. */
export interface MakeHands {
  readonly steps: readonly GivenHands[];
  readonly feed: { readonly begin: GivenHands; readonly ripe: GivenHands } | null;
}

/** Hands wait for somebody so long at most, minutes; after that whoever has least to do has two things at once. */
const MOST_WAIT_MIN = 60;
const DAY_MIN = 1440;

const isIn = (stretches: readonly Stretch[], fromMin: number, toMin: number) =>
  stretches.some((s) => s.fromMin < toMin && s.toMin > fromMin);

/** Somebody with what they have to do so far. */
interface Busy {
  readonly person: Person;
  freeMin: number;
  readonly dayMin: Map<number, number>;
}

/** Some hands to be given to somebody. */
interface Wanted {
  readonly atMin: number;
  readonly minutes: number;
  readonly work?: Work;
  readonly forTwo?: true;
  readonly give: (given: GivenHands) => void;
}

/**
 * Who does what, in order of time: somebody who is there and awake, at the crocks of their own accord where there is one, and of those
 * who has least to do in those 24 hours of the plan. Nobody does two things at once: where all are at something, hands wait until the
 * first of them is free. What is on already has its hands when its forecast says, and takes somebody's time.
 */
export function whoDoesWhat(
  people: readonly Person[],
  makes: readonly PlannedMake[],
  committed: readonly Committed[] = [],
): readonly MakeHands[] {
  const all = people.map((person): Busy => ({ person, freeMin: 0, dayMin: new Map() }));
  const hands = makes.map(handsAsWalked);
  const given = hands.map(({ steps }) => [...steps]);
  const fed = hands.map(({ feed }) => feed);
  const on = committed.flatMap(({ tasks }) => tasks.map((task): Wanted => ({ ...task, give: () => undefined })));
  const ofMakes = makes.flatMap(({ network, steps, feed }, m): Wanted[] => [
    ...steps.map(({ beginMin }, i) => ({
      atMin: beginMin,
      minutes: awakeMin(network.steps[i]!),
      ...askedOf(network.steps[i]!),
      give: (hands: GivenHands) => (given[m]![i] = hands),
    })),
    ...(feed
      ? [
          {
            atMin: feed.beginMin,
            minutes: FEED_HANDS.beginMin,
            give: (hands: GivenHands) => (fed[m] = { ...fed[m]!, begin: hands }),
          },
          {
            atMin: feed.ripeMin,
            minutes: FEED_HANDS.endMin,
            give: (hands: GivenHands) => (fed[m] = { ...fed[m]!, ripe: hands }),
          },
        ]
      : []),
  ]);
  for (const wanted of [...on, ...ofMakes].sort((a, b) => a.atMin - b.atMin)) {
    if (wanted.minutes > 0 && all.length > 0) wanted.give(taken(all, wanted));
  }
  return given.map((steps, m) => ({ steps, feed: fed[m]! }));
}

/** What a step asks of whoever does it. */
const askedOf = ({ work, forTwo }: Step) => ({ ...(work && { work }), ...(forTwo && { forTwo }) });

/** Whoever does it, and with whom where it takes two. */
function taken(all: readonly Busy[], wanted: Wanted): GivenHands {
  const first = takenBy(all, wanted, wanted.atMin);
  const others = all.filter(({ person }) => person.name !== first.who);
  if (!wanted.forTwo || others.length === 0) return first;
  const second = takenBy(others, wanted, first.beginMin, first.beginMin);
  // Who helps is there as it begins, or not at all.
  return second.beginMin === first.beginMin ? { ...first, with: second.who } : first;
}

/**
 * @param noLaterMin it may not wait longer than until then
 */
function takenBy(
  all: readonly Busy[],
  { minutes, work }: Wanted,
  atMin: number,
  noLaterMin = atMin + MOST_WAIT_MIN,
): GivenHands {
  const day = Math.floor(atMin / DAY_MIN);
  const ranked = all
    .map((busy) => {
      const { person, freeMin, dayMin } = busy;
      const beginMin = Math.max(atMin, freeMin);
      const untilMin = beginMin + minutes;
      const isAway = isIn(person.away, beginMin, untilMin);
      const sleeps = isIn(person.asleep, beginMin, untilMin);
      const works = person.works === null || isIn(person.works, beginMin, untilMin);
      const waits = beginMin - atMin;
      const dayMinutes = dayMin.get(day) ?? 0;
      // Who is away, may not do it, is asleep, would let it wait too long, or has had enough comes last, in that order.
      const rank = [
        Number(isAway),
        Number(!mayDo(person, work)),
        Number(sleeps),
        Number(beginMin > noLaterMin),
        Number(dayMinutes + minutes > (person.mostMin ?? Infinity)),
        waits,
        Number(!works),
        // Who would rather do it does; else who has least to do that day.
        Number(!work || person.wishes?.[work] !== 'rather'),
        dayMinutes,
      ];
      return { busy, rank, beginMin: beginMin > noLaterMin ? atMin : beginMin };
    })
    .sort((a, b) => compared(a.rank, b.rank));
  const { busy, beginMin } = ranked[0]!;
  busy.freeMin = Math.max(busy.freeMin, beginMin + minutes);
  busy.dayMin.set(day, (busy.dayMin.get(day) ?? 0) + minutes);
  return { who: busy.person.name, beginMin };
}

function compared(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!;
  return 0;
}

/** Hands of a make that begin just as its steps do, nobody's in particular. */
export const handsAsWalked = ({ steps, feed }: Pick<PlannedMake, 'steps' | 'feed'>): MakeHands => ({
  steps: steps.map(({ beginMin }) => ({ who: '', beginMin })),
  feed: feed && { begin: { who: '', beginMin: feed.beginMin }, ripe: { who: '', beginMin: feed.ripeMin } },
});
