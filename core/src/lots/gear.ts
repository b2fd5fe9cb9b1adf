import { CROCK_G_PER_ML } from '../constants/vessels.js';
import { say, type Text } from '../messages/message.js';

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
  /** How warm the room was then, °C. */
  readonly roomC?: number;
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
  /** What it is called within a sentence. */
  readonly name: Text;
  readonly holds: boolean;
  readonly learns: readonly LearnedKey[];
  /** Share of its capacity that milk or curd may fill. */
  readonly fillable: number;
}

export const GEAR_TYPES: Readonly<Record<GearKind, GearType>> = {
  pot: { name: say('gear.pot'), holds: true, learns: ['lossWPerK'], fillable: 0.9 },
  jar: { name: say('gear.jar'), holds: true, learns: [], fillable: 0.95 },
  flask: { name: say('gear.flask'), holds: true, learns: ['lossWPerK'], fillable: 0.97 },
  thermostat: { name: say('gear.thermostat'), holds: true, learns: ['holdsC'], fillable: 0.95 },
  'lamp-oven': { name: say('gear.lampOven'), holds: false, learns: ['holdsC'], fillable: 1 },
  bath: { name: say('gear.bath'), holds: true, learns: ['holdsC'], fillable: 0.8 },
  strainer: { name: say('gear.strainer'), holds: true, learns: [], fillable: 1 },
  mould: { name: say('gear.mould'), holds: true, learns: [], fillable: 1 },
  churn: { name: say('gear.churn'), holds: true, learns: [], fillable: 0.5 },
  'cold-shelf': { name: say('gear.coldShelf'), holds: true, learns: ['holdsC'], fillable: 0.9 },
  hob: { name: say('gear.hob'), holds: false, learns: ['powerW'], fillable: 1 },
  counter: { name: say('gear.counter'), holds: false, learns: ['holdsC'], fillable: 1 },
};

/** What one vessel takes with its headspace left, g, to five grams below. */
export function takesG(gear: Pick<Gear, 'kind' | 'holdsL'>): number {
  return Math.floor((1000 * (fillableL(gear) ?? 0) * CROCK_G_PER_ML) / 5) * 5;
}

/** What one piece of gear may be filled with, L; null where it holds nothing. */
export function fillableL({ kind, holdsL }: Pick<Gear, 'kind' | 'holdsL'>): number | null {
  return holdsL === null ? null : holdsL * GEAR_TYPES[kind].fillable;
}
