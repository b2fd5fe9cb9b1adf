import { InputRefused, refusal } from '@oat-crock/contract';
import { readFileSync } from 'node:fs';
import { cliHelp, runVerb } from './cli.js';

/** The engine's command line: one JSON object in, one out; on bad input nothing out, a problem on stderr, exit 2. */
function main(verb: string | undefined): void {
  if (!verb || verb === 'help') {
    process.stdout.write(cliHelp());
    return;
  }
  try {
    process.stdout.write(`${JSON.stringify(runVerb(verb, readInput()))}\n`);
  } catch (error) {
    if (!(error instanceof InputRefused)) throw error;
    process.stderr.write(`${JSON.stringify(refusal(error.errors))}\n`);
    process.exitCode = 2;
  }
}

function readInput(): unknown {
  try {
    return JSON.parse(readFileSync(0, 'utf8'));
  } catch {
    throw new InputRefused([
      { field: '(the whole)', message: 'What came in is not JSON.', remedy: 'Send one JSON object on standard input.' },
    ]);
  }
}

main(process.argv[2]);
