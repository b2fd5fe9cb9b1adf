import { percent, type Batch, type Followed, answerWords } from '@oat-crock/core';
import { clockTime, fromNow, mass, temp, toFive, windowWords } from '../../shared/ui/words';
import { tell } from '../../shared/ui/said';

/** The sentence that a glance wants of a batch. */
export function headline(batch: Batch, followed: Followed, nowMs: number): string {
  if (batch.ended?.how === 'discarded') return tell('page.make.stageWords.discarded', { reason: batch.ended.reason });
  if (batch.ended)
    return tell('page.make.stageWords.finished', {
      at: clockTime(batch.ended.atMs, nowMs),
      product: mass(batch.ended.productG),
    });
  const stage = followed.stages.find((s) => s.status === 'now');
  if (!stage) return '';
  const window = followed.windows.find((w) => w.stageId === stage.id);
  if (window?.byClock && window.p50Ms !== null)
    return tell('page.make.stageWords.byClock', {
      name: stage.name,
      temp: temp(followed.now.tempC),
      until: clockTime(toFive(window.p50Ms), nowMs),
      left: fromNow(toFive(window.p50Ms), nowMs),
    });
  if (window?.by === 'acidity')
    return tell('page.make.stageWords.souringSourEnough', {
      temp: temp(followed.now.tempC),
      window: windowWords(window, nowMs),
    });
  if (window?.by === 'solids') {
    const solids = percent(followed.now.solidsPct, 1);
    const likely = windowWords(window, nowMs);
    return window.p50Ms === null
      ? tell('page.make.stageWords.onClothNever', { solids, likely })
      : tell('page.make.stageWords.onCloth', { solids, stop: fromNow(toFive(window.p50Ms), nowMs), likely });
  }
  const now = temp(followed.now.tempC);
  return stage.endMs === null
    ? tell('page.make.stageWords.atHandNever', { name: stage.name, now })
    : tell('page.make.stageWords.atHand', { name: stage.name, now, done: fromNow(stage.endMs, nowMs) });
}

/** Changes in what the stage at hand asks to look for that are worth a line, soonest first: "wobbles from about 16:20". */
export function toExpect(followed: Followed, cues: readonly string[], nowMs: number): string {
  return followed.expected
    .filter(({ cue }) => cues.includes(cue))
    .slice(0, EXPECTED_SHOWN)
    .map(({ cue, answer, atMs }) =>
      tell('page.make.stageWords.fromAbout', { answer: answerWords(cue, answer), at: clockTime(toFive(atMs), nowMs) }),
    )
    .join(', ');
}

const EXPECTED_SHOWN = 3;
