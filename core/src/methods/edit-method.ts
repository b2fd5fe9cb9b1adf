import { say, idOfText } from '../messages/message.js';
import { bind } from '../stages/registry.js';
import {
  initialChoices,
  type Choice,
  type ChoiceGroup,
  type Conditions,
  type Method,
  type Parameter,
  type StageTemplate,
} from './method.js';
import { askedOf, type Asked } from './stage-asks.js';

/** Where what is newly asked stands. */
const OWN_GROUP = say('methods.editMethod.yourOwn');

/** A method with a stage of a kind put in before a place; it begins with the kind's own parameters. */
export function withStage(method: Method, kind: string, before: number): Method {
  const stage: StageTemplate = { id: freeId(method, kind), kind, params: {} };
  return { ...method, stages: method.stages.toSpliced(before, 0, stage) };
}

export function withoutStage(method: Method, at: number): Method {
  return pruned(method, { ...method, stages: method.stages.toSpliced(at, 1) });
}

/** A method with a stage moved to another place. */
export function withStageMoved(method: Method, from: number, to: number): Method {
  const [stage] = method.stages.slice(from, from + 1);
  if (!stage || to < 0 || to >= method.stages.length) return method;
  return { ...method, stages: method.stages.toSpliced(from, 1).toSpliced(to, 0, stage) };
}

/** A method in which a parameter of a stage is told a value, once for all. */
export function withFixed(method: Method, at: number, key: string, value: number | string): Method {
  return pruned(method, withParam(method, at, key, value));
}

/** A method in which a parameter of a stage is asked each time, beginning with what it is now. */
export function withAsked(method: Method, at: number, key: string): Method {
  const stage = method.stages[at];
  const asked = stage && askedOf(stage.kind)[key];
  if (!stage || !asked) return method;
  const choiceKey = freeKey(method, key);
  const choice = choiceFor(asked, choiceKey, valueNow(method, stage, key));
  return withParam(withChoice(method, choice), at, key, { choice: choiceKey });
}

/** What a parameter of a stage is, as things begin: told, asked, or the kind's own. */
export function valueNow(method: Method, stage: StageTemplate, key: string): number | string {
  const told = stage.params[key];
  if (typeof told === 'object') return initialChoices(method)[choiceOf(told)]!;
  return told ?? (bind({ id: stage.id, kind: stage.kind, params: {} }).params[key] as number | string);
}

/** The choice that a parameter is asked by. */
export const choiceOf = (parameter: Exclude<Parameter, number | string>): string =>
  'stock' in parameter ? parameter.stock : parameter.choice;

function withParam(method: Method, at: number, key: string, value: Parameter): Method {
  const stages = method.stages.map((s, i) => (i === at ? { ...s, params: { ...s.params, [key]: value } } : s));
  return { ...method, stages };
}

function withChoice(method: Method, choice: Choice): Method {
  const own = method.groups.find((g) => idOfText(g.title) === idOfText(OWN_GROUP));
  const groups: readonly ChoiceGroup[] = own
    ? method.groups.map((g) => (g === own ? { ...g, choices: [...g.choices, choice] } : g))
    : [...method.groups, { title: OWN_GROUP, choices: [choice] }];
  return { ...method, groups };
}

function choiceFor(asked: Asked, key: string, initial: number | string): Choice {
  const common = { key, label: asked.label || key, why: '' };
  if (asked.kind === 'number') {
    const { unit, min, max, step } = asked;
    return { ...common, kind: 'number', unit, min, max, step: step || 1, initial: Number(initial) };
  }
  const options = asked.values.map((id) => ({ id, label: asked.labels[id] ?? id, why: '' }));
  return { ...common, kind: 'option', options, initial: String(initial) };
}

/** Choices that stages took and none takes any more are no longer asked, nor is anything that hung on them. */
function pruned(before: Method, after: Method): Method {
  const wanted = usedBy(after);
  const orphans = new Set([...usedBy(before)].filter((key) => !wanted.has(key)));
  if (orphans.size === 0) return after;
  const groups = after.groups
    .map((g) => ({ ...g, choices: g.choices.filter((c) => !orphans.has(c.key)).map((c) => freed(c, orphans)) }))
    .filter((g) => g.choices.length > 0);
  return { ...after, groups };
}

/** What is asked whatever an orphan was, once that is gone. */
function freed(choice: Choice, orphans: ReadonlySet<string>): Choice {
  if (!choice.onlyIf) return choice;
  const { onlyIf, ...rest } = choice;
  const left = [onlyIf].flat().filter((c) => !orphans.has(c.choice));
  return left.length > 0 ? { ...rest, onlyIf: left } : rest;
}

function usedBy(method: Method): Set<string> {
  const hangs = (conditions: Conditions | undefined) => [conditions ?? []].flat().map((c) => c.choice);
  return new Set(
    method.stages.flatMap((s) => [
      ...Object.values(s.params).flatMap((p) => (typeof p === 'object' ? [choiceOf(p)] : [])),
      ...hangs(s.onlyIf),
    ]),
  );
}

function freeId(method: Method, kind: string): string {
  return free(kind, new Set(method.stages.map((s) => s.id)));
}

function freeKey(method: Method, key: string): string {
  return free(key, new Set(method.groups.flatMap((g) => g.choices.map((c) => c.key))));
}

function free(name: string, taken: ReadonlySet<string>): string {
  if (!taken.has(name)) return name;
  let n = 2;
  while (taken.has(`${name}-${n}`)) n++;
  return `${name}-${n}`;
}
