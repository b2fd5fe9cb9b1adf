import { say } from '../messages/message.js';
import { mass, percent } from '../messages/quantity.js';
import { TEXTURES, type TextureId } from '../constants/drainage.js';
import { solidsFraction } from '../materials/composition.js';
import { withCurd } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { addedG, given } from './told.js';
import { wheyBackG, whiskedBack } from './whey-balance.js';

export interface WheyBackParams {
  readonly texture: TextureId;
  /** What hands logged that they whisked in, g, where they did. */
  readonly givenG?: number;
}

const TAKES_MIN = 5;

/** Some of its own whey whisked back into a curd that has drained too far. */
export const wheyBack: StageKind<WheyBackParams, 'whey-back'> = {
  kind: 'whey-back',
  defaults: { texture: 'very-thick' },
  name: () => say('stages.wheyBack.wheyBack'),
  begins: () => say('stages.wheyBack.whiskWhey'),
  over: () => say('stages.wheyBack.theWheyIsIn'),
  instruction: (params, before) =>
    say('stages.wheyBack.whiskWheyBackLittle', {
      solids: mass(wheyBackG(before, TEXTURES[params.texture].solids)),
      word: TEXTURES[params.texture].word,
    }),
  ...handsWork(TAKES_MIN),
  gear: () => ['whisk', 'scale'],
  begin: (state, params) => {
    const wanted = params.givenG ?? wheyBackG(state, TEXTURES[params.texture].solids);
    return withCurd(whiskedBack(state, wanted), { draining: null });
  },
  told: (params, told) => ({ ...params, ...given(addedG(told, 'whey')) }),
  watch: (params, { here }) => [
    {
      what: say('stages.wheyBack.wheyBack2'),
      unit: 'g',
      planned: null,
      now: params.givenG ?? say('stages.wheyBack.workedOut'),
    },
    {
      what: say('stages.wheyBack.solids'),
      unit: '%',
      planned: 100 * TEXTURES[params.texture].solids,
      now: 100 * solidsFraction(here.masses),
    },
  ],
  asks: (params, begun) => [
    {
      asks: 'added',
      what: 'whey',
      label: say('stages.wheyBack.wheyWhisked'),
      partG: wheyBackG(begun, TEXTURES[params.texture].solids),
      gPerMl: null,
    },
  ],
  slack: () => ({ earlyMin: 0, lateMin: 120, cost: say('stages.wheyBack.canDoneAnyTime') }),
  endCue: (params) => say('stages.wheyBack.andSmooth', { word: TEXTURES[params.texture].word }),
  cues: [
    { cue: 'texture', ask: say('stages.wheyBack.dragSpoonThroughWhat'), answers: ['smooth', 'grainy', 'stringy'] },
  ],
  cautions: () => [],
  problems: (params, state) =>
    solidsFraction(state.masses) >= TEXTURES[params.texture].solids
      ? []
      : [
          {
            field: 'drain',
            message: say('stages.wheyBack.leavesOffSolidsLooser', {
              masses: percent(100 * solidsFraction(state.masses), 0),
              word: TEXTURES[params.texture].word,
            }),
            remedy: say('stages.wheyBack.hangPressAskLooser'),
            works: { drain: 'hung' },
          },
        ],
};
