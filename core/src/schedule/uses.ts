import type { GearDemand } from '../make/gear-demands.js';
import { labourResource, takenOf } from './gear-resources.js';
import { LABOUR_UNITS } from './hours.js';
import { mergedUses, SLOT_MIN, type Use } from './instance.js';
import { FEED_HANDS, type Need } from './starters.js';
import { boundMin, type Times } from './timeline.js';
import type { Placing } from './mode.js';

/** Slots from one minute to another, the last not among them; one at least. */
function slots(fromMin: number, toMin: number): Pick<Use, 'from' | 'to'> {
  const from = Math.floor(fromMin / SLOT_MIN);
  return { from, to: Math.max(from + 1, Math.ceil(toMin / SLOT_MIN - 1e-9)) };
}

/** A piece of gear and those of a make's demands that are given it. */
export interface GivenPiece {
  readonly resource: number;
  readonly demands: readonly GearDemand[];
}

/** The shelf that a product stands on until it is fetched; null where nobody said when, or there is none. */
export function shelfOf({ gearResources, dueMin }: Placing): number | null {
  const shelf = gearResources.findIndex((r) => r.gear.kind === 'cold-shelf');
  return shelf < 0 || dueMin === null ? null : shelf;
}

/** What a make takes of a piece of gear: until the step is over nine times in ten, and of the shelf until it is fetched. */
export function standingIn(
  { resource, demands }: GivenPiece,
  { likely, late }: { readonly likely: Times; readonly late: Times },
  placing: Placing,
): readonly Use[] {
  const { gearResources } = placing;
  const useOf = (demand: GearDemand): Use => {
    const during = slots(likely[demand.firstStep]!, late[demand.lastStep + 1]!);
    return { resource, ...during, ...takenOf(gearResources[resource]!, demand) };
  };
  const uses = demands.filter((d) => d.ofOne === undefined).map(useOf);
  if (uses.length < demands.length) uses.push(...mergedUses(demands.filter((d) => d.ofOne !== undefined).map(useOf)));
  const readyMin = likely.at(-1)!;
  if (resource === shelfOf(placing)) uses.push(...untilFetched(readyMin, resource, placing));
  // A make that goes back into the same piece has it once, however late it came out of it.
  return uses.length > 1 ? mergedUses(uses, 'most') : uses;
}

/** What a product takes of the shelf until each of those it is for has fetched theirs. */
function untilFetched(readyMin: number, resource: number, { network, dueMin, shares }: Placing): readonly Use[] {
  const fetched = shares?.filter((s) => s.dueMin !== null) ?? [{ dueMin, productG: network.productG }];
  const wantedG = fetched.reduce((sum, s) => sum + s.productG, 0);
  let [fromMin, leftG] = [readyMin, network.productG];
  return fetched.flatMap((share): Use[] => {
    const use = { resource, ...slots(fromMin, share.dueMin!), units: Math.ceil(leftG / 100), setting: 0 };
    leftG -= (network.productG * share.productG) / wantedG;
    const isAfter = share.dueMin! > fromMin;
    fromMin = Math.max(fromMin, share.dueMin!);
    return isAfter ? [use] : [];
  });
}

/** The hands of a make, as likely, and of the feeding before it. */
export function labourOf(likely: Times, starter: Need, { network, hours, gearResources }: Placing): readonly Use[] {
  const resource = labourResource(gearResources);
  const bySlot = new Map<number, number>();
  const add = (beginMin: number, minutes: number) => {
    for (const { from, units } of labourUses(beginMin, minutes, resource))
      bySlot.set(from, (bySlot.get(from) ?? 0) + units);
  };
  network.steps.forEach((step, i) => {
    add(likely[i]!, boundMin(step));
    if (step.forTwo && hours.hasTwo) add(likely[i]!, boundMin(step));
  });
  if (starter.is === 'feed') {
    add(starter.feed.beginMin, FEED_HANDS.beginMin);
    add(starter.feed.ripeMin, FEED_HANDS.endMin);
  }
  return [...bySlot]
    .filter(([, units]) => units > 0)
    .map(([from, units]) => ({ resource, from, to: from + 1, units, setting: 0 }));
}

/** Hands in the slots they fall into, by the minutes of each. */
export function labourUses(beginMin: number, minutes: number, resource: number): readonly Use[] {
  const uses: Use[] = [];
  for (let t = beginMin; t < beginMin + minutes - 1e-9;) {
    const slot = Math.floor(t / SLOT_MIN + 1e-9);
    const next = Math.min(beginMin + minutes, (slot + 1) * SLOT_MIN);
    uses.push({ resource, from: slot, to: slot + 1, units: Math.floor(LABOUR_UNITS * (next - t)), setting: 0 });
    t = next;
  }
  return uses;
}
