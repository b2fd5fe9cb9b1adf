import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { scaleMasses, totalG } from '../materials/composition.js';
import { takeOut } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface MouldParams {
  /** What one mould or wrapping holds, g. */
  readonly pieceG: number;
  readonly shape: 'mould' | 'wrap';
}

const TAKES_MIN = 10;
/** Left on mould and hands, as a share. */
const LEFT_BEHIND = 0.005;

/** Shaped in its mould, or by hand and wrapped. */
export const mould: StageKind<MouldParams, 'mould'> = {
  kind: 'mould',
  defaults: { pieceG: 250, shape: 'mould' },
  name: (params) => (params.shape === 'mould' ? say('stages.mould.mould') : say('stages.mould.wrap')),
  begins: () => say('stages.mould.startShaping'),
  over: () => say('stages.mould.itIsShaped'),
  instruction: (params, before) =>
    say('stages.mould.shapePieces', {
      shape: params.shape,
      count: Math.max(1, Math.floor(totalG(before.masses) / params.pieceG)),
      piece: mass(params.pieceG, 0),
    }),
  ...handsWork(TAKES_MIN),
  gear: (params) => [params.shape === 'mould' ? 'moulds' : 'paper'],
  fillsInto: 'mould',
  begin: (state) => takeOut(state, scaleMasses(state.masses, LEFT_BEHIND), 'lost'),
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.mould.warmerSmearsStraightFrom') }),
  endCue: () => say('stages.mould.smoothAllSidesNo'),
  cues: [],
  watch: (params, { here }) => [
    {
      what: say('stages.mould.pieces'),
      unit: '',
      planned: Math.max(1, Math.floor(totalG(here.masses) / params.pieceG)),
      now: say('stages.mould.countThem'),
    },
    { what: say('stages.mould.each'), unit: 'g', planned: params.pieceG, now: say('stages.mould.weighOne') },
  ],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};
