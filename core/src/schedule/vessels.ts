import type { GearKind } from '../lots/gear.js';
import type { GearDemand } from '../make/gear-demands.js';
import type { GearResource } from './gear-resources.js';
import type { Network, Step } from './network.js';

/** One make stands in so many pieces of a kind at most: beyond that nobody keeps them alike. */
const MOST_PIECES = 3;
/** What a make may be shared out to: it is heated, kept and strained in several alike as in one. */
const SHARED_OUT: ReadonlySet<GearKind> = new Set<GearKind>([
  'pot',
  'strainer',
  'thermostat',
  'bath',
  'flask',
  'lamp-oven',
  'cold-shelf',
]);

/**
 * The demands of a make with what no single piece holds shared out to several: the largest filled to the full, the rest in the
 * smallest that holds it. Null where all there is of a kind would not hold it.
 */
export function sharedOut(
  demands: readonly GearDemand[],
  gearResources: readonly GearResource[],
): readonly GearDemand[] | null {
  const out: GearDemand[] = [];
  for (const [d, demand] of demands.entries()) {
    const sizes = gearResources.flatMap(({ gear: { kind, count }, mostL }) =>
      kind === demand.gear ? new Array<number>(count).fill(mostL) : [],
    );
    if (sizes.some((mostL) => mostL >= demand.litres)) {
      out.push(demand);
      continue;
    }
    const pieces = SHARED_OUT.has(demand.gear) ? piecesFor(demand.litres, sizes) : null;
    if (!pieces) return null;
    out.push(...pieces.map((litres) => ({ ...demand, litres, ofOne: d })));
  }
  return out;
}

/** So many litres over pieces of some sizes, as few as will do; null where they do not. */
function piecesFor(litres: number, sizes: readonly number[]): readonly number[] | null {
  const largest = [...sizes].sort((a, b) => b - a).slice(0, MOST_PIECES);
  let leftL = litres;
  const filled: number[] = [];
  for (const mostL of largest) {
    filled.push(Math.min(leftL, mostL));
    leftL -= mostL;
    if (leftL <= 0) return filled;
  }
  return null;
}

/** Hands are so many times as long for each further vessel that they see to: judgement. */
const FURTHER_VESSEL = 0.5;
/** What is seen to piece by piece; what only stands somewhere is not. */
const SEEN_TO: ReadonlySet<GearKind> = new Set<GearKind>(['pot', 'strainer']);

/** A make in several vessels: it stands in each of them, and its hands are longer where they see to more than one. */
export function inVessels(network: Network, demands: readonly GearDemand[]): Network {
  if (demands.length === network.demands.length) return network;
  const vesselsAt = (step: number) =>
    Math.max(
      1,
      ...demands
        .filter((d) => SEEN_TO.has(d.gear) && d.firstStep <= step && d.lastStep >= step)
        .map(
          ({ gear, ofOne }) =>
            demands.filter((d) => d.gear === gear && d.ofOne === ofOne && ofOne !== undefined).length,
        ),
    );
  const steps = network.steps.map((step, i): Step => {
    const handsMin = step.handsMin * (1 + FURTHER_VESSEL * (vesselsAt(i) - 1));
    return { ...step, handsMin };
  });
  return { ...network, steps, demands };
}
