import { say, type Text } from '../messages/message.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { firmness, type CrockState } from '../state/crock-state.js';

/** One thing that can be drawn of a crock through time. */
export interface Measure {
  readonly name: Text;
  readonly unit: '°C' | 'g' | 'pH' | '%' | '';
  /** Read off a state; `begun` is the crock as its stage began. */
  readonly of: (state: CrockState, begun: CrockState) => number;
  /** Range that the axis always shows, in the unit. */
  readonly shows: readonly [least: number, most: number];
}

/** What a stage can be drawn by. */
export const MEASURES = {
  tempC: { name: say('stages.measures.temperature'), unit: '°C', of: (s) => s.tempC, shows: [0, 50] },
  ph: { name: say('stages.measures.acidity'), unit: 'pH', of: (s) => s.ph, shows: [4, 7] },
  wheyG: { name: say('stages.measures.whey'), unit: 'g', of: (s) => totalG(s.whey), shows: [0, 100] },
  massG: { name: say('stages.measures.inTheCrock'), unit: 'g', of: (s) => totalG(s.masses), shows: [0, 100] },
  solidsPct: {
    name: say('stages.measures.solids'),
    unit: '%',
    of: (s) => 100 * solidsFraction(s.masses),
    shows: [0, 40],
  },
  unfoldedPct: {
    name: say('stages.measures.wheyProteinUnfolded'),
    unit: '%',
    of: (s) => 100 * denaturedBetaLg(s.native),
    shows: [0, 100],
  },
  churnedPct: {
    name: say('stages.measures.churned'),
    unit: '%',
    of: (s) => 100 * Math.min(1, s.curd.churned),
    shows: [0, 100],
  },
  clottedPct: {
    name: say('stages.measures.clotted'),
    unit: '%',
    of: (s) => 100 * Math.min(1, s.curd.clotted),
    shows: [0, 100],
  },
  firmness: { name: say('stages.measures.firmnessIndex'), unit: '', of: (s) => firmness(s), shows: [0, 100] },
  gasG: { name: say('stages.measures.gasMade'), unit: 'g', of: (s, begun) => s.gasG - begun.gasG, shows: [0, 1] },
} as const satisfies Readonly<Record<string, Measure>>;

export type MeasureId = keyof typeof MEASURES;
