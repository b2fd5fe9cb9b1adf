import type { CultureId } from '../constants/cultures.js';
import type { Choices, Method, Parameter, StageTemplate } from '../methods/method.js';
import { holds, initialChoices } from '../methods/method.js';
import { bind, type BoundStage } from '../stages/registry.js';

/**
 * The stages of a make: a method's templates with the maker's choices put in.
 * Choices that are not given take the method's own.
 */
export function planStages(method: Method, choices: Choices = {}): readonly BoundStage[] {
  const made: Choices = { ...initialChoices(method), ...choices };
  return method.stages
    .filter((template) => wanted(template, made))
    .map((template) =>
      bind({
        id: template.id,
        kind: template.kind,
        params: Object.fromEntries(Object.entries(template.params).map(([key, p]) => [key, valueOf(p, made)])),
      }),
    );
}

/** The culture that sours a make, or null where nothing does. */
export function cultureOf(stages: readonly BoundStage[]): CultureId | null {
  const sowing = stages.find((s) => s.params['culture'] !== undefined);
  return (sowing?.params['culture'] as CultureId | undefined) ?? null;
}

function wanted({ onlyIf = [] }: StageTemplate, choices: Choices): boolean {
  return holds(onlyIf, choices);
}

function valueOf(parameter: Parameter, choices: Choices): number | string {
  if (typeof parameter !== 'object') return parameter;
  const value = choices[parameter.choice];
  if (value === undefined)
    throw new RangeError(`The method asks for a choice "${parameter.choice}" that it does not offer`);
  return value;
}
