import { idOfText, type Text, uniqueTexts, say, listOf, type Value } from '../messages/message.js';
import { amount, duration, mass } from '../messages/quantity.js';
import type { ResourceProfile } from './resource-profile.js';
import { gearWord, labourResource } from './gear-resources.js';
import type { Order, Unmet } from './orders.js';
import type { PlanningProblem, WantedMake } from './planning-problem.js';
import { SLOT_MIN } from './instance.js';
import { holding } from './resources.js';
import type { Holder } from './planning-problem.js';
import { walk } from './timeline.js';
import { gramsOf, type SupplyRow } from './supplies.js';
import type { MakeMode, Placing } from './mode.js';

/** What leaving an order out costs: more than any hands in the night; one that is wanted some time less. */
export const UNMET_COST = { due: 100_000, someTime: 20_000 } as const;

/** Why a make has no mode at all, whatever else is on. */
export function whyNoMode({ id, dueMin, fromMin = 0 }: Order, { network, hours }: Placing): Unmet {
  const walked = walk(network, fromMin, hours, null, 1);
  const longMin = network.steps.reduce((sum, step) => sum + step.lasts.late, 0);
  const readyMin = walked?.at(-1)!.endMin ?? fromMin + longMin;
  if (dueMin !== null && readyMin > dueMin) {
    return {
      orderId: id,
      why: say(fromMin > 0 ? 'schedule.unmet.takesTooLongOnceMilkIsThere' : 'schedule.unmet.takesTooLongBegunAtOnce', {
        takes: duration(readyMin - fromMin),
        there: duration(dueMin - fromMin),
      }),
      remedy: say('schedule.unmet.wantLaterTakeQuicker', { due: duration(Math.ceil(readyMin - dueMin)) }),
    };
  }
  if (!walked)
    return {
      orderId: id,
      why: say('schedule.unmet.wouldNotOverWithin'),
      remedy: say('schedule.unmet.planFurtherAhead'),
    };
  return {
    orderId: id,
    why: say('schedule.unmet.keepsDaysWouldToo', { keepsDays: amount(network.keepsDays) }),
    remedy: say('schedule.unmet.wantSooner'),
  };
}

/** Why a make that has modes was left out: what stands in the way of the best of them. */
export function whyLeftOut(
  { order: { id, name }, parts, modes, network }: Pick<WantedMake, 'order' | 'parts' | 'modes' | 'network'>,
  profile: ResourceProfile,
  taken: readonly Holder[],
  { gearResources, supplyRows, dayRow }: Pick<PlanningProblem, 'gearResources' | 'supplyRows' | 'dayRow'>,
): Unmet {
  const short = shortOf(modes, profile, supplyRows);
  if (short) {
    const { kind, massG, byMin, resource, slot } = short;
    const others = holding(taken, resource, slot);
    const of = { kind, mass: mass(massG), inTime: duration(byMin), names: namesOf(others), others: others.length };
    return {
      orderId: id,
      why: say('schedule.unmet.tooLittleComes', of),
      remedy: say('schedule.unmet.buyBy', of),
      buys: { kind, massG, byMin },
    };
  }
  const clash = modes.map((mode) => profile.clash(mode)).find((c) => c !== null);
  if (!clash)
    return { orderId: id, why: say('schedule.unmet.leftOutFar'), remedy: say('schedule.unmet.letPlanSearchedFurther') };
  const { resource } = clash.use;
  const holders = holding(taken, resource, clash.slot);
  const names = namesOf(holders);
  if (resource === dayRow?.resource)
    return {
      orderId: id,
      why: say('schedule.unmet.dayIsFull', { inTime: duration(Math.max(0, dayRow.midnightsMin[clash.slot]!)), names }),
      remedy: say('schedule.unmet.wantOneThemAnother'),
    };
  const inTime = duration(clash.slot * SLOT_MIN);
  if (resource === labourResource(gearResources))
    return {
      orderId: id,
      why: say('schedule.unmet.handsWantedWhenThere', { name: name ?? network.name, inTime, names }),
      remedy: say('schedule.unmet.wantOneThemAnother'),
    };
  const { gear } = gearResources[resource]!;
  const kind = gear.name ?? gearWord(gear.kind);
  const own = idOfText(name ?? network.name);
  if (parts > 1 && holders.length > 0 && holders.every((h) => idOfText(h.name) === own))
    return {
      orderId: id,
      why: say('schedule.unmet.takenByItsOwn', { parts, kind }),
      remedy: say('schedule.unmet.wantLessOrLater'),
    };
  return {
    orderId: id,
    why:
      clash.slot === 0
        ? say('schedule.unmet.theIsTakenNow', { kind, names })
        : say('schedule.unmet.theIsTakenBy', { kind, inTime, names }),
    remedy: say('schedule.unmet.wantOneThemLater'),
  };
}

/** What too little comes of for any of some modes: of which, how much more the mode that lacks least would take, and by when. */
function shortOf(modes: readonly MakeMode[], profile: ResourceProfile, rows: readonly SupplyRow[]) {
  const lacks = modes.map((mode) => {
    const lacking = profile.lacks(mode).flatMap(({ use, units }) => {
      const row = rows.find(({ resource }) => resource === use.resource);
      return row ? [{ kind: row.kind, massG: gramsOf(units), resource: use.resource, slot: use.from }] : [];
    });
    const [most] = lacking.sort((a, b) => b.massG - a.massG);
    return most && { ...most, byMin: mode.startMin };
  });
  if (lacks.length === 0 || lacks.some((l) => l === undefined)) return null;
  return lacks.reduce((best, l) => (l!.massG < best!.massG ? l : best))!;
}

/** Names of what has something, each once: "A and B". */
export function namesOf(holders: readonly { readonly name: Text }[]): Value {
  const names = uniqueTexts(holders.map((h) => h.name));
  return names.length > 0 ? listOf(names) : say('schedule.unmet.whatIsOnAlready');
}
