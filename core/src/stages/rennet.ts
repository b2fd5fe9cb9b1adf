import { RENNET, RENNET_BOTTLE } from '../constants/rennet.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { flocculationMin, rennetDose, type RennetDose } from '../physics/rennet.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';
import { sayDuration, sayMl, sayTemp } from './words.js';

export interface RennetParams {
  /** Strength of the set, IMCU per kg of milk: 2–8 a trace, 35–50 a full set. */
  readonly imcuPerKg: number;
  /** Strength of the bottle, IMCU per mL, and its drops a mL. */
  readonly imcuPerMl: number;
  readonly dropsPerMl: number;
}

const TAKES_MIN = 4;
/** A lactic set takes its rennet at about this, °C. */
const RENNET_LIKES_C = 28;
/** Denatured share of whey protein from which rennet hardly clots a milk. */
const TOO_HEATED = 0.4;

/** A little rennet, thinned with water, stirred in and then left. */
export const rennet: StageKind<RennetParams> = {
  kind: 'rennet',
  defaults: { imcuPerKg: 4, imcuPerMl: RENNET_BOTTLE.imcuPerMl, dropsPerMl: RENNET_BOTTLE.dropsPerMl },
  name: () => 'rennet',
  begins: () => 'Put the rennet in',
  over: () => 'The rennet is in',
  instruction: (params, before) => {
    const dose = doseFor(before, params);
    const { waterMl } = dose;
    return `Thin ${sayDose(dose)} of rennet in ${sayMl(waterMl)} of water without chlorine, use it within ${sayDuration(RENNET_BOTTLE.goodForMin)}, and stir it in for half a minute; then still the milk.`;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['dropper', 'spoon'],
  weighIn: (params, before) => [
    {
      what: 'Rennet',
      massG: doseFor(before, params).ml * G_PER_ML,
      gPerMl: G_PER_ML,
      pricedAs: 'own',
      outOf: 'rennet',
      measure: sayDose(doseFor(before, params)),
    },
  ],
  begin: (state, params) => {
    const { ml, waterMl } = doseFor(state, params);
    const liquid = pourIn(
      state,
      massesBy((c) => (c === 'water' ? ml + waterMl : 0)),
    );
    return withCurd(liquid, { rennetImcuPerKg: params.imcuPerKg, clotted: 0 });
  },
  slack: () => ({ earlyMin: 0, lateMin: 5, cost: 'Stirred once it begins to clot, the curd is torn.' }),
  endCue: () => 'The milk stands still; no eddies.',
  cues: [],
  watch: (params, seen) => {
    const minutes = flocculationMin(params.imcuPerKg, seen.here.tempC, seen.here.ph, seen.here.curd.calciumGPerKg);
    return [
      {
        what: 'Rennet',
        unit: '',
        planned: sayDose(doseFor(seen.begun, params)),
        now: `use within ${sayDuration(RENNET_BOTTLE.goodForMin)}`,
      },
      { what: 'Milk', unit: '°C', planned: RENNET_LIKES_C, now: seen.here.tempC },
      {
        what: 'Clots in',
        unit: '',
        planned: null,
        now: minutes === null ? 'never so' : `about ${sayDuration(minutes)}`,
      },
    ];
  },
  cautions: () => [],
  problems: (params, state) => [...heatedProblems(state), ...clottingProblems(params, state)],
};

const MANY_DROPS = 60;
/** Density of liquid rennet, g/mL, taken as water's. */
const G_PER_ML = 1;

const doseFor = (state: CrockState, params: RennetParams) => rennetDose(totalG(state.masses), params.imcuPerKg, params);

/** A dose in drops where they can be counted, else in mL. */
const sayDose = ({ ml, drops }: RennetDose) => (drops < MANY_DROPS ? sayDrops(drops) : sayMl(ml));

/** Drops as they can be counted: whole ones, or one drop shared. */
function sayDrops(drops: number): string {
  if (drops < 0.75) return `1 drop in ${Math.round(1 / drops)} parts`;
  return `${Math.round(drops)} drop${Math.round(drops) === 1 ? '' : 's'}`;
}

function heatedProblems(state: CrockState): Problem[] {
  const heated = denaturedBetaLg(state.native);
  if (heated < TOO_HEATED) return [];
  return [
    {
      field: 'milk',
      message: `${Math.round(100 * heated)} % of this milk’s whey protein is unfolded by heat and lies on the casein: rennet cannot get at it, and it sets soft or not at all.`,
      remedy: 'Take milk pasteurised at 63 or 72 °C, or set it by the culture alone.',
      works: { rennet: 'none' },
    },
  ];
}

function clottingProblems(params: RennetParams, state: CrockState): Problem[] {
  if (flocculationMin(params.imcuPerKg, state.tempC, state.ph) !== null) return [];
  const cold = state.tempC < RENNET.coldestC;
  return [
    {
      field: 'warmC',
      message: `At ${sayTemp(state.tempC)} rennet ${cold ? 'does not clot milk' : 'dies'}.`,
      remedy: 'Bring the milk to 20 to 32 °C first.',
      works: { warmC: 28 },
    },
  ];
}
