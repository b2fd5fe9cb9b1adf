import { PASTEURISATION_Z_C, PMO_PAIRS, PMO_RICH_RISE_C } from '../constants/pasteurisation.js';
import { alongTrace, type TracePoint } from './denaturation.js';

/**
 * Share of a legal pasteurisation that a short time at one temperature is worth.
 *
 * At or above the temperature of a listed pair the pair's own seconds count; between pairs and below the lowest the
 * rate falls tenfold for each 6 °C (z). 1 is a whole pasteurisation. For the record only, never a certificate.
 *
 * @param tempC °C
 * @param minutes time at it
 * @param rich milk of 10 % fat or more, or sweetened: every pair 3 °C higher
 */
export function pasteurisationShare(tempC: number, minutes: number, rich = false): number {
  const rise = rich ? PMO_RICH_RISE_C : 0;
  const lowest = PMO_PAIRS[0];
  const pair = PMO_PAIRS.findLast((p) => tempC >= p.tempC + rise) ?? lowest;
  const rate = 10 ** ((tempC - pair.tempC - rise) / PASTEURISATION_Z_C) / pair.seconds;
  return rate * minutes * 60;
}

/** Share of a pasteurisation along a whole trace (1 = met), with the pair that its hottest part answers to. */
export function pasteurisationAlong(
  trace: readonly TracePoint[],
  rich = false,
): { readonly share: number; readonly pair: string } {
  let share = 0;
  let hottestC = -Infinity;
  alongTrace(trace, (tempC, minutes) => {
    share += pasteurisationShare(tempC, minutes, rich);
    hottestC = Math.max(hottestC, tempC);
  });
  return { share, pair: nearestPair(hottestC, rich) };
}

/** The legal pair a peak temperature answers to, in words. */
export function nearestPair(peakC: number, rich = false): string {
  const rise = rich ? PMO_RICH_RISE_C : 0;
  const pair = PMO_PAIRS.findLast((p) => peakC >= p.tempC + rise) ?? PMO_PAIRS[0];
  return rise ? pair.name.replace(/^\d+/, String(pair.tempC + rise)) : pair.name;
}
