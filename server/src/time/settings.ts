import { daysOn, isZone, momentAt, wordOf, type Zone } from '@oat-crock/calendar';
import { CLOCK_RATES } from '@oat-crock/contract';

/** When a kitchen's clock starts, how fast it runs, and whose wall it hangs on. */
export interface TimeSettings {
  /** The moment (ms) at which a clock that can be set begins; null to go by the machine's. */
  readonly startMs: number | null;
  readonly rate: number;
  /** The zone of a household that has not chosen one. */
  readonly zone: Zone;
}

/** The demonstration always opens here, on a Tuesday afternoon in May: a crock is souring, a cloth is dripping, hands are near. */
export const DEMO_OPENS = '2026-05-05T14:20';
/** The fictional island keeps its clocks as they are all year round. */
export const DEMO_ZONE = 'UTC';

const LOCAL = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)$/;

/**
 * Reads `OAT_CROCK_START` (a local time, "2026-05-05T14:20"), `OAT_CROCK_RATE` and `OAT_CROCK_ZONE`.
 *
 * @throws RangeError that names the variable and what would be right
 */
export function timeSettings(
  environment: Readonly<Record<string, string | undefined>>,
  demo: boolean,
  machineZone: () => Zone,
): TimeSettings {
  const zone = environment['OAT_CROCK_ZONE'] ?? (demo ? DEMO_ZONE : machineZone());
  if (!isZone(zone))
    throw new RangeError(`OAT_CROCK_ZONE: there is no time zone "${zone}"; give one like Europe/Berlin`);
  const rate = Number(environment['OAT_CROCK_RATE'] ?? 1);
  if (!CLOCK_RATES.some((r) => r === rate)) {
    throw new RangeError(`OAT_CROCK_RATE: give one of ${CLOCK_RATES.join(', ')}`);
  }
  const start = environment['OAT_CROCK_START'] ?? (demo ? DEMO_OPENS : undefined);
  if (start === undefined) return { startMs: null, rate, zone };
  return { startMs: momentOf(start, zone), rate, zone };
}

function momentOf(start: string, zone: Zone): number {
  const [, year = 0, month = 0, day = 0, hour = 0, minute = 0] = (LOCAL.exec(start) ?? []).map(Number);
  const of = { year, month, day };
  if (wordOf(daysOn(of, 0)) !== wordOf(of) || year === 0 || hour > 23 || minute > 59) {
    throw new RangeError('OAT_CROCK_START: give a local time like 2026-05-05T14:20');
  }
  return momentAt(of, hour + minute / 60, zone);
}
