import { choicesOf, type Choices, type Method } from './method.js';

/** A method of one's own that begins with other choices than the one it was made from. */
export function variantOf(method: Method, id: string, name: string, choices: Choices): Method {
  const has = new Set(choicesOf(method).map((c) => c.key));
  const groups = method.groups.map((group) => ({
    ...group,
    choices: group.choices.map((choice) => {
      const initial = choices[choice.key];
      if (initial === undefined || !has.has(choice.key)) return choice;
      const listed = choice.kind === 'number' || choice.options.some((o) => o.id === initial);
      return listed ? ({ ...choice, initial } as typeof choice) : choice;
    }),
  }));
  return { ...method, id, name, short: name, groups };
}

/** An open method file: what it is, the version of its form, and the method. */
export interface MethodFile {
  readonly oatCrock: 'method';
  readonly version: 1;
  readonly method: Method;
}

export function methodFile(method: Method): MethodFile {
  return { oatCrock: 'method', version: 1, method };
}
