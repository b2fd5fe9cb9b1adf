import { risenCream } from '../physics/creaming.js';
import { totalG } from '../state/composition.js';
import { takeOut, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { upperLayer } from './layers.js';
import { sayMass } from './words.js';

export type SkimParams = Readonly<Record<never, never>>;

const TAKES_MIN = 5;

/** The cream that has risen lifted off what lies under it. */
export const skim: StageKind<SkimParams> = {
  kind: 'skim',
  defaults: {},
  name: () => 'skim',
  instruction: (_params, before) =>
    `Lift the risen cream off with a shallow spoon, about ${sayMass(layerOf(before).topG)}: it is soured cream.`,
  ...handsWork(TAKES_MIN),
  gear: () => ['skimming spoon', 'jar'],
  setsAside: { name: 'Soured cream', use: 'spoon it as it is, or churn it' },
  begin: (state) => takeOut(state, upperLayer(state, layerOf(state)), 'aside'),
  give: () => ({ earlyMin: 0, lateMin: 240, cost: 'It keeps on the curd; stirred in, it is lost to it.' }),
  endCue: () => 'White curd all over, no yellow.',
  cues: [],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};

/** The cream as it has risen in the time since the milk was poured. */
const layerOf = (state: CrockState) => risenCream(totalG(state.masses), state.masses.fat, state.minute / 60);
