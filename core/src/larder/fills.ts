import type { Choices } from '../methods/method.js';
import { takesG, type Gear, type GearKind } from '../lots/gear.js';
import type { Lot } from '../lots/lot.js';
import type { LotKind } from '../lots/lot-of.js';
import { isStock, lotChoice } from '../lots/lot.js';

/**
 * What choosing a thing of one's own answers on a sheet: each kind of lot and gear fills some choices at once. The first
 * is the one beside which it is offered. Choices that a method does not have are left out by whoever fills them in.
 */
export interface Fill {
  readonly beside: string;
  readonly choices: Choices;
}

/** What a bottle or a cloth of each kind answers. */
type OfBottle = { readonly [K in LotKind]?: (lot: Extract<Lot, { kind: K }>) => Choices };

const OF_BOTTLE: OfBottle = {
  acid: (lot) => ({ agent: lot.agent, acidPct: lot.strengthPct, acidPrice: lot.price }),
  rennet: (lot) => ({ imcuPerMl: lot.imcuPerMl, dropsPerMl: lot.dropsPerMl }),
  calcium: (lot) => ({ solutionPct: lot.solutionPct }),
  cloth: (lot) => ({ weave: lot.weave }),
  flavour: (lot) => ({
    flavour: lot.flavour,
    flavourSaltPct: lot.saltPct,
    flavourFatPct: lot.fatPct,
    flavourWaterPct: lot.waterPct,
    flavourNuts: lot.hasNuts ? 'yes' : 'no',
    flavourPrice: lot.price,
  }),
};

/** What a lot fills in: what it is, and what it costs. Null where no choice asks for its kind. */
export function fillOfLot(lot: Lot): Fill | null {
  if (isStock(lot)) {
    if (lot.kind === 'powder') return null;
    const key = lot.kind === 'base' ? 'base' : lot.kind === 'cream' ? 'cream' : 'milk';
    const price = lot.kind === 'cream' ? 'creamPrice' : 'milkPrice';
    return { beside: key, choices: { [key]: lotChoice(lot.id), [price]: lot.price } };
  }
  const fill = OF_BOTTLE[lot.kind] as ((lot: Lot) => Choices) | undefined;
  return fill ? filled(fill(lot)) : null;
}

const held = (gear: Gear, usual: number) => gear.learned.holdsC?.value ?? usual;
/** What an oven's lamp holds in a room of so many °C: as much over it as when it was measured. */
const lampHolds = ({ learned: { holdsC } }: Gear, roomC: number | null) =>
  holdsC && holdsC.roomC !== undefined && roomC !== null ? holdsC.value + roomC - holdsC.roomC : holdsC?.value;
/** A thermostat nobody has measured is taken at its usual setting, °C. */
const USUAL_KEEP_C = 43;

const OF_GEAR: Readonly<Partial<Record<GearKind, (gear: Gear, roomC: number | null) => Choices>>> = {
  pot: (gear) => ({ vesselL: gear.holdsL! }),
  strainer: (gear) => ({ strainerL: gear.holdsL! }),
  churn: (gear) => ({ churnL: gear.holdsL! }),
  jar: (gear) => ({ potG: takesG(gear) }),
  mould: (gear) => ({ potG: takesG(gear) }),
  flask: () => ({ keeper: 'flask' }),
  thermostat: (gear) => ({ keeper: 'thermostat', keepC: toHalf(held(gear, USUAL_KEEP_C)) }),
  // A bath that was seen to hold a warmth is one that is heated; another cools with what stands in it.
  bath: (gear) =>
    gear.learned.holdsC ? { keeper: 'thermostat', keepC: toHalf(gear.learned.holdsC.value) } : { keeper: 'bath' },
  'lamp-oven': (gear, roomC) => ({ keeper: 'lamp-oven', keepC: toHalf(lampHolds(gear, roomC) ?? USUAL_KEEP_C) }),
};

/**
 * What a piece of gear fills in; null where no choice asks for its kind.
 *
 * @param roomC the room it is to stand in, °C; null where nobody says
 */
export function fillOfGear(gear: Gear, roomC: number | null = null): Fill | null {
  const fill = OF_GEAR[gear.kind];
  return fill ? filled(fill(gear, roomC)) : null;
}

const toHalf = (tempC: number) => Math.round(tempC * 2) / 2;

function filled(choices: Choices): Fill {
  return { beside: Object.keys(choices)[0]!, choices };
}
