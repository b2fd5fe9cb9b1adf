import { check, InputRefused } from '@oat-crock/contract';
import { CLI_EXAMPLES } from './examples.js';
import { CLI_SCHEMAS, type Verb } from './schemas.js';
import { VERBS } from './verbs.js';

/** Every verb of the command line. */
export const VERB_NAMES = Object.keys(CLI_SCHEMAS) as Verb[];

/**
 * One object in, one out: checks the input against the verb's shape and computes.
 * @throws InputRefused naming the field and the remedy
 */
export function runVerb(verb: string, input: unknown): object {
  if (!isVerb(verb)) {
    throw new InputRefused([
      { field: 'verb', message: `There is no verb "${verb}".`, remedy: `Use one of ${VERB_NAMES.join(', ')}.` },
    ]);
  }
  return VERBS[verb](check(CLI_SCHEMAS[verb], input) as never);
}

function isVerb(verb: string): verb is Verb {
  return Object.hasOwn(CLI_SCHEMAS, verb);
}

/** The verbs with a worked example of each. Long series are cut to their first points. */
export function cliHelp(): string {
  const parts = VERB_NAMES.map((verb) => {
    const { says, input } = CLI_EXAMPLES[verb];
    const output = JSON.stringify(runVerb(verb, input), shortened, 2);
    return `${verb}\n  ${says}\n  in:\n${indented(JSON.stringify(input, null, 2))}\n  out:\n${indented(output)}`;
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
