import { byproductsOf, type Byproduct } from '../balance/byproducts.js';
import { potLabel, type PotLabel } from '../balance/pot-label.js';
import type { Species } from '../constants/milk.js';
import { pouredBy } from '../make/plan.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import type { BoundStage } from '../stages/registry.js';
import type { CrockState } from '../state/crock-state.js';
import type { Treatment } from '../state/materials.js';
import { acidShown } from './findings.js';
import type { Context } from './panel.js';

/** What comes of a make. */
export interface Outcome {
  readonly label: PotLabel;
  readonly byproducts: readonly Byproduct[];
  /** How what is left would be called as a milk: its heat, and whose milk it was. */
  readonly leftAs: { readonly treatment: Treatment; readonly species: Species };
}

export function outcomeOf(end: CrockState, context: Context, stages: readonly BoundStage[]): Outcome {
  const { timeline, environment } = context;
  return {
    label: potLabel(end, timeline.stages, environment.kitchen.refrigeratorC, acidShown(context, end)),
    byproducts: byproductsOf(end, stages),
    leftAs: leftAs(end, stages),
  };
}

/** From this share of unfolded whey protein on a milk counts as scalded. */
const SCALDED_FROM = 0.4;

/** How what is left of a make would be called as a milk: its heat, and whose milk it was. */
function leftAs(end: CrockState, stages: readonly BoundStage[]): Outcome['leftAs'] {
  const [poured] = pouredBy(stages);
  const species = poured?.species ?? 'cow';
  if (denaturedBetaLg(end.native) >= SCALDED_FROM) return { treatment: 'scalded', species };
  if (end.pasteurisedShare >= 1) return { treatment: '72C-15s', species };
  return { treatment: poured?.treatment ?? 'raw', species };
}
