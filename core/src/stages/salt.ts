import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { GOODS } from '../materials/kitchen-goods.js';
import { handsWork } from './hands-work.js';
import type { StageKind, WeighedIn } from './kind.js';
import { addedG, given } from './told.js';

export interface SaltParams {
  /** Percent of the curd. */
  readonly saltPct: number;
  /** Only turned through it, or blended smooth. */
  readonly texture: 'as it is' | 'smooth';
  /** Turned through a curd, or stirred into the milk in the pot, of which most leaves with the whey. */
  readonly into: 'curd' | 'milk';
  /** What hands logged that they put in, g, where they did. */
  readonly givenG?: number;
}

const TAKES_MIN = 5;

/** Salt turned through a curd, which may be blended smooth with it. */
export const salt: StageKind<SaltParams, 'salt'> = {
  kind: 'salt',
  defaults: { saltPct: 0.8, texture: 'as it is', into: 'curd' },
  name: (params) => (params.texture === 'smooth' ? say('stages.salt.blendSmooth') : say('stages.salt.salt')),
  begins: (params) => (params.texture === 'smooth' ? say('stages.salt.blendSmooth2') : say('stages.salt.saltIt')),
  over: (params) => (params.texture === 'smooth' ? say('stages.salt.itIsSmooth') : say('stages.salt.theSaltIsIn')),
  instruction: (params, before) => {
    const massG = saltG(before, params);
    const { texture } = params;
    if (params.into === 'milk') return say('stages.salt.stirIntoMilk', { salt: mass(massG) });
    return massG > 0
      ? say('stages.salt.turnWithSalt', { texture, salt: mass(massG) })
      : say('stages.salt.turnUnsalted', { texture });
  },
  ...handsWork(TAKES_MIN),
  gear: (params) => (params.texture === 'smooth' ? ['blender'] : [params.into === 'milk' ? 'pot' : 'bowl']),
  weighIn: (params, before) => saltWeighed(saltG(before, params)),
  begin: (state, params) => {
    const salted = pourIn(
      state,
      massesBy((c) => (c === 'salt' ? saltG(state, params) : 0)),
    );
    if (params.into === 'milk') return salted;
    return withCurd(salted, { draining: null, disturbed: params.texture === 'smooth' ? 1 : state.curd.disturbed });
  },
  slack: () => ({ earlyMin: 0, lateMin: 30, cost: say('stages.salt.warmCurdBlendsSmoothest') }),
  endCue: (params) =>
    params.texture === 'smooth' ? say('stages.salt.noGrainLeftTongue') : say('stages.salt.saltGoneInto'),
  cues: [{ cue: 'texture', ask: say('stages.salt.howTongue'), answers: ['smooth', 'grainy', 'stringy'] }],
  told: (params, told) => ({ ...params, ...given(addedG(told, 'salt')) }),
  watch: (params, { here }) => [
    {
      what: say('stages.salt.salt2'),
      unit: 'g',
      planned: plannedSaltG(totalG(here.masses) - here.masses.salt, params),
      now: here.masses.salt,
    },
  ],
  asks: (params, begun) => [
    {
      asks: 'added',
      what: 'salt',
      label: say('stages.salt.salt2'),
      partG: plannedSaltG(totalG(begun.masses) - begun.masses.salt, params),
      gPerMl: null,
    },
  ],
  cautions: () => [],
  problems: () => [],
};

/** Salt to be weighed, where there is any. */
export function saltWeighed(massG: number): readonly WeighedIn[] {
  if (massG < 0.05) return [];
  return [
    {
      what: say('stages.salt.saltFine'),
      ingredient: say('good.salt'),
      massG,
      gPerMl: GOODS.salt.gPerMl,
      pricedAs: 'own',
      outOf: 'salt',
    },
  ];
}

const saltG = (state: CrockState, params: SaltParams) => params.givenG ?? plannedSaltG(totalG(state.masses), params);

const plannedSaltG = (curdG: number, { saltPct }: SaltParams) => (curdG * saltPct) / 100;
