import { dayWord, lotCodeIn } from '@oat-crock/calendar';
import type { Settings } from '@oat-crock/contract';
import { answerWords, FAULTS, plainWords, saidOf, type Batch, type Lot, type MakeLine } from '@oat-crock/core';
import { LANGUAGES } from '@oat-crock/messages';
import { inEveryLanguage } from '../words.js';

/**
 * Everything that a make is found by, in each language there is: its name, its method, its lot, the day it was begun in figures and
 * in words, what it was made of by name, what was looked at and how that was, what was wrong with it, and all that somebody wrote of it.
 *
 * @param lotOf a lot of the larder by its id
 */
export function searchWords(
  batch: Batch,
  line: MakeLine,
  settings: Settings,
  lotOf: (id: string) => Lot | undefined,
): string {
  const lots = [...batch.taken.map(({ lotId }) => lotOf(lotId)?.name), ...batch.stocks.map(({ name }) => name)];
  const looked = batch.cues.flatMap(({ cue, answer }) => inEveryLanguage(answerWords(cue, answer), settings));
  return plainWords(
    [
      line.name,
      ...inEveryLanguage(line.method, settings),
      ...dayWords(batch.startedMs, settings.zone),
      ...lots,
      ...looked,
      ...batch.complaints.flatMap((fault) => inEveryLanguage(FAULTS[fault].seen, settings)),
      lotCodeIn(batch, settings.zone),
      ...saidOf(batch),
    ].join(' '),
  );
}

/** "2026-11-23", and "23 November 2026" in each language. */
function dayWords(atMs: number, timeZone: string): readonly string[] {
  const tags = Object.values(LANGUAGES).map(({ tag }) => tag);
  const long = tags.map((tag) => new Intl.DateTimeFormat(tag, { dateStyle: 'long', timeZone }).format(atMs));
  return [dayWord(atMs, timeZone), ...new Set(long)];
}
