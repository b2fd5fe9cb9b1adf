import { byproductsOf, inIt, type Byproduct } from '../balance/byproducts.js';
import { potLabel, type PotLabel } from '../balance/pot-label.js';
import type { Species } from '../constants/milk.js';
import { pouredBy } from '../make/plan.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import type { BoundStage } from '../stages/registry.js';
import type { CrockState } from '../state/crock-state.js';
import type { Treatment } from '../constants/milk.js';
import { acidShown } from './findings.js';
import { weighedNow } from './weighed.js';
import type { Context } from './panel.js';

/** What comes of a make. */
export interface Outcome {
  readonly label: PotLabel;
  readonly byproducts: readonly Byproduct[];
  /** What the product itself is made of, as a thing that another make begins with. */
  readonly product: Pick<Byproduct, 'fatPct' | 'proteinPct' | 'material' | 'ph'>;
  /** How what is left would be called as a milk: its heat, and whose milk it was. */
  readonly leftAs: { readonly treatment: Treatment; readonly species: Species };
}

export function outcomeOf(end: CrockState, context: Context, stages: readonly BoundStage[]): Outcome {
  const { timeline, environment, batch } = context;
  const { refrigeratorC } = environment.kitchen;
  const label = potLabel(end, timeline.stages, { storeC: refrigeratorC, acidShown: acidShown(context, end) });
  return {
    label: asFilled(label, batch, stages),
    byproducts: byproductsOf(end, stages).map((left) => ({ ...left, massG: weighedG(left, context) ?? left.massG })),
    product: inIt(end.masses, end.ph),
    leftAs: leftAs(end, stages),
  };
}

/** A label of a make that is finished goes by what was weighed and counted, not by what was to come. */
function asFilled(label: PotLabel, { ended }: Context['batch'], stages: readonly BoundStage[]): PotLabel {
  if (ended?.how !== 'finished') return label;
  const potG = Number(stages.at(-1)?.params['potG'] ?? 0);
  if (!(potG > 0)) return { ...label, netG: ended.productG, pots: ended.pots ?? 1 };
  return { ...label, pots: ended.pots ?? Math.max(1, Math.floor(ended.productG / potG)) };
}

/** What was weighed of a left-over: at the finish, or on the way; null where it was not. */
function weighedG({ is }: Byproduct, { batch, timeline }: Context): number | null {
  const now = weighedNow(batch, timeline);
  const ended = batch.ended?.how === 'finished' ? batch.ended : null;
  if (is === 'cream') return now.asideG;
  if (is === 'starter' || is === 'grains') return ended?.heldBackG ?? null;
  return ended ? ended.wheyG : now.wheyG;
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
