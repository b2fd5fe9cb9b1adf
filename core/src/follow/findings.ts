import type { Batch } from '../batch/replay.js';
import type { Environment } from '../environment/environment.js';
import { pouredBy } from '../make/plan.js';
import { advanced, firstOf } from '../make/run.js';
import { assessSafety, type Finding } from '../safety/rules.js';
import type { CrockState } from '../state/crock-state.js';
import type { Timeline } from './timeline.js';

/** What the rules of safety have to say of a batch as it stands. */
export function findingsOf(batch: Batch, timeline: Timeline, here: CrockState, nominal: Environment): Finding[] {
  const souringAt = timeline.stages.find((s) => s.stage.kind.endsBy === 'acidity');
  const begun = souringAt && souringAt.status !== 'ahead' ? souringAt : null;
  const phs = batch.readings.filter((r) => r.quantity === 'ph');
  const current = timeline.stages.find((s) => s.status === 'now');
  const expected = begun && expectedMin(begun, nominal);
  return assessSafety({
    state: here,
    past: pastOf(timeline, here),
    measuredPh: phs.at(-1)?.value ?? null,
    rawMilk: pouredBy(timeline.stages.map((s) => s.stage)).some((s) => s.treatment === 'raw'),
    souringMin: begun?.status === 'now' ? (timeline.nowMs - begun.beginMs) / 60_000 : null,
    forecastMin: expected,
    setSeen: batch.cues.some((c) => c.cue === 'set' && c.answer !== 'liquid'),
    onCounter: current?.stage.params['where'] === 'counter',
    ended: batch.ended?.how === 'finished',
  });
}

/** What it has passed through until now. */
export function pastOf(timeline: Timeline, here: CrockState): readonly CrockState[] {
  const states = timeline.stages.filter((s) => s.status !== 'ahead').flatMap((s) => s.run.states);
  return [...states.filter((s) => s.minute < here.minute), here];
}

/** Minutes the souring was forecast to take before anything was read. */
function expectedMin(at: Timeline['stages'][number], nominal: Environment): number | null {
  const { kind, params } = at.stage;
  const begin = firstOf(at.run);
  let state = begin;
  const target = kind.target(params);
  while (state.ph > target && state.minute - begin.minute < 5 * 24 * 60) {
    state = advanced(at.stage, state, { ...nominal, measuredTempC: () => null }, kind.stepMin);
  }
  return state.ph <= target ? state.minute - begin.minute : null;
}
