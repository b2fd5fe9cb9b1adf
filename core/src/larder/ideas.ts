import { type Text } from '../messages/message.js';
import type { Method } from '../methods/method.js';
import { choicesOf } from '../methods/method.js';
import { referenceStock } from '../materials/reference-materials.js';
import type { Treatment } from '../constants/milk.js';
import type { Lot } from '../lots/lot.js';

/** A make that a lot could become. */
export interface Idea {
  readonly methodId: string;
  readonly name: Text;
}

/** Fat (percent) from which a cream is taken for what wants rich cream. */
const RICH_PCT = 30;

/**
 * Makes that take a lot as their main thing: those in which its kind may be chosen for milk, cream or base; a cream only
 * where cream is what the make is of, and rich enough for it.
 */
export function ideasFor(lot: Lot, methods: readonly Method[]): readonly Idea[] {
  return methods.filter((method) => takes(method, lot)).map(({ id, name }) => ({ methodId: id, name }));
}

function takes(method: Method, lot: Lot): boolean {
  if (lot.kind === 'cream') {
    const fat = choicesOf(method).find((c) => c.key === 'fatPct');
    if (fat?.kind !== 'number' || !isOfCream(method)) return false;
    return fat.min < lot.material.fatPct && (fat.min < RICH_PCT || lot.material.fatPct >= RICH_PCT);
  }
  if (lot.kind === 'powder' || !('material' in lot)) return false;
  if (lot.kind === 'milk' && isOfCream(method)) return false;
  if (isColdStart(method) && !READY.has(lot.treatment)) return false;
  return choicesOf(method).some((c) => c.kind === 'option' && c.lots?.includes(lot.kind) === true && c.key !== 'cream');
}

/** Treatments after which a milk may be set straight from the cold. */
const READY: ReadonlySet<Treatment> = new Set(['ultra-heated', 'ultrafiltered', 'scalded']);

/** A make that starts cold offers no milk that would have to be heated first. */
function isColdStart(method: Method): boolean {
  const milk = choicesOf(method).find((c) => c.key === 'milk');
  return milk?.kind === 'option' && READY.has(referenceStock(milk.initial).treatment);
}

/** A make of cream asks for more fat than any milk has. */
function isOfCream(method: Method): boolean {
  const fat = choicesOf(method).find((c) => c.key === 'fatPct');
  return fat?.kind === 'number' && fat.initial >= 18;
}
