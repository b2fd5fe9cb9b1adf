// The engine's command-line door: one JSON object in, one out.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
const { status } = spawnSync(
  process.execPath,
  ['--conditions=source', '--import', 'tsx', join(ROOT, 'server/src/engine-cli.ts'), ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(status ?? 1);
