// Do the engine's tests bite? Changes a fixed sample of its sources by one token at a time and sees whether a test fails.
//   npm run test:mutants [-- --only ID,ID]      what survives is listed; exit 1 below the share that must be killed
//   npm run test:mutants -- --list              which changes the sample is made of
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { cpus } from 'node:os';
import { basename, dirname, join, relative } from 'node:path';
import { build } from 'esbuild';
import { ensureInstalled, ROOT } from './lib.mjs';
import { sitesOf, withSwitches } from './mutants/sites.mjs';

const FOLDERS = ['safety', 'stages', 'schedule', 'cultures', 'explain', 'balance'];
const SAMPLE = 200;
const SEED = 46;
const MUST_KILL = 0.85;
/** A run that takes so long hangs: that is noticed, too. */
const HANGS_MS = 240_000;

ensureInstalled();
const core = join(ROOT, 'core/src');
/** TypeScript files under a folder, however deep. */
const under = (folder) =>
  readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith('.ts'))
    .map((name) => join(folder, name));
const files = FOLDERS.flatMap((folder) => under(join(core, folder)))
  .filter((path) => !path.endsWith('.spec.ts'))
  .sort();
const parsed = new Map(files.map((path) => [path, sitesOf(path, readFileSync(path, 'utf8'))]));
const all = files.flatMap((path) => parsed.get(path).sites);
const sample = drawn(all, SAMPLE).map((site, id) => [site, id]);

/**
 * So many of the sites, always the same: each has a number of its own, by its file, its line's words and which change it is
 * of that line, and those with the lowest numbers are taken. A change elsewhere moves nothing in the sample.
 */
function drawn(list, count) {
  const seen = new Map();
  const numbered = list.map((site) => {
    const key = [relative(ROOT, site.path), site.text, site.was, site.becomes].join('\0');
    const nth = seen.get(key) ?? 0;
    seen.set(key, nth + 1);
    const number = createHash('sha256').update(`${SEED}\0${key}\0${nth}`).digest('hex');
    return { site, number };
  });
  return numbered
    .sort((x, y) => (x.number < y.number ? -1 : 1))
    .slice(0, count)
    .map(({ site }) => site);
}

if (process.argv.includes('--list')) {
  for (const [site, id] of sample) {
    const where = `${relative(ROOT, site.path)}:${site.line}`;
    process.stdout.write(`${String(id).padStart(4)}  ${where}  ${site.was} → ${site.becomes}  | ${site.text}\n`);
  }
  process.exit(0);
}

const specs = under(core)
  .filter((path) => path.endsWith('.spec.ts'))
  .sort();
const out = mkdtempSync(join(ROOT, 'node_modules/.mutants-'));
await build({
  entryPoints: specs,
  outdir: out,
  outbase: core,
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  packages: 'external',
  outExtension: { '.js': '.mjs' },
  plugins: [
    {
      name: 'switches',
      setup: ({ onLoad, onResolve }) => {
        // What the tests render messages with reads the same sources of the engine, not what was compiled of them before.
        onResolve({ filter: /^@oat-crock\/\w+$/ }, ({ path }) => ({
          path: join(ROOT, basename(path), 'src/index.ts'),
        }));
        onLoad({ filter: /core\/src\/.*\.ts$/ }, ({ path }) => {
          const own = sample.filter(([site]) => site.path === path);
          if (own.length === 0) return undefined;
          return { contents: withSwitches(parsed.get(path).source, own), loader: 'ts' };
        });
      },
    },
  ],
});
const compiled = (spec) => join(out, relative(core, spec)).replace(/\.ts$/, '.mjs');

/** Runs specs with a mutant; true where they hold. */
function holds(paths, environment) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [join(ROOT, 'scripts/mutants/run-specs.mjs'), ...paths.map(compiled)], {
      cwd: ROOT,
      env: { ...process.env, ...environment },
      stdio: ['ignore', 'ignore', 'ignore'],
    });
    const hang = setTimeout(() => child.kill('SIGKILL'), HANGS_MS);
    child.on('close', (code) => {
      clearTimeout(hang);
      resolve(code === 0);
    });
  });
}

/** Does something with each of a list, as many at a time as there are cores. */
async function each(list, act) {
  const left = [...list];
  const lane = async () => {
    for (let item = left.shift(); item !== undefined; item = left.shift()) await act(item);
  };
  await Promise.all(Array.from({ length: cpus().length }, lane));
}

// What each spec file touches, and how long it takes.
const touches = new Map();
await each(specs, async (spec) => {
  const file = join(out, `touched-${touches.size}-${basename(spec)}.json`);
  const from = performance.now();
  if (!(await holds([spec], { TOUCHED: file }))) throw new Error(`${relative(ROOT, spec)} fails as it is`);
  touches.set(spec, { ids: new Set(JSON.parse(readFileSync(file, 'utf8'))), ms: performance.now() - from });
});

/** The spec files that touch a mutant: its neighbours first, then the quickest. */
function touching([site, id]) {
  const near = (spec) => (dirname(spec) === dirname(site.path) ? 0 : 1);
  return specs
    .filter((spec) => touches.get(spec).ids.has(id))
    .sort((a, b) => near(a) - near(b) || touches.get(a).ms - touches.get(b).ms);
}

const only = process.argv.includes('--only') ? process.argv.at(-1).split(',').map(Number) : null;
const survivors = [];
let killed = 0;
await each(
  sample.filter(([, id]) => only === null || only.includes(id)),
  async (mutant) => {
    const [site, id] = mutant;
    const order = touching(mutant);
    // A few at a time: most are killed next door.
    let alive = true;
    for (let at = 0; alive && at < order.length; at += 4)
      alive = await holds(order.slice(at, at + 4), { MUTANT: String(id) });
    if (!alive) killed++;
    else survivors.push({ id, site, specs: order.length });
    process.stdout.write(alive ? 'S' : '.');
  },
);
rmSync(out, { recursive: true, force: true });

const share = killed / (killed + survivors.length);
process.stdout.write(`\n\nSurvivors:\n`);
for (const { id, site, specs: count } of survivors.sort((a, b) => a.id - b.id)) {
  const where = `${relative(ROOT, site.path)}:${site.line}`;
  process.stdout.write(
    `${String(id).padStart(4)}  ${where}  ${site.was} → ${site.becomes}${count === 0 ? '  (no test touches it)' : ''}\n`,
  );
}
process.stdout.write(
  `\n${killed} of ${killed + survivors.length} killed, ${(100 * share).toFixed(1)} % (of ${all.length} sites)\n`,
);
process.exit(share >= MUST_KILL || only !== null ? 0 : 1);
