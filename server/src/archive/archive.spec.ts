import type { Lot } from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';
import fc from 'fast-check';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ulid } from 'ulid';
import { demoGear, demoLots } from '../demo/larder.js';
import { seedDemo } from '../demo/seed.js';
import type { Kitchen } from '../kitchen.js';
import { entryOf, testKitchen } from '../testing/kitchen.js';
import { takeArchiveIn, tryArchive } from './take-in.js';
import { writeArchive } from './write.js';

const NOW = Date.UTC(2026, 4, 2, 8);
const folder = mkdtempSync(join(tmpdir(), 'oat-crock-archive-'));
const path = join(folder, 'archive.zip');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const open: Kitchen[] = [];
function kitchen(): Kitchen {
  const { kitchen: one } = testKitchen(true);
  open.push(one);
  return one;
}
afterEach(() => open.splice(0).forEach(({ db }) => db.close()));

async function bytesOf(from: Kitchen): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  await writeArchive(from, (bytes) => void chunks.push(bytes));
  return Buffer.concat(chunks);
}

/** The tables of an archive as text, by their file. */
function tablesIn(bytes: Uint8Array): Record<string, string> {
  const files = Object.entries(unzipSync(bytes)).filter(([name]) => /^records|^photos/.test(name));
  return Object.fromEntries(files.map(([name, content]) => [name, Buffer.from(content).toString('latin1')]));
}

async function refusal(of: Promise<unknown>): Promise<string> {
  try {
    await of;
  } catch (error) {
    if (error instanceof InputRefused) return JSON.stringify(error.errors[0]);
    throw error;
  }
  return 'it was taken';
}

const fill = (into: Kitchen) => {
  const id = ulid(NOW);
  into.entries.append([
    entryOf(id, { type: 'started', methodId: 'quark', choices: {}, name: 'Pot, „oat“ 🥛' }, NOW),
    entryOf(id, { type: 'note', text: 'two\nlines; =SUM(A1), "quoted"' }, NOW + 1),
  ]);
  return id;
};

