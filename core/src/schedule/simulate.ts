import { kitchenDraws } from '../learn/kitchen-draw.js';
import { NOTHING_LEARNED } from '../learn/pooled.js';
import type { GearDemand } from '../make/gear-demands.js';
import { normals, seededRandom } from '../random/random.js';
import { durationsInto } from './durations.js';
import { takenOf } from './gear-resources.js';
import type { PlannedMake, PlanningProblem } from './planning-problem.js';
import { awakeMin, endOf } from './timeline.js';

/** Chances, 0–1, of what may come of a plan. */
export interface PlanChances {
  /** Each order that is wanted by a time and has all its makes in the plan, by its id: that all of it is ready by then. */
  readonly byOrder: Readonly<Record<string, number>>;
  /** That all of those are; that no hands fall in the night; and none of them outside working hours either. */
  readonly allMet: number;
  readonly quietNights: number;
  readonly inWorkingHours: number;
}

/** So often a plan is gone through: enough that a chance is within three in a hundred, nineteen times in twenty. */
const DRAWS = 2000;

/** Kitchens that a plan is gone through in: the next one, and how long each step of a make takes in it, minutes, by its place in the plan. */
export interface Kitchens {
  readonly next: () => void;
  readonly durations: (make: number, out: Float64Array) => void;
}

/**
 * Goes through a plan many times, each time in another kitchen that might be this one, and counts. Each make is begun when it is
 * planned, or once what it stands in is free; each step is ended by the same rule as in the plan: left on until hands are welcome, as
 * far as its slack allows, else ended before the night, else in it.
 *
 * @param kitchens what is drawn; kitchens as the engine holds this one to be where left out
 */
export function simulate(
  problem: Pick<PlanningProblem, 'asked' | 'hours' | 'gearResources'>,
  makes: readonly PlannedMake[],
  kitchens: Kitchens = engineKitchens(problem, makes),
  draws = DRAWS,
): PlanChances {
  const { hours } = problem;
  const run = runs(problem, makes, kitchens);
  // An order of which a part was left out is not met, and counts as one that was left out.
  const planned = makes.filter(({ orderId, parts }) => makes.filter((m) => m.orderId === orderId).length === parts);
  const timed = planned.flatMap(({ shares }) => shares.flatMap((s) => (s.dueMin === null ? [] : s.orderId)));
  const met = new Map(timed.map((id) => [id, 0]));
  let [all, quiet, working] = [0, 0, 0];
  for (let draw = 0; draw < draws; draw++) {
    const times = run();
    const late = new Set<string>();
    let [isQuiet, isWorking] = [true, true];
    makes.forEach(({ shares, network }, m) => {
      const of = times[m]!;
      const readyMin = of[of.length - 1]!;
      for (const { orderId, dueMin } of shares)
        if (dueMin !== null && readyMin > dueMin && met.has(orderId)) late.add(orderId);
      network.steps.forEach((step, i) => {
        const untilMin = of[i]! + awakeMin(step);
        const own = hours.ofStep(step);
        isQuiet &&= own.nightMin(of[i]!, untilMin) === 0;
        isWorking &&= own.offMin(of[i]!, untilMin) === 0;
      });
    });
    for (const [id, count] of met) if (!late.has(id)) met.set(id, count + 1);
    if (late.size === 0) all++;
    if (isQuiet) quiet++;
    if (isQuiet && isWorking) working++;
  }
  return {
    byOrder: Object.fromEntries([...met].map(([id, count]) => [id, count / draws])),
    allMet: all / draws,
    quietNights: quiet / draws,
    inWorkingHours: working / draws,
  };
}

/** Kitchens as the engine holds this one to be. */
function engineKitchens(
  { asked: { known, seed } }: Pick<PlanningProblem, 'asked'>,
  makes: readonly PlannedMake[],
): Kitchens {
  const networks = makes.map(({ network }) => network);
  const drawn = kitchenDraws(
    known?.learned ?? NOTHING_LEARNED,
    networks.map(({ unknowns }) => unknowns),
    normals(seededRandom(seed)),
  );
  const scores = new Float64Array(Math.max(0, ...networks.map(({ unknowns }) => unknowns.scores.length)));
  return {
    next: drawn.next,
    durations: (make, out) => {
      drawn.make(make, scores);
      durationsInto(networks[make]!.durations, scores, out);
    },
  };
}

