// The engine's command line: one JSON object in, one out. Each verb is compiled into a file of its own, holding no more of
// the engine than that verb needs, when the sources have changed; and is kept with what the JavaScript engine made of it, so
// that a call costs little more than Node's own start. Help, and a verb that there is not, are answered by a file with all.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Script } from 'node:vm';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const CLI = join(ROOT, 'cli/src');
const OUT = join(ROOT, 'cli/dist/verbs');
const ALL = 'all';
const SOURCES = ['core/src', 'messages/src', 'contract/src', 'cli/src', 'package-lock.json'];

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
  rmSync(OUT, { recursive: true, force: true });
  mkdirSync(OUT, { recursive: true });
  const into = (name, contents) =>
    build({
      stdin: { contents, resolveDir: CLI, loader: 'ts' },
      outfile: join(OUT, `${name}.cjs`),
      bundle: true,
      minify: true,
      keepNames: true,
      platform: 'node',
      format: 'cjs',
      conditions: ['source'],
    });
  const verbs = readdirSync(join(CLI, 'verbs')).map((file) => basename(file, '.ts'));
  await Promise.all(
    verbs.map((verb) =>
      into(
        verb,
        `import { answer } from './answer.js';
         import { throughStdio } from './stdio.js';
         import { verb } from './verbs/${verb}.js';
         throughStdio((input) => answer(verb, input));`,
      ),
    ),
  );
  // Last, as its being there says that all of them are.
  await into(ALL, `import { main } from './main.js'; main(process.argv[2]);`);
}

/** Runs a compiled file, from what the JavaScript engine made of it before where that is kept and fits. */
function run(file) {
  const kept = `${file}.cache`;
  const cachedData = existsSync(kept) ? readFileSync(kept) : undefined;
  const wrapped = `(function (require) {${readFileSync(file, 'utf8')}\n})`;
  const script = new Script(wrapped, { filename: file, ...(cachedData && { cachedData }) });
  script.runInThisContext()(createRequire(import.meta.url));
  if (!cachedData || script.cachedDataRejected) writeFileSync(kept, script.createCachedData());
}

const newest = SOURCES.reduce((ms, path) => Math.max(ms, newestUnder(join(ROOT, path))), 0);
const all = join(OUT, `${ALL}.cjs`);
if (!existsSync(all) || statSync(all).mtimeMs < newest) await compile();
const asked = join(OUT, `${basename(process.argv[2] ?? ALL)}.cjs`);
run(existsSync(asked) ? asked : all);