describe('an archive', () => {
  it('of the whole demonstration, read into an empty dairy, is the same dairy; read in again, nothing comes', async () => {
    const from = kitchen();
    seedDemo(from);
    const bytes = await bytesOf(from);
    writeFileSync(path, bytes);
    const into = kitchen();
    const dry = await tryArchive(into, path);
    expect(into.entries.count()).toBe(0);
    expect(dry.tables.every((t) => t.known === 0 && t.other === 0)).toBeTrue();
    expect(dry.tables.find((t) => t.table === 'log')!.new).toBe(from.entries.count());
    expect(await takeArchiveIn(into, path)).toEqual(dry);
    expect(tablesIn(await bytesOf(into))).toEqual(tablesIn(bytes));
    expect(into.makes.present()).toEqual(from.makes.present());
    const again = await takeArchiveIn(into, path);
    expect(again.tables.every((t) => t.new === 0 && t.other === 0)).toBeTrue();
  });

  it('comes round exactly, whatever was written', async () => {
    const text = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 });
    const line = fc.record({
      text,
      batch: fc.nat(2),
      ms: fc.nat(1e9),
      value: fc.double({ min: 0, max: 100, noNaN: true }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(line, { maxLength: 25 }), fc.array(text, { maxLength: 4 }), async (lines, names) => {
        const [from, into] = [kitchen(), kitchen()];
        const ids = [0, 1, 2].map((n) => ulid(NOW + n));
        from.entries.append(
          lines.flatMap(({ text: said, batch, ms, value }) => [
            entryOf(ids[batch]!, { type: 'note', text: said }, NOW + ms),
            entryOf(ids[batch]!, { type: 'reading', quantity: 'tempC', value, by: 'thermometer' }, NOW + ms),
          ]),
        );
        for (const name of names.filter((n) => n.trim().length > 0))
          from.lots.save({ ...demoLots(NOW, 'UTC')[0]!, id: ulid(), name: name.trim() } as Lot, 0);
        from.room.keep('wall', { atMs: NOW + lines.length, tempC: 19.25 });
        const bytes = await bytesOf(from);
        writeFileSync(path, bytes);
        await takeArchiveIn(into, path);
        expect(tablesIn(await bytesOf(into))).toEqual(tablesIn(bytes));
      }),
      { numRuns: 12 },
    );
  });

  it('joins what two dairies have: lines of both, the newer of two records, pictures once', async () => {
    const [a, b] = [kitchen(), kitchen()];
    const [ofA, ofB] = [fill(a), fill(b)];
    const gear = demoGear(NOW)[0]!;
    a.gear.save(gear, 0);
    a.gear.save({ ...gear, name: 'Newer' }, 1);
    b.gear.save({ ...gear, name: 'Older' }, 0);
    a.photos.keep({ id: ulid(NOW), batchId: ofA, type: 'image/png', bytes: Buffer.from('89504e470d0a1a0a00', 'hex') });
    writeFileSync(path, await bytesOf(a));
    const report = await takeArchiveIn(b, path);
    expect(report.tables.find((t) => t.table === 'gear')).toEqual({ table: 'gear', new: 0, known: 0, other: 1 });
    expect([b.entries.has(ofA), b.entries.has(ofB), b.gear.get(gear.id)!.item.name]).toEqual([true, true, 'Newer']);
    expect(b.photos.get(a.photos.all()[0]!.id)!.bytes).toEqual(a.photos.get(a.photos.all()[0]!.id)!.bytes);
    writeFileSync(path, await bytesOf(b));
    await takeArchiveIn(a, path);
    expect(new Set(a.makes.inOrder())).toEqual(new Set(b.makes.inOrder()));
    expect(a.gear.get(gear.id)!.item.name).toBe('Newer');
  });

  it('that is none, is newer, was cut off or changed, or climbs out of its folder is refused in words, and nothing of it is taken', async () => {
    const from = kitchen();
    fill(from);
    const bytes = await bytesOf(from);
    const files = unzipSync(bytes);
    const into = kitchen();
    const refusedAs = async (content: Uint8Array) => {
      writeFileSync(path, content);
      const said = await refusal(takeArchiveIn(into, path));
      expect([into.entries.count(), into.lots.all().length]).toEqual([0, 0]);
      return said;
    };
    const manifest = JSON.parse(Buffer.from(files['manifest.json']!).toString()) as { lines: Record<string, number> };
    const withManifest = (change: object) =>
      zipSync({ 'manifest.json': strToU8(JSON.stringify({ ...manifest, ...change })) });
    expect(await refusedAs(strToU8('a letter'))).toContain('archive.isNone');
    expect(await refusedAs(new Uint8Array(0))).toContain('archive.isNone');
    expect(await refusedAs(zipSync({ 'README.md': strToU8('x') }))).toContain('archive.isNone');
    expect(await refusedAs(withManifest({ is: 'other' }))).toContain('archive.isNone');
    expect(await refusedAs(withManifest({ form: 2 }))).toContain('archive.newer');
    for (const share of [0.3, 0.9, 0.999])
      expect(await refusedAs(bytes.subarray(0, Math.floor(bytes.length * share)))).toContain('archive.cutOff');
    const unsummed = Object.fromEntries(Object.entries(files).filter(([name]) => name !== 'checksums.json'));
    expect(await refusedAs(zipSync(unsummed))).toContain('archive.cutOff');
    const log = Buffer.from(files['records/log.jsonl']!).toString();
    const changed = (text: string) => zipSync({ ...files, 'records/log.jsonl': strToU8(text) });
    expect(await refusedAs(changed(log.replace('Pot', 'Pan')))).toContain('archive.changed');
    expect(await refusedAs(changed(log.slice(0, -1)))).toContain('archive.noLineEnd');
    expect(await refusedAs(changed('{not json\n'))).toContain('archive.noJson');
    expect(await refusedAs(changed(log.replace('"note"', '"nought"')))).toContain('records/log.jsonl:2');
    expect(await refusedAs(changed(`${'x'.repeat(2 * 1024 * 1024 + 1)}\n`))).toContain('archive.tooLong');
    for (const name of ['../../etc/passwd', '/etc/passwd', 'records/other.jsonl', 'run.sh', 'records\\log.jsonl'])
      expect(await refusedAs(zipSync({ ...files, [name]: strToU8('{}\n') })))
        .withContext(name)
        .toMatch(/doesNotBelong|cutOff|isNone/);
    expect(into.makes.inOrder()).toEqual([]);
  });

  it('is refused where a line of its log says otherwise than the same line here', async () => {
    const [from, into] = [kitchen(), kitchen()];
    const entry = entryOf(ulid(NOW), { type: 'note', text: 'one' });
    from.entries.append([entry]);
    into.entries.append([{ ...entry, body: { type: 'note', text: 'another' } }]);
    writeFileSync(path, await bytesOf(from));
    expect(await refusal(tryArchive(into, path))).toContain('archive.otherLog');
  });
});
