import type { Hours } from './hours.js';
import type { Network, Step } from './network.js';

/** A step that is made to last longer than it needs, on purpose, or ended before where it is negative: which, how long, and how long after waking where it waits for that, minutes. */
export interface Extension {
  readonly step: number;
  readonly forMin: number;
  readonly afterWakingMin: number;
}

/** The same, of a step that is named. */
export type StageExtension = Omit<Extension, 'step'> & { readonly stageId: string };

/** Which step of a network is extended; null where it has none of that name. */
export function extensionIn({ steps }: Pick<Network, 'steps'>, extension: StageExtension | null): Extension | null {
  const step = extension ? steps.findIndex((s) => s.stageId === extension.stageId) : -1;
  return extension && step >= 0 ? { step, forMin: extension.forMin, afterWakingMin: extension.afterWakingMin } : null;
}

/** The step that is extended, by its name. */
export function stageExtension({ steps }: Pick<Network, 'steps'>, extension: Extension | null): StageExtension | null {
  if (!extension) return null;
  const { step, ...how } = extension;
  return { stageId: steps[step]!.stageId, ...how };
}

/** When a step begins and ends, minutes of the plan. */
export interface Walked {
  readonly beginMin: number;
  readonly endMin: number;
  /** How far its end was moved from when its work was done: later, or earlier where it is negative. */
  readonly movedMin: number;
}

/** Minutes for which hands are bound by a step: while it lasts where they must stay, else to begin it. */
export function boundMin({ attended, handsMin, lasts }: Step): number {
  return attended ? lasts.likely : Math.min(handsMin, lasts.likely);
}

/** Minutes for which somebody must be awake once a step begins: as long as the hands are bound, or as it is reckoned. */
export function awakeMin(step: Step): number {
  return Math.max(step.handsMin, boundMin(step));
}

/** When each step of a make begins, and last when all of it is over, minutes of the plan. */
export type Times = Float64Array;

/**
 * A make begun at some minute, step after step: where hands would be unwelcome at the end of a step it is left on until
 * they are welcome, as far as its slack allows, else ended before the night, as far as that allows; else in the night.
 *
 * @param as times of the same make, begun alike, with nothing extended: what is before the extended step is taken from there
 * @param times where they are written; a new place where left out
 * @returns null where it would not be over within the horizon
 */
export function timesOf(
  steps: readonly Step[],
  startMin: number,
  hours: Hours,
  extension: Extension | null = null,
  as: Times | null = null,
  times: Times = new Float64Array(steps.length + 1),
): Times | null {
  for (let i = begin(times, startMin, extension, as); i < steps.length; i++) {
    const step = steps[i]!;
    const doneMin = step.ends ? atItsHour(step, times[i]!, hours) : times[i]! + step.lasts.likely;
    const endMin = endOf(steps, i, times[i]!, doneMin, hours, extension);
    if (endMin > hours.horizonMin) return null;
    times[i + 1] = endMin;
  }
  return times;
}

/**
 * The same make where it is behind, or ahead. How far it strays at the end of a step is what it strayed at its begin and what the step
 * itself strays, as of what is independent: the root of the sum of squares. A wait takes it back; and who is behind is never done
 * before a make that goes as is likely.
 *
 * @param likely times of the make as is likely, extended alike
 * @param behind how far: as one time in ten at 1, by as much less in between; ahead as one time in ten at −1
 * @param as times of the same make as far behind, with nothing extended
 * @param times where they are written; a new place where left out
 * @returns null where it would not be over within the horizon
 */
export function strayedTimes(
  steps: readonly Step[],
  likely: Times,
  hours: Hours,
  behind: number,
  extension: Extension | null = null,
  as: Times | null = null,
  times: Times = new Float64Array(steps.length + 1),
): Times | null {
  for (let i = begin(times, likely[0]!, extension, as); i < steps.length; i++) {
    const step = steps[i]!;
    const { lasts } = step;
    const before = times[i]! - likely[i]!;
    const own = behind * (behind > 0 ? lasts.late - lasts.likely : lasts.likely - lasts.early);
    const strays = Math.sign(behind) * Math.sqrt(before * before + own * own);
    const doneMin = step.ends
      ? atItsHour(step, times[i]!, hours)
      : Math.max(times[i]!, likely[i]! + lasts.likely + strays);
    const ownMin = endOf(steps, i, times[i]!, doneMin, hours, extension);
    const endMin = behind > 0 ? Math.max(likely[i + 1]!, ownMin) : Math.min(likely[i + 1]!, ownMin);
    if (endMin > hours.horizonMin) return null;
    times[i + 1] = endMin;
  }
  return times;
}

/**
 * Writes when a make is begun, and what it has in common with one that is not extended: up to the step that is extended they go alike.
 * Gives the step to go on from.
 */
function begin(times: Times, startMin: number, extension: Extension | null, as: Times | null): number {
  const shared = as && extension ? extension.step : 0;
  times[0] = startMin;
  for (let i = 1; i <= shared; i++) times[i] = as![i]!;
  return shared;
}

/** When a step is ended whose work is done at a minute. */
export function endOf(
  steps: readonly Step[],
  i: number,
  beginMin: number,
  doneMin: number,
  hours: Hours,
  extension: Extension | null,
): number {
  const step = steps[i]!;
  const next = steps[i + 1];
  const extended = extension?.step === i ? extension : null;
  // It is extended, or ended early, no further than its slack allows.
  const wantedMin = extended ? doneMin + Math.max(extended.forMin, -step.slack.earlyMin) : doneMin;
  if (!next) return wantedMin;
  const handsMin = awakeMin(next);
  const own = hours.ofStep(next);
  const endMin = settled(step, beginMin, doneMin, wantedMin, handsMin, own);
  if (!extended || endMin <= wantedMin) return endMin;
  const laterMin = endMin + extended.afterWakingMin;
  const mayBeLater = laterMin <= doneMin + step.slack.lateMin && own.nextWelcome(laterMin, handsMin) === laterMin;
  return mayBeLater ? laterMin : endMin;
}

/** A make step by step, as is likely, or where it is behind or ahead as in {@link strayedTimes}. */
export function walk(
  { steps }: Pick<Network, 'steps'>,
  startMin: number,
  hours: Hours,
  extension: Extension | null = null,
  behind = 0,
): readonly Walked[] | null {
  const likely = timesOf(steps, startMin, hours, extension);
  const times = likely && behind !== 0 ? strayedTimes(steps, likely, hours, behind, extension) : likely;
  if (!times) return null;
  return steps.map((step, i) => {
    const [beginMin, endMin] = [times[i]!, times[i + 1]!];
    const doneMin = step.ends ? atItsHour(step, beginMin, hours) : beginMin + step.lasts.likely;
    return { beginMin, endMin, movedMin: endMin - doneMin };
  });
}

/** When a step is done that ends at its hour of the day. */
const atItsHour = ({ ends }: Step, beginMin: number, hours: Hours): number =>
  hours.nextAt(beginMin + ends!.leastMin, ends!.at);

function settled(
  { slack }: Step,
  beginMin: number,
  doneMin: number,
  wantedMin: number,
  handsMin: number,
  hours: Hours,
): number {
  const latestMin = doneMin + slack.lateMin;
  const next = hours.nextWelcome(wantedMin, handsMin);
  if (next !== null && next <= latestMin) return next;
  const before = hours.lastWelcome(wantedMin, handsMin);
  const earliestMin = Math.max(beginMin, doneMin - slack.earlyMin);
  if (before !== null && before >= earliestMin && before <= latestMin) return before;
  return Math.min(wantedMin, latestMin);
}
