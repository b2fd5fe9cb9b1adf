// Backs up, restores or checks a data file: npm run backup | restore | check.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureCompiled, ensureInstalled, ROOT } from './lib.mjs';

const COMMAND = join(ROOT, 'server/dist/safekeeping/command.js');

ensureInstalled();
if (!existsSync(COMMAND)) ensureCompiled();
const { status } = spawnSync(process.execPath, [COMMAND, ...process.argv.slice(2)], { stdio: 'inherit' });
process.exit(status ?? 1);
