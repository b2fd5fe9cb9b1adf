import type { StageKind } from './kind.js';
import { standCovered } from './pass-time.js';

/**
 * What is common to stages that are nothing but some minutes of somebody's hands, with the pot standing on the counter
 * meanwhile: weighing, stirring in, potting.
 */
export function handsWork(minutes: number) {
  return {
    handsMin: () => minutes,
    attended: true,
    brief: true,
    endsBy: 'clock',
    target: () => minutes,
    advance: (state, _params, environment, passed) => standCovered(state, environment, passed),
    done: (state, _params, _environment, since) => state.minute - since >= minutes,
    stepMin: minutes / 2,
  } as const satisfies Partial<StageKind<unknown>>;
}
