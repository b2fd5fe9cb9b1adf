// Backs up, restores or checks a data file, or sets the passphrase of its dairy: npm run backup | restore | check | passphrase.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureCompiled, ensureInstalled, ROOT } from './lib.mjs';

const [verb, ...args] = process.argv.slice(2);
const [command, given] =
  verb === 'passphrase' ? ['access/command.js', args] : ['safekeeping/command.js', [verb, ...args]];
const path = join(ROOT, 'server/dist', command);

ensureInstalled();
if (!existsSync(path)) ensureCompiled();
const { status } = spawnSync(process.execPath, [path, ...given], { stdio: 'inherit' });
process.exit(status ?? 1);
