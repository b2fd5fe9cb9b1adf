import password from '@inquirer/password';
import { PASSPHRASE_LEAST } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { statSync } from 'node:fs';
import { text } from 'node:stream/consumers';
import { parseArgs } from 'node:util';
import { dataFile } from '../data-file.js';
import { inWords, troubleWith } from '../safekeeping/trouble.js';
import { accessStore } from '../store/access.js';
import { openDb } from '../store/open.js';
import { wordsOfMachine } from '../words.js';
import { keepPassphrase, newToken } from './secrets.js';

/** Sets the passphrase of a dairy from a terminal, or from what is piped in; the server may be running. */
const words = wordsOfMachine(process.env);
const { values } = parseArgs({ options: { demo: { type: 'boolean' } } });
const file = dataFile(process.env, values.demo ?? false);
const least = String(PASSPHRASE_LEAST);

/** What is typed, unseen and twice; null where the two are not the same. */
async function typed(): Promise<string | null> {
  const first = await password({ message: words(say('server.passphrase.ask', { file, least })) });
  const second = await password({ message: words(say('server.passphrase.again')) });
  return first === second ? first : null;
}

async function set(): Promise<number> {
  inWords(file, () => statSync(file));
  const given = process.stdin.isTTY ? await typed() : (await text(process.stdin)).trim();
  if (given === null || given.length < PASSPHRASE_LEAST) {
    const why = given === null ? say('server.passphrase.notSame') : say('server.passphrase.tooShort', { least });
    process.stderr.write(`${words(why)}\n`);
    return 1;
  }
  const db = openDb(file, { waitMs: 10_000 });
  accessStore(db, newToken).setPassphrase(await keepPassphrase(given));
  db.close();
  process.stdout.write(`${words(say('server.passphrase.set'))}\n`);
  return 0;
}

try {
  process.exitCode = await set();
} catch (error) {
  const trouble = troubleWith(file, error);
  if (!trouble) throw error;
  process.stderr.write(`${words(trouble.text)}\n${words(trouble.remedy)}\n`);
  process.exitCode = 1;
}
