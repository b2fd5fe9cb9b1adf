import { say, type Text } from '@oat-crock/core';
import { mkdirSync, rmSync, statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { dataFile } from '../data-file.js';
import { machineNowMs, machineZone } from '../time/machine.js';
import { wordsOfMachine } from '../words.js';
import { backUp } from './back-up.js';
import { checkDairy, type DairyChecked } from './check.js';
import { copyDatabase, settle } from './copy.js';
import { usualFolder } from './folder.js';
import { restore } from './restore.js';
import { CannotOpen, inWords, troubleWith } from './trouble.js';

const words = wordsOfMachine(process.env);
const tell = (text: Text) => process.stdout.write(`${words(text)}\n`);

/** What can be done with a data file from a terminal; each gives back whether all is well. */
const VERBS: Readonly<Record<string, () => Promise<boolean>>> = {
  /** Into the folder of backups; with the name of a file into that, which is how a dairy is carried to another machine. */
  backup: async () => {
    const [file, to] = [ours(), options.to ?? given];
    inWords(file, () => statSync(file));
    if (to) return copyTo(file, resolve(to));
    const folder = resolve(process.env['OAT_CROCK_BACKUPS'] ?? usualFolder(file));
    const run = await backUp({ file, folder, why: 'hand', atMs: machineNowMs(), zone: machineZone() });
    run.wrong.forEach(tell);
    if (run.name) tell(say('safe.command.backedUp', { ...counted(run), file: resolve(folder, run.name) }));
    return run.wrong.length === 0;
  },
  /** Puts a backup in the place of the data file. */
  restore: async () => {
    const from = given ?? options.from;
    if (!from) throw new CannotOpen(say('safe.command.whichBackup'), say('safe.command.restoreSo'));
    const anyway = options.anyway ?? false;
    const { checked, before } = await restore({ from: resolve(from), file: ours(), anyway, nowMs: machineNowMs() });
    tell(say('safe.command.restored', { ...counted(checked), file: ours() }));
    if (before) tell(say('safe.command.before', { file: before }));
    return true;
  },
  /** Reads a file from end to end, and writes nothing. */
  check: async () => {
    const file = given ? resolve(given) : ours();
    inWords(file, () => statSync(file));
    const checked = checkDairy(file);
    [...checked.damage, ...checked.odd].forEach(tell);
    const { damage, odd } = checked;
    if (damage.length > 0) tell(say('safe.trouble.restore', { file }));
    else tell(say(odd.length > 0 ? 'safe.command.soundButOdd' : 'safe.command.sound', { ...counted(checked), file }));
    return damage.length === 0;
  },
};

const { values: options, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    to: { type: 'string' },
    from: { type: 'string' },
    demo: { type: 'boolean' },
    anyway: { type: 'boolean' },
  },
});
const [verb = '', given] = positionals;

/** The data file that is meant. */
const ours = () => dataFile(process.env, options.demo ?? false);

const counted = ({ makes, lines }: Pick<DairyChecked, 'makes' | 'lines'>) => ({
  counted: say('safe.counted', { makes, lines }),
});

/** Copies a data file to a place of one's own, and reads the copy. */
async function copyTo(file: string, to: string): Promise<boolean> {
  if (statSync(to, { throwIfNoEntry: false }))
    throw new CannotOpen(say('safe.command.isThere', { file: to }), say('safe.command.otherName'));
  const part = `${to}.part`;
  try {
    inWords(to, () => mkdirSync(dirname(to), { recursive: true }));
    await copyDatabase(file, part);
    const checked = checkDairy(part);
    settle(part, to);
    checked.damage.forEach(tell);
    tell(say('safe.command.backedUp', { ...counted(checked), file: to }));
    return checked.damage.length === 0;
  } finally {
    rmSync(part, { force: true });
  }
}

async function main(): Promise<number> {
  const run = VERBS[verb];
  if (!run) {
    tell(say('safe.command.verbs'));
    return 2;
  }
  try {
    return (await run()) ? 0 : 1;
  } catch (error) {
    const trouble = troubleWith(given ?? options.to ?? ours(), error);
    if (!trouble) throw error;
    process.stderr.write(`${words(trouble.text)}\n${words(trouble.remedy)}\n`);
    return 1;
  }
}

process.exitCode = await main();
