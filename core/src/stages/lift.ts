import { scaldedCrust } from '../physics/creaming.js';
import { subtractMasses, totalG } from '../materials/composition.js';
import { takeOut, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { upperLayer } from './layers.js';
import { sayMass } from './words.js';

export interface LiftParams {
  readonly how: 'lift' | 'drain';
  /** Hours that it was scalded: they decide how much has come up. */
  readonly scaldedH: number;
  /** What the thin cream weighed, g, where somebody weighed it. */
  readonly asideG: number | null;
}

const TAKES_MIN = 10;

/** The crust of scalded cream taken from the thin cream under it. */
export const lift: StageKind<LiftParams> = {
  kind: 'lift',
  defaults: { how: 'lift', scaldedH: 11, asideG: null },
  name: (params) => (params.how === 'lift' ? 'lift' : 'drain off'),
  begins: () => 'Take the crust off',
  over: () => 'The crust is off',
  instruction: (params, before) => {
    const { topG } = crustOf(before, params);
    const under = sayMass(totalG(before.masses) - topG);
    return params.how === 'lift'
      ? `Cut the crust and lift it with a slotted spoon, about ${sayMass(topG)}; ${under} of thin cream stays.`
      : `Pierce the crust at the rim and pour about ${under} of thin cream from under it.`;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['slotted spoon'],
  setsAside: { name: 'Thin cream', use: 'bake with it, or churn it' },
  begin: (state, params) => {
    const crust = upperLayer(state, crustOf(state, params));
    return withCurd(takeOut(state, subtractMasses(state.masses, crust), 'aside'), { body: 'crust' });
  },
  slack: () => ({ earlyMin: 60, lateMin: 24 * 60, cost: 'It keeps in its pan in the cold for a day.' }),
  endCue: () => 'The crust lies in its dish, the thin cream is poured off.',
  cues: [{ cue: 'skin', ask: 'How is the crust?', answers: ['none', 'thin', 'thick', 'golden'] }],
  told: (params, { weighed }) => ({ ...params, asideG: weighed.asideG ?? null }),
  watch: (params, { begun, here }) => [
    { what: 'Thin cream', unit: 'g', planned: totalG(begun.aside), now: params.asideG ?? 'weigh it' },
    { what: 'Left in the dish', unit: 'g', planned: totalG(begun.masses), now: totalG(here.masses) },
  ],
  asks: () => [{ asks: 'reading', quantity: 'asideG', label: 'Thin cream in its jar' }],
  cautions: () => [CAUTIONS.clean, CAUTIONS.notAcid],
  problems: () => [],
};

const crustOf = (state: CrockState, { how, scaldedH }: LiftParams) =>
  scaldedCrust(totalG(state.masses), state.masses.fat, scaldedH, how);
