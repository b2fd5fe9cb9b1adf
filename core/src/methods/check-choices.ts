import { choicesOf, type Choices, type Method } from './method.js';

/** Throws where a choice is unknown or out of bounds. */
export function checkChoices(method: Method, given: Choices): void {
  const known = new Map(choicesOf(method).map((c) => [c.key, c]));
  for (const [key, value] of Object.entries(given)) {
    const choice = known.get(key);
    if (!choice)
      throw new RangeError(`"${key}" is not a choice of ${method.name}; it has ${[...known.keys()].join(', ')}`);
    if (choice.kind === 'number') {
      const n = value as number;
      if (typeof value !== 'number' || !(n >= choice.min && n <= choice.max)) {
        throw new RangeError(
          `"${key}" (${choice.label}) must be a number from ${choice.min} to ${choice.max} ${choice.unit}`,
        );
      }
    } else if (!choice.options.some((o) => o.id === value)) {
      throw new RangeError(`"${key}" (${choice.label}) must be one of ${choice.options.map((o) => o.id).join(', ')}`);
    }
  }
}
