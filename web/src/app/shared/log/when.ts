import { daysOn, localTime, momentAt, type Zone } from '@oat-crock/calendar';
import type { ImpossibleTime } from '@oat-crock/core';
import { dayTime } from '../ui/words';
import { tell } from '../ui/said';

/** When something happened, as it is said: now, so many minutes ago, or at a time of the clock. */
export type When =
  { readonly is: 'now' } | { readonly is: 'ago'; readonly min: number } | { readonly is: 'at'; readonly clock: string };

export const NOW: When = { is: 'now' };

const MIN_MS = 60_000;

/**
 * The moment (ms) that is meant: a time of the clock is the last one that was not later than the latest it can be. Null
 * where the clock time cannot be read.
 *
 * @param latestMs now, or about when a line stood that is given another time
 */
export function momentOf(when: When, latestMs: number, zone: Zone): number | null {
  if (when.is === 'now') return latestMs;
  if (when.is === 'ago') return latestMs - when.min * MIN_MS;
  const [, hours, minutes] = /^\s*(\d{1,2})\s*[:.h]?\s*(\d{2})\s*$/.exec(when.clock) ?? [];
  if (hours === undefined || Number(hours) > 23 || Number(minutes) > 59) return null;
  const hour = Number(hours) + Number(minutes) / 60;
  const today = localTime(latestMs, zone);
  const atMs = momentAt(today, hour, zone);
  return atMs <= latestMs ? atMs : momentAt(daysOn(today, -1), hour, zone);
}

/** The clock of a moment as a time field has it: "22:15". */
export function clockOf(atMs: number, zone: Zone): string {
  const minutes = Math.floor(localTime(atMs, zone).hour * 60 + 1e-6);
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
}

/** Why something cannot have been then, in a sentence. */
export function impossibleWords(why: ImpossibleTime, atMs: number, stageName: (id: string) => string): string {
  if (why.is === 'future') return tell('page.log.when.notYet', { at: dayTime(atMs) });
  if (why.is === 'before the start')
    return tell('page.log.when.makeBegunSayLater', { started: dayTime(why.startedMs) });
  if (why.is === 'before the end') return tell('page.log.when.madeSayLater', { ended: dayTime(why.endedMs) });
  return tell('page.log.when.doesNotFitBegun', {
    at: dayTime(atMs),
    stage: stageName(why.stageId),
    begun: dayTime(why.atMs),
  });
}
