import { SAFE_PH } from '../constants/safety-limits.js';
import { say } from '../messages/message.js';
import { acidity, amount, moment } from '../messages/quantity.js';
import { isByClock } from '../stages/ending.js';
import type { ReadBy } from '../batch/entry.js';
import { good, watch, type Heard, type Replied } from './reply.js';

/** A difference of pH that a meter tells, and that a strip does. */
const TOLD: Readonly<Record<'meter' | 'strip', number>> = { meter: 0.08, strip: 0.3 };
/** Sharper than wanted by so much (pH), somebody tastes it. */
const SHARPER = 0.15;
/** Fresh milk lies no further than this under what is usual. */
const TURNING = 0.15;

/**
 * What a pH means at that moment.
 * @param readyMs when a souring is likely ready, where this is the newest line and it is known
 */
export function replyToAcidity(ph: number, by: ReadBy, heard: Heard, readyMs: number | null): Replied {
  const { at, here, planned } = heard;
  const told = TOLD[by === 'strip' ? 'strip' : 'meter'];
  if (at.stage.kind.endsBy === 'acidity') return whileSouring(ph, told, heard, readyMs);
  if (!here.souring && here.ph > here.freshPh - TURNING) {
    const turning = ph < here.freshPh - Math.max(TURNING, told);
    return turning
      ? watch(say('reply.acidity.turning', { fresh: acidity(here.freshPh, 1) }))
      : good(say('reply.acidity.sweet'));
  }
  const by_ = ph - planned.ph;
  if (Math.abs(by_) <= told) return good(say('reply.acidity.asReckoned', { ph: acidity(planned.ph) }));
  return good(
    say(by_ < 0 ? 'reply.acidity.sharper' : 'reply.acidity.milder', {
      by: amount(Math.abs(by_), 1),
      ph: acidity(planned.ph),
    }),
  );
}

function whileSouring(ph: number, told: number, { at }: Heard, readyMs: number | null): Replied {
  const target = at.stage.kind.target(at.stage.params);
  const left = { left: amount(ph - target, told > 0.1 ? 1 : 2) };
  if (ph > target + 0.005) {
    const safe = { ...left, safe: acidity(SAFE_PH) };
    if (readyMs === null) return good(say('reply.acidity.toGo', left));
    const ready = { ...left, at: moment(readyMs, 'day and time') };
    return good(say(guards(ph, told) ? 'reply.acidity.toGoSafe' : 'reply.acidity.toGoUntil', { ...safe, ...ready }));
  }
  if (isByClock(at.stage.params)) {
    const key = guards(ph, told) ? 'reply.acidity.guarded' : 'reply.acidity.nearly';
    return good(say(key, { safe: acidity(SAFE_PH) }));
  }
  if (ph < target - Math.max(SHARPER, told)) return watch(say('reply.acidity.past', { past: amount(target - ph, 1) }));
  return good(say('reply.acidity.there'));
}

/** Whether acid guards it: a strip tells too roughly to call so what lies close to the line. */
const guards = (ph: number, told: number) => ph + (told === TOLD.strip ? told : 0) <= SAFE_PH;
