import { scaleMasses, totalG } from '../materials/composition.js';
import { takeOut } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { sayNumber, sayPots } from './words.js';

export interface MouldParams {
  /** What one mould or wrapping holds, g. */
  readonly pieceG: number;
  readonly shape: 'mould' | 'wrap';
}

const TAKES_MIN = 10;
/** Left on mould and hands, as a share. */
const LEFT_BEHIND = 0.005;

const SHAPES = {
  mould: 'Press it into the rinsed moulds without air, and turn out',
  wrap: 'Shape it with wet paddles and wrap',
} as const;

/** Shaped in its mould, or by hand and wrapped. */
export const mould: StageKind<MouldParams> = {
  kind: 'mould',
  defaults: { pieceG: 250, shape: 'mould' },
  name: (params) => params.shape,
  begins: () => 'Start shaping',
  over: () => 'It is shaped',
  instruction: (params, before) =>
    `${SHAPES[params.shape]} ${sayPots(Math.max(1, Math.floor(totalG(before.masses) / params.pieceG)), 'piece')} of ${sayNumber(params.pieceG, 0)} g.`,
  ...handsWork(TAKES_MIN),
  gear: (params) => [params.shape === 'mould' ? 'moulds' : 'paper'],
  fillsInto: 'mould',
  begin: (state) => takeOut(state, scaleMasses(state.masses, LEFT_BEHIND), 'lost'),
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: 'Warmer it smears; straight from the cold it cracks.' }),
  endCue: () => 'Smooth on all sides; no holes where it was cut.',
  cues: [],
  watch: (params, { here }) => [
    {
      what: 'Pieces',
      unit: '',
      planned: Math.max(1, Math.floor(totalG(here.masses) / params.pieceG)),
      now: 'count them',
    },
    { what: 'Each', unit: 'g', planned: params.pieceG, now: 'weigh one' },
  ],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};
