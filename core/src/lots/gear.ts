import { CROCK_G_PER_ML } from '../constants/vessels.js';

/** What a kitchen makes with. */
export type GearKind =
  | 'pot'
  | 'jar'
  | 'flask'
  | 'thermostat'
  | 'lamp-oven'
  | 'bath'
  | 'strainer'
  | 'mould'
  | 'churn'
  | 'cold-shelf'
  | 'hob'
  | 'counter';

/** Something measured of a piece of gear: a figure, its spread where it has one, and when it was measured. */
export interface Learned {
  readonly value: number;
  readonly sd: number | null;
  readonly atMs: number;
  /** How much was in it then, L. */
  readonly litres?: number;
}

/** What can be learned of gear: heat lost per degree (W/K), the temperature it holds (°C), the power that reaches the milk (W). */
export type LearnedKey = 'lossWPerK' | 'holdsC' | 'powerW';

/** A measurement that is under way: kept with the gear, as it may take a night and more than one device. */
export interface UnderWay {
  readonly key: LearnedKey;
  readonly litres: number;
  readonly roomC: number;
  readonly noted: readonly { readonly atMs: number; readonly tempC: number }[];
}

/** A piece of gear, or several alike. */
export interface Gear {
  /** ULID. */
  readonly id: string;
  readonly kind: GearKind;
  readonly name: string;
  /** What one holds to the brim, L; null for what holds nothing. */
  readonly holdsL: number | null;
  readonly count: number;
  readonly learned: Readonly<Partial<Record<LearnedKey, Learned>>>;
  readonly note: string;
  readonly measuring?: UnderWay | null;
}

/** What each kind is called, whether it has a capacity, what can be learned of it, and how full it may be. */
export interface GearType {
  readonly name: string;
  readonly holds: boolean;
  readonly learns: readonly LearnedKey[];
  /** Share of its capacity that milk or curd may fill. */
  readonly fillable: number;
}

export const GEAR_TYPES: Readonly<Record<GearKind, GearType>> = {
  pot: { name: 'Pot', holds: true, learns: ['lossWPerK'], fillable: 0.9 },
  jar: { name: 'Jar', holds: true, learns: [], fillable: 0.95 },
  flask: { name: 'Flask', holds: true, learns: ['lossWPerK'], fillable: 0.97 },
  thermostat: { name: 'Thermostat', holds: true, learns: ['holdsC'], fillable: 0.95 },
  'lamp-oven': { name: 'Oven with a lamp', holds: false, learns: ['holdsC'], fillable: 1 },
  bath: { name: 'Water bath', holds: true, learns: ['holdsC'], fillable: 0.8 },
  strainer: { name: 'Strainer', holds: true, learns: [], fillable: 1 },
  mould: { name: 'Mould', holds: true, learns: [], fillable: 1 },
  churn: { name: 'Churn', holds: true, learns: [], fillable: 0.5 },
  'cold-shelf': { name: 'Cold shelf', holds: true, learns: ['holdsC'], fillable: 0.9 },
  hob: { name: 'Hob', holds: false, learns: ['powerW'], fillable: 1 },
  counter: { name: 'Counter', holds: false, learns: ['holdsC'], fillable: 1 },
};

/** What one vessel takes with its headspace left, g, to five grams below. */
export function takesG(gear: Pick<Gear, 'kind' | 'holdsL'>): number {
  return Math.floor((1000 * (fillableL(gear) ?? 0) * CROCK_G_PER_ML) / 5) * 5;
}

/** What one piece of gear may be filled with, L; null where it holds nothing. */
export function fillableL({ kind, holdsL }: Pick<Gear, 'kind' | 'holdsL'>): number | null {
  return holdsL === null ? null : holdsL * GEAR_TYPES[kind].fillable;
}
