import type { Text } from '../messages/message.js';
import type { StockLot } from '../lots/lot.js';

/** What a choice must be: above a number, an option, or any other option. K are the keys of choices there are. */
export type Condition<K extends string = string> =
  | { readonly choice: K; readonly above: number }
  | { readonly choice: K; readonly is: string }
  | { readonly choice: K; readonly not: string };

/** A measured choice: a number within bounds. */
export interface NumberChoice<K extends string = string> {
  readonly key: K;
  readonly label: Text;
  readonly kind: 'number';
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly initial: number;
  readonly why: Text;
  /** What nought of it is called, where a number would say less: "no second ferment". */
  readonly nought?: Text;
  /** Left out of sight unless this holds: then it has no say. */
  readonly onlyIf?: Conditions;
}

/** A choice between schools, places or gear. */
export interface OptionChoice<K extends string = string> {
  readonly key: K;
  readonly label: Text;
  readonly kind: 'option';
  readonly options: readonly { readonly id: string; readonly label: Text; readonly why: Text }[];
  /** Kinds of lots of one's own that may be chosen as well. */
  readonly lots?: readonly StockLot['kind'][];
  readonly initial: string;
  /** What it is where another choice was made and this one was not, by that other one: who names a fat wants it blended. */
  readonly implied?: Readonly<Record<string, string>>;
  readonly why: Text;
  /** Left out of sight unless this holds: then it has no say. */
  readonly onlyIf?: Conditions;
}

export type Choice<K extends string = string> = NumberChoice<K> | OptionChoice<K>;

/** The choices a maker has made, by key. */
export type Choices = Readonly<Record<string, number | string>>;

/** A parameter of a stage: a plain value, the value of a choice, or the milk, cream or base that a choice names. */
export type Parameter = number | string | { readonly choice: string } | { readonly stock: string };

/** Conditions that must all hold. */
export type Conditions<K extends string = string> = Condition<K> | readonly Condition<K>[];

/** A stage as any method lists it, one read from a file as well. `onlyIf` leaves it out unless every condition holds. */
export interface StageTemplate {
  readonly id: string;
  readonly kind: string;
  readonly params: Readonly<Record<string, Parameter>>;
  readonly onlyIf?: Conditions;
}

/** A group of choices as the page shows them. */
export interface ChoiceGroup<K extends string = string> {
  readonly title: Text;
  readonly choices: readonly Choice<K>[];
}

/** One way to make one product: pure data. A new product is a new one of these and no code. */
export interface Method {
  readonly id: string;
  /** Row of the family table, for people who know it by that. */
  readonly code: string;
  readonly name: Text;
  /** The name among its family. */
  readonly short: Text;
  readonly family: Text;
  readonly summary: Text;
  readonly groups: readonly ChoiceGroup[];
  readonly stages: readonly StageTemplate[];
  /** What it gives, where that is no food but a starter for the next make. */
  readonly gives?: 'starter';
}

/** All choices of a method in one list. */
export function choicesOf(method: Method): readonly Choice[] {
  return method.groups.flatMap((group) => group.choices);
}

/** True where what is chosen fulfils every condition. */
export function holds(conditions: Conditions, choices: Choices): boolean {
  return [conditions].flat().every((condition) => {
    const chosen = choices[condition.choice];
    if ('above' in condition) return Number(chosen) > condition.above;
    return 'is' in condition ? chosen === condition.is : chosen !== condition.not;
  });
}

/** The choices of a group that have a say, as things are chosen. */
export function choicesThatCount(group: ChoiceGroup, choices: Choices): readonly Choice[] {
  return group.choices.filter((choice) => !choice.onlyIf || holds(choice.onlyIf, choices));
}

/** The choices a method starts with. */
export function initialChoices(method: Method): Choices {
  return Object.fromEntries(choicesOf(method).map((choice) => [choice.key, choice.initial]));
}

/** All choices of a make: those that were made, what they imply, and the method's own for the rest. */
export function decided(method: Method, made: Choices): Choices {
  const implied = choicesOf(method).flatMap((choice) => {
    if (choice.kind !== 'option' || made[choice.key] !== undefined) return [];
    const [by] = Object.entries(choice.implied ?? {}).filter(([key]) => made[key] !== undefined);
    return by ? [[choice.key, by[1]] as const] : [];
  });
  return { ...initialChoices(method), ...Object.fromEntries(implied), ...made };
}

/** Of some choices those that a method asks for and would take: a number within its bounds, an option it lists. */
export function offeredOf(method: Method, choices: Choices): Choices {
  const offers = ([key, value]: readonly [string, number | string]) => {
    const choice = choicesOf(method).find((c) => c.key === key);
    if (choice?.kind === 'number') return Number(value) >= choice.min && Number(value) <= choice.max;
    return choice?.options.some((o) => o.id === value) === true;
  };
  return Object.fromEntries(Object.entries(choices).filter(offers));
}

/** Whether a method offers every one of some choices. */
export const offersAll = (method: Method, choices: Choices): boolean =>
  Object.keys(offeredOf(method, choices)).length === Object.keys(choices).length;

/** What of a choice a method may have otherwise than the group it shares. */
type Change = Partial<Pick<NumberChoice, 'label' | 'why' | 'unit' | 'min' | 'max' | 'step' | 'onlyIf'>> & {
  readonly initial?: number | string;
  readonly options?: OptionChoice['options'];
  readonly lots?: OptionChoice['lots'];
};

/** The keys of a group's choices. */
type KeyOf<G extends ChoiceGroup> = G['choices'][number]['key'];

/** A shared group with some of its choices changed, by key. */
export function vary<G extends ChoiceGroup>(
  group: G,
  changes: Readonly<Partial<Record<KeyOf<G>, Change>>>,
): ChoiceGroup<KeyOf<G>> {
  const all: Readonly<Record<string, Change | undefined>> = changes;
  return { ...group, choices: group.choices.map((c) => ({ ...c, ...all[c.key] }) as Choice<KeyOf<G>>) };
}

/** A shared group with only some of its choices. */
export function only<G extends ChoiceGroup, K extends KeyOf<G>>(group: G, keys: readonly K[]): ChoiceGroup<K> {
  const isKept = (choice: Choice): choice is Choice<K> => keys.some((key) => key === choice.key);
  return { ...group, choices: group.choices.filter(isKept) };
}

/** A shared group with more choices after its own. */
export function withMore<G extends ChoiceGroup, const C extends readonly Choice[]>(
  group: G,
  ...more: C
): ChoiceGroup<KeyOf<G> | C[number]['key']> {
  return { ...group, choices: [...group.choices, ...more] };
}

/** A shared group with more choices before its own. */
export function withFirst<G extends ChoiceGroup, const C extends readonly Choice[]>(
  group: G,
  ...more: C
): ChoiceGroup<KeyOf<G> | C[number]['key']> {
  return { ...group, choices: [...more, ...group.choices] };
}

/** A group whose choices, or a stage which, has a say only under one more condition. */
export function when<T extends ChoiceGroup | StageTemplate>(condition: Condition, what: T): T {
  const narrowed = <U extends { readonly onlyIf?: Conditions }>(one: U): U => ({
    ...one,
    onlyIf: [condition, ...[one.onlyIf ?? []].flat()],
  });
  return 'choices' in what ? { ...what, choices: what.choices.map(narrowed) } : (narrowed(what) as T);
}
