import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { risenCream } from '../physics/creaming.js';
import { totalG } from '../materials/composition.js';
import { takeOut, type CrockState } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { upperLayer } from './layers.js';

export interface SkimParams {
  /** What the cream weighed, g, where somebody weighed it. */
  readonly asideG: number | null;
}

const TAKES_MIN = 5;

/** The cream that has risen lifted off what lies under it. */
export const skim: StageKind<SkimParams, 'skim'> = {
  kind: 'skim',
  defaults: { asideG: null },
  name: () => say('stages.skim.skim'),
  begins: () => say('stages.skim.startSkimming'),
  over: () => say('stages.skim.creamOff'),
  instruction: (_params, before) => say('stages.skim.liftRisenCreamOff', { top: mass(layerOf(before).topG) }),
  ...handsWork(TAKES_MIN),
  gear: () => ['skimming spoon', 'jar'],
  setsAside: { name: say('good.souredCream'), use: say('use.souredCream') },
  begin: (state) => takeOut(state, upperLayer(state, layerOf(state)), 'aside'),
  slack: () => ({ earlyMin: 0, lateMin: 240, cost: say('stages.skim.keepsCurdStirredLost') }),
  endCue: () => say('stages.skim.whiteCurdAllOver'),
  cues: [],
  told: (params, { weighed }) => ({ ...params, asideG: weighed.asideG ?? null }),
  watch: (params, { begun, here }) => [
    {
      what: say('stages.skim.risenCream'),
      unit: 'g',
      planned: totalG(begun.aside),
      now: params.asideG ?? say('stages.skim.weighIt'),
    },
    { what: say('stages.skim.leftPot'), unit: 'g', planned: totalG(begun.masses), now: totalG(here.masses) },
  ],
  asks: () => [{ asks: 'reading', quantity: 'asideG', label: say('stages.skim.risenCreamJar') }],
  cautions: () => [CAUTIONS.clean],
  problems: () => [],
};

/** The cream as it has risen in the time since the milk was poured. */
const layerOf = (state: CrockState) => risenCream(totalG(state.masses), state.masses.fat, state.minute / 60);
