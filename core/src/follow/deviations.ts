import { unmeasured, type Environment } from '../environment/environment.js';
import { lastOf, runStage } from '../make/run.js';
import type { BoundStage } from '../stages/registry.js';
import { capital, sayDuration, sayMass, sayTemp } from '../stages/words.js';
import { fractionOf, solidsFraction, totalG } from '../materials/composition.js';
import { firmness, type CrockState } from '../state/crock-state.js';
import { plannedRun, type Context } from './panel.js';
import type { TimelineStage } from './timeline.js';

/** Where a make went otherwise than planned, and what that does to its end. */
export interface Deviation {
  readonly stageId: string;
  /** What was otherwise: "Hold: 9 min instead of 15 min". */
  readonly says: string;
  /** What it changes in the end; empty where nobody would notice. */
  readonly effects: readonly string[];
}

/** Differences that are worth a line: minutes (and share of the plan), °C, pH, solids (fraction). */
const NOTABLE = { min: 3, share: 0.15, tempC: 1.5, ph: 0.05, solids: 0.007 } as const;

/** Differences of the end that somebody notices. */
const FELT = { firmness: 0.03, ph: 0.04, solids: 0.007, product: 0.02, salt: 0.0015, restMin: 10 } as const;

/** Firmness (index) under which it is no gel to be compared. */
const A_GEL = 5;

/**
 * What was done otherwise than planned, stage by stage, with its effect: the rest of the make run on from where the stage
 * really ended, and from where it was planned to, all else alike.
 */
export function deviationsOf(context: Context, stages: readonly BoundStage[]): readonly Deviation[] {
  const { timeline, environment } = context;
  const unread = unmeasured(environment);
  return timeline.stages.flatMap((at, i) => {
    if (at.status !== 'done') return [];
    const planned = plannedRun(at, context);
    if (!planned.finished) return [];
    const [is, was] = [lastOf(at.run), lastOf(planned)];
    const rest = stages.slice(i + 1);
    const effects = effectsOf(is, was, restFrom(rest, is, unread), restFrom(rest, was, unread));
    const words = otherwise(at, is, was);
    if (words === null && effects.length === 0) return [];
    const name = capital(at.stage.kind.name(at.stage.params));
    return [{ stageId: at.stage.id, says: `${name}: ${words ?? 'not as planned'}`, effects }];
  });
}

/** The crock when everything that is still to come has been done as planned. */
function restFrom(stages: readonly BoundStage[], from: CrockState, environment: Environment): CrockState {
  let state = from;
  for (const stage of stages) state = lastOf(runStage(stage, state, environment));
  return state;
}

/** What decides the end of a stage, as it was against as it was to be; null where they are as good as the same. */
function otherwise({ stage, asPlanned, before }: TimelineStage, is: CrockState, was: CrockState): string | null {
  const { endsBy } = stage.kind;
  if (endsBy === 'temperature' && Math.abs(is.tempC - was.tempC) >= NOTABLE.tempC) {
    return `${sayTemp(is.tempC)} instead of ${sayTemp(was.tempC)}`;
  }
  if (endsBy === 'acidity' && Math.abs(is.ph - was.ph) >= NOTABLE.ph) {
    return `pH ${is.ph.toFixed(2)} instead of ${was.ph.toFixed(2)}`;
  }
  const solids = [solidsFraction(is.masses), solidsFraction(was.masses)] as const;
  if (endsBy === 'solids' && Math.abs(solids[0] - solids[1]) >= NOTABLE.solids) {
    return `${(100 * solids[0]).toFixed(1)} % solids instead of ${(100 * solids[1]).toFixed(1)} %`;
  }
  if (stage.params !== asPlanned.params && Math.abs(is.ph - was.ph) >= NOTABLE.ph) {
    return `to pH ${is.ph.toFixed(2)} instead of ${was.ph.toFixed(2)}`;
  }
  if (endsBy !== 'clock' || stage.kind.chart === undefined) return null;
  const took = is.minute - before.minute;
  const meant = was.minute - before.minute;
  if (Math.abs(took - meant) < Math.max(NOTABLE.min, NOTABLE.share * meant)) return null;
  return `${sayDuration(took)} instead of ${sayDuration(meant)}`;
}

/** What the end of the make has of it, in words, the gravest first. */
function effectsOf(is: CrockState, was: CrockState, endIs: CrockState, endWas: CrockState): readonly string[] {
  return [
    unsafeEffect(is, was),
    firmnessEffect(endIs, endWas),
    sournessEffect(endIs, endWas),
    solidsEffect(endIs, endWas),
    saltEffect(endIs, endWas),
    massEffect(endIs, endWas),
    timeEffect(endIs.minute - is.minute, endWas.minute - was.minute),
  ].filter((effect) => effect !== null);
}

function unsafeEffect(is: CrockState, was: CrockState): string | null {
  return was.pasteurisedShare >= 1 && is.pasteurisedShare < 1 ? 'it was not pasteurised by it' : null;
}

function firmnessEffect(is: CrockState, was: CrockState): string | null {
  const [now, then] = [firmness(is), firmness(was)];
  if (then < A_GEL || Math.abs(now / then - 1) < FELT.firmness) return null;
  return `about ${Math.round(100 * Math.abs(now / then - 1))} % ${now < then ? 'softer' : 'firmer'}`;
}

function sournessEffect(is: CrockState, was: CrockState): string | null {
  if (Math.abs(is.ph - was.ph) < FELT.ph) return null;
  return `${is.ph < was.ph ? 'sharper' : 'milder'}, pH ${is.ph.toFixed(2)} instead of ${was.ph.toFixed(2)}`;
}

function solidsEffect(is: CrockState, was: CrockState): string | null {
  const more = solidsFraction(is.masses) - solidsFraction(was.masses);
  if (Math.abs(more) < FELT.solids) return null;
  return `${more > 0 ? 'thicker' : 'looser'} by ${(100 * Math.abs(more)).toFixed(1)} % of solids`;
}

function saltEffect(is: CrockState, was: CrockState): string | null {
  const more = fractionOf(is.masses, 'salt') - fractionOf(was.masses, 'salt');
  return Math.abs(more) < FELT.salt ? null : more > 0 ? 'saltier' : 'less salty';
}

function massEffect(is: CrockState, was: CrockState): string | null {
  const [now, then] = [totalG(is.masses), totalG(was.masses)];
  if (then <= 0 || Math.abs(now / then - 1) < FELT.product) return null;
  return `${sayMass(Math.abs(now - then))} ${now < then ? 'less' : 'more'} of it`;
}

function timeEffect(nowMin: number, thenMin: number): string | null {
  const later = nowMin - thenMin;
  if (Math.abs(later) < FELT.restMin) return null;
  return `what follows takes ${sayDuration(Math.abs(later))} ${later > 0 ? 'longer' : 'less'}`;
}
