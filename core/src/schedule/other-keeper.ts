import { duration } from '../messages/quantity.js';
import { say, type Text } from '../messages/message.js';
import type { GearKind } from '../lots/gear.js';
import { firstOf, lastOf } from '../make/run.js';
import { choicesOf, type Choices, type Method } from '../methods/method.js';
import { gearWord } from './gear-resources.js';
import { usualRuns, type Network, type NetworkHousehold } from './network.js';

/** The choice that says where a crock is kept warm. */
const KEEPER = 'keeper';
/** Ways to keep warm, the one that is evenest first. */
const EVENEST: readonly string[] = ['thermostat', 'bath', 'lamp-oven', 'flask', 'wrapped'];

/** A souring that is so much longer or shorter, min, is as long. */
const ALIKE_MIN = 15;

/** Other ways to keep a make warm than the one it was to be, those first that keep it evenest; none where it has no such choice. */
export function otherKeepers(method: Method, given: Choices): readonly Choices[] {
  const choice = choicesOf(method).find(({ key }) => key === KEEPER);
  if (choice?.kind !== 'option') return [];
  const rank = (id: string) => EVENEST.indexOf(id);
  return choice.options
    .map(({ id }) => id)
    .filter((id) => id !== (given[KEEPER] ?? choice.initial) && rank(id) >= 0)
    .sort((a, b) => rank(a) - rank(b))
    .map((id) => ({ ...given, [KEEPER]: id }));
}

/** What is otherwise of a make that is kept warm another way, as what it was to be kept in is not there. */
export function keptOtherwise(
  method: Method,
  meant: Choices,
  { choices }: Pick<Network, 'choices'>,
  lacks: GearKind,
  household: NetworkHousehold,
): Text {
  const choice = choicesOf(method).find(({ key }) => key === KEEPER);
  const option = choice?.kind === 'option' ? choice.options.find(({ id }) => id === choices[KEEPER]) : undefined;
  const what = { keeper: option?.label ?? String(choices[KEEPER]), gear: gearWord(lacks) };
  const usualChoices = { ...choices, [KEEPER]: meant[KEEPER] ?? choice?.initial ?? '' };
  const [takes, usual] = [choices, usualChoices].map((of) => sourMin(method, of, household)) as [number, number];
  return Math.abs(takes - usual) < ALIKE_MIN
    ? say('schedule.orders.keptOtherwiseAlike', what)
    : say('schedule.orders.keptOtherwise', { ...what, takes: duration(takes), usual: duration(usual) });
}

/** How long a make sours, minutes. */
function sourMin(method: Method, choices: Choices, household: NetworkHousehold): number {
  return usualRuns(method, choices, household).runs.reduce(
    (sum, run) => sum + (run.stage.kind.endsBy === 'acidity' ? lastOf(run).minute - firstOf(run).minute : 0),
    0,
  );
}
