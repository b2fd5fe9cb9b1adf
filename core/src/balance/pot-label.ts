import { type Text, idOfText, say, uniqueTexts } from '../messages/message.js';
import { CAUTIONS, NAMES_ALLERGENS } from '../stages/cautions.js';
import { potsOf } from '../stages/finish.js';
import type { BoundStage } from '../stages/registry.js';
import { totalG } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';
import { shelfLife } from '../safety/shelf-life.js';
import { nutritionOf, type Nutrition } from './nutrition.js';

/** What stands on a pot, but for its lot and its dates, which a calendar gives. */
export interface PotLabel {
  readonly contains: readonly Text[];
  /** What went in, most first, without what of it left again as a thing of its own. */
  readonly ingredients: readonly Text[];
  readonly netG: number;
  readonly pots: number;
  /** Days that it keeps in the cold; null as long as nothing has shown what is to guard it, and then what would show it. */
  readonly keepsDays: number | null;
  readonly keepsNeeds: Text;
  /** Days that an open pot keeps. */
  readonly openDays: number;
  /** The °C that is reckoned with. */
  readonly storeC: number;
  readonly per100g: Nutrition;
  /** Cautions for who eats it: not for who makes it. */
  readonly cautions: readonly Text[];
  /** The same as a few words that have room on a pot. */
  readonly warns: readonly Text[];
}

/** The label of a make's product. */
export function potLabel(
  end: CrockState,
  stages: readonly { readonly stage: BoundStage; readonly before: CrockState }[],
  { storeC, acidShown }: { readonly storeC: number; readonly acidShown: boolean },
): PotLabel {
  const weighed = new Map<string, { readonly name: Text; readonly massG: number }>();
  for (const { stage, before } of stages) {
    for (const { what, ingredient, massG } of stage.kind.weighIn?.(stage.params, before) ?? []) {
      const name = ingredient ?? what;
      const id = idOfText(name);
      weighed.set(id, { name, massG: (weighed.get(id)?.massG ?? 0) + massG });
    }
  }
  const cautions = stages.flatMap(({ stage, before }) => stage.kind.cautions(stage.params, before));
  const allergens = cautions.flatMap((c) => NAMES_ALLERGENS.get(c) ?? []);
  const potG = Number(stages.at(-1)?.stage.params['potG'] ?? 0);
  return {
    contains: uniqueTexts(allergens),
    ingredients: [...weighed.values()].sort((a, b) => b.massG - a.massG).map(({ name }) => name),
    netG: potG > 0 ? potG : totalG(end.masses),
    pots: potG > 0 ? potsOf(end.masses, potG) : 1,
    storeC: shelfLife(end, storeC).storeC,
    openDays: shelfLife(end, storeC).openDays,
    ...keeping(end, { storeC, acidShown }),
    per100g: nutritionOf(end),
    cautions: uniqueTexts(cautions.filter((c) => FOR_EATERS.has(c))),
    warns: uniqueTexts(cautions.flatMap((c) => FOR_EATERS.get(c) ?? [])),
  };
}

/** What a make that acid guards needs before it has a keeping time, with and without curd that shows it. */
const NEEDS = { milk: say('balance.potLabel.measureOrLook'), plant: say('balance.potLabel.measurePlant') } as const;

/** How long it keeps. Where acid is to guard it, the forecast's word alone is not enough. */
function keeping(
  end: CrockState,
  { storeC, acidShown }: { readonly storeC: number; readonly acidShown: boolean },
): Pick<PotLabel, 'keepsDays' | 'keepsNeeds'> {
  const byAcid = end.souring !== null && end.curd.churned < 1;
  if (byAcid && !acidShown) return { keepsDays: null, keepsNeeds: end.inputs.casein > 0 ? NEEDS.milk : NEEDS.plant };
  return { keepsDays: shelfLife(end, storeC).days, keepsNeeds: '' };
}

/** The cautions that concern who eats it, and what of each stands on a pot; nothing of one that is settled before it is eaten. */
const FOR_EATERS: ReadonlyMap<Text, Text | null> = new Map([
  [CAUTIONS.raw, say('balance.potLabel.rawMilk')],
  [CAUTIONS.notAcid, say('balance.potLabel.eatSoon')],
  [CAUTIONS.freshInFat, say('balance.potLabel.alwaysCold')],
  [CAUTIONS.bottles, say('balance.potLabel.underPressure')],
  [CAUTIONS.capsule, null],
]);
