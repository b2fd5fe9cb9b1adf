import { pino } from 'pino';
import { say } from '@oat-crock/core';
import { resolve } from 'node:path';
import { CannotOpen } from './safekeeping/trouble.js';
import { dataFile } from './data-file.js';
import { serve, type ServeSettings } from './serve.js';
import { wordsOfMachine } from './words.js';
import { machineZone } from './time/machine.js';
import { timeSettings } from './time/settings.js';

const inTerminal = wordsOfMachine(process.env);

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
  const backups = env['OAT_CROCK_BACKUPS'];
  return {
    demo,
    file: dataFile(env, demo),
    ...(backups && { backups: resolve(backups) }),
    ...(process.argv.includes('--new') && { anew: true }),
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
  const why =
    error instanceof CannotOpen
      ? `${inTerminal(error.text)}\n${inTerminal(error.remedy)}`
      : error.code === 'EADDRINUSE'
        ? inTerminal(say('server.main.portTaken'))
        : error.message;
  process.stderr.write(`Oat Crock: ${why}\n`);
  process.exit(1);
});
