// Opens Oat Crock: installs and builds what is missing, then starts the server. --demo opens the demonstration dairy.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, ROOT } from './lib.mjs';

ensureInstalled();
ensureBuilt();

const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
