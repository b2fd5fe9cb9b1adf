import { normalBelow, Z_NINE_IN_TEN } from '../random/normal.js';
import type { GearResource } from './gear-resources.js';
import type { Hours } from './hours.js';
import type { Scenario, Network } from './network.js';
import type { Mode } from './instance.js';
import { needOf, type Need, type StarterHere } from './starters.js';
import { awakeMin, strayedTimes, timesOf, type Extension, type Times } from './timeline.js';

/** What somebody would rather have, as costs: the higher, the more it is avoided. */
export interface ObjectiveWeights {
  /** A minute of hands in the night, or while nobody is at home. */
  readonly nightMin: number;
  /** A minute of hands outside working hours. */
  readonly offMin: number;
  /** An hour that it stands ready before it is wanted, more or less than is wished for. */
  readonly ageH: number;
  /** It is wished to stand ready so long before, h. */
  readonly spareH: number;
  /** That an order is missed about once (a chance of 1/e to be met); no cost where it is as sure as it has to be. */
  readonly missed: number;
  /** All the slack of a souring used, and of what does not sour. */
  readonly souringSlack: number;
  readonly otherSlack: number;
  /** An hour that it comes later, where nobody said when it is wanted. */
  readonly laterH: number;
}

export const USUAL_WEIGHTS: ObjectiveWeights = {
  nightMin: 60,
  offMin: 1,
  ageH: 0.25,
  spareH: 0,
  missed: 20_000,
  souringSlack: 8,
  otherSlack: 1,
  laterH: 0.05,
};

/** A mode of doing a make: when it begins, what is extended purpose, in which pieces of gear, and what of it costs. */
export interface MakeMode extends Mode {
  readonly startMin: number;
  readonly extension: Extension | null;
  /** For each of the network's gear demands the place of the gear resource it is given. */
  readonly gearResources: readonly number[];
  readonly readyMin: number;
  /** Ready by then nine times in ten. */
  readonly readyLateMin: number;
  /** Chance that it is ready when it is wanted, of itself, 0–1; 1 where nobody said when. */
  readonly metChance: number;
  readonly nightMin: number;
  readonly offMin: number;
  /** It stands ready so long before it is wanted, h; 0 where nobody said when. */
  readonly ageH: number;
  /** What it needs of a culture before it. */
  readonly starter: Need;
}

/** What a make is placed for. */
export interface Placing {
  readonly network: Network;
  readonly hours: Hours;
  readonly gearResources: readonly GearResource[];
  /** Wanted by then; null for any time. */
  readonly dueMin: number | null;
  /** Not begun before. */
  readonly fromMin: number;
  /** It is to be ready in time with such a chance at least, 0–1; and surer than this it need not be, for all orders to be met as wished. */
  readonly leastChance: number;
  readonly sureChance: number;
  /** True where every way is tried, however much like another. */
  readonly thorough?: boolean;
  readonly weights: ObjectiveWeights;
  /** Cultures that are there; null where they are no matter. */
  readonly starters: readonly StarterHere[] | null;
}
/** Of the life of a product as much may be over when it is handed on. */
export const LIFE_SPENT = 0.5;
/** How much hands at each of three scenarios count. */
const SCENARIOS: readonly (readonly [Scenario, number])[] = [
  ['likely', 0.5],
  ['early', 0.25],
  ['late', 0.25],
];
/** Times by each scenario of a make in which nothing is extended. */
export type Plain = Readonly<Record<Scenario, Times | null>>;

export function plainTimes({ network: { steps }, hours }: Placing, startMin: number): Plain {
  const likely = timesOf(steps, startMin, hours);
  const by = (scenario: 'early' | 'late') => likely && strayedTimes(steps, likely, hours, scenario);
  return { likely, early: by('early'), late: by('late') };
}

/** Minutes of hands in the night up to the beginning of the step that may be extended. */
export function nightBefore(
  { network: { steps }, hours }: Placing,
  times: Times,
  extension: Extension | null | undefined,
): number {
  let sum = 0;
  for (let i = 0; extension && i <= extension.step; i++)
    sum += hours.nightMin(times[i]!, times[i]! + awakeMin(steps[i]!));
  return sum;
}

