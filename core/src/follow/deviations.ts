import { say, type Text } from '../messages/message.js';
import { acidity, amount, duration, mass, percent, temp } from '../messages/quantity.js';
import { unmeasured, type Environment } from '../environment/environment.js';
import { lastOf, runStage } from '../make/run.js';
import type { BoundStage } from '../stages/registry.js';
import { fractionOf, solidsFraction, totalG } from '../materials/composition.js';
import { firmness, type CrockState } from '../state/crock-state.js';
import { plannedRun, type Context } from './panel.js';
import type { TimelineStage } from './timeline.js';

/** Where a make went otherwise than planned, and what that does to its end. */
export interface Deviation {
  readonly stageId: string;
  /** What was otherwise: "Hold: 9 min instead of 15 min". */
  readonly says: Text;
  /** What it changes in the end; empty where nobody would notice. */
  readonly effects: readonly Text[];
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
    const name = at.stage.kind.name(at.stage.params);
    const says = say('follow.deviations.was', { name, was: words ?? say('follow.deviations.notPlanned') });
    return [{ stageId: at.stage.id, says, effects }];
  });
}

/** The crock when everything that is still to come has been done as planned. */
export function restFrom(stages: readonly BoundStage[], from: CrockState, environment: Environment): CrockState {
  let state = from;
  for (const stage of stages) state = lastOf(runStage(stage, state, environment));
  return state;
}

/** What decides the end of a stage, as it was against as it was to be; null where they are as good as the same. */
function otherwise({ stage, asPlanned, before }: TimelineStage, is: CrockState, was: CrockState): Text | null {
  const { endsBy } = stage.kind;
  if (endsBy === 'temperature' && Math.abs(is.tempC - was.tempC) >= NOTABLE.tempC) {
    return say('follow.deviations.insteadOf', { temp: temp(is.tempC), temp2: temp(was.tempC) });
  }
  if (endsBy === 'acidity' && Math.abs(is.ph - was.ph) >= NOTABLE.ph) {
    return say('follow.deviations.phInstead', { ph: acidity(is.ph), ph2: amount(was.ph, 2) });
  }
  const solids = [solidsFraction(is.masses), solidsFraction(was.masses)] as const;
  if (endsBy === 'solids' && Math.abs(solids[0] - solids[1]) >= NOTABLE.solids) {
    return say('follow.deviations.solidsInstead', {
      solids: percent(100 * solids[0], 1),
      solids2: percent(100 * solids[1], 1),
    });
  }
  if (stage.params !== asPlanned.params && Math.abs(is.ph - was.ph) >= NOTABLE.ph) {
    return say('follow.deviations.phInstead2', { ph: acidity(is.ph), ph2: amount(was.ph, 2) });
  }
  if (endsBy !== 'clock' || stage.kind.chart === undefined) return null;
  const took = is.minute - before.minute;
  const meant = was.minute - before.minute;
  if (Math.abs(took - meant) < Math.max(NOTABLE.min, NOTABLE.share * meant)) return null;
  return say('follow.deviations.insteadOf2', { took: duration(took), meant: duration(meant) });
}

/** What the end of the make has of it, in words, the gravest first. */
export function effectsOf(is: CrockState, was: CrockState, endIs: CrockState, endWas: CrockState): readonly Text[] {
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

function unsafeEffect(is: CrockState, was: CrockState): Text | null {
  return was.pasteurisedShare >= 1 && is.pasteurisedShare < 1 ? say('follow.deviations.notPasteurised') : null;
}

function firmnessEffect(is: CrockState, was: CrockState): Text | null {
  const [now, then] = [firmness(is), firmness(was)];
  if (then < A_GEL || Math.abs(now / then - 1) < FELT.firmness) return null;
  const by = percent(100 * Math.abs(now / then - 1), 0);
  return say(now < then ? 'follow.deviations.softer' : 'follow.deviations.firmer', { by });
}

function sournessEffect(is: CrockState, was: CrockState): Text | null {
  if (Math.abs(is.ph - was.ph) < FELT.ph) return null;
  const phs = { is: acidity(is.ph), was: acidity(was.ph) };
  return say(is.ph < was.ph ? 'follow.deviations.sharper' : 'follow.deviations.milder', phs);
}

function solidsEffect(is: CrockState, was: CrockState): Text | null {
  const more = solidsFraction(is.masses) - solidsFraction(was.masses);
  if (Math.abs(more) < FELT.solids) return null;
  const by = percent(100 * Math.abs(more), 1);
  return say(more > 0 ? 'follow.deviations.thicker' : 'follow.deviations.looser', { by });
}

function saltEffect(is: CrockState, was: CrockState): Text | null {
  const more = fractionOf(is.masses, 'salt') - fractionOf(was.masses, 'salt');
  return Math.abs(more) < FELT.salt
    ? null
    : more > 0
      ? say('follow.deviations.saltier')
      : say('follow.deviations.lessSalty');
}

function massEffect(is: CrockState, was: CrockState): Text | null {
  const [now, then] = [totalG(is.masses), totalG(was.masses)];
  if (then <= 0 || Math.abs(now / then - 1) < FELT.product) return null;
  const by = mass(Math.abs(now - then));
  return say(now < then ? 'follow.deviations.lessOfIt' : 'follow.deviations.moreOfIt', { by });
}

function timeEffect(nowMin: number, thenMin: number): Text | null {
  const later = nowMin - thenMin;
  if (Math.abs(later) < FELT.restMin) return null;
  const by = duration(Math.abs(later));
  return say(later > 0 ? 'follow.deviations.takesLonger' : 'follow.deviations.takesLess', { by });
}
