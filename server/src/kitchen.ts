import type { Larder, Learned, OddRecord, PlannedBatch, Supply, WantedOrder } from '@oat-crock/contract';
import type { Gear, Lot, Method } from '@oat-crock/core';
import type { Logger } from 'pino';
import { events, type Events } from './http/events.js';
import { backupRunStore, type BackupRunStore } from './store/backup-runs.js';
import { entryStore, type EntryStore } from './store/entries.js';
import { newToken } from './access/secrets.js';
import { accessStore, type AccessStore } from './store/access.js';
import { alertStore, type AlertStore } from './store/alerts.js';
import { householdStore, type HouseholdStore } from './store/household.js';
import { pageLog } from './ledger/page-log.js';
import { searchWords } from './ledger/search-words.js';
import { figureStore, type FigureStore } from './store/figures.js';
import { followedBy, makeStore, type MakeStore } from './store/makes.js';
import { lessonStore, type LessonStore } from './store/lessons.js';
import { roomStore, type RoomStore } from './store/room.js';
import { photoStore, type PhotoStore } from './store/photos.js';
import { instrumentStore, type InstrumentStore } from './store/instruments.js';
import { keptStore, type KeptStore } from './store/kept.js';
import type { Db } from './store/open.js';
import { machineClock, setClock, type Clock } from './time/clock.js';
import { machineNowMs } from './time/machine.js';
import { wordsFor, type Words } from './words.js';
import type { TimeSettings } from './time/settings.js';

/** Everything a running server holds together. */
export interface Kitchen {
  readonly db: Db;
  readonly entries: EntryStore;
  /** What the ledger knows of every make; it follows the log by itself. */
  readonly makes: MakeStore;
  readonly instruments: InstrumentStore;
  readonly household: HouseholdStore;
  /** Who may use the dairy over a network. */
  readonly access: AccessStore;
  /** Who is told of hands with no page open. */
  readonly alerts: AlertStore;
  readonly photos: PhotoStore;
  readonly room: RoomStore;
  readonly lots: KeptStore<Lot>;
  readonly gear: KeptStore<Gear>;
  readonly methods: KeptStore<Method>;
  readonly orders: KeptStore<WantedOrder>;
  readonly plannedBatches: KeptStore<PlannedBatch>;
  readonly supplies: KeptStore<Supply>;
  /** All that may be changed, as a page begins with it. */
  readonly larder: () => Larder;
  /** Records that are left out of it, as they stand. */
  readonly odd: () => readonly OddRecord[];
  readonly lessons: LessonStore;
  /** What finished makes come to, as far as it was worked out. */
  readonly figures: FigureStore;
  /** What came of the backups that were tried. */
  readonly backupRuns: BackupRunStore;
  /** What finished makes taught, as far as it was worked out. */
  readonly learned: () => Learned;
  /** Whether nothing is being worked out of that any more. */
  readonly learning: { settled: boolean };
  readonly clock: Clock;
  readonly events: Events;
  readonly log: Logger;
  /** How things are said here: in the household's language, units and zone. */
  readonly words: Words;
}

/** Opens the kitchen over a database; with a start moment of its own its clock can be set. */
export function openKitchen(
  db: Db,
  log: Logger,
  { startMs, rate, zone }: TimeSettings,
  machineNow = machineNowMs,
): Kitchen {
  const written = entryStore(db);
  const household = householdStore(db, zone);
  const kept = {
    lots: keptStore(db, 'lots'),
    gear: keptStore(db, 'gear'),
    methods: keptStore(db, 'methods'),
    orders: keptStore(db, 'orders'),
    plannedBatches: keptStore(db, 'plannedBatches'),
    supplies: keptStore(db, 'supplies'),
  };
  const makes = makeStore(db, written, (batch, line) =>
    searchWords(batch, line, household.settings().settings, (id) => kept.lots.get(id)?.item),
  );
  makes.catchUp();
  const entries = followedBy(db, written, makes);
  const lots: KeptStore<Lot> = {
    ...kept.lots,
    save: (lot, overVersion) => {
      const isRenamed = kept.lots.get(lot.id)?.item.name !== lot.name;
      const saved = kept.lots.save(lot, overVersion);
      if (saved && isRenamed) makes.refresh(makes.ofThing(lot.id));
      return saved;
    },
  };
  const lessons = lessonStore(db);
  const learning = { settled: true };
  return {
    db,
    entries,
    makes,
    instruments: instrumentStore(db),
    household,
    access: accessStore(db, newToken),
    alerts: alertStore(db),
    photos: photoStore(db),
    room: roomStore(db),
    ...kept,
    lots,
    larder: () => ({
      lots: kept.lots.all(),
      gear: kept.gear.all(),
      methods: kept.methods.all(),
      orders: kept.orders.all(),
      plannedBatches: kept.plannedBatches.all(),
      supplies: kept.supplies.all(),
    }),
    odd: () => Object.values({ ...kept, lots }).flatMap((store) => store.odd()),
    lessons,
    figures: figureStore(db),
    backupRuns: backupRunStore(db),
    learned: () => {
      const { pooled, watched } = lessons.learned();
      return { pooled, watched, settled: learning.settled };
    },
    learning,
    clock:
      startMs === null
        ? machineClock(machineNow)
        : setClock({ store: household, latestEntryMs: entries.latestMs, startMs, rate, machineNow }),
    events: events((seq) => pageLog(entries, makes, seq)),
    log,
    words: wordsFor(() => household.settings().settings),
  };
}
