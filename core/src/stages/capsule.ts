import { say } from '../messages/message.js';
import { amount } from '../messages/quantity.js';
import {
  BIOMASS_PER_CAPSULE_PER_L,
  CAPSULE_G,
  CULTURES,
  type CultureId,
  type StarterStore,
} from '../constants/cultures.js';
import { starterPrior, starterActivity } from '../physics/starter-activity.js';
import { fractionOf, massesBy } from '../materials/composition.js';
import { pourIn, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';
import { volumeMl } from './pass-time.js';
import { lethalProblems, sown, spentProblems } from './sowing.js';

export interface CapsuleParams {
  readonly culture: CultureId;
  /** Capsules a litre, or quarter teaspoons of a powder. */
  readonly perLitre: number;
  readonly as: 'capsules' | 'powder';
  readonly ageDays: number;
  readonly store: StarterStore;
}

const TAKES_MIN = 5;

/** A live capsule or a powder opened into a base. */
export const capsule: StageKind<CapsuleParams, 'capsule'> = {
  kind: 'capsule',
  defaults: { culture: 'plant', as: 'capsules', perLitre: 3, ageDays: 60, store: 'cold' },
  name: (params) => (params.as === 'capsules' ? say('stages.capsule.capsule') : say('stages.capsule.powder')),
  begins: () => say('stages.capsule.sprinkleOver'),
  over: () => say('stages.capsule.itIsStirredIn'),
  instruction: (params, before) => {
    const count = countFor(before, params);
    return params.as === 'powder'
      ? say('stages.capsule.sprinkleQuarterTeaspoonCulture', { count })
      : say('stages.capsule.openOverStirClean', { count });
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['spoon'],
  weighIn: (params, before) => [
    {
      what: params.as === 'capsules' ? say('stages.capsule.liveCapsules') : say('stages.capsule.culturePowder'),
      massG: CAPSULE_G * countFor(before, params),
      gPerMl: 0.5,
      pricedAs: 'capsule',
      outOf: 'culture',
      count: countFor(before, params),
      measure:
        params.as === 'capsules'
          ? say('stages.capsule.text', { countFor: amount(countFor(before, params)) })
          : say('stages.capsule.×Tsp', { countFor: amount(countFor(before, params)) }),
    },
  ],
  begin: (state, params, { member }) => {
    const count = countFor(state, params);
    const powder = pourIn(
      state,
      massesBy((c) => (c === 'other' ? CAPSULE_G * count : 0)),
    );
    const activity = starterActivity(ofCapsule(params), params.culture);
    const biomass = ((BIOMASS_PER_CAPSULE_PER_L * count) / (volumeMl(state) / 1000)) * activity * member.activity;
    const lagQ = CULTURES[params.culture].lagQFreezeDried * member.lag;
    const living = { culture: params.culture, biomass, lagQ };
    return sown(
      powder,
      { living: [living], lacticMolPerKg: 0, prior: starterPrior(ofCapsule(params), activity) },
      member,
    );
  },
  slack: () => ({ earlyMin: 0, lateMin: 20, cost: say('stages.capsule.coolsMeanwhileNothingElse') }),
  endCue: () => say('stages.capsule.noPowderFloats'),
  cues: [{ cue: 'slurry', ask: say('stages.capsule.lumpsInIt'), answers: ['smooth', 'a-few', 'lumpy'] }],
  cautions: () => [CAUTIONS.capsule],
  problems: (params, state) => [
    ...spentProblems(ofCapsule(params), starterActivity(ofCapsule(params), params.culture), {
      remedy: say('stages.capsule.takeFreshOnesKeep'),
      works: { ageDays: 60, store: 'cold' },
    }),
    ...lethalProblems(params.culture, state.tempC),
    ...sugarProblems(params, state),
  ],
};

const ofCapsule = ({ ageDays, store }: CapsuleParams) => ({ form: 'capsule' as const, ageDays, store });

const countFor = (state: CrockState, { perLitre }: CapsuleParams) =>
  Math.max(1, Math.round((perLitre * volumeMl(state)) / 1000));

/** Less sugar than this (fraction) and a culture stops short of pH 4.6. */
const ENOUGH_SUGAR = 0.008;

function sugarProblems({ culture }: CapsuleParams, { masses }: CrockState): Problem[] {
  if (fractionOf(masses, CULTURES[culture].sugar) >= ENOUGH_SUGAR) return [];
  return [
    {
      field: 'sugarPct',
      message: say('stages.capsule.thereTooLittleSugar'),
      remedy: say('stages.capsule.addSugarTwoTeaspoons'),
      works: { sugarPct: 1 },
    },
  ];
}
