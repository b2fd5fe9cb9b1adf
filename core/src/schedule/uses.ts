import { labourResource, takenOf } from './gear-resources.js';
import { LABOUR_UNITS } from './hours.js';
import { mergedUses, SLOT_MIN, type Use } from './instance.js';
import { FEED_HANDS } from './starters.js';
import { boundMin } from './timeline.js';
import type { Placing, UnequippedMode } from './mode.js';

/** Slots from one minute to another, the last not among them; one at least. */
function slots(fromMin: number, toMin: number): Pick<Use, 'from' | 'to'> {
  const from = Math.floor(fromMin / SLOT_MIN);
  return { from, to: Math.max(from + 1, Math.ceil(toMin / SLOT_MIN - 1e-9)) };
}

/** What a walk takes of gear: each piece until the step is over nine times in ten, and the shelf until it is fetched. */
export function standing(
  { likely, late }: Pick<UnequippedMode, 'likely' | 'late'>,
  set: readonly number[],
  { network, gearResources, dueMin }: Placing,
): readonly Use[] {
  const gear = network.demands.map((demand, s): Use => {
    const gearResource = gearResources[set[s]!]!;
    const endMin = Math.max(likely[demand.lastStep + 1]!, late[demand.lastStep + 1]!);
    return { resource: set[s]!, ...slots(likely[demand.firstStep]!, endMin), ...takenOf(gearResource, demand) };
  });
  const shelf = gearResources.findIndex((r) => r.gear.kind === 'cold-shelf');
  const readyMin = likely.at(-1)!;
  if (shelf < 0 || dueMin === null || dueMin <= readyMin) return gear;
  const kept = { resource: shelf, ...slots(readyMin, dueMin), units: Math.ceil(network.productG / 100), setting: 0 };
  return [...gear, kept];
}

/** The hands of a walk, as likely, and of the feeding before it. */
export function labourOf({ likely, starter }: UnequippedMode, { network, gearResources }: Placing): readonly Use[] {
  const resource = labourResource(gearResources);
  const own = network.steps.flatMap((step, i) => labourUses(likely[i]!, boundMin(step), resource));
  if (starter.is !== 'feed') return mergedUses(own);
  const { beginMin, ripeMin } = starter.feed;
  const feeding = [
    ...labourUses(beginMin, FEED_HANDS.beginMin, resource),
    ...labourUses(ripeMin, FEED_HANDS.endMin, resource),
  ];
  return mergedUses([...own, ...feeding]);
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
