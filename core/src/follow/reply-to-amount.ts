import { say } from '../messages/message.js';
import { mass, moment, percent, type SimpleQuantity } from '../messages/quantity.js';
import type { Addition, Weighed } from '../stages/told.js';
import type { Gauge } from '../stages/watch.js';
import { totalG } from '../materials/composition.js';
import { firstOf, lastOf } from '../make/run.js';
import { plannedRun } from './panel.js';
import { good, watch, type Heard, type Replied } from './reply.js';

/** Within this share of what was reckoned a weight is as reckoned; from there up to "more than that" it is all in. */
const AS_RECKONED = 0.08;

/** Whey or buttermilk in the bowl, against all that is to run off. */
export function replyToRunOff(massG: number, { at, here }: Heard, readyMs: number | null): Replied | null {
  const { kind } = at.stage;
  if (!kind.drainage && !kind.runsOff) return null;
  const all = totalG(lastOf(at.run).whey);
  if (all <= 0) return null;
  const share = massG / all;
  const of = { of: mass(all), pct: percent(100 * Math.min(1, share), 0) };
  if (share > 1 + AS_RECKONED) return watch(say('reply.amount.runOffOver', of));
  if (share >= 1 - AS_RECKONED / 2) return good(say('reply.amount.runOffAll', of));
  if (readyMs !== null && at.status === 'now') {
    return good(say('reply.amount.runOffUntil', { ...of, at: moment(readyMs, 'day and time') }));
  }
  return good(say('reply.amount.runOff', { ...of, now: mass(totalG(here.whey)) }));
}

/** Grains lifted out, or what is taken off and put by. */
export function replyToWeighed(what: Weighed, massG: number, { at, context }: Heard): Replied | null {
  const end = lastOf(plannedRun(at, context));
  const reckonedG =
    what === 'asideG' ? totalG(end.aside) - totalG(at.before.aside) : totalG(end.heldBack) - totalG(at.before.heldBack);
  return reckonedG <= 0 ? null : against(massG, reckonedG);
}

function against(massG: number, reckonedG: number): Replied {
  const off = massG / reckonedG - 1;
  const of = { of: mass(reckonedG) };
  if (Math.abs(off) <= AS_RECKONED) return good(say('reply.amount.asReckoned', of));
  const by = { ...of, pct: percent(100 * Math.abs(off), 0) };
  return good(say(off > 0 ? 'reply.amount.more' : 'reply.amount.less', by));
}

/** What was put in by hand: how much is in by now, of how much. */
export function replyToAdded(what: Addition, massG: number, heard: Heard, gauges: readonly Gauge[]): Replied | null {
  const sum = heard.context.batch.added
    .filter((a) => a.what === what && a.atMs <= heard.atMs && a.atMs >= heard.at.beginMs - 1)
    .reduce((all, a) => all + a.massG, 0);
  const ask = heard.at.stage.kind
    .asks?.(heard.at.stage.params, firstOf(heard.at.run))
    .find((a) => 'what' in a && a.what === what);
  if (ask?.asks !== 'added') return null;
  const planned = plannedG(what, heard, gauges, ask.partG);
  if (planned === null || planned <= 0) return good(say('reply.amount.noted'));
  const gPerMl = ask.gPerMl ?? 1;
  const shown = (g: number): SimpleQuantity => (ask.gPerMl ? { ml: g / gPerMl } : mass(g));
  const values = { now: shown(sum), of: shown(planned), left: shown(Math.max(0, planned - sum)) };
  const share = sum / planned;
  if (share < 1 - AS_RECKONED) return good(say('reply.amount.partIn', values));
  if (share <= 1 + AS_RECKONED) return good(say('reply.amount.allIn', values));
  return watch(say(what === 'acid' ? 'reply.amount.acidOver' : 'reply.amount.addedOver', values));
}

/** All that was to go in, g: acid as dosed; of what goes in once, that. */
function plannedG(what: Addition, { at }: Heard, gauges: readonly Gauge[], partG: number): number | null {
  if (what === 'acid') return firstOf(at.run).curd.acidifying?.massG ?? null;
  if (what === 'water') return null;
  const salt = gauges.find((g) => g.unit === 'g' && typeof g.planned === 'number');
  return what === 'salt' && salt ? (salt.planned as number) : partG;
}
