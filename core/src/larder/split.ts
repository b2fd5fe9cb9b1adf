import { fillableL, type Gear } from '../lots/gear.js';

/** A share of a batch in one vessel. */
export interface Share {
  readonly gear: Gear;
  readonly litres: number;
}

/** Where a volume goes: into one vessel, over several, or how much of it would fit into all there are. */
export type Fit =
  | { readonly how: 'one'; readonly shares: readonly [Share] }
  | { readonly how: 'split'; readonly shares: readonly Share[] }
  | { readonly how: 'too much'; readonly fitsL: number };

/**
 * Finds room for a volume (L) in vessels, headspace left free: the smallest that takes all of it, else as few of the
 * largest as it needs, each as full as the others in proportion, so that they cool and sour alike.
 */
export function fitInto(litres: number, vessels: readonly Gear[]): Fit {
  const each = vessels
    .flatMap((gear) => Array.from({ length: gear.count }, () => ({ gear, roomL: fillableL(gear) ?? 0 })))
    .filter((v) => v.roomL > 0)
    .sort((a, b) => a.roomL - b.roomL);
  const whole = each.find((v) => v.roomL >= litres - 1e-9);
  if (whole) return { how: 'one', shares: [{ gear: whole.gear, litres }] };
  const taken = [];
  let roomL = 0;
  for (const vessel of [...each].reverse()) {
    taken.push(vessel);
    roomL += vessel.roomL;
    if (roomL >= litres - 1e-9) {
      const share = litres / roomL;
      return { how: 'split', shares: taken.map((v) => ({ gear: v.gear, litres: v.roomL * share })) };
    }
  }
  return { how: 'too much', fitsL: roomL };
}
