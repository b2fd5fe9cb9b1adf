import { between, listOf, temp as tempOf, type SafetyRecord } from '@oat-crock/core';
import { acidity, clockTime, span, temp, toFive } from '../ui/words';
import { tell } from '../ui/said';

/** One line of the safety record. */
export interface SafetyRow {
  readonly what: string;
  readonly says: string;
  readonly tone: 'good' | 'watch' | '';
}

/** The safety record in words: heat, hours warm, acid or cooling. */
export function safetyRows(record: SafetyRecord, nowMs: number): readonly SafetyRow[] {
  return [heatRow(record), warmRow(record), ...guardRows(record, nowMs)];
}

function heatRow({ boughtPasteurised, peakC, pasteurised }: SafetyRecord): SafetyRow {
  if (pasteurised)
    return {
      what: tell('page.make.safetyWords.heat'),
      says: tell('page.make.safetyWords.listedPasteurisationMoreHottest', { peak: temp(peakC) }),
      tone: 'good',
    };
  if (boughtPasteurised)
    return {
      what: tell('page.make.safetyWords.heat'),
      says: tell('page.make.safetyWords.pasteurisedWhenBoughtHottest', { peak: temp(peakC) }),
      tone: 'good',
    };
  return {
    what: tell('page.make.safetyWords.heat'),
    says: tell('page.make.safetyWords.rawHottestNoListed', { peak: temp(peakC) }),
    tone: 'watch',
  };
}

function warmRow({ warmHours, warmHoursEnd, acid, cooling }: SafetyRecord): SafetyRow {
  const range = between(tempOf(5), tempOf(57));
  const warm = span(60 * warmHours);
  const says =
    warmHoursEnd > warmHours + 0.05
      ? tell('page.make.safetyWords.warmByItsEnd', { warm, range, byEnd: span(60 * warmHoursEnd) })
      : tell('page.make.safetyWords.warm', { warm, range });
  return { what: tell('page.make.safetyWords.warm2'), says, tone: acid || cooling ? '' : 'good' };
}

function guardRows({ acid, cooling }: SafetyRecord, nowMs: number): SafetyRow[] {
  const rows: SafetyRow[] = [];
  if (acid) {
    const { byMs, measured } = acid;
    const course =
      byMs === null
        ? tell('page.make.safetyWords.neverSour')
        : byMs <= nowMs
          ? tell('page.make.safetyWords.sourSince', { at: clockTime(toFive(byMs), nowMs) })
          : tell('page.make.safetyWords.sourBy', { at: clockTime(toFive(byMs), nowMs) });
    const read = measured
      ? tell('page.make.safetyWords.measured', {
          ph: acidity(measured.ph),
          by: measured.by,
          at: clockTime(measured.atMs, nowMs),
        })
      : tell('page.make.safetyWords.nobodyMeasured');
    const guarded = measured !== null && measured.ph <= 4.6;
    rows.push({
      what: tell('page.make.safetyWords.acid'),
      says: tell('page.make.safetyWords.acidLine', { course, read }),
      tone: guarded ? 'good' : byMs === null ? 'watch' : '',
    });
  }
  if (cooling) {
    const { toMiddleMin, toColdMin, sinceHotMin } = cooling;
    const middle =
      toMiddleMin === null
        ? tell('page.make.safetyWords.notYetMiddle', { soFar: span(sinceHotMin), temp: tempOf(21) })
        : tell('page.make.safetyWords.toMiddle', { temp: tempOf(21), in: span(toMiddleMin) });
    const cold =
      toColdMin === null ? '' : tell('page.make.safetyWords.toCold', { temp: tempOf(5), in: span(toColdMin) });
    const late = (toMiddleMin ?? sinceHotMin) > 120 || (toColdMin ?? 0) > 360;
    rows.push({
      what: tell('page.make.safetyWords.cooling2'),
      says: tell('page.make.safetyWords.cooling', { course: listOf([middle, ...(cold ? [cold] : [])], 'comma') }),
      tone: late ? 'watch' : 'good',
    });
  }
  return rows;
}
