import { decided, type Choices, type Method } from './method.js';

/** A method of one's own that begins with other choices than the one it was made from. */
export function variantOf(method: Method, id: string, name: string, choices: Choices): Method {
  const first = decided(method, choices);
  const groups = method.groups.map((group) => ({
    ...group,
    choices: group.choices.map((choice) => {
      const initial = first[choice.key]!;
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
