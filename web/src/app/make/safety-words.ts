import type { SafetyRecord } from '@oat-crock/core';
import { acidity, clockTime, span, temp, toFive } from '../ui/words';

/** One line of the safety record. */
export interface SafetyRow {
  readonly what: string;
  readonly says: string;
  readonly tone: 'good' | 'watch' | '';
}

const BY: Readonly<Record<string, string>> = { meter: 'by meter', strip: 'by strip' };

/** The safety record in words: heat, hours warm, acid or cooling. */
export function safetyRows(record: SafetyRecord, nowMs: number): readonly SafetyRow[] {
  return [heatRow(record), warmRow(record), ...guardRows(record, nowMs)];
}

function heatRow({ boughtPasteurised, peakC, pasteurised }: SafetyRecord): SafetyRow {
  if (pasteurised)
    return { what: 'Heat', says: `a listed pasteurisation or more, ${temp(peakC)} at its hottest`, tone: 'good' };
  if (boughtPasteurised)
    return { what: 'Heat', says: `pasteurised when it was bought; ${temp(peakC)} at its hottest here`, tone: 'good' };
  return { what: 'Heat', says: `raw, ${temp(peakC)} at its hottest; no listed pasteurisation`, tone: 'watch' };
}

function warmRow({ warmHours, warmHoursEnd, acid, cooling }: SafetyRecord): SafetyRow {
  const more = warmHoursEnd > warmHours + 0.05 ? `, ${span(60 * warmHoursEnd)} by its end` : '';
  const says = `${span(60 * warmHours)} between 5 and 57 °C above pH 4.6${more}`;
  return { what: 'Warm', says, tone: acid || cooling ? '' : 'good' };
}

function guardRows({ acid, cooling }: SafetyRecord, nowMs: number): SafetyRow[] {
  const rows: SafetyRow[] = [];
  if (acid) {
    const { byMs, measured } = acid;
    const course =
      byMs === null
        ? 'by its course it does not come to pH 4.6'
        : `by its course pH 4.6 ${byMs <= nowMs ? 'at' : 'by about'} ${clockTime(toFive(byMs), nowMs)}`;
    const read = measured
      ? `measured ${acidity(measured.ph)} ${BY[measured.by] ?? ''} at ${clockTime(measured.atMs, nowMs)}`
      : 'nobody has measured it';
    const guarded = measured !== null && measured.ph <= 4.6;
    rows.push({ what: 'Acid', says: `${course}; ${read}`, tone: guarded ? 'good' : byMs === null ? 'watch' : '' });
  }
  if (cooling) {
    const { toMiddleMin, toColdMin, sinceHotMin } = cooling;
    const middle =
      toMiddleMin === null ? `${span(sinceHotMin)} so far, not yet at 21 °C` : `to 21 °C in ${span(toMiddleMin)}`;
    const cold = toColdMin === null ? '' : `, to 5 °C in ${span(toColdMin)}`;
    const late = (toMiddleMin ?? sinceHotMin) > 120 || (toColdMin ?? 0) > 360;
    rows.push({
      what: 'Cooling',
      says: `${middle}${cold}; the limits are two hours, then four more`,
      tone: late ? 'watch' : 'good',
    });
  }
  return rows;
}
