import { pino } from 'pino';
import { join, resolve } from 'node:path';
import { ROOT, serve, type ServeSettings } from './serve.js';
import { machineZone } from './time/machine.js';
import { timeSettings } from './time/settings.js';

/** A port, 0 for any that is free. Throws RangeError for what is none. */
function portFrom(text: string): number {
  const port = /^\d{1,5}$/.test(text) ? Number(text) : Number.NaN;
  if (!(port <= 65_535)) throw new RangeError(`OAT_CROCK_PORT is "${text}"; set it to a number from 0 to 65535`);
  return port;
}

/** What the environment may set; everything has a default. */
function settingsFromEnvironment(): ServeSettings {
  const { env } = process;
  const demo = process.argv.includes('--demo');
  return {
    demo,
    file: resolve(env['OAT_CROCK_DB'] ?? join(ROOT, 'data', demo ? 'demo.sqlite' : 'dairy.sqlite')),
    host: env['OAT_CROCK_HOST'] ?? '127.0.0.1',
    names: (env['OAT_CROCK_NAMES'] ?? '').split(',').flatMap((name) => name.trim() || []),
    port: portFrom(env['OAT_CROCK_PORT'] ?? '4310'),
    time: timeSettings(env, demo, machineZone),
    log: pino({ level: env['OAT_CROCK_LOG'] ?? 'warn' }, pino.destination(2)),
  };
}

async function main(): Promise<void> {
  const settings = settingsFromEnvironment();
  const { address, close } = await serve(settings);
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => void close().then(() => process.exit(0)));
  process.stdout.write(`Oat Crock is open at ${address}/  (data in ${settings.file})\n`);
}

main().catch((error: NodeJS.ErrnoException) => {
  const taken = error.code === 'EADDRINUSE';
  process.stderr.write(
    `Oat Crock cannot open: ${taken ? 'the port is taken; set OAT_CROCK_PORT to another' : error.message}\n`,
  );
  process.exit(1);
});
