import { cliHelp, runVerb } from './cli.js';
import { throughStdio } from './stdio.js';

/** The command line with all its verbs: its help, and what is said of a verb that there is not. */
export function main(name: string | undefined): void {
  if (!name || name === 'help') process.stdout.write(cliHelp());
  else throughStdio((input) => runVerb(name, input));
}
