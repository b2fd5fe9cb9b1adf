import { say, type Text } from '../messages/message.js';
import { between, perKilo, temp } from '../messages/quantity.js';

/** Cautions the product always carries, in the maker's words. Usual cautions, not legal advice. */
export const CAUTIONS = {
  defer: say('stages.cautions.theseUsualCautionsNot'),
  raw: say('stages.cautions.rawMilkNotAnyone', { temp: temp(63), temp2: temp(72) }),
  clean: say('stages.cautions.scaldVesselsSpoonsBoil'),
  spoon: say('stages.cautions.starterSpoonNeverGoes'),
  hot: say('stages.cautions.hotMilkSteamBurn'),
  unheated: say('stages.cautions.wheyProteinMilkNever'),
  notAcid: say('stages.cautions.notSourEnoughKeep', { temp: between(temp(57), temp(21)), temp2: temp(5) }),
  acid: say('stages.cautions.cultureMustBringPh'),
  mould: say('stages.cautions.mouldPinkOrangeBlack'),
  allergen: say('stages.cautions.containsMilk'),
  calcium: say('stages.cautions.calciumChlorideFoodGrade', { share: perKilo(0.2) }),
  wild: say('stages.cautions.whatLivesRawMilk'),
  tiredGrains: say('stages.cautions.theseGrainsWaitedLong'),
  egg: say('stages.cautions.eggBringAllThrough', { temp: temp(74) }),
  allergenEgg: say('stages.cautions.containsMilkEgg'),
  bottles: say('stages.cautions.closedBottlesBurstOnly'),
  oven: say('stages.cautions.fullPanHotFat'),
  boilRinse: say('stages.cautions.nothingGuardsPlantBase'),
  capsule: say('stages.cautions.capsulesSupplementsNotAssayed'),
  allergenCoconut: say('stages.cautions.containsCoconutWhichCounts'),
  allergenNuts: say('stages.cautions.containsCashewNuts'),
  allergenSoya: say('stages.cautions.containsSoya'),
  allergenTreeNuts: say('stages.cautions.containsNuts'),
  freshInFat: say('stages.cautions.freshInFat', { temp: temp(4) }),
  condensation: say('stages.cautions.condensation'),
  ultraCream: say('stages.cautions.ultraHeatedCreamStabilised'),
  whey: say('stages.cautions.acidWheyDoesNot'),
  counterDrain: say('stages.cautions.counterGoesSouringOnly'),
} as const satisfies Readonly<Record<string, Text>>;

/** The cautions that name allergens, and which. */
export const NAMES_ALLERGENS: ReadonlyMap<Text, readonly Text[]> = new Map([
  [CAUTIONS.allergen, [say('allergen.milk')]],
  [CAUTIONS.allergenEgg, [say('allergen.milk'), say('allergen.egg')]],
  [CAUTIONS.allergenCoconut, [say('allergen.coconut')]],
  [CAUTIONS.allergenNuts, [say('allergen.cashewNuts')]],
  [CAUTIONS.allergenSoya, [say('allergen.soya')]],
  [CAUTIONS.allergenTreeNuts, [say('allergen.nuts')]],
]);
