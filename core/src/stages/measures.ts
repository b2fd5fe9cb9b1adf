import { denaturedBetaLg } from '../physics/denaturation.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { firmness, type CrockState } from '../state/crock-state.js';

/** One thing that can be drawn of a crock through time. */
export interface Measure {
  readonly name: string;
  readonly unit: '°C' | 'g' | 'pH' | '%' | '';
  /** Read off a state; `begun` is the crock as its stage began. */
  readonly of: (state: CrockState, begun: CrockState) => number;
  /** Range that the axis always shows, in the unit. */
  readonly shows: readonly [least: number, most: number];
}

/** What a stage can be drawn by. */
export const MEASURES = {
  tempC: { name: 'Temperature', unit: '°C', of: (s) => s.tempC, shows: [0, 50] },
  ph: { name: 'Acidity', unit: 'pH', of: (s) => s.ph, shows: [4, 7] },
  wheyG: { name: 'Whey', unit: 'g', of: (s) => totalG(s.whey), shows: [0, 100] },
  massG: { name: 'In the crock', unit: 'g', of: (s) => totalG(s.masses), shows: [0, 100] },
  solidsPct: { name: 'Solids', unit: '%', of: (s) => 100 * solidsFraction(s.masses), shows: [0, 40] },
  unfoldedPct: {
    name: 'Whey protein unfolded',
    unit: '%',
    of: (s) => 100 * denaturedBetaLg(s.native),
    shows: [0, 100],
  },
  churnedPct: { name: 'Churned', unit: '%', of: (s) => 100 * Math.min(1, s.curd.churned), shows: [0, 100] },
  clottedPct: { name: 'Clotted', unit: '%', of: (s) => 100 * Math.min(1, s.curd.clotted), shows: [0, 100] },
  firmness: { name: 'Firmness index', unit: '', of: (s) => firmness(s), shows: [0, 100] },
  gasG: { name: 'Gas made', unit: 'g', of: (s, begun) => s.gasG - begun.gasG, shows: [0, 1] },
} as const satisfies Readonly<Record<string, Measure>>;

export type MeasureId = keyof typeof MEASURES;
