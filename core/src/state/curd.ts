import type { AcidId } from '../constants/acids.js';
import type { Sourness } from '../physics/acids.js';
import type { BufferMilk } from '../physics/buffer.js';
import type { Masses } from '../materials/composition.js';

/** A curd on its cloth: what went on, and the whey that has run off since, g. */
export interface Draining {
  readonly loaded: Masses;
  readonly wheyG: number;
}

/** Acid going in by parts: the milk as it was before the first, what is to go in, and how much of that has. */
export interface Acidifying {
  readonly sinceMinute: number;
  readonly milk: BufferMilk;
  readonly already: Sourness;
  readonly milkG: number;
  readonly acid: AcidId;
  /** The whole dose: mass of the agent, g, and the pure acid in it, mol. */
  readonly massG: number;
  readonly acidMol: number;
  /** Share of the dose that is in, 0–1. */
  readonly share: number;
}

/** What it has become: milk or the gel that souring makes of it; grains out of hot milk; cream thickened by acid and heat; a crust; a melt. */
export type Body = 'gel' | 'grains' | 'thickened' | 'crust' | 'melt';

/** What hands, acid and enzymes have made of the milk in the crock, besides souring and heating it. */
export interface Curd {
  readonly body: Body;
  /** 0 = left alone, 1 = stirred through. */
  readonly disturbed: number;
  /** True once the gel is cut, so that whey has a short way out. */
  readonly cut: boolean;
  /** Times it was turned or stirred in its cloth. */
  readonly turns: number;
  readonly draining: Draining | null;
  /** Rennet still in it, IMCU per kg of milk, and how far it has clotted it, in times of flocculation. */
  readonly rennetImcuPerKg: number;
  readonly clotted: number;
  /** Calcium chloride added, g per kg of milk. */
  readonly calciumGPerKg: number;
  readonly acidifying: Acidifying | null;
  /** Bicarbonate of soda worked into it, g: its sodium counts as salt on a label. */
  readonly sodaG: number;
  /** How far it is churned: 0 = cream, 1 = broken into grains of butter. */
  readonly churned: number;
  /** Minutes of washing still to do. */
  readonly washMin: number;
  /** Kefir grains among it, g. */
  readonly grainsG: number;
  /** Days that what was folded into it lets it keep at most; null where nothing shortens its life. */
  readonly keepsMostDays: number | null;
  /** It is wrapped to be frozen. */
  readonly isFrozen: boolean;
}

/** Milk that nobody has done anything to. */
export const UNTOUCHED: Curd = {
  body: 'gel',
  disturbed: 0,
  cut: false,
  turns: 0,
  draining: null,
  rennetImcuPerKg: 0,
  clotted: 0,
  calciumGPerKg: 0,
  acidifying: null,
  sodaG: 0,
  churned: 0,
  washMin: 0,
  grainsG: 0,
  keepsMostDays: null,
  isFrozen: false,
};
