// The engine's command line: one JSON object in, one out. Compiled into one file when its sources have changed, and kept
// with what the JavaScript engine made of it, so that a call costs little more than Node's own start.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Script } from 'node:vm';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const CLI = join(ROOT, 'cli/dist/engine.cjs');
const COMPILED = `${CLI}.cache`;
const SOURCES = ['core/src', 'contract/src', 'cli/src', 'package-lock.json'];

/** When anything under a path was last changed, ms. */
function newestUnder(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((newest, name) => Math.max(newest, newestUnder(join(path, name))), stat.mtimeMs);
}

async function compile() {
  const { ensureInstalled } = await import('./lib.mjs');
  ensureInstalled();
  const { build } = await import('esbuild');
  mkdirSync(dirname(CLI), { recursive: true });
  rmSync(COMPILED, { force: true });
  await build({
    entryPoints: [join(ROOT, 'cli/src/main.ts')],
    outfile: CLI,
    bundle: true,
    minify: true,
    keepNames: true,
    platform: 'node',
    format: 'cjs',
    conditions: ['source'],
  });
}

const newest = SOURCES.reduce((ms, path) => Math.max(ms, newestUnder(join(ROOT, path))), 0);
if (!existsSync(CLI) || statSync(CLI).mtimeMs < newest) await compile();

const cachedData = existsSync(COMPILED) ? readFileSync(COMPILED) : undefined;
const wrapped = `(function (require) {${readFileSync(CLI, 'utf8')}\n})`;
const script = new Script(wrapped, { filename: CLI, ...(cachedData && { cachedData }) });
script.runInThisContext()(createRequire(import.meta.url));
if (!cachedData || script.cachedDataRejected) writeFileSync(COMPILED, script.createCachedData());
