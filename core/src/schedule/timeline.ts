import type { Hours } from './hours.js';
import type { Scenario, Network, Step } from './network.js';

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
export function boundMin({ attended, handsMin, lasts }: Step, scenario: Scenario = 'likely'): number {
  return attended ? lasts[scenario] : Math.min(handsMin, lasts[scenario]);
}

/** Minutes for which somebody must be awake once a step begins: as long as the hands are bound, or as it is reckoned. */
export function awakeMin(step: Step, scenario: Scenario = 'likely'): number {
  return Math.max(step.handsMin, boundMin(step, scenario));
}

/** When each step of a make begins, and last when all of it is over, minutes of the plan. */
export type Times = Float64Array;

/**
 * A make begun at some minute, step after step: where hands would be unwelcome at the end of a step it is left on until
 * they are welcome, as far as its slack allows, else ended before the night, as far as that allows; else in the night.
 *
 * @param as times of the same make, begun alike, with nothing extended: what is before the extended step is taken from there
 * @returns null where it would not be over within the horizon
 */
export function timesOf(
  steps: readonly Step[],
  startMin: number,
  hours: Hours,
  scenario: Scenario = 'likely',
  extension: Extension | null = null,
  as: Times | null = null,
): Times | null {
  const times = new Float64Array(steps.length + 1);
  times[0] = startMin;
  const from = as && extension ? extension.step : 0;
  if (from > 0) times.set(as!.subarray(0, from + 1));
  for (let i = from; i < steps.length; i++) {
    const step = steps[i]!;
    const doneMin = doneMinOf(step, times[i]!, hours, scenario);
    const next = steps[i + 1];
    // It is extended, or ended early, no further than its slack allows.
    const wantedMin = extension?.step === i ? doneMin + Math.max(extension.forMin, -step.slack.earlyMin) : doneMin;
    const handsMin = next ? awakeMin(next, scenario) : 0;
    let endMin = next ? settled(step, times[i]!, doneMin, wantedMin, handsMin, hours) : wantedMin;
    if (extension?.step === i && endMin > wantedMin) {
      const laterMin = endMin + extension.afterWakingMin;
      if (laterMin <= doneMin + step.slack.lateMin && hours.nextWelcome(laterMin, handsMin) === laterMin)
        endMin = laterMin;
    }
    if (endMin > hours.horizonMin) return null;
    times[i + 1] = endMin;
  }
  return times;
}

/** The same, step by step. */
export function walk(
  { steps }: Pick<Network, 'steps'>,
  startMin: number,
  hours: Hours,
  scenario: Scenario = 'likely',
  extension: Extension | null = null,
): readonly Walked[] | null {
  const times = timesOf(steps, startMin, hours, scenario, extension);
  if (!times) return null;
  return steps.map((step, i) => ({
    beginMin: times[i]!,
    endMin: times[i + 1]!,
    movedMin: times[i + 1]! - doneMinOf(step, times[i]!, hours, scenario),
  }));
}

/** When a step is done: after it has lasted, or at its hour of the day. */
function doneMinOf({ lasts, ends }: Step, beginMin: number, hours: Hours, scenario: Scenario): number {
  return ends ? hours.nextAt(beginMin + ends.leastMin, ends.at) : beginMin + lasts[scenario];
}

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
