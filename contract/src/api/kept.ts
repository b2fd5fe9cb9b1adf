import type { Gear, Lot, Method, Text } from '@oat-crock/core';
import type { WantedOrder } from './orders.js';
import type { PlannedBatch } from './planned-batch.js';
import type { Supply } from './supplies.js';

/** What a household keeps a record of and may change, by the family it is stored in. */
export interface KeptFamilies {
  readonly lots: Lot;
  readonly gear: Gear;
  /** Methods of one's own; the id of one is a ULID. */
  readonly methods: Method;
  readonly orders: WantedOrder;
  /** Makes of a plan that was taken. */
  readonly plannedBatches: PlannedBatch;
  /** Milk and cream that is brought. */
  readonly supplies: Supply;
}

export type Family = keyof KeptFamilies;

/** A record of any family. */
export type KeptItem = KeptFamilies[Family];

export const FAMILIES = [
  'lots',
  'gear',
  'methods',
  'orders',
  'plannedBatches',
  'supplies',
] as const satisfies readonly Family[];

/** Where the API has the records of each family. */
export const FAMILY_PATHS: Readonly<Record<Family, string>> = {
  lots: 'lots',
  gear: 'gear',
  methods: 'methods',
  orders: 'orders',
  plannedBatches: 'planned-batches',
  supplies: 'supplies',
};

/**
 * A record that stands as it would not be written today: left out of everything, so that it breaks nothing, until it is taken away or
 * written anew.
 */
export interface OddRecord {
  readonly family: Family;
  readonly id: string;
  readonly version: number;
  /** What it is called, where that can be read. */
  readonly name: string;
  /** The first field that is wrong, and what of it. */
  readonly field: string;
  readonly message: Text;
}

/** A record with the version that an edit must name. One that was taken away stays, with the moment it went. */
export interface Kept<T> {
  readonly version: number;
  readonly goneMs: number | null;
  readonly item: T;
}

export type Larder = { readonly [F in Family]: readonly Kept<KeptFamilies[F]>[] };
