import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { scaldedCrust, type Layers } from '../physics/creaming.js';
import { subtractMasses, totalG } from '../materials/composition.js';
import { takeOut, withCurd, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { upperLayer } from './layers.js';

export interface LiftParams {
  readonly how: 'lift' | 'drain';
  /** Hours that it was scalded: they decide how much has come up. */
  readonly scaldedH: number;
  /** Of the thin cream under it, so much is taken along, percent. */
  readonly withThinPct: number;
  /** What the thin cream weighed, g, where somebody weighed it. */
  readonly asideG: number | null;
}

const TAKES_MIN = 10;

/** The crust of scalded cream taken from the thin cream under it. */
export const lift: StageKind<LiftParams, 'lift'> = {
  kind: 'lift',
  defaults: { how: 'lift', scaldedH: 11, withThinPct: 0, asideG: null },
  name: (params) => (params.how === 'lift' ? say('stages.lift.lift') : say('stages.lift.drainOff')),
  begins: () => say('stages.lift.takeCrustOff'),
  over: () => say('stages.lift.crustOff'),
  instruction: (params, before) => {
    const { topG } = crustOf(before, params);
    const under = mass(totalG(before.masses) - topG);
    return params.how === 'lift'
      ? say('stages.lift.cutCrustLiftSlotted', { top: mass(topG), under })
      : say('stages.lift.pierceCrustRimPour', { under });
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['slotted spoon'],
  setsAside: { name: say('good.thinCream'), use: say('use.thinCream') },
  begin: (state, params) => {
    const crust = upperLayer(state, crustOf(state, params));
    return withCurd(takeOut(state, subtractMasses(state.masses, crust), 'aside'), { body: 'crust' });
  },
  slack: () => ({ earlyMin: 60, lateMin: 24 * 60, cost: say('stages.lift.keepsPanColdDay') }),
  endCue: () => say('stages.lift.crustLiesDishThin'),
  cues: [{ cue: 'skin', ask: say('stages.lift.howCrust'), answers: ['none', 'thin', 'thick', 'golden'] }],
  told: (params, { weighed }) => ({ ...params, asideG: weighed.asideG ?? null }),
  watch: (params, { begun, here }) => [
    {
      what: say('stages.lift.thinCream'),
      unit: 'g',
      planned: totalG(begun.aside),
      now: params.asideG ?? say('stages.lift.weighIt'),
    },
    { what: say('stages.lift.leftDish'), unit: 'g', planned: totalG(begun.masses), now: totalG(here.masses) },
  ],
  asks: () => [{ asks: 'reading', quantity: 'asideG', label: say('stages.lift.thinCreamJar') }],
  cautions: () => [CAUTIONS.clean, CAUTIONS.notAcid],
  problems: () => [],
};

/** The crust, and what of the thin cream under it is taken along. */
function crustOf({ masses }: CrockState, { how, scaldedH, withThinPct }: LiftParams): Layers {
  const { topG, topFatG } = scaldedCrust(totalG(masses), masses.fat, scaldedH, how);
  const share = withThinPct / 100;
  return { topG: topG + share * (totalG(masses) - topG), topFatG: topFatG + share * (masses.fat - topFatG) };
}
