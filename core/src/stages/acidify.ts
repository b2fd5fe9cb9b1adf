import { ACIDS, SOUR_AGENTS, type AcidId, type SourAgentId } from '../constants/acids.js';
import { MOLAR_G } from '../constants/milk.js';
import { acidDose, phOf, type AcidDose, type Sourness } from '../physics/acids.js';
import { bufferMilkOf } from '../physics/buffer.js';
import { massesBy, totalG } from '../state/composition.js';
import { pourIn, type CrockState } from '../state/crock-state.js';
import { kitchenMeasure } from '../units/kitchen.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sayMass, sayTemp } from './words.js';

export interface AcidifyParams {
  readonly agent: SourAgentId;
  readonly targetPh: number;
}

const TAKES_MIN = 5;

/** Cooler than this (°C) the curd stays fine and does not part from its whey. */
const PARTS_FROM_C = 78;

/** Acid stirred in by parts until the whey is clear. */
export const acidify: StageKind<AcidifyParams> = {
  kind: 'acidify',
  defaults: { agent: 'lemon', targetPh: 5.6 },
  name: () => 'acid',
  instruction: (params, before) => {
    const { ml, massG, reserve } = doseFor(before, params);
    const { name } = SOUR_AGENTS[params.agent];
    const much = ml === null ? sayMass(massG) : `${Math.round(ml)} mL (${kitchenMeasure(ml)})`;
    const by = ml === null ? sayMass(reserve) : `${Math.round(reserve)} mL`;
    return `Stir in ${much} ${name} by thirds, a slow turn each, waiting a minute between; stop when the whey is clear. Keep ${by} more at hand.`;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['pot', 'spoon'],
  weighIn: (params, before) => {
    const { massG } = doseFor(before, params);
    const { name, gPerMl } = SOUR_AGENTS[params.agent];
    return [{ what: capital(name), massG, gPerMl: gPerMl ?? CRYSTALS_G_PER_ML, pricedAs: 'acid' }];
  },
  begin: (state, params) => {
    const { massG, acidMol } = doseFor(state, params);
    const { acid } = SOUR_AGENTS[params.agent];
    const acidG = acidMol * ACIDS[acid].molarG;
    const component = COMPONENT_OF[acid];
    const poured = pourIn(
      state,
      massesBy((c) => (c === component ? acidG : c === 'water' ? massG - acidG : 0)),
    );
    return {
      ...poured,
      parted: state.tempC >= PARTS_FROM_C,
      ph: phOf(bufferMilkOf(state.masses, state.freshPh), sournessAfter(state, acid, acidMol)),
    };
  },
  give: () => ({ earlyMin: 0, lateMin: 3, cost: 'Cooling, the curd comes finer and holds more whey.' }),
  endCue: () => 'Curd floats in clear, greenish whey.',
  cues: [{ cue: 'clarity', ask: 'How is the whey?', answers: ['milky', 'cloudy', 'clear', 'greenish'] }],
  cautions: () => [CAUTIONS.hot],
  problems: (_params, state) =>
    state.tempC < PARTS_FROM_C
      ? [
          {
            field: 'heatC',
            message: `At ${sayTemp(state.tempC)} the curd will not part from its whey.`,
            remedy: `Heat it to 85 °C or more before the acid.`,
          },
        ]
      : [],
};

/** Crystals of a spoonful, g/mL. */
const CRYSTALS_G_PER_ML = 0.9;

/** Where each acid is booked: tartaric has no line of its own. */
const COMPONENT_OF = { lactic: 'lactic', citric: 'citric', acetic: 'acetic', tartaric: 'other' } as const;

function doseFor(state: CrockState, { agent, targetPh }: AcidifyParams): AcidDose {
  const milk = bufferMilkOf(state.masses, state.freshPh);
  return acidDose(totalG(state.masses), milk, sournessOf(state), agent, SOUR_AGENTS[agent].strengthPct, targetPh);
}

/** The acids in a crock, mol per kg. */
function sournessOf({ masses }: CrockState): Sourness {
  const perKg = 1000 / totalG(masses);
  return {
    lactic: (masses.lactic / MOLAR_G.lactic) * perKg,
    citric: (masses.citric / ACIDS.citric.molarG) * perKg,
    acetic: (masses.acetic / ACIDS.acetic.molarG) * perKg,
  };
}

/** The acids per kg of the milk as it was, with some more of one. */
function sournessAfter(state: CrockState, acid: AcidId, mol: number): Sourness {
  const before = sournessOf(state);
  return { ...before, [acid]: (before[acid] ?? 0) + (1000 * mol) / totalG(state.masses) };
}

const capital = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`;