const isSharedWith = (demand: GearDemand, other: GearDemand) =>
  other === demand || (demand.ofOne !== undefined && other.ofOne === demand.ofOne);

/** A piece of gear that a make has from the begin of one of its steps to the end of another. */
interface Hold {
  readonly make: number;
  readonly lastStep: number;
  readonly units: number;
}

/** Goes through a plan once: for each make when each of its steps begins, and last when it is over. */
function runs(
  { hours, gearResources }: Pick<PlanningProblem, 'hours' | 'gearResources'>,
  makes: readonly PlannedMake[],
  kitchens: Kitchens,
): () => readonly Float64Array[] {
  const times = makes.map(({ steps }) => new Float64Array(steps.length + 1));
  const lasts = makes.map(({ steps }) => new Float64Array(steps.length));
  // In the order of the plan: what is to be out of a piece before another goes in has been gone through by then.
  const turns = makes
    .flatMap(({ steps }, make) => steps.map(({ beginMin }, step) => ({ make, step, beginMin })))
    .sort((a, b) => a.beginMin - b.beginMin || a.make - b.make || a.step - b.step);
  const taken = makes.map(({ network: { demands }, mode }) =>
    demands.map((demand, d) => {
      const resource = mode.gearResources[d]!;
      const here = demands.filter((other, o) => mode.gearResources[o] === resource && isSharedWith(demand, other));
      const [first] = here;
      // What is shared out to several pieces alike is taken at once.
      const units = first === demand ? here.reduce((sum, h) => sum + takenOf(gearResources[resource]!, h).units, 0) : 0;
      return { ...demand, resource, units };
    }),
  );
  const held = gearResources.map((): Hold[] => []);
  return () => {
    for (const holds of held) holds.length = 0;
    kitchens.next();
    lasts.forEach((of, m) => kitchens.durations(m, of));
    /** When a piece has room again for so many units: those that went in first are out of it first. */
    const freeMin = (resource: number, units: number, make: number) => {
      const { capacity } = gearResources[resource]!;
      const outMin = (hold: Hold) => times[hold.make]![hold.lastStep + 1]!;
      let [room, last] = [capacity, 0];
      for (const hold of held[resource]!) {
        if (hold.make === make) continue;
        room -= hold.units;
        last = Math.max(last, outMin(hold));
      }
      if (room >= units) return 0;
      if (capacity === 1) return last;
      const others = held[resource]!.filter((hold) => hold.make !== make).sort((a, b) => outMin(a) - outMin(b));
      for (const hold of others) {
        room += hold.units;
        if (room >= units) return outMin(hold);
      }
      return last;
    };
    for (const { make, step } of turns) {
      const { network, mode } = makes[make]!;
      const of = times[make]!;
      const { steps } = network;
      const wanted = taken[make]!.filter(({ firstStep }) => firstStep === step);
      const plannedMin = step === 0 ? mode.startMin : of[step]!;
      const roomMin = Math.max(plannedMin, ...wanted.map(({ resource, units }) => freeMin(resource, units, make)));
      const beginMin =
        roomMin > plannedMin
          ? (hours.ofStep(steps[step]!).nextWelcome(roomMin, awakeMin(steps[step]!)) ?? roomMin)
          : plannedMin;
      of[step] = beginMin;
      const { ends } = steps[step]!;
      const doneMin = ends ? hours.nextAt(beginMin + ends.leastMin, ends.at) : beginMin + lasts[make]![step]!;
      of[step + 1] = endOf(steps, step, beginMin, doneMin, hours, mode.extension);
      for (const { resource, lastStep, units } of wanted) held[resource]!.push({ make, lastStep, units });
    }
    return times;
  };
}
