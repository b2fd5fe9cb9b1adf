import { idOfText } from '../messages/message.js';
import { FAMILIES } from '../methods/families.js';
import { decided, holds, type Choices, type Method } from '../methods/method.js';

/** What another make may go on with: yogurt into the cloth, clabber under the knife. */
export type Base = 'yogurt' | 'clabber';

const OF_FAMILY: ReadonlyMap<string, Base> = new Map([
  [idOfText(FAMILIES.yogurt), 'yogurt'],
  [idOfText(FAMILIES.souredMilk), 'clabber'],
]);

/** Stages that leave it plain: what was strained, salted or flavoured, or is of a plant base, is something else. */
const PLAIN: ReadonlySet<string> = new Set([
  ...['blend', 'heat', 'hold', 'cool', 'inoculate', 'wild', 'incubate', 'skim', 'chill', 'finish'],
]);

/** What the product of a make is for another make that goes on with it; null where none does. */
export function goesOnAs(method: Method, given: Choices): Base | null {
  const choices = decided(method, given);
  const stages = method.stages.filter(({ onlyIf = [] }) => holds(onlyIf, choices));
  const isPlain = stages.every(({ kind }) => PLAIN.has(kind)) && !(Number(choices['sugarPct'] ?? 0) > 0);
  return isPlain ? (OF_FAMILY.get(idOfText(method.family)) ?? null) : null;
}
