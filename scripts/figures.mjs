// Writes down what the engine comes to on Node, for the tests that ask browser, worker and Node for the same.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, must, ROOT } from './lib.mjs';

ensureInstalled();
must('npx', ['tsc', '-b', 'core']);
const { figuresOfTheEngine } = await import(join(ROOT, 'core/dist/testing/same-everywhere.js'));
const lines = Object.entries(figuresOfTheEngine()).map(([name, value]) => `  '${name}': ${value},`);
writeFileSync(
  join(ROOT, 'core/src/testing/figures.ts'),
  `/** Made by \`npm run figures\`: written anew whenever the engine's answers are meant to change. */\nexport const FIGURES: Readonly<Record<string, number>> = {\n${lines.join('\n')}\n};\n`,
);
must('npx', ['prettier', '--write', '--log-level', 'warn', 'core/src/testing/figures.ts']);
