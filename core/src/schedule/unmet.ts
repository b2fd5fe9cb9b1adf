import type { ResourceProfile } from './resource-profile.js';
import { gearWord, labourResource, type GearResource } from './gear-resources.js';
import type { Order, Unmet } from './orders.js';
import type { WantedMake } from './planning-problem.js';
import { SLOT_MIN } from './instance.js';
import { holding } from './resources.js';
import type { Holder } from './planning-problem.js';
import { walk } from './timeline.js';
import { sayDuration } from '../stages/words.js';
import type { Placing } from './mode.js';

/** What leaving an order out costs: more than any hands in the night; one that is wanted some time less. */
export const UNMET_COST = { due: 100_000, someTime: 20_000 } as const;

/** Why a make has no mode at all, whatever else is on. */
export function whyNoMode({ id, dueMin, fromMin = 0 }: Order, { network, hours }: Placing): Unmet {
  const walked = walk(network, fromMin, hours, 'late');
  const longMin = network.steps.reduce((sum, step) => sum + step.lasts.late, 0);
  const readyMin = walked?.at(-1)!.endMin ?? fromMin + longMin;
  if (dueMin !== null && readyMin > dueMin) {
    const since = fromMin > 0 ? 'once its milk is there' : 'begun at once';
    return {
      orderId: id,
      why: `It takes ${sayDuration(readyMin - fromMin)} nine times in ten, ${since}, and is wanted in ${sayDuration(dueMin - fromMin)}.`,
      remedy: `Want it ${sayDuration(Math.ceil(readyMin - dueMin))} later, or take a quicker make.`,
    };
  }
  if (!walked) return { orderId: id, why: 'It would not be over within the plan.', remedy: 'Plan further ahead.' };
  return {
    orderId: id,
    why: `It keeps ${network.keepsDays} days, and would be too old when it is wanted.`,
    remedy: 'Want it sooner.',
  };
}

/** Why a make that has modes was left out: what stands in the way of the best of them. */
export function whyLeftOut(
  { order: { id, name }, modes, network }: Pick<WantedMake, 'order' | 'modes' | 'network'>,
  profile: ResourceProfile,
  taken: readonly Holder[],
  gearResources: readonly GearResource[],
): Unmet {
  const clash = modes.map((mode) => profile.clash(mode)).find((c) => c !== null);
  if (!clash) return { orderId: id, why: 'It was left out so far.', remedy: 'Let the plan be searched further.' };
  const { resource } = clash.use;
  const names = namesOf(holding(taken, resource, clash.slot));
  const at = `in ${sayDuration(clash.slot * SLOT_MIN)}`;
  if (resource === labourResource(gearResources))
    return {
      orderId: id,
      why: `Hands for ${(name ?? network.name).toLowerCase()} are wanted ${at}, when there are none left: ${names} has them.`,
      remedy: 'Want one of them on another day, or have somebody help.',
    };
  const { gear } = gearResources[resource]!;
  return {
    orderId: id,
    why: `The ${gear.name ?? gearWord(gear.kind)} is taken ${at} by ${names}.`,
    remedy: 'Want one of them later, or have another.',
  };
}

/** Names of what has something, each once: "A and B". */
export const namesOf = (holders: readonly { readonly name: string }[]): string =>
  [...new Set(holders.map((h) => h.name))].join(' and ') || 'what is on already';
