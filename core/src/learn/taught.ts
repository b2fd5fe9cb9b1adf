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

/**
 * Lessons that still count. What was forgotten of an owner stays with the make as somebody else's, so that it goes on
 * explaining that make and says nothing of the owner any more.
 */
export function standingLessons(taught: readonly TaughtByMake[], forgotten: readonly Forgotten[]): readonly Lesson[] {
  return taught.flatMap(({ atMs, lessons }) => {
    const gone = new Set(forgotten.filter(({ beforeMs }) => atMs < beforeMs).map(({ of }) => of));
    return lessons.map((lesson) => ({
      ...lesson,
      owners: lesson.owners.map((of) => (gone.has(of) ? `forgotten ${of}` : of)),
    }));
  });
}
