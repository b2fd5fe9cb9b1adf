import { PMO_PAIRS, PMO_RICH_RISE_C } from '../constants/pasteurisation.js';
import { say, type Message } from '../messages/message.js';
import { amount, duration, temp } from '../messages/quantity.js';
import { alongTrace, type TracePoint } from './denaturation.js';

/**
 * Seconds at one temperature that are a legal pasteurisation: those of the listed pairs, between two of them log-linear in
 * temperature, beyond the hottest as long as that one. Infinity below the coolest: colder milk is never pasteurised,
 * however long it is kept.
 *
 * @param tempC °C
 * @param rich milk of 10 % fat or more, or sweetened: every pair 3 °C higher
 */
function secondsNeeded(tempC: number, rich: boolean): number {
  const t = tempC - (rich ? PMO_RICH_RISE_C : 0);
  const at = PMO_PAIRS.findLastIndex((pair) => t >= pair.tempC);
  if (at < 0) return Infinity;
  const pair = PMO_PAIRS[at]!;
  const hotter = PMO_PAIRS[at + 1];
  if (!hotter) return pair.seconds;
  return pair.seconds * (hotter.seconds / pair.seconds) ** ((t - pair.tempC) / (hotter.tempC - pair.tempC));
}

/**
 * Share of a legal pasteurisation that a short time at one temperature is worth: 1 is a whole one. Hotter never counts
 * for less, and nothing counts below the coolest listed pair. For the record only, never a certificate.
 *
 * @param tempC °C
 * @param minutes time at it
 * @param rich milk of 10 % fat or more, or sweetened: every pair 3 °C higher
 */
export function pasteurisationShare(tempC: number, minutes: number, rich = false): number {
  return (minutes * 60) / secondsNeeded(tempC, rich);
}

/** Share of a pasteurisation along a whole trace (1 = met), with the pair that its hottest part answers to. */
export function pasteurisationAlong(
  trace: readonly TracePoint[],
  rich = false,
): { readonly share: number; readonly pair: Message } {
  let share = 0;
  let hottestC = -Infinity;
  alongTrace(trace, (tempC, minutes) => {
    share += pasteurisationShare(tempC, minutes, rich);
    hottestC = Math.max(hottestC, tempC);
  });
  return { share, pair: nearestPair(hottestC, rich) };
}

/** The legal pair a peak temperature answers to, in words. */
export function nearestPair(peakC: number, rich = false): Message {
  const rise = rich ? PMO_RICH_RISE_C : 0;
  const { tempC, seconds } = PMO_PAIRS.findLast((p) => peakC >= p.tempC + rise) ?? PMO_PAIRS[0];
  const hot = temp(tempC + rise);
  return seconds < 60
    ? say('physics.pasteurisation.forSeconds', { temp: hot, seconds: amount(seconds) })
    : say('physics.pasteurisation.forMinutes', { temp: hot, time: duration(seconds / 60) });
}
