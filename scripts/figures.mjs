// Writes down what the engine comes to on Node: figures, which browser, worker and Node must share to 1e-12, and the book of
// every make, culture and week in lines that are read through when they change.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, must, ROOT } from './lib.mjs';

ensureInstalled();
must('npx', ['tsc', '-b', 'core', 'messages']);
const { figuresOfTheEngine } = await import(join(ROOT, 'core/dist/testing/same-everywhere.js'));
const lines = Object.entries(figuresOfTheEngine()).map(([name, value]) => `  '${name}': ${value},`);
writeFileSync(
  join(ROOT, 'core/src/testing/figures.ts'),
  `/** Made by \`npm run figures\`: written anew whenever the engine's answers are meant to change. */\nexport const FIGURES: Readonly<Record<string, number>> = {\n${lines.join('\n')}\n};\n`,
);
const { books } = await import(join(ROOT, 'core/dist/testing/books.js'));
const { english } = await import(join(ROOT, 'messages/dist/index.js'));
const told = books(english).map((line) => `  ${JSON.stringify(line)},`);
writeFileSync(
  join(ROOT, 'core/src/testing/book.ts'),
  `/** Made by \`npm run figures\`: written anew, and read line by line, whenever the engine's answers are meant to change. */\nexport const BOOK: readonly string[] = [\n${told.join('\n')}\n];\n`,
);
must('npx', ['prettier', '--write', '--log-level', 'warn', 'core/src/testing/figures.ts', 'core/src/testing/book.ts']);
