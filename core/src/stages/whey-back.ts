import { TEXTURES, type TextureId } from '../constants/drainage.js';
import { solidsFraction } from '../materials/composition.js';
import { withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { addedG, given } from './told.js';
import { wheyBackG, whiskedBack } from './whey-balance.js';
import { sayMass } from './words.js';

export interface WheyBackParams {
  readonly texture: TextureId;
  /** What hands logged that they whisked in, g, where they did. */
  readonly givenG?: number;
}

const TAKES_MIN = 5;

/** Some of its own whey whisked back into a curd that has drained too far. */
export const wheyBack: StageKind<WheyBackParams> = {
  kind: 'whey-back',
  defaults: { texture: 'very-thick' },
  name: () => 'whey back',
  begins: () => 'Whisk whey in',
  over: () => 'The whey is in',
  instruction: (params, before) =>
    `Whisk ${sayMass(wheyBackG(before, TEXTURES[params.texture].solids))} of its whey back in, a little at a time, until it is ${TEXTURES[params.texture].word}.`,
  ...handsWork(TAKES_MIN),
  gear: () => ['whisk', 'scale'],
  begin: (state, params) => {
    const wanted = params.givenG ?? wheyBackG(state, TEXTURES[params.texture].solids);
    return withCurd(whiskedBack(state, wanted), { draining: null });
  },
  told: (params, told) => ({ ...params, ...given(addedG(told, 'whey')) }),
  watch: (params, { here }) => [
    { what: 'Whey back', unit: 'g', planned: null, now: params.givenG ?? 'as worked out' },
    {
      what: 'Solids',
      unit: '%',
      planned: 100 * TEXTURES[params.texture].solids,
      now: 100 * solidsFraction(here.masses),
    },
  ],
  asks: (params, begun) => [
    {
      asks: 'added',
      what: 'whey',
      label: 'Whey whisked in',
      partG: wheyBackG(begun, TEXTURES[params.texture].solids),
      gPerMl: null,
    },
  ],
  slack: () => ({ earlyMin: 0, lateMin: 120, cost: 'It can be done any time before it is potted.' }),
  endCue: (params) => `${TEXTURES[params.texture].word}, and smooth.`,
  cues: [{ cue: 'texture', ask: 'Drag a spoon through: what is it like?', answers: ['smooth', 'grainy', 'stringy'] }],
  cautions: () => [],
  problems: (params, state) =>
    solidsFraction(state.masses) >= TEXTURES[params.texture].solids
      ? []
      : [
          {
            field: 'drain',
            message: `It leaves off at ${(100 * solidsFraction(state.masses)).toFixed(0)} % solids, looser than ${TEXTURES[params.texture].word}.`,
            remedy: 'Hang it or press it, or ask for a looser texture.',
            works: { drain: 'hung' },
          },
        ],
};
