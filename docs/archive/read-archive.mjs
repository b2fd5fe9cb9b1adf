// Reads an archive with nothing but Node.js: no code of Oat Crock, no package. What it prints is the product of each month.
//   node docs/archive/read-archive.mjs server/demo/year.zip
import { readFileSync } from 'node:fs';
import { inflateRawSync } from 'node:zlib';

const zip = readFileSync(process.argv[2]);

/** The files of a ZIP by their name: its directory stands at its end, and says where each file begins. */
function filesOf(bytes) {
  const files = new Map();
  const end = bytes.lastIndexOf(Buffer.from('PK\x05\x06'));
  let at = bytes.readUInt32LE(end + 16);
  for (let left = bytes.readUInt16LE(end + 10); left > 0; left--) {
    const [method, size, name, extra, comment] = [
      bytes.readUInt16LE(at + 10),
      bytes.readUInt32LE(at + 20),
      bytes.readUInt16LE(at + 28),
      bytes.readUInt16LE(at + 30),
      bytes.readUInt16LE(at + 32),
    ];
    const begin = bytes.readUInt32LE(at + 42);
    const from = begin + 30 + bytes.readUInt16LE(begin + 26) + bytes.readUInt16LE(begin + 28);
    const content = bytes.subarray(from, from + size);
    files.set(bytes.toString('utf8', at + 46, at + 46 + name), method === 8 ? inflateRawSync(content) : content);
    at += 46 + name + extra + comment;
  }
  return files;
}

const files = filesOf(zip);
const manifest = JSON.parse(files.get('manifest.json'));
if (manifest.is !== 'oat-crock-archive') throw new Error('this is no archive');
const linesOf = (table) =>
  files
    .get(`records/${table}.jsonl`)
    .toString('utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line));

// A correction names the line it replaces, with what is right instead, or with null where it is taken back.
const log = linesOf('log');
const corrected = new Map(
  log.filter(({ body }) => body.type === 'correction').map(({ body }) => [body.replaces, body]),
);
const standing = log.flatMap((line) => {
  if (line.body.type === 'correction') return [];
  const by = corrected.get(line.id);
  return by ? (by.body ? [{ ...line, body: by.body }] : []) : [line];
});

const months = new Map();
for (const { atMs, body } of standing) {
  if (body.type !== 'finished') continue;
  const month = new Date(atMs).toISOString().slice(0, 7);
  const before = months.get(month) ?? { makes: 0, productG: 0 };
  months.set(month, { makes: before.makes + 1, productG: before.productG + body.productG });
}
for (const [month, { makes, productG }] of [...months].sort())
  console.log(`${month}  ${String(makes).padStart(3)} makes  ${(productG / 1000).toFixed(1).padStart(7)} kg`);
