import { entrySchema, settingsSchema, type Family, type Settings } from '@oat-crock/contract';
import { INSTRUMENT_KINDS, type Entry, type SimulatedKind } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import Joi from 'joi';
import { hashOf, newToken } from '../access/secrets.js';
import type { Kitchen } from '../kitchen.js';
import { RECORD_SCHEMAS } from '../store/kept.js';

/** What becomes of a line that is read in: it is new, known here already, or something else stands here under its name. */
export type Fate = 'new' | 'known' | 'other';

/** A table of the archive: how its lines are written, what each must be, and how they are taken in. */
export interface Part {
  /** Its file is `records/<name>.jsonl`. */
  readonly name: string;
  readonly schema: Joi.Schema;
  readonly count: () => number;
  /** All its lines, a few at a time. */
  readonly pages: () => Iterable<readonly unknown[]>;
  readonly fateOf: (line: never) => Fate;
  /** Takes lines in, of which none is known here; those of which another stands here as the table has it. */
  readonly take: (lines: readonly never[]) => void;
}

const PAGE = 2000;

/** The tables of a kitchen, in the order in which they are taken in: what a line names comes before it. */
export function partsOf(kitchen: Kitchen): readonly Part[] {
  return [
    settingsPart(kitchen),
    ...KEPT.map(([name, family]) => keptPart(kitchen, name, family)),
    instrumentsPart(kitchen),
    roomPart(kitchen),
    entriesPart(kitchen),
    photosPart(kitchen),
  ];
}

/** The families of records, as the archive calls them. */
const KEPT = [
  ['lots', 'lots'],
  ['gear', 'gear'],
  ['methods', 'methods'],
  ['orders', 'orders'],
  ['planned-makes', 'plannedBatches'],
  ['supplies', 'supplies'],
] as const satisfies readonly (readonly [string, Family])[];

const ms = Joi.number().integer();

/** A record that may be changed: the higher version is the newer; of two of the same version, what is here stays. */
function keptPart(kitchen: Kitchen, name: string, family: Family): Part {
  interface Line {
    readonly version: number;
    readonly goneMs: number | null;
    readonly item: { readonly id: string };
  }
  const store = kitchen[family] as unknown as {
    readonly all: () => Line[];
    readonly get: (id: string) => Line | null;
    readonly put: (line: Line) => void;
  };
  return {
    name,
    schema: Joi.object({
      version: Joi.number().integer().min(1).required(),
      goneMs: ms.allow(null).required(),
      item: RECORD_SCHEMAS[family].required(),
    }),
    count: () => store.all().length,
    pages: () => [store.all()],
    fateOf: (line: Line) => {
      const here = store.get(line.item.id);
      if (!here) return 'new';
      return here.version === line.version && here.goneMs === line.goneMs && dequal(here.item, line.item)
        ? 'known'
        : 'other';
    },
    take: (lines: readonly Line[]) => {
      for (const line of lines) if ((store.get(line.item.id)?.version ?? 0) < line.version) store.put(line);
    },
  };
}

/** The household's settings are taken in only where nobody has chosen any. */
function settingsPart({ household }: Kitchen): Part {
  const here = () => household.settings();
  return {
    name: 'settings',
    schema: settingsSchema,
    count: () => (here().version > 0 ? 1 : 0),
    pages: () => (here().version > 0 ? [[here().settings]] : []),
    fateOf: (line: Settings) => (here().version === 0 ? 'new' : dequal(here().settings, line) ? 'known' : 'other'),
    take: ([line]: readonly Settings[]) => {
      if (line && here().version === 0) household.saveSettings(line, 0);
    },
  };
}

/** Instruments come without the secret that they send their readings with: they are given another. */
function instrumentsPart({ instruments }: Kitchen): Part {
  interface Line {
    readonly id: string;
    readonly name: string;
    readonly kind: SimulatedKind;
    readonly simulated: boolean;
    readonly batchId: string | null;
  }
  const lines = () =>
    instruments.all().map(({ id, name, kind, simulated, batchId }): Line => ({ id, name, kind, simulated, batchId }));
  return {
    name: 'instruments',
    schema: Joi.object({
      id: Joi.string().min(1).max(40).required(),
      name: Joi.string().min(1).max(80).required(),
      kind: Joi.valid(...Object.keys(INSTRUMENT_KINDS)).required(),
      simulated: Joi.boolean().required(),
      batchId: Joi.string().max(26).allow(null).required(),
    }),
    count: () => lines().length,
    pages: () => [lines()],
    fateOf: (line: Line) => {
      const here = lines().find(({ id }) => id === line.id);
      return here ? (dequal(here, line) ? 'known' : 'other') : 'new';
    },
    take: (all: readonly Line[]) => {
      const here = new Set(lines().map(({ id }) => id));
      for (const line of all) if (!here.has(line.id)) instruments.add({ ...line, tokenHash: hashOf(newToken()) });
    },
  };
}

function roomPart({ room }: Kitchen): Part {
  interface Line {
    readonly atMs: number;
    readonly source: string;
    readonly tempC: number;
  }
  return {
    name: 'room',
    schema: Joi.object({
      atMs: ms.required(),
      source: Joi.string().min(1).max(40).required(),
      tempC: Joi.number().min(-50).max(80).required(),
    }),
    count: room.count,
    pages: () => room.pages(PAGE),
    fateOf: ({ atMs, source, tempC }: Line) => {
      const here = room.at(source, atMs);
      return here === null ? 'new' : here === tempC ? 'known' : 'other';
    },
    take: (lines: readonly Line[]) => lines.forEach(({ source, ...reading }) => room.keep(source, reading)),
  };
}

/** The log itself: append-only, so that reading in is a union by id. A line of the same id that says otherwise is refused. */
function entriesPart({ entries }: Kitchen): Part {
  return {
    name: 'log',
    schema: entrySchema,
    count: entries.count,
    pages: () => entries.pages(PAGE),
    fateOf: entries.fateOf,
    take: (lines: readonly Entry[]) => void entries.append(lines),
  };
}

/** What pictures there are; their bytes stand in files of their own. */
function photosPart({ photos }: Kitchen): Part {
  interface Line {
    readonly id: string;
    readonly batchId: string;
    readonly type: string;
  }
  return {
    name: 'photos',
    schema: Joi.object({
      id: Joi.string().length(26).required(),
      batchId: Joi.string().length(26).required(),
      type: Joi.valid('image/jpeg', 'image/png', 'image/webp').required(),
    }),
    count: () => photos.all().length,
    pages: () => [photos.all()],
    fateOf: ({ id }: Line) => (photos.get(id) ? 'known' : 'new'),
    // Taken in with their bytes, by what reads the archive.
    take: () => undefined,
  };
}
