import { scaleMasses, totalG } from '../state/composition.js';
import { takeOut } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { warmthGauge } from './watch.js';
import { standBy } from './pass-time.js';
import { sayMass } from './words.js';

export interface ChillParams {
  readonly targetC: number;
  /** Set aside first as the next starter, percent of the crock. */
  readonly holdBackPct: number;
}

/** Into the cold, undisturbed; souring goes on until it is cold through. */
export const chill: StageKind<ChillParams> = {
  kind: 'chill',
  defaults: { targetC: 7, holdBackPct: 3 },
  name: () => 'chill',
  instruction: (params, before) =>
    params.holdBackPct > 0
      ? `Spoon ${sayMass((totalG(before.masses) * params.holdBackPct) / 100)} into a clean jar as the next starter, then the crock into the cold.`
      : 'Put the crock into the cold, gently.',
  handsMin: () => 5,
  attended: false,
  gear: () => ['cold shelf'],
  endsBy: 'temperature',
  target: (params) => params.targetC,
  keepsBack: { is: 'starter', name: 'Starter held back', use: 'the next make', keepsDays: 10 },
  begin: (state, params) => takeOut(state, scaleMasses(state.masses, params.holdBackPct / 100), 'heldBack'),
  advance: (state, _params, environment, minutes) => standBy('refrigerator', state, environment, minutes),
  done: (state, params) => state.tempC <= params.targetC,
  stepMin: 15,
  give: () => ({ earlyMin: 60, lateMin: 48 * 60, cost: 'It keeps in the cold; two days on it is a touch sharper.' }),
  endCue: () => 'Cold through, firm when tilted.',
  cues: [
    { cue: 'set', ask: 'Tilt it: how does it stand?', answers: ['liquid', 'wobbles', 'leaves the wall', 'stands'] },
  ],
  chart: { left: 'tempC', right: 'ph', limit: 'cooling' },
  watch: (params, seen) => [
    warmthGauge(seen, params.targetC),
    { what: 'Acidity', unit: 'pH', planned: seen.planned.ph, now: seen.here.ph },
    ...(params.holdBackPct > 0
      ? [{ what: 'Held back', unit: 'g' as const, planned: null, now: totalG(seen.here.heldBack) }]
      : []),
  ],
  cautions: (params) => (params.holdBackPct > 0 ? [CAUTIONS.spoon] : []),
  problems: () => [],
};
