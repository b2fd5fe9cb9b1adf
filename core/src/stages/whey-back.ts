import { TEXTURES, type TextureId } from '../constants/drainage.js';
import { addMasses, scaleMasses, solidsFraction, subtractMasses, totalG } from '../state/composition.js';
import { withCurd, type CrockState } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sayMass } from './words.js';

export interface WheyBackParams {
  readonly texture: TextureId;
}

const TAKES_MIN = 5;

/** Some of its own whey whisked back into a curd that has drained too far. */
export const wheyBack: StageKind<WheyBackParams> = {
  kind: 'whey-back',
  defaults: { texture: 'very-thick' },
  name: () => 'whey back',
  instruction: (params, before) =>
    `Whisk ${sayMass(wheyBackG(before, TEXTURES[params.texture].solids))} of its whey back in, a little at a time, until it is ${TEXTURES[params.texture].word}.`,
  ...handsWork(TAKES_MIN),
  gear: () => ['whisk', 'scale'],
  begin: (state, params) => {
    const wanted = wheyBackG(state, TEXTURES[params.texture].solids);
    const back = scaleMasses(state.whey, totalG(state.whey) > 0 ? wanted / totalG(state.whey) : 0);
    const whisked = { ...state, masses: addMasses(state.masses, back), whey: subtractMasses(state.whey, back) };
    return withCurd(whisked, { draining: null });
  },
  give: () => ({ earlyMin: 0, lateMin: 120, cost: 'It can be done any time before it is potted.' }),
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

/** Whey (g) that brings a curd down to wanted solids, from the balance of solids; never more than there is. */
export function wheyBackG(state: CrockState, wantedSolids: number): number {
  const solids = solidsFraction(state.masses);
  const ofWhey = solidsFraction(state.whey);
  if (solids <= wantedSolids || wantedSolids <= ofWhey) return 0;
  return Math.min(totalG(state.whey), (totalG(state.masses) * (solids - wantedSolids)) / (wantedSolids - ofWhey));
}
