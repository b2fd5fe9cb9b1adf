import {
  asListed,
  bareLot,
  CALCIUM,
  PLANT_BASES,
  READY_MILKS,
  REFERENCE_CREAMS,
  REFERENCE_MILKS,
  MILK_POWDER,
  RENNET_BOTTLE,
  SOUR_AGENTS,
  WHEYS,
  type Gear,
  type GearKind,
  type LotKind,
  type Stock,
} from '@oat-crock/core';
import type { Draft } from '../../state/record-writing';
import { LOT_NAMES } from './fields';
import { textOf } from '../../shared/ui/said';

/** What comes filled in from the list that is shipped, by kind. */
export const REFERENCE: Readonly<Partial<Record<LotKind, readonly Stock[]>>> = {
  milk: [...REFERENCE_MILKS, ...READY_MILKS],
  cream: REFERENCE_CREAMS,
  powder: [MILK_POWDER],
  base: PLANT_BASES,
  whey: WHEYS,
};

/** What a lot takes over from a material of the list. */
export const ofReference = (stock: Stock): Readonly<Record<string, unknown>> => ({
  name: textOf(stock.name).split(',')[0],
  ...asListed(stock),
});

const AGENT = 'vinegar';

/** What else each kind of lot begins with. */
const BEGINS: Readonly<Partial<Record<LotKind, object>>> = {
  acid: { agent: AGENT, strengthPct: SOUR_AGENTS[AGENT].strengthPct, price: 3 },
  rennet: { imcuPerMl: RENNET_BOTTLE.imcuPerMl, dropsPerMl: RENNET_BOTTLE.dropsPerMl, price: 300, amount: 50 },
  calcium: { solutionPct: CALCIUM.solutionPct, price: 20, amount: 100 },
  cloth: { weave: 'fine', amount: 1 },
  flavour: { flavour: 'herbs', saltPct: 0, fatPct: 0, waterPct: 0, hasNuts: false, amount: 50 },
};

/** A lot to be written, filled in as far as its kind allows. */
export function newLot(id: string, kind: LotKind, nowMs: number): Draft {
  const common = { ...bareLot(id, textOf(LOT_NAMES[kind]), 1000, nowMs), kind };
  const [first] = REFERENCE[kind] ?? [];
  const stock = first && { homogenised: false, stabilised: false, ...ofReference(first) };
  return { ...common, ...stock, ...BEGINS[kind] };
}

const USUAL_L: Readonly<Partial<Record<GearKind, number>>> = {
  pot: 5,
  jar: 0.5,
  flask: 1,
  thermostat: 10,
  bath: 10,
  strainer: 2,
  mould: 0.5,
  churn: 4,
  'cold-shelf': 100,
};

export function newGear(id: string, kind: GearKind, name: string): Gear {
  return { id, kind, name, holdsL: USUAL_L[kind] ?? null, count: 1, learned: {}, note: '' };
}
