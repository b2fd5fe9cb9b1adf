import { householdAround, type House } from '@oat-crock/calendar';
import {
  culturesById,
  isCulture,
  lessonsOf,
  lineOfMake,
  makeFiguresOf,
  NOTHING_LEARNED,
  pooled,
  replay,
  seedFromText,
  standingLessons,
  WidthsSeen,
  workOut,
  type Batch,
  type Entry,
  type LeftOut,
  type Lesson,
  type MakeFigures,
} from '@oat-crock/core';
import { houseOf } from '../house.js';
import { entryStore, type EntryStore } from '../store/entries.js';
import { figureStore } from '../store/figures.js';
import { householdStore } from '../store/household.js';
import { keptStore } from '../store/kept.js';
import { lessonStore, type TaughtInLine } from '../store/lessons.js';
import type { Db } from '../store/open.js';
import { roomStore } from '../store/room.js';

/** The newest makes of each line, or of each method where no line is kept, that are asked. */
const MAKES_ASKED = 8;
/** What was known when a make began is what so many makes before it had taught. */
const MAKES_BEFORE = 12;
/** Members that a finished make is followed with. */
const MEMBERS = 500;

/** A finished make that is asked what it teaches, as its log stands. */
interface Asked {
  readonly batch: Batch;
  readonly line: string | null;
  readonly ofSeq: number;
}

/** A make that is to be reckoned, and the newest of those before it. */
interface ToReckon extends Asked {
  readonly before: readonly Asked[];
}

/** Works out, from what is kept, what finished makes teach. */
export interface RenewalPolicy {
  /** Makes that have not taught as their logs stand, the newest first. */
  readonly due: () => readonly Asked[];
  /** Follows a finished make to its end and keeps what it taught; one that cannot be followed teaches nothing. */
  readonly ask: (asked: Asked) => void;
  /** Makes that have not been reckoned as their logs stand, the newest first. */
  readonly unreckoned: () => readonly ToReckon[];
  /** Works out what a finished make comes to, with what the makes before it had taught, and keeps it. */
  readonly reckon: (make: ToReckon) => void;
  /** Pools what all of them taught, less what is to be forgotten; whether that comes to something else than before. */
  readonly pool: () => boolean;
}

/**
 * @param engine names the engine: what another one worked out counts no more
 * @param zone the time zone of a household that has not chosen one
 */
export function school(db: Db, engine: string, zone: string): RenewalPolicy {
  const entries = entryStore(db);
  const stores = { household: householdStore(db, zone), gear: keptStore(db, 'gear'), room: roomStore(db) };
  const lessons = lessonStore(db);
  const lots = keptStore(db, 'lots');
  const finished = new FinishedMakes(entries);

  const figures = figureStore(db);

  const everyMake = (): readonly Asked[] => {
    const cultures = culturesById(
      // Those that were taken away since, too: a make's line is what it was then.
      lots
        .all()
        .map((kept) => kept.item)
        .filter(isCulture),
    );
    return finished
      .all()
      .map(({ batch, seq }) => ({ batch, ofSeq: seq, line: lineOfMake(batch, cultures) }))
      .sort((a, b) => b.batch.startedMs - a.batch.startedMs);
  };

  const leftOut = () => stores.household.settings().settings;
  /** Makes that are asked: the newest of all, and the newest before each moment at which something was pinned. */
  const asked = (): Asks => {
    const makes = everyMake();
    const [newest, ...before] = [Infinity, ...leftOut().pinned.map((pin) => pin.afterMs)].map((ms) =>
      newestIn(makes, ms),
    );
    return { newest: newest!, forPins: [...new Set(before.flat())].filter((make) => !newest!.includes(make)) };
  };
  const taughtAlready = ({ batch, ofSeq }: Asked) => lessons.of(batch.id, ofSeq, engine);

  /** What a make teaches, worked out where it was not yet. */
  const taughtBy = ({ batch, line, ofSeq }: Asked): TaughtInLine => {
    const known = lessons.of(batch.id, ofSeq, engine);
    if (known) return known;
    const whole = replayed(entries.ofBatch(batch.id)) ?? batch;
    const taught = { batchId: batch.id, atMs: batch.startedMs, line, generation: generationOf(batch) };
    const afterMs = batch.ended?.atMs ?? batch.startedMs;
    const told = { ...taught, lessons: lessonsIn(whole, line, houseOf(stores, batch), afterMs) };
    lessons.keep(told, ofSeq, engine);
    return told;
  };

  return {
    due: () => {
      const { newest, forPins } = asked();
      return [...newest, ...forPins].filter((make) => !taughtAlready(make));
    },
    ask: (make) => void taughtBy(make),
    unreckoned: () =>
      everyMake()
        .map((make, i, all) => ({ ...make, before: all.slice(i + 1, i + 1 + MAKES_BEFORE) }))
        .filter(({ batch, ofSeq }) => !figures.has(batch.id, ofSeq, engine)),
    reckon: ({ batch, line, ofSeq, before }) => {
      const whole = replayed(entries.ofBatch(batch.id, 'minute')) ?? batch;
      const known = { learned: pooled(standingLessons(before.map(taughtBy), leftOut())), line: line ?? undefined };
      const comesTo = figuresIn(whole, { ...houseOf(stores, batch), known });
      figures.keep(batch.id, ofSeq, engine, { figures: comesTo, line });
    },
    pool: () => {
      const { newest, forPins } = asked();
      const taught = newest.flatMap((make) => taughtAlready(make) ?? []);
      const older = forPins.flatMap((make) => taughtAlready(make) ?? []);
      const watched = taught.flatMap(({ batchId, atMs, line, generation, lessons: said }) => {
        const of = said.find((lesson) => lesson.scores.includes('pace'));
        return of ? [{ batchId, atMs, line, generation, taught: { mean: of.taught.mean, sd: of.taught.sd } }] : [];
      });
      // An older make counts for what was pinned when it was among the newest, and for nothing else.
      const isPinned = new Set(leftOut().pinned.map(({ of }) => of));
      const standing = [
        ...standingLessons(taught, leftOut()),
        ...standingLessons(older, leftOut(), (of) => isPinned.has(of)),
      ];
      const seen = new WidthsSeen();
      for (const window of figures.windows()) seen.add(window);
      const widths = seen.all();
      return lessons.keepLearned({
        pooled: { ...pooled(standing), ...(widths.length > 0 && { widths }) },
        watched,
        from: makesBehind([...taught, ...older], leftOut()),
      });
    },
  };
}

