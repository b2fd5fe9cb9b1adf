import type { Batch, Followed, FollowedStage } from '@oat-crock/core';
import { acidity, capital, clockTime, fromNow, mass, tasteOf, temp, toFive, windowWords } from '../ui/words';
import { say } from '../ui/units';

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
  return `${capital(say(stage.name))}: ${temp(followed.now.tempC)} now, ${end}.`;
}

/** A planned figure beside what is. */
export interface PlannedActual {
  readonly what: string;
  readonly planned: string;
  readonly actual: string;
}

/** Planned against actual for the stage at hand. */
export function plannedActual(followed: Followed, stage: FollowedStage): readonly PlannedActual[] {
  const { now } = followed;
  const rows: PlannedActual[] = [];
  if (stage.endsBy === 'temperature') {
    rows.push({ what: 'Temperature', planned: temp(stage.target), actual: temp(now.tempC) });
  }
  if (stage.endsBy === 'acidity') {
    rows.push({
      what: 'Acidity',
      planned: `${acidity(stage.target)}, ${tasteOf(stage.target)}`,
      actual: `${acidity(now.ph)}, ${tasteOf(now.ph)}`,
    });
    rows.push({
      what: 'Set',
      planned: 'leaves the wall',
      actual: now.firmness > 0 ? now.firmnessWord : 'still liquid',
    });
  }
  if (stage.endsBy === 'solids' && followed.drain) {
    rows.push({ what: 'Whey', planned: mass(followed.drain.wantedWheyG), actual: mass(now.wheyG) });
    rows.push({
      what: 'Solids',
      planned: stage.target > 0 ? `${(100 * stage.target).toFixed(0)} %` : 'until it gathers',
      actual: `${now.solidsPct.toFixed(1)} %`,
    });
  }
  if (stage.endsBy === 'clock') {
    const gone = (followed.nowMs - stage.beginMs) / 60_000;
    const planned = stage.endMs === null ? '' : `${Math.round((stage.endMs - stage.beginMs) / 60_000)} min`;
    rows.push({ what: 'Time', planned, actual: `${Math.round(gone)} min` });
  }
  return rows;
}

/** Changes to look for that are worth a line, soonest first: "wobbles from about 16:20". */
export function toExpect(followed: Followed, nowMs: number): string {
  return followed.expected
    .slice(0, EXPECTED_SHOWN)
    .map(({ answer, atMs }) => `${answer} from about ${clockTime(toFive(atMs), nowMs)}`)
    .join(', ');
}

const EXPECTED_SHOWN = 3;