/** The mode of a make that begins at a minute, before it is given its gear; null where it is not over within the horizon. */
export function unequippedMode(
  placing: Placing,
  startMin: number,
  extension: Extension | null,
  likely: Times,
  plain: Plain,
): UnequippedMode | null {
  const { network, hours, dueMin, weights } = placing;
  const { steps } = network;
  let late = likely;
  let [nightMin, offMin] = [0, 0];
  for (const [scenario, weight] of SCENARIOS) {
    const times =
      scenario === 'likely'
        ? likely
        : extension
          ? strayedTimes(steps, likely, hours, scenario, extension, plain[scenario])
          : plain[scenario];
    if (!times) return null;
    if (scenario === 'late') late = times;
    for (let i = 0; i < steps.length; i++) {
      const beginMin = times[i]!;
      const untilMin = beginMin + awakeMin(steps[i]!, scenario);
      nightMin += weight * hours.nightMin(beginMin, untilMin);
      offMin += weight * hours.offMin(beginMin, untilMin);
    }
  }
  const readyMin = likely.at(-1)!;
  const readyLateMin = late.at(-1)!;
  const starter = starterFor(placing, likely);
  const ageH = dueMin === null ? 0 : (dueMin - readyMin) / 60;
  const metChance = dueMin === null ? 1 : chanceBy(dueMin, readyMin, readyLateMin);
  const cost =
    missedCost(metChance, placing) +
    weights.nightMin * nightMin +
    weights.offMin * offMin +
    (dueMin === null ? 0 : weights.ageH * Math.abs(ageH - weights.spareH)) +
    slackCost(network, likely, weights) +
    STARTER_COST[starter.is] +
    (dueMin === null ? (weights.laterH * readyMin) / 60 : 0);
  return {
    startMin,
    extension,
    readyMin,
    readyLateMin,
    metChance,
    nightMin,
    offMin,
    ageH,
    starter,
    cost,
    likely,
    late,
  };
}

/** Chance that what is likely ready at one minute, and nine times in ten by another, is ready by a third. */
function chanceBy(dueMin: number, readyMin: number, readyLateMin: number): number {
  if (readyLateMin <= readyMin) return dueMin >= readyMin ? 1 : 0;
  return normalBelow((Z_NINE_IN_TEN * (dueMin - readyMin)) / (readyLateMin - readyMin));
}

/** What it costs that an order may be missed: chances of several makes multiply, so what is added is their logarithm. */
const missedCost = (metChance: number, { sureChance, weights }: Placing): number =>
  weights.missed * Math.max(0, Math.log(sureChance / Math.max(metChance, 1e-9)));

/** A feeding is work, a tired starter a risk, and to buy a culture is worse. */
const STARTER_COST: Readonly<Record<Need['is'], number>> = { ready: 0, feed: 3, more: 4, buy: 6 };

function starterFor({ network: { sown }, starters, hours }: Placing, likely: Times): Need {
  if (!sown || !starters) return { is: 'ready' };
  return needOf(starters, sown.culture, sown.massG, likely[sown.step]!, hours, likely[0]!);
}

/** A mode before it is given its gear, and how it goes by scenario. */
export interface UnequippedMode extends Omit<MakeMode, 'gearResources' | 'uses'> {
  readonly likely: Times;
  readonly late: Times;
}

function slackCost({ steps }: Network, likely: Times, { souringSlack, otherSlack }: ObjectiveWeights): number {
  return steps.reduce((sum, { slack, sours, lasts, ends }, i) => {
    const moved = ends ? 0 : likely[i + 1]! - likely[i]! - lasts.likely;
    const most = moved > 0 ? slack.lateMin : slack.earlyMin;
    return Math.abs(moved) < 1e-6 || most <= 0
      ? sum
      : sum + (sours ? souringSlack : otherSlack) * Math.min(1, Math.abs(moved) / most) ** 2;
  }, 0);
}
