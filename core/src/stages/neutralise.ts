import { SODA } from '../constants/acids.js';
import { sodaForPh } from '../physics/acids.js';
import { bufferMilkOf } from '../physics/buffer.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sournessOf } from './sourness.js';
import { sayMass } from './words.js';

export interface NeutraliseParams {
  readonly targetPh: number;
}

const TAKES_MIN = 6;
/** Crystals of a spoonful, g/mL. */
const SODA_G_PER_ML = 0.9;

/** Bicarbonate of soda crumbled through an acid curd, so that it melts instead of graining. */
export const neutralise: StageKind<NeutraliseParams> = {
  kind: 'neutralise',
  defaults: { targetPh: 5.6 },
  name: () => 'soda',
  begins: () => 'Stir the soda in',
  over: () => 'The soda is in',
  instruction: (params, before) => {
    const { sodaG, carbonDioxideL } = doseFor(before, params);
    return `Crumble the curd fine and work ${sayMass(sodaG)} of bicarbonate of soda through it; it foams (${carbonDioxideL.toFixed(1)} L of gas): leave it room.`;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['bowl'],
  weighIn: (params, before) => [
    { what: 'Bicarbonate of soda', massG: doseFor(before, params).sodaG, gPerMl: SODA_G_PER_ML, pricedAs: 'own' },
  ],
  begin: (state, params) => {
    const { sodaG } = doseFor(state, params);
    const mol = sodaG / SODA.molarG;
    const gasG = mol * SODA.carbonDioxideG;
    const poured = pourIn(
      state,
      massesBy((c) => (c === 'minerals' ? sodaG : 0)),
    );
    return {
      ...withCurd(poured, { sodaG: state.curd.sodaG + sodaG }),
      masses: { ...poured.masses, minerals: poured.masses.minerals - gasG },
      gasG: state.gasG + gasG,
      ph: Math.max(state.ph, params.targetPh),
      souring: null,
    };
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: 'It may stand; it goes on foaming a little.' }),
  endCue: () => 'It swells, turns glassy at the edges and smells less sour.',
  cues: [],
  watch: (params, { here }) => [
    { what: 'Soda', unit: 'g', planned: here.curd.sodaG, now: here.curd.sodaG },
    { what: 'Acidity', unit: 'pH', planned: params.targetPh, now: here.ph },
    { what: 'Temperature', unit: '°C', planned: null, now: here.tempC },
  ],
  cautions: () => [CAUTIONS.notAcid],
  problems: (params, state) =>
    state.ph < params.targetPh
      ? []
      : [
          {
            field: 'sodaPh',
            message: `The curd is at pH ${state.ph.toFixed(2)} already.`,
            remedy: 'Sour the curd further first, or leave the soda out.',
          },
        ],
};

const doseFor = (state: CrockState, { targetPh }: NeutraliseParams) =>
  sodaForPh(totalG(state.masses), bufferMilkOf(state.masses, state.freshPh), sournessOf(state), state.ph, targetPh);
