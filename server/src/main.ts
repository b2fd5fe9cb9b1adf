import { pino } from 'pino';
import type { Server } from 'node:http';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { seedDemo } from './demo/seed.js';
import { createApp } from './http/app.js';
import { openKitchen, type Kitchen } from './kitchen.js';
import { startStandIns } from './stand-ins/start.js';
import { openDb } from './store/open.js';

const HERE = dirname(fileURLToPath(import.meta.url));
const ROOT = resolve(HERE, '..', '..');

/** What the environment may set; everything has a default. */
function settingsFromEnvironment() {
  const demo = process.argv.includes('--demo');
  return {
    demo,
    file: resolve(process.env['OAT_CROCK_DB'] ?? join(ROOT, 'data', demo ? 'demo.sqlite' : 'dairy.sqlite')),
    host: process.env['OAT_CROCK_HOST'] ?? '127.0.0.1',
    port: Number(process.env['OAT_CROCK_PORT'] ?? 4310),
    logLevel: process.env['OAT_CROCK_LOG'] ?? 'warn',
  };
}

const KEEP_CLOCK_MS = 1000;

function main(): void {
  const { demo, file, host, port, logLevel } = settingsFromEnvironment();
  const log = pino({ level: logLevel }, pino.destination(2));
  const kitchen = openKitchen(openDb(file), log, demo);
  if (demo) seedDemo(kitchen);
  const server = createApp(kitchen, join(ROOT, 'web', 'dist', 'browser')).listen(port, host, () => {
    const address = server.address();
    const actual = typeof address === 'object' && address ? address.port : port;
    process.stdout.write(`Oat Crock is open at http://${host}:${actual}/  (data in ${file})\n`);
    const stopStandIns = demo ? startStandIns(kitchen, `http://${host}:${actual}`) : () => undefined;
    const keeping = setInterval(() => kitchen.clock.keep(), KEEP_CLOCK_MS);
    stopGracefully(server, kitchen, () => {
      clearInterval(keeping);
      stopStandIns();
    });
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    const why = error.code === 'EADDRINUSE' ? `port ${port} is taken; set OAT_CROCK_PORT to another` : error.message;
    process.stderr.write(`Oat Crock cannot open: ${why}\n`);
    process.exit(1);
  });
}

/** On a polite signal: no new requests, pages told goodbye, the log folded into its file. */
function stopGracefully(server: Server, kitchen: Kitchen, before: () => void): void {
  const stop = () => {
    before();
    kitchen.clock.keep();
    kitchen.events.close();
    server.close(() => {
      kitchen.db.pragma('wal_checkpoint(TRUNCATE)');
      kitchen.db.close();
      process.exit(0);
    });
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
}

main();
