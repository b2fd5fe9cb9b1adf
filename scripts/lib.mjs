import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder of the project. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');

const STAMPS = join(ROOT, 'node_modules', '.oat-crock');

/** Runs a command in the project; its output goes to the error stream, so that standard output stays clean. Exits on failure. */
export function must(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2], ...options });
  if (error) throw error;
  if (status !== 0) {
    process.stderr.write(`\n${command} ${args.join(' ')} failed (${status}).\n`);
    process.exit(status ?? 1);
  }
}

/** Installs the packages when they are missing or the lock file has changed since. */
export function ensureInstalled() {
  const lock = digest([join(ROOT, 'package-lock.json')]);
  if (stampIs('installed', lock)) return;
  process.stderr.write('Installing what Oat Crock needs (about two minutes the first time)…\n');
  must('npm', ['ci', '--no-audit', '--no-fund']);
  stamp('installed', lock);
}

/** Compiles engine and server; what is compiled already takes no time. */
export function ensureCompiled() {
  must('npx', ['tsc', '-b', 'core', 'messages', 'contract', 'calendar', 'cli', 'server']);
}

/** Builds engine, server and page when their sources have changed since the last build. */
export function ensureBuilt() {
  const sources = digest(
    [
      'core',
      'messages',
      'contract',
      'calendar',
      'cli',
      'server/src',
      'web/src',
      'web/public',
      'angular.json',
      'tsconfig.base.json',
      'package-lock.json',
    ]
      .map((path) => join(ROOT, path))
      .flatMap(filesUnder),
  );
  const built = existsSync(join(ROOT, 'server/dist/main.js')) && existsSync(join(ROOT, 'web/dist/browser/index.html'));
  if (built && stampIs('built', sources)) return;
  process.stderr.write('Building…\n');
  ensureCompiled();
  must('npx', ['ng', 'build', '--stats-json']);
  stamp('built', sources);
}

/** Scripts that a place of the built page needs, by the build's own record: what it and `main` import, and what those do. */
export function scriptsFor(place) {
  const { outputs } = JSON.parse(readFileSync(join(ROOT, 'web/dist/stats.json'), 'utf8'));
  const found = new Set();
  const visit = (name) => {
    if (found.has(name) || !outputs[name]) return;
    found.add(name);
    for (const { path, kind } of outputs[name].imports) if (kind === 'import-statement') visit(path);
  };
  for (const name of Object.keys(outputs)) {
    if (/^main-.*\.js$/.test(name) || outputs[name].entryPoint === `web/src/app/places/${place}/${place}.ts`)
      visit(name);
  }
  return [...found];
}

/** Debian's Chromium: installed by apt-get when it is missing. */
export function ensureChromium() {
  const at = '/usr/bin/chromium';
  if (existsSync(at)) return at;
  process.stderr.write('Installing Debian’s Chromium…\n');
  must('apt-get', ['update', '-qq']);
  must('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium']);
  return at;
}

/** The engine as it is compiled, its models one by one as well; a name that it does not have is an error, not undefined. */
export async function engine() {
  const all = {
    ...(await import(join(ROOT, 'core/dist/index.js'))),
    ...(await import(join(ROOT, 'core/dist/tools.js'))),
  };
  return new Proxy(all, {
    get: (own, name) => {
      // What awaits a value asks it first whether it is a promise.
      if (!(name in own) && name !== 'then') throw new RangeError(`The engine has no ${String(name)}.`);
      return own[name];
    },
  });
}

export function filesUnder(path) {
  if (!existsSync(path)) return [];
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .filter((name) => name !== 'dist' && name !== 'node_modules' && !/\.spec\.ts$|\.tsbuildinfo$/.test(name))
    .sort()
    .flatMap((name) => filesUnder(join(path, name)));
}

function digest(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex');
}

function stampIs(name, value) {
  const file = join(STAMPS, name);
  return existsSync(file) && readFileSync(file, 'utf8') === value;
}

function stamp(name, value) {
  mkdirSync(STAMPS, { recursive: true });
  writeFileSync(join(STAMPS, name), value);
}
