import type { Lesson } from './pooled.js';

/** What one make taught, and when it was begun. */
export interface TaughtByMake {
  readonly batchId: string;
  readonly atMs: number;
  readonly lessons: readonly Lesson[];
}

/** Something that somebody wants forgotten: all that was learned of an owner from makes begun before. */
export interface Forgotten {
  readonly of: string;
  readonly beforeMs: number;
}

/** Something that somebody wants kept as it is: makes begun after teach nothing more of that owner. */
export interface Pinned {
  readonly of: string;
  readonly afterMs: number;
}

/** What of lessons somebody wants left out. */
export interface LeftOut {
  readonly forgotten: readonly Forgotten[];
  readonly pinned: readonly Pinned[];
}

/**
 * Lessons that still count, of owners that `counts` names. What is left out of an owner stays with the make as somebody else's, so that it goes on
 * explaining that make and says nothing of the owner any more.
 */
export function standingLessons(
  taught: readonly TaughtByMake[],
  { forgotten, pinned }: LeftOut,
  counts: (of: string) => boolean = () => true,
): readonly Lesson[] {
  return taught.flatMap((make) => {
    const gone = new Set([
      ...forgotten.filter(({ beforeMs }) => make.atMs < beforeMs).map(({ of }) => of),
      ...pinned.filter(({ afterMs }) => make.atMs >= afterMs).map(({ of }) => of),
    ]);
    return make.lessons.map((lesson) => ({
      ...lesson,
      owners: lesson.owners.map((of) => (gone.has(of) || !counts(of) ? `left out ${of}` : of)),
    }));
  });
}
