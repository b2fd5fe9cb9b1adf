import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import { GOODS } from '../materials/kitchen-goods.js';
import { handsWork } from './hands-work.js';
import type { StageKind, WeighedIn } from './kind.js';
import { addedG, given } from './told.js';
import { sayMass } from './words.js';

export interface SaltParams {
  /** Percent of the curd. */
  readonly saltPct: number;
  /** Only turned through it, or blended smooth. */
  readonly texture: 'as it is' | 'smooth';
  /** What hands logged that they put in, g, where they did. */
  readonly givenG?: number;
}

const TAKES_MIN = 5;

/** Salt turned through a curd, which may be blended smooth with it. */
export const salt: StageKind<SaltParams> = {
  kind: 'salt',
  defaults: { saltPct: 0.8, texture: 'as it is' },
  name: (params) => (params.texture === 'smooth' ? 'blend smooth' : 'salt'),
  begins: (params) => (params.texture === 'smooth' ? 'Blend it smooth' : 'Salt it'),
  over: (params) => (params.texture === 'smooth' ? 'It is smooth' : 'The salt is in'),
  instruction: (params, before) => {
    const massG = saltG(before, params);
    const how = params.texture === 'smooth' ? 'Blend the curd smooth' : 'Turn the curd over';
    return `${how}${massG > 0 ? ` with ${sayMass(massG)} of fine salt` : ''}.`;
  },
  ...handsWork(TAKES_MIN),
  gear: (params) => (params.texture === 'smooth' ? ['blender'] : ['bowl']),
  weighIn: (params, before) => saltWeighed(saltG(before, params)),
  begin: (state, params) => {
    const salted = pourIn(
      state,
      massesBy((c) => (c === 'salt' ? saltG(state, params) : 0)),
    );
    return withCurd(salted, { draining: null, disturbed: params.texture === 'smooth' ? 1 : state.curd.disturbed });
  },
  slack: () => ({ earlyMin: 0, lateMin: 30, cost: 'Warm curd blends smoothest; it should be cold within two hours.' }),
  endCue: (params) => (params.texture === 'smooth' ? 'No grain left on the tongue.' : 'The salt has gone into it.'),
  cues: [{ cue: 'texture', ask: 'How is it on the tongue?', answers: ['smooth', 'grainy', 'stringy'] }],
  told: (params, told) => ({ ...params, ...given(addedG(told, 'salt')) }),
  watch: (params, { here }) => [
    {
      what: 'Salt',
      unit: 'g',
      planned: plannedSaltG(totalG(here.masses) - here.masses.salt, params),
      now: here.masses.salt,
    },
  ],
  asks: (params, begun) => [
    {
      asks: 'added',
      what: 'salt',
      label: 'Salt',
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
  return [{ what: 'Salt, fine', massG, gPerMl: GOODS.salt.gPerMl, pricedAs: 'own', outOf: 'salt' }];
}

const saltG = (state: CrockState, params: SaltParams) => params.givenG ?? plannedSaltG(totalG(state.masses), params);

const plannedSaltG = (curdG: number, { saltPct }: SaltParams) => (curdG * saltPct) / 100;
