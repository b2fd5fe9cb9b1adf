import { InputRefused } from '@oat-crock/contract';
import { answer } from './answer.js';
import { VERBS, type VerbName } from './verbs.js';

/** Every verb of the command line. */
export const VERB_NAMES = Object.keys(VERBS) as VerbName[];

/**
 * One object in, one out, by the verb's name.
 * @throws InputRefused naming the field and the remedy
 */
export function runVerb(name: string, input: unknown): object {
  if (!isVerb(name)) {
    throw new InputRefused([
      { field: 'verb', message: `There is no verb "${name}".`, remedy: `Use one of ${VERB_NAMES.join(', ')}.` },
    ]);
  }
  return answer(VERBS[name], input);
}

function isVerb(name: string): name is VerbName {
  return Object.hasOwn(VERBS, name);
}

/** The verbs with a worked example of each. Long series are cut to their first points. */
export function cliHelp(): string {
  const parts = VERB_NAMES.map((name) => {
    const { says, example } = VERBS[name];
    const output = JSON.stringify(runVerb(name, example), shortened, 2);
    return `${name}\n  ${says}\n  in:\n${indented(JSON.stringify(example, null, 2))}\n  out:\n${indented(output)}`;
  });
  return `npm run -s engine -- VERB < input.json > output.json\n\n${parts.join('\n\n')}\n`;
}

function shortened(_key: string, value: unknown): unknown {
  if (Array.isArray(value) && value.length > 3) return [...value.slice(0, 2), `… ${value.length} in all`];
  return typeof value === 'number' ? Number(value.toPrecision(5)) : value;
}

function indented(text: string): string {
  return text.replace(/^/gm, '    ');
}
