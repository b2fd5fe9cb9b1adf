import type { LotStock } from '../lots/lot.js';
import { choicesOf, type Choices, type Method, type OptionChoice } from './method.js';

/** Throws where a choice is unknown or out of bounds; of lots of one's own, those in `stocks` may be chosen where their kind fits. */
export function checkChoices(method: Method, given: Choices, stocks: readonly LotStock[] = []): void {
  const known = new Map(choicesOf(method).map((c) => [c.key, c]));
  for (const [key, value] of Object.entries(given)) {
    const choice = known.get(key);
    if (!choice)
      throw new RangeError(`"${key}" is not a choice of ${method.id}; it has ${[...known.keys()].join(', ')}`);
    if (choice.kind === 'number') {
      const n = value as number;
      if (typeof value !== 'number' || !(n >= choice.min && n <= choice.max)) {
        throw new RangeError(`"${key}" must be a number from ${choice.min} to ${choice.max} ${choice.unit}`);
      }
    } else if (!choice.options.some((o) => o.id === value) && !fits(choice, value, stocks)) {
      throw new RangeError(`"${key}" must be one of ${choice.options.map((o) => o.id).join(', ')}`);
    }
  }
}

function fits(choice: OptionChoice, value: number | string, stocks: readonly LotStock[]): boolean {
  const stock = stocks.find((s) => s.id === value);
  return stock !== undefined && (choice.lots ?? []).includes(stock.kind);
}
