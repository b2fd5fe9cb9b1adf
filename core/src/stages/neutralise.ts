import { say } from '../messages/message.js';
import { acidity, mass, volume } from '../messages/quantity.js';
import { SODA } from '../constants/acids.js';
import { sodaForPh } from '../physics/acids.js';
import { bufferMilkOf } from '../physics/buffer.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sournessOf } from './sourness.js';

export interface NeutraliseParams {
  readonly targetPh: number;
}

const TAKES_MIN = 6;
/** Crystals of a spoonful, g/mL. */
const SODA_G_PER_ML = 0.9;

/** Bicarbonate of soda crumbled through an acid curd, so that it melts instead of graining. */
export const neutralise: StageKind<NeutraliseParams, 'neutralise'> = {
  kind: 'neutralise',
  defaults: { targetPh: 5.6 },
  name: () => say('stages.neutralise.soda'),
  begins: () => say('stages.neutralise.stirSoda'),
  over: () => say('stages.neutralise.theSodaIsIn'),
  instruction: (params, before) => {
    const { sodaG, carbonDioxideL } = doseFor(before, params);
    return say('stages.neutralise.crumbleCurdFineWork', {
      soda: mass(sodaG),
      carbonDioxide: volume(carbonDioxideL, 1),
    });
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['bowl'],
  weighIn: (params, before) => [
    {
      what: say('stages.neutralise.bicarbonateSoda'),
      massG: doseFor(before, params).sodaG,
      gPerMl: SODA_G_PER_ML,
      pricedAs: 'own',
    },
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
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.neutralise.mayStandGoesFoaming') }),
  endCue: () => say('stages.neutralise.swellsTurnsGlassyEdges'),
  cues: [],
  watch: (params, { here }) => [
    { what: say('stages.neutralise.soda2'), unit: 'g', planned: here.curd.sodaG, now: here.curd.sodaG },
    { what: say('stages.neutralise.acidity'), unit: 'pH', planned: params.targetPh, now: here.ph },
    { what: say('stages.neutralise.temperature'), unit: '°C', planned: null, now: here.tempC },
  ],
  cautions: () => [CAUTIONS.notAcid],
  problems: (params, state) =>
    state.ph < params.targetPh
      ? []
      : [
          {
            field: 'sodaPh',
            message: say('stages.neutralise.curdPhAlready', { ph: acidity(state.ph) }),
            remedy: say('stages.neutralise.sourCurdFurtherFirst'),
          },
        ],
};

const doseFor = (state: CrockState, { targetPh }: NeutraliseParams) =>
  sodaForPh(totalG(state.masses), bufferMilkOf(state.masses, state.freshPh), sournessOf(state), state.ph, targetPh);
