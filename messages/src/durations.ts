import type { Reader } from './reader.js';
import { textOf } from './text.js';

const DAYS_FROM_H = 72;
/** From here on a duration is said to ten minutes. */
const TENS_FROM_MIN = 600;

/** A duration: "35 min", "3 h 20", "4 days". */
export function durationOf(minutes: number, reader: Reader): string {
  const whole = Math.round(minutes);
  if (Math.abs(whole) < 60) return `${whole} min`;
  const rounded = whole >= TENS_FROM_MIN ? Math.round(whole / 10) * 10 : whole;
  const hours = Math.trunc(rounded / 60);
  const rest = Math.abs(rounded % 60);
  if (hours >= DAYS_FROM_H) return textOf(reader, 'quantity.days', { count: Math.round(hours / 24) });
  return rest ? `${hours} h ${String(rest).padStart(2, '0')}` : `${hours} h`;
}
