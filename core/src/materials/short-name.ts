import { say, type Text } from '../messages/message.js';
import type { Stock } from './materials.js';

/** What a milk, cream or base is called within a sentence, by its id on the reference list. */
const SHORT: Readonly<Record<string, Text>> = {
  whole: say('good.wholeMilk'),
  'half-skimmed': say('good.halfSkimmedMilk'),
  skimmed: say('good.skimmedMilk'),
  raw: say('good.rawMilk'),
  goat: say('good.goatMilk'),
  sheep: say('good.sheepMilk'),
  'ultra-heated': say('good.ultraHeatedMilk'),
  ultrafiltered: say('good.ultrafilteredMilk'),
  'lactose-free': say('good.lactoseFreeMilk'),
  'ultrafiltered-ultra-heated': say('good.ultrafilteredMilk'),
  'ultrafiltered-lactose-free': say('good.lactoseFreeMilk'),
  'soured-cream-36': say('good.souredCream'),
  'soured-cream-20': say('good.souredCream'),
  'sweet-whey': say('good.sweetWhey'),
  'acid-whey': say('good.acidWhey'),
  powder: say('good.skimmedMilkPowder'),
  'cream-36': say('good.cream'),
  'cream-48': say('good.richCream'),
  'cream-ultra': say('good.ultraHeatedCream'),
  'coconut-cream': say('good.coconutCream'),
  'coconut-whole': say('good.coconutMilk'),
  cashew: say('good.cashewMilk'),
  soya: say('good.soyaDrink'),
};

/** A material's name within a sentence: "whole milk"; of one's own, what stands before the first comma of its name. */
export const shortName = ({ id, name }: Pick<Stock, 'id' | 'name'>): Text =>
  SHORT[id] ?? (typeof name === 'string' ? name.split(',')[0]!.toLowerCase() : name);

/** What it is called on a label: in short; one's own as its maker called it, to the first comma. */
export const ingredientName = ({ id, name }: Pick<Stock, 'id' | 'name'>): Text =>
  typeof name === 'string' ? name.split(',')[0]! : (SHORT[id] ?? name);