/** Makes that are asked: those of late, and older ones that were when something was pinned. */
interface Asks {
  readonly newest: readonly Asked[];
  readonly forPins: readonly Asked[];
}

/** The newest makes of each line that were begun before a moment. */
function newestIn(makes: readonly Asked[], beforeMs: number): readonly Asked[] {
  const inLine = new Map<string, number>();
  return makes.filter(({ batch, line }) => {
    if (batch.startedMs >= beforeMs) return false;
    const of = line ?? batch.methodId;
    inLine.set(of, (inLine.get(of) ?? 0) + 1);
    return inLine.get(of)! <= MAKES_ASKED;
  });
}

/** Which makes each owner's lessons are from, the newest first. */
function makesBehind(taught: readonly TaughtInLine[], leftOut: LeftOut): Readonly<Record<string, readonly string[]>> {
  const behind = new Map<string, string[]>();
  for (const make of [...taught].sort((a, b) => b.atMs - a.atMs))
    for (const of of new Set(standingLessons([make], leftOut).flatMap((lesson) => lesson.owners)))
      behind.set(of, [...(behind.get(of) ?? []), make.batchId]);
  return Object.fromEntries(behind);
}

/** A batch as its log tells it; null where that tells none, or cannot be read: one bad record keeps no other from teaching. */
function replayed(log: readonly Entry[]): Batch | null {
  try {
    return replay(log);
  } catch {
    return null;
  }
}

/** What a make teaches; nothing where it cannot be followed, or where that comes to no figures. */
function lessonsIn(batch: Batch, line: string | null, house: House, nowMs: number): readonly Lesson[] {
  const options = { members: MEMBERS, seed: seedFromText(batch.id), fanPoints: 0 };
  const known = { learned: NOTHING_LEARNED, line: line ?? undefined };
  try {
    const worked = workOut(batch, nowMs, options, householdAround(batch, { ...house, known }));
    return lessonsOf(worked, line ?? undefined).filter(isSound);
  } catch {
    return [];
  }
}

/** Members that windows are given with: fewer than a page's, as a make is asked for several. */
const WINDOW_MEMBERS = 200;

/** What a make comes to; nothing where it cannot be followed. */
function figuresIn(batch: Batch, house: House): MakeFigures | null {
  const options = { members: WINDOW_MEMBERS, seed: seedFromText(batch.id), fanPoints: 0 };
  try {
    return makeFiguresOf(batch, options, householdAround(batch, house));
  } catch {
    return null;
  }
}

/** Whether a lesson is figures, all of it. */
const isSound = ({ before, taught }: Lesson) =>
  [before, taught].every(({ mean, sd }) => [...mean, ...sd].every(Number.isFinite));

const generationOf = (batch: Batch) => Number(batch.choices['generation'] ?? 0);

/** Finished makes as the lines by hand tell them, each read again only once more was written to it. */
class FinishedMakes {
  private readonly read = new Map<string, { readonly seq: number; readonly batch: Batch | null }>();

  constructor(private readonly entries: EntryStore) {}

  all(): readonly { readonly batch: Batch; readonly seq: number }[] {
    for (const { batchId, seq } of this.entries.newestByHand()) {
      if (this.read.get(batchId)?.seq === seq) continue;
      this.read.set(batchId, { seq, batch: replayed(this.entries.ofBatch(batchId, 'none')) });
    }
    return [...this.read.values()].flatMap(({ batch, seq }) =>
      batch?.ended?.how === 'finished' ? [{ batch, seq }] : [],
    );
  }
}
