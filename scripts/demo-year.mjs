// Plays the year before the demonstration's week by the engine and writes it as the archive that the demonstration reads.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureCompiled, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureCompiled();
const at = (path) => join(ROOT, 'server/dist', path);
const { yearArchive } = await import(at('demo/year-archive.js'));
const bytes = await yearArchive();
writeFileSync(join(ROOT, 'server/demo/year.zip'), bytes);
process.stdout.write(`server/demo/year.zip: ${(bytes.length / 1000).toFixed(0)} kB\n`);
