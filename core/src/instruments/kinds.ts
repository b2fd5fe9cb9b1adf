import type { CrockQuantity, InstrumentKind, InstrumentQuantity } from './kind.js';
import { PH_PROBE } from './ph-probe.js';
import { ROOM_LOGGER } from './room-logger.js';
import { SCALE } from './scale.js';
import { THERMOMETER } from './thermometer.js';

/** Every kind of instrument that there is: a new one is a file, and a line here. */
export const INSTRUMENT_KINDS = {
  thermometer: THERMOMETER,
  'ph-probe': PH_PROBE,
  scale: SCALE,
  'room-logger': ROOM_LOGGER,
} as const satisfies Readonly<Record<string, InstrumentKind>>;

export type SimulatedKind = keyof typeof INSTRUMENT_KINDS;

/** Those that stand in a crock. */
export type CrockSimulator = {
  [K in SimulatedKind]: (typeof INSTRUMENT_KINDS)[K]['quantity'] extends CrockQuantity ? K : never;
}[SimulatedKind];

type Kind = (typeof INSTRUMENT_KINDS)[SimulatedKind];

/** Whether what reads a quantity hangs in the room, and stands in no crock. */
export const isOfRoom = (quantity: InstrumentQuantity): quantity is Exclude<InstrumentQuantity, CrockQuantity> =>
  !('by' in kindReading(quantity));

/** The kind of instrument that reads a quantity. */
export const kindReading = <Q extends InstrumentQuantity>(quantity: Q): Extract<Kind, { readonly quantity: Q }> =>
  Object.values(INSTRUMENT_KINDS).find((kind) => kind.quantity === quantity) as Extract<Kind, { readonly quantity: Q }>;
