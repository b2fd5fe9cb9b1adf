/** A measured temperature at a moment. */
export interface TemperatureReading {
  readonly atMs: number;
  readonly tempC: number;
}

/** Readings further apart than this are each for themselves, min: between nearer ones lies a straight line. */
const LONGEST_GAP_MIN = 25;

/**
 * What was measured between two moments (ms, both included): the line between near readings as far as the later moment,
 * else the last reading there was, else null. Readings of one moment count by their mean.
 */
export function temperatureTrace(
  readings: readonly TemperatureReading[],
): (fromMs: number, toMs: number) => TemperatureReading | null {
  const points = merge([...readings].sort((a, b) => a.atMs - b.atMs));
  return (fromMs, toMs) => {
    const next = firstAfter(points, toMs);
    const before = points[next - 1];
    if (!before) return null;
    const after = points[next];
    if (after && after.atMs - before.atMs <= LONGEST_GAP_MIN * 60_000) {
      const share = (toMs - before.atMs) / (after.atMs - before.atMs);
      return { atMs: toMs, tempC: before.tempC + (after.tempC - before.tempC) * share };
    }
    return before.atMs >= fromMs ? before : null;
  };
}

/** Index of the first point later than a moment. */
function firstAfter(points: readonly TemperatureReading[], atMs: number): number {
  let low = 0;
  let high = points.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (points[mid]!.atMs <= atMs) low = mid + 1;
    else high = mid;
  }
  return low;
}

function merge(sorted: readonly TemperatureReading[]): TemperatureReading[] {
  const merged: { atMs: number; tempC: number; count: number }[] = [];
  for (const reading of sorted) {
    const last = merged[merged.length - 1];
    if (last && last.atMs === reading.atMs) {
      last.tempC = (last.tempC * last.count + reading.tempC) / (last.count + 1);
      last.count++;
    } else merged.push({ ...reading, count: 1 });
  }
  return merged.map(({ atMs, tempC }) => ({ atMs, tempC }));
}
