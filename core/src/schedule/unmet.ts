import type { Board } from './board.js';
import { gearWord, handsResource, type Rack } from './gear.js';
import type { Order, Unmet } from './orders.js';
import { SLOT_MIN } from './puzzle.js';
import { walk } from './timeline.js';
import { sayDuration } from '../stages/words.js';
import type { PlacedWay, Placing } from './way.js';

/** Why a make has no way at all, whatever else is on. */
export function whyNoWay({ id, dueMin, pinnedMin, fromMin = 0 }: Order, { network, hours }: Placing): Unmet {
  const begin = pinnedMin ?? fromMin;
  const walked = walk(network, begin, hours, 'late');
  const longMin = network.steps.reduce((sum, step) => sum + step.lasts.late, 0);
  const readyMin = walked?.at(-1)!.endMin ?? begin + longMin;
  if (pinnedMin !== undefined)
    return {
      orderId: id,
      why: 'Begun when it is pinned, it is not ready in time, or too old by then.',
      remedy: 'Let it go, or pin it elsewhere.',
    };
  if (dueMin !== null && readyMin > dueMin) {
    const since = fromMin > 0 ? 'once its milk is there' : 'begun at once';
    return {
      orderId: id,
      why: `It takes ${sayDuration(readyMin - begin)} nine times in ten, ${since}, and is wanted in ${sayDuration(dueMin - begin)}.`,
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

interface TakenWay {
  readonly network: { readonly name: string };
  readonly way: PlacedWay;
}

/** Why a make that has ways was left out: what stands in the way of the best of them. */
export function whyLeftOut(
  {
    order: { id },
    ways,
    network,
  }: { readonly order: Order; readonly ways: readonly PlacedWay[]; readonly network: TakenWay['network'] },
  board: Board,
  taken: readonly TakenWay[],
  racks: readonly Rack[],
): Unmet {
  const clash = ways.map((way) => board.clash(way)).find((c) => c !== null);
  if (!clash) return { orderId: id, why: 'It was left out so far.', remedy: 'Let the plan be searched further.' };
  const { resource } = clash.use;
  const holders = taken.filter(({ way }) =>
    way.uses.some((u) => u.resource === resource && u.from <= clash.slot && u.to > clash.slot),
  );
  const names = [...new Set(holders.map((h) => h.network.name))].join(' and ') || 'what is on already';
  const at = `in ${sayDuration(clash.slot * SLOT_MIN)}`;
  if (resource === handsResource(racks))
    return {
      orderId: id,
      why: `Hands for ${network.name.toLowerCase()} are wanted ${at}, when there are none left: ${names} has them.`,
      remedy: 'Want one of them on another day, or have somebody help.',
    };
  const { gear } = racks[resource]!;
  return {
    orderId: id,
    why: `The ${gear.name ?? gearWord(gear.kind)} is taken ${at} by ${names}.`,
    remedy: 'Want one of them later, or have another.',
  };
}
