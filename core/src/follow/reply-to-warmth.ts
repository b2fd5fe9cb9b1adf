import { CULTURES, LETHAL_RISE_C } from '../constants/cultures.js';
import { listOf, say, type Text } from '../messages/message.js';
import { duration, percent, temp, tempBy } from '../messages/quantity.js';
import { unmeasured } from '../environment/environment.js';
import { finishStage, firstOf, lastOf } from '../make/run.js';
import { cardinalRate, deathRatePerMin } from '../physics/temperature-response.js';
import type { CrockState } from '../state/crock-state.js';
import { effectsOf, restFrom } from './deviations.js';
import { bad, good, watch, type Heard, type Replied } from './reply.js';

/** Degrees either side of what was wanted that are as wanted, and that nobody minds. */
const AS_WANTED_C = 0.5;
const NEAR_C = 1.5;
/** Further than this from what was planned it is likelier another crock or another stage than a warm place. */
const FAR_C = 15;
/** Share of its pace from which a culture is called slower or faster, and from which slower matters. */
const FELT_PACE = 0.08;
const SLOW_PACE = 0.75;

/** What a temperature means at that moment: to what is alive in the crock, to what is to go in, else to the end of the make. */
export function replyToWarmth(tempC: number, heard: Heard): Replied {
  const { at, here } = heard;
  if (here.souring && !here.souring.dead && at.stage.kind.endsBy === 'acidity') return toLiving(tempC, heard);
  if (at.stage.kind.endsBy === 'temperature') return toTarget(tempC, heard);
  return againstPlan(tempC, heard.planned.tempC, heard);
}

/** A culture at work: whether it lives, and how fast it goes at this. */
function toLiving(tempC: number, { here, planned }: Heard): Replied {
  const { growth, acid } = CULTURES[here.souring!.culture];
  const lives = { lives: temp(growth.maxC) };
  if (tempC >= growth.maxC + LETHAL_RISE_C) {
    const tenth = duration(Math.LN10 / deathRatePerMin(growth, tempC));
    return bad(say('reply.warmth.dies', { ...lives, opt: temp(growth.optC), tenth }));
  }
  if (tempC >= growth.maxC) {
    return watch(say('reply.warmth.stops', { ...lives, dies: temp(growth.maxC + LETHAL_RISE_C) }));
  }
  const by = tempC - planned.tempC;
  if (Math.abs(by) <= AS_WANTED_C) return good(say('reply.warmth.asPlanned'));
  const pace = cardinalRate(acid, tempC) / Math.max(1e-6, cardinalRate(acid, planned.tempC));
  if (by > 0) {
    const over = { by: tempBy(by, by < 2 ? 1 : 0), ...lives };
    if (Math.abs(pace - 1) < FELT_PACE) return good(say('reply.warmth.overNoMatter', over));
    const faster = { ...over, pct: percent(100 * Math.abs(pace - 1), 0) };
    return good(say(pace > 1 ? 'reply.warmth.overFaster' : 'reply.warmth.overSlower', faster));
  }
  const under = { by: tempBy(-by, -by < 2 ? 1 : 0) };
  if (cardinalRate(acid, tempC) === 0) return bad(say('reply.warmth.rests', { ...under, least: temp(acid.minC) }));
  if (pace > 1 - FELT_PACE) return good(say('reply.warmth.underNoMatter', under));
  const slower = { ...under, pct: percent(100 * (1 - pace), 0) };
  return pace >= SLOW_PACE
    ? good(say('reply.warmth.underSlower', slower))
    : watch(say('reply.warmth.underMuch', slower));
}

/** On the way to a temperature, there, or past it. */
function toTarget(tempC: number, heard: Heard): Replied {
  const { at } = heard;
  const targetC = at.stage.kind.target(at.stage.params);
  const warming = firstOf(at.run).tempC <= targetC;
  const left = warming ? targetC - tempC : tempC - targetC;
  if (!warming) {
    const next = livingNext(heard);
    if (next) return beforeStarter(tempC, targetC, next);
  }
  if (left > NEAR_C) return good(say('reply.warmth.toGo', { left: tempBy(left), target: temp(targetC) }));
  if (left >= -NEAR_C) return good(say('reply.warmth.there', { target: temp(targetC) }));
  return againstPlan(tempC, targetC, heard);
}

/** The culture that goes in before anything is warmed or cooled again, where one does. */
function livingNext({ later, here }: Heard) {
  if (here.souring) return null;
  const sown = later[0] ?? null;
  const culture = sown && lastOf(sown.run).souring?.culture;
  return culture ? CULTURES[culture] : null;
}

/** Cooled for the starter: whether it may go in at this. */
function beforeStarter(tempC: number, targetC: number, { growth, acid }: (typeof CULTURES)['plant']): Replied {
  const left = tempC - targetC;
  const values = { left: tempBy(left), target: temp(targetC), lives: temp(growth.maxC) };
  if (tempC >= growth.maxC) return good(say('reply.warmth.tooWarmForStarter', values));
  if (left > NEAR_C) return good(say('reply.warmth.starterBears', values));
  if (left >= -NEAR_C) return good(say('reply.warmth.starterIn'));
  const pace = cardinalRate(acid, tempC) / Math.max(1e-6, cardinalRate(acid, targetC));
  const under = { by: tempBy(-left), pct: percent(100 * Math.max(0, 1 - pace), 0), target: temp(targetC) };
  return pace > 1 - FELT_PACE
    ? good(say('reply.warmth.underNoMatter', { by: under.by }))
    : watch(say('reply.warmth.starterSlow', under));
}

/** Warmer or colder than planned: what the end of the make has of it, by the engine, the rest done as planned. */
function againstPlan(tempC: number, plannedC: number, heard: Heard): Replied {
  const by = tempC - plannedC;
  if (Math.abs(by) <= NEAR_C) return good(say('reply.warmth.asPlanned'));
  if (Math.abs(by) > FAR_C) return watch(say('reply.warmth.farOff', { planned: temp(plannedC) }));
  const off = { by: tempBy(Math.abs(by)) };
  const effects = effectsAt(heard, tempC, plannedC);
  if (effects.length === 0) return good(say(by > 0 ? 'reply.warmth.overUnfelt' : 'reply.warmth.underUnfelt', off));
  const felt = { ...off, effects: listOf(effects, 'comma') };
  return watch(say(by > 0 ? 'reply.warmth.overFelt' : 'reply.warmth.underFelt', felt));
}

function effectsAt({ at, later, here, context }: Heard, tempC: number, plannedC: number): readonly Text[] {
  const environment = unmeasured(context.environment);
  const stages = later.map((s) => s.stage);
  const from = (c: number): readonly [CrockState, CrockState] => {
    const begun = { stage: at.stage, states: [firstOf(at.run), { ...here, tempC: c }], finished: false };
    const done = lastOf(finishStage(begun, environment));
    return [done, restFrom(stages, done, environment)];
  };
  const [[is, endIs], [was, endWas]] = [from(tempC), from(plannedC)];
  return effectsOf(is, was, endIs, endWas);
}
