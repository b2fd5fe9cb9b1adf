import { say, type Text } from '../messages/message.js';
import { amount, between, duration, ml, percent, temp } from '../messages/quantity.js';
import { RENNET, RENNET_BOTTLE, RENNET_DOSES } from '../constants/rennet.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { flocculationMin, rennetDose, type RennetDose } from '../physics/rennet.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';

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
export const rennet: StageKind<RennetParams, 'rennet'> = {
  kind: 'rennet',
  defaults: { imcuPerKg: 4, imcuPerMl: RENNET_BOTTLE.imcuPerMl, dropsPerMl: RENNET_BOTTLE.dropsPerMl },
  name: () => say('stages.rennet.rennet'),
  begins: () => say('stages.rennet.putRennet'),
  over: () => say('stages.rennet.theRennetIsIn'),
  instruction: (params, before) => {
    const dose = doseFor(before, params);
    const { waterMl } = dose;
    return say('stages.rennet.thinRennetWaterWithout', {
      dose: sayDose(dose),
      water: ml(waterMl),
      goodFor: duration(RENNET_BOTTLE.goodForMin),
      set: params.imcuPerKg < RENNET_DOSES.full.least ? 'trace' : 'full',
    });
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['dropper', 'spoon'],
  weighIn: (params, before) => [
    {
      what: say('stages.rennet.rennet2'),
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
  slack: () => ({ earlyMin: 0, lateMin: 5, cost: say('stages.rennet.stirredOnceBeginsClot') }),
  endCue: () => say('stages.rennet.milkStandsStillNo'),
  cues: [],
  watch: (params, seen) => {
    const minutes = flocculationMin(params.imcuPerKg, seen.here.tempC, seen.here.ph, seen.here.curd.calciumGPerKg);
    return [
      {
        what: say('stages.rennet.rennet2'),
        unit: '',
        planned: sayDose(doseFor(seen.begun, params)),
        now: say('stages.rennet.useWithin', { goodFor: duration(RENNET_BOTTLE.goodForMin) }),
      },
      { what: say('stages.rennet.milk'), unit: '°C', planned: RENNET_LIKES_C, now: seen.here.tempC },
      {
        what: say('stages.rennet.clotsIn'),
        unit: '',
        planned: null,
        now: minutes === null ? say('stages.rennet.neverSo') : say('stages.rennet.about', { n: duration(minutes) }),
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
const sayDose = (dose: RennetDose): Text =>
  dose.drops < MANY_DROPS ? sayDrops(dose.drops) : say('quantity.alone', { quantity: ml(dose.ml) });

/** Drops as they can be counted: whole ones, or one drop shared. */
function sayDrops(drops: number): Text {
  if (drops < 0.75) return say('stages.rennet.dropParts', { drops: amount(1 / drops, 0) });
  return say('stages.rennet.drop', { drops: Math.round(drops) });
}

function heatedProblems(state: CrockState): Problem[] {
  const heated = denaturedBetaLg(state.native);
  if (heated < TOO_HEATED) return [];
  return [
    {
      field: 'milk',
      message: say('stages.rennet.milksWheyProteinUnfolded', { heated: percent(100 * heated, 0) }),
      remedy: say('stages.rennet.takeMilkPasteurisedSet', { temp: temp(63), temp2: temp(72) }),
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
      message: say(cold ? 'stages.rennet.tooColdToClot' : 'stages.rennet.rennetDies', { temp: temp(state.tempC) }),
      remedy: say('stages.rennet.bringMilkFirst', { temp: between(temp(20), temp(32)) }),
      works: { warmC: 28 },
    },
  ];
}
