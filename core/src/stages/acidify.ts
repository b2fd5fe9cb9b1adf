import { ACIDS, SOUR_AGENTS, type AcidId, type SourAgentId } from '../constants/acids.js';
import { acidDose, phOf, type AcidDose, type Sourness } from '../physics/acids.js';
import { bufferMilkOf } from '../physics/buffer.js';
import { massesBy, totalG } from '../state/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { kitchenMeasure } from '../units/kitchen.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';
import { SAFE_PH } from './pass-time.js';
import { sournessOf } from './sourness.js';
import { sayMass, sayTemp } from './words.js';

export interface AcidifyParams {
  readonly agent: SourAgentId;
  readonly targetPh: number;
  /** What it is to become: curd parted from its whey, or cream thickened without parting. */
  readonly into: 'curd' | 'thick cream';
}

const TAKES_MIN = 5;

/** Cooler than this (°C) the curd stays fine and does not part from its whey. */
const PARTS_FROM_C = 78;

/** Acid stirred in by parts until the whey is clear. */
export const acidify: StageKind<AcidifyParams> = {
  kind: 'acidify',
  defaults: { agent: 'lemon', targetPh: 5.6, into: 'curd' },
  name: () => 'acid',
  instruction: (params, before) => {
    const { ml, massG, reserve } = doseFor(before, params);
    const { name } = SOUR_AGENTS[params.agent];
    const much = ml === null ? sayMass(massG) : `${Math.round(ml)} mL (${kitchenMeasure(ml)})`;
    const by = ml === null ? sayMass(reserve) : `${Math.round(reserve)} mL`;
    if (params.into === 'thick cream') return `Stir in ${much} ${name} a spoon at a time until it coats the spoon.`;
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
    const body = params.into === 'thick cream' ? 'thickened' : state.tempC >= PARTS_FROM_C ? 'grains' : 'gel';
    return {
      ...withCurd(poured, { body }),
      ph: phOf(bufferMilkOf(state.masses, state.freshPh), sournessAfter(state, acid, acidMol)),
    };
  },
  give: () => ({ earlyMin: 0, lateMin: 3, cost: 'Cooling, the curd comes finer and holds more whey.' }),
  endCue: (params) =>
    params.into === 'curd' ? 'Curd floats in clear, greenish whey.' : 'It coats the back of the spoon; no grains.',
  cues: [{ cue: 'clarity', ask: 'How is the whey?', answers: ['milky', 'cloudy', 'clear', 'greenish'] }],
  cautions: ({ targetPh }) => [CAUTIONS.hot, ...(targetPh > SAFE_PH ? [CAUTIONS.notAcid] : [])],
  problems: (params, state) => [...tooSour(state), ...tooCool(params, state)],
};

/** Milk or whey sourer than this has lost the calcium that its curd would be made of, and parts fine or not at all. */
const SWEET_FROM_PH = 6;

function tooSour(state: CrockState): Problem[] {
  if (state.ph >= SWEET_FROM_PH) return [];
  return [
    {
      field: 'milk',
      message: `At pH ${state.ph.toFixed(1)} it is too sour already: heated, it gives a fine grit or no curd at all.`,
      remedy: 'Take milk, or sweet whey of pH 6.0 or more on the day it was made.',
    },
  ];
}

function tooCool({ into }: AcidifyParams, state: CrockState): Problem[] {
  if (into !== 'curd' || state.tempC >= PARTS_FROM_C) return [];
  return [
    {
      field: 'heatC',
      message: `At ${sayTemp(state.tempC)} the curd will not part from its whey.`,
      remedy: 'Heat it to 85 °C or more before the acid.',
    },
  ];
}

/** Crystals of a spoonful, g/mL. */
const CRYSTALS_G_PER_ML = 0.9;

/** Where each acid is booked: tartaric has no line of its own. */
const COMPONENT_OF = { lactic: 'lactic', citric: 'citric', acetic: 'acetic', tartaric: 'other' } as const;

function doseFor(state: CrockState, { agent, targetPh }: AcidifyParams): AcidDose {
  const milk = bufferMilkOf(state.masses, state.freshPh);
  return acidDose(totalG(state.masses), milk, sournessOf(state), agent, SOUR_AGENTS[agent].strengthPct, targetPh);
}

/** The acids per kg of the milk as it was, with some more of one. */
function sournessAfter(state: CrockState, acid: AcidId, mol: number): Sourness {
  const before = sournessOf(state);
  return { ...before, [acid]: (before[acid] ?? 0) + (1000 * mol) / totalG(state.masses) };
}

const capital = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`;
