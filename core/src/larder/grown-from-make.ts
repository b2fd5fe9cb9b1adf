import type { Batch } from '../batch/replay.js';
import { amountsOf } from '../make/amounts.js';
import { plannedOf } from '../make/planned.js';
import { runMake } from '../make/run.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import type { CultureId, StarterForm } from '../constants/cultures.js';
import type { CultureLot, Origin } from '../lots/culture-lot.js';
import type { Gear, GearKind } from '../lots/gear.js';
import { isCulture, type Lot, type StockLot } from '../lots/lot.js';
import { choicesThatCount, type Choices } from '../methods/method.js';
import { referenceStock } from '../materials/reference-materials.js';
import { kindOfReference } from '../lots/reference-kind.js';
import type { Stock } from '../materials/materials.js';

/** Something that a make used and that nothing is kept of yet: what it would be kept as. */
export type Grown =
  | { readonly is: 'lot'; readonly kind: StockLot['kind']; readonly stock: Stock; readonly usedG: number }
  | { readonly is: 'gear'; readonly kind: GearKind; readonly holdsL: number | null }
  | {
      readonly is: 'culture';
      readonly culture: CultureId;
      readonly form: StarterForm;
      readonly origin: Origin;
      readonly ageDays: number;
    };

/** What is kept already. */
export interface Kept {
  readonly lots: readonly Lot[];
  readonly gear: readonly Gear[];
}

/** Of gear that keeps warm, what each choice of a warm place stands for. */
const KEEPER_GEAR: Readonly<Record<string, GearKind>> = {
  thermostat: 'thermostat',
  'lamp-oven': 'lamp-oven',
  flask: 'flask',
  bath: 'bath',
};

/** By how a starter is kept, how its line is likely to have begun. */
const BEGAN_AS: Readonly<Record<StarterForm, Origin>> = {
  active: 'pot',
  'freeze-dried': 'powder',
  grains: 'grains',
  capsule: 'capsule',
};

/** To tell one from another, and to remember what somebody did not want. */
export function idOfGrown(grown: Grown): string {
  return `${grown.is} ${grown.is === 'culture' ? grown.culture : grown.kind}`;
}

/** What a make took in and stood in that is not among the lots and the gear yet, in the order it is worth asking. */
export function grownFrom(batch: Batch, kept: Kept): readonly Grown[] {
  const { method, choices, stages } = plannedOf(batch);
  const counting = new Set(method.groups.flatMap((group) => choicesThatCount(group, choices)).map(({ key }) => key));
  const answered = Object.fromEntries(Object.entries(choices).filter(([key]) => counting.has(key)));
  return [...pouredLots(stages, choices, kept), ...standsIn(answered, kept), ...soured(stages, choices, kept)];
}

type Stages = ReturnType<typeof plannedOf>['stages'];

function pouredLots(stages: Stages, choices: Choices, { lots }: Kept): Grown[] {
  const [first] = stages;
  if (!first) return [];
  const amounts = amountsOf(runMake([first], USUAL_ENVIRONMENT), choices);
  return amounts.flatMap(({ stockId, massG }): Grown[] => {
    const kind = stockId === null ? undefined : kindOfReference(stockId);
    if (stockId === null || kind === undefined || lots.some((lot) => lot.kind === kind)) return [];
    return [{ is: 'lot', kind, stock: referenceStock(stockId), usedG: massG }];
  });
}

function standsIn(choices: Choices, { gear }: Kept): Grown[] {
  const has = (kind: GearKind) => gear.some((g) => g.kind === kind);
  const keeper = KEEPER_GEAR[String(choices['keeper'])];
  const holdsL = Number(choices['vesselL']);
  return [
    ...(keeper && !has(keeper)
      ? [{ is: 'gear', kind: keeper, holdsL: keeper === 'lamp-oven' ? null : holdsL } as const]
      : []),
    ...(holdsL > 0 && !has('pot') ? [{ is: 'gear', kind: 'pot', holdsL } as const] : []),
  ];
}

function soured(stages: Stages, choices: Choices, { lots }: Kept): Grown[] {
  const starter = stages.find(
    (s) => s.kind.kind === 'inoculate' || s.kind.kind === 'grains' || s.kind.kind === 'capsule',
  );
  const culture = (starter?.params['culture'] ?? null) as CultureId | null;
  if (!starter || culture === null) return [];
  const alive = (lot: Lot): lot is CultureLot => isCulture(lot) && lot.retiredMs === null && lot.culture === culture;
  if (lots.some(alive)) return [];
  const form = (choices['form'] ?? 'active') as StarterForm;
  return [{ is: 'culture', culture, form, origin: BEGAN_AS[form], ageDays: Number(choices['ageDays'] ?? 0) }];
}
