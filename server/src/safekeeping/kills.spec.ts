import Database from 'better-sqlite3';
import { isDeep } from '@oat-crock/core/testing';
import { spawn } from 'node:child_process';
import { copyFileSync, existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { NEWEST_FORM } from '../store/migrations.js';
import { checkDairy } from './check.js';
import { backupsIn } from './folder.js';
import { freshFolder, linesOf, writeDairy } from './testing.js';

const DIST = fileURLToPath(new URL('../../dist', import.meta.url));

/** How often each is killed, at moments spread over what it does. */
const KILLS = isDeep() ? 34 : 3;

let at: string;
let file: string;
let folder: string;
beforeEach(() => ({ at, file, folder } = freshFolder()));
afterEach(() => rmSync(at, { recursive: true }));

/**
 * Runs a part of the built server on the file and kills it after a while; with none, waits till it has ended or says that it is
 * open. Gives back the code it ended with, null where it was killed.
 */
function run(script: string, args: readonly string[], killAfterMs?: number): Promise<number | null> {
  const child = spawn(process.execPath, [join(DIST, script), ...args], {
    env: { ...process.env, OAT_CROCK_DB: file, OAT_CROCK_BACKUPS: folder, OAT_CROCK_PORT: '0', LC_ALL: 'C' },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  child.stdout.on('data', (data: Buffer) => {
    if (String(data).includes('is open at')) child.kill('SIGTERM');
  });
  if (killAfterMs !== undefined) setTimeout(() => child.kill('SIGKILL'), killAfterMs);
  return new Promise((resolve) => child.on('exit', resolve));
}

/** Moments spread over something that takes so long when nobody kills it. */
async function spread(whole: () => Promise<unknown>): Promise<readonly number[]> {
  const began = performance.now();
  await whole();
  const tookMs = performance.now() - began;
  return Array.from({ length: KILLS }, (_, i) => tookMs * (0.3 + (0.68 * (i + 0.5)) / KILLS));
}

describe('killed at any moment,', () => {
  it('a backup leaves no file under the name of one that is not whole, and the data as they are', async () => {
    const lines = writeDairy(file, 2500).map((e) => e.id);
    for (const ms of await spread(() => run('safekeeping/command.js', ['backup']))) {
      await run('safekeeping/command.js', ['backup'], ms);
      for (const { name } of backupsIn(folder, file)) expect(linesOf(join(folder, name))).toEqual(lines);
      expect(checkDairy(file).lines).toBe(lines.length);
    }
    expect(await run('safekeeping/command.js', ['backup'])).toBe(0);
  }, 600_000);

  it('a restore leaves the old file or the new one, whole, or none and the old one aside; done again it is done', async () => {
    const from = join(at, 'from.sqlite');
    const stock = join(at, 'stock.sqlite');
    const [before, after] = [writeDairy(stock, 1500), writeDairy(from, 2500)].map((all) => all.map((e) => e.id));
    const afresh = () => {
      for (const name of readdirSync(at).filter((n) => n.startsWith('dairy'))) rmSync(join(at, name));
      copyFileSync(stock, file);
    };
    const restoring = (ms?: number) => {
      afresh();
      return run('safekeeping/command.js', ['restore', from], ms);
    };
    for (const ms of await spread(() => restoring())) {
      await restoring(ms);
      const aside = readdirSync(at).find((n) => /before-restore.*\.sqlite$/.test(n));
      if (existsSync(file)) expect([before, after]).toContain(linesOf(file));
      else expect(linesOf(join(at, aside!))).toEqual(before);
      expect(checkDairy(join(at, aside ?? 'dairy.sqlite')).damage).toEqual([]);
      expect(await run('safekeeping/command.js', ['restore', from])).toBe(0);
      expect(linesOf(file)).toEqual(after!);
    }
  }, 600_000);

  it('a server that brings its file to a newer form leaves every line, and the next start brings it up', async () => {
    const old = join(at, 'old.sqlite');
    const lines = writeDairy(old, 2500, 3).map((e) => e.id);
    const opening = (ms?: number) => {
      for (const end of ['', '-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
      copyFileSync(old, file);
      return run('main.js', [], ms);
    };
    for (const ms of await spread(() => opening())) {
      await opening(ms);
      expect(checkDairy(file).damage).toEqual([]);
      expect(linesOf(file)).toEqual(lines);
      expect(await run('main.js', [])).toBe(0);
      const db = new Database(file, { readonly: true });
      expect(db.pragma('user_version', { simple: true })).toBe(NEWEST_FORM);
      db.close();
    }
  }, 600_000);
});
