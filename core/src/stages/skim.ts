import { risenCream } from '../physics/creaming.js';
import { totalG } from '../materials/composition.js';
import { takeOut, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { upperLayer } from './layers.js';
import { sayMass } from './words.js';

export interface SkimParams {
  /** What the cream weighed, g, where somebody weighed it. */
  readonly asideG: number | null;
}

const TAKES_MIN = 5;

/** The cream that has risen lifted off what lies under it. */
export const skim: StageKind<SkimParams> = {
  kind: 'skim',
  defaults: { asideG: null },
  name: () => 'skim',
  begins: () => 'Start skimming',
  over: () => 'The cream is off',
  instruction: (_params, before) =>
    `Lift the risen cream off with a shallow spoon, about ${sayMass(layerOf(before).topG)}: it is soured cream.`,
  ...handsWork(TAKES_MIN),
  gear: () => ['skimming spoon', 'jar'],
  setsAside: { name: 'Soured cream', use: 'spoon it as it is, or churn it' },
  begin: (state) => takeOut(state, upperLayer(state, layerOf(state)), 'aside'),
  slack: () => ({ earlyMin: 0, lateMin: 240, cost: 'It keeps on the curd; stirred in, it is lost to it.' }),
  endCue: () => 'White curd all over, no yellow.',
  cues: [],
  told: (params, { weighed }) => ({ ...params, asideG: weighed.asideG ?? null }),
  watch: (params, { begun, here }) => [
    { what: 'Risen cream', unit: 'g', planned: totalG(begun.aside), now: params.asideG ?? 'weigh it' },
    { what: 'Left in the pot', unit: 'g', planned: totalG(begun.masses), now: totalG(here.masses) },
  ],
  asks: () => [{ asks: 'reading', quantity: 'asideG', label: 'Risen cream in its jar' }],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};

/** The cream as it has risen in the time since the milk was poured. */
const layerOf = (state: CrockState) => risenCream(totalG(state.masses), state.masses.fat, state.minute / 60);
