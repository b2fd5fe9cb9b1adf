import type { Batch, Followed } from '@oat-crock/core';
import { capital, clockTime, fromNow, mass, temp, toFive, windowWords } from '../ui/words';
import { textOf } from '../ui/units';

/** The sentence that a glance wants of a batch. */
export function headline(batch: Batch, followed: Followed, nowMs: number): string {
  if (batch.ended?.how === 'discarded') return `Discarded: ${batch.ended.reason}`;
  if (batch.ended) return `Finished ${clockTime(batch.ended.atMs, nowMs)}: ${mass(batch.ended.productG)}.`;
  const stage = followed.stages.find((s) => s.status === 'now');
  if (!stage) return '';
  const window = followed.windows.find((w) => w.stageId === stage.id);
  if (window?.by === 'acidity')
    return `Souring at ${temp(followed.now.tempC)}. Sour enough: ${windowWords(window, nowMs)}.`;
  if (window?.by === 'solids') {
    const stop =
      window.p50Ms === null ? 'It stops short of that texture' : `Stop ${fromNow(toFive(window.p50Ms), nowMs)}`;
    return `On the cloth, ${followed.now.solidsPct.toFixed(1)} % solids now. ${stop}: ${windowWords(window, nowMs)}.`;
  }
  const end = stage.endMs === null ? 'not as things stand' : `done ${fromNow(stage.endMs, nowMs)}`;
  return `${capital(textOf(stage.name))}: ${temp(followed.now.tempC)} now, ${end}.`;
}

/** Changes in what the stage at hand asks to look for that are worth a line, soonest first: "wobbles from about 16:20". */
export function toExpect(followed: Followed, cues: readonly string[], nowMs: number): string {
  return followed.expected
    .filter(({ cue }) => cues.includes(cue))
    .slice(0, EXPECTED_SHOWN)
    .map(({ answer, atMs }) => `${answer} from about ${clockTime(toFive(atMs), nowMs)}`)
    .join(', ');
}

const EXPECTED_SHOWN = 3;
