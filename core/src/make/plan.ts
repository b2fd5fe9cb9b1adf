import { referenceStock } from '../materials/reference-materials.js';
import type { Stock } from '../materials/materials.js';
import type { Choices, Method, Parameter, StageTemplate } from '../methods/method.js';
import { holds, decided } from '../methods/method.js';
import { bind, type BoundStage } from '../stages/registry.js';

/**
 * The stages of a make: a method's templates with the maker's choices put in.
 * Choices that are not given take the method's own.
 *
 * @param stocks lots of one's own that the choices may name
 * @throws RangeError for a milk, cream or base that is neither among them nor on the reference list
 */
export function planStages(
  method: Method,
  choices: Choices = {},
  stocks: readonly Stock[] = [],
): readonly BoundStage[] {
  const made: Choices = decided(method, choices);
  return method.stages
    .filter((template) => wanted(template, made))
    .map(({ id, kind, params }) => ({
      ...bind({ id, kind, params: mapped(params, (p) => valueOf(p, made, stocks)) }),
      chosenBy: mapped(params, chosenBy),
    }));
}

const mapped = <T, U>(of: Readonly<Record<string, T>>, to: (value: T) => U): Readonly<Record<string, U>> =>
  Object.fromEntries(Object.entries(of).map(([key, value]) => [key, to(value)]));

/** The key of the choice that a parameter is told by; undefined where nobody chooses it. */
function chosenBy(parameter: Parameter): string | undefined {
  if (typeof parameter !== 'object') return undefined;
  return 'stock' in parameter ? parameter.stock : parameter.choice;
}

/** Every milk, cream and base that the stages pour in. */
export function pouredBy(stages: readonly BoundStage[]): readonly Stock[] {
  return stages.flatMap((s) => s.kind.pours?.(s.params) ?? []);
}

function wanted({ onlyIf = [] }: StageTemplate, choices: Choices): boolean {
  return holds(onlyIf, choices);
}

function valueOf(parameter: Parameter, choices: Choices, stocks: readonly Stock[]): number | string | Stock {
  if (typeof parameter !== 'object') return parameter;
  const key = 'stock' in parameter ? parameter.stock : parameter.choice;
  const value = choices[key];
  if (value === undefined) throw new RangeError(`The method asks for a choice "${key}" that it does not offer`);
  return 'stock' in parameter ? stockNamed(String(value), stocks) : value;
}

/**
 * What a choice of milk, cream or base names: one of some lots, or one of the reference list.
 * @throws RangeError where it is neither
 */
function stockNamed(name: string, stocks: readonly Stock[]): Stock {
  return stocks.find((s) => s.id === name) ?? referenceStock(name);
}
