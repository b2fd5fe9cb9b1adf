import { InputRefused, problemIn, refusal } from '@oat-crock/contract';
import { readFileSync } from 'node:fs';
import { english } from '@oat-crock/messages';

/** One JSON object in on standard input, one out; on bad input nothing out, a problem on stderr, exit 2. */
export function throughStdio(compute: (input: unknown) => object): void {
  try {
    process.stdout.write(`${JSON.stringify(compute(readInput()))}\n`);
  } catch (error) {
    if (!(error instanceof InputRefused)) throw error;
    process.stderr.write(`${JSON.stringify(problemIn(refusal(error.errors), english))}\n`);
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
