import { materialFromLabel, type Material } from '../materials/materials.js';
import { say } from '../messages/message.js';
import { SaidError } from '../messages/said-error.js';

/** Grams as a label has them, in any household. */
const asPrinted = (g: number) => `${Number(g.toFixed(1))} g`;

/** What a label prints: grams in a serving, or in 100 g. */
export interface Label {
  readonly fatG: number;
  readonly proteinG: number;
  /** Of which sugars, where it says so: the milk's own lactose. */
  readonly sugarsG: number | null;
  /** Grams or mL that the figures are for; of mL, give the density. */
  readonly perG: number;
}

/** Labels round: a serving's figures are printed to half a gram or so, and may add up to a little more than there is. */
const ROUNDING_G = 1.5;

/**
 * A milk or cream from its label. Minerals, and lactose where the label is silent, are those that go with its serum.
 *
 * @throws RangeError in words where the figures cannot be of one thing
 */
export function materialOfLabel(label: Label): Material {
  const { fatG, proteinG, sugarsG, perG } = label;
  if (!(perG > 0)) throw new SaidError(say('larder.label.serving'));
  const given = fatG + proteinG + (sugarsG ?? 0);
  if (given > perG + ROUNDING_G)
    throw new SaidError(say('larder.label.tooMuch', { given: asPrinted(given), per: asPrinted(perG) }));
  const per100 = 100 / perG;
  const guess = materialFromLabel(fatG * per100, proteinG * per100);
  return sugarsG === null ? guess : { ...guess, lactosePct: sugarsG * per100 };
}
