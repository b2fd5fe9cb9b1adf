import type { StageKind } from './kind.js';
import { standCovered } from './pass-time.js';
import { sayDuration } from './words.js';

export interface RestParams {
  readonly minutes: number;
}

/** Left alone, covered, so that the curd gathers. */
export const rest: StageKind<RestParams> = {
  kind: 'rest',
  defaults: { minutes: 10 },
  name: () => 'rest',
  instruction: (params) => `Off the heat, lid on: leave it ${sayDuration(params.minutes)} without stirring.`,
  handsMin: () => 1,
  attended: false,
  gear: () => ['pot'],
  endsBy: 'clock',
  target: (params) => params.minutes,
  begin: (state) => state,
  advance: (state, _params, environment, minutes) => standCovered(state, environment, minutes),
  done: (state, params, _environment, since) => state.minute - since >= params.minutes,
  stepMin: 5,
  give: (params) => ({
    earlyMin: params.minutes / 2,
    lateMin: 20,
    cost: 'Sooner the curd is finer and more is lost through the cloth; later it only cools.',
  }),
  endCue: () => 'The curd has gathered; the whey under it is clear.',
  cues: [],
  cautions: () => [],
  problems: () => [],
};
