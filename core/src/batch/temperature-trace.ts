/** A measured temperature at a moment. */
export interface TemperatureReading {
  readonly atMs: number;
  readonly tempC: number;
}

/** Readings further apart than this are a gap, not a line, min. */
const LONGEST_GAP_MIN = 25;

/**
 * Temperature as measured, linear between readings; null before the first, after the last and across gaps.
 * Readings of one moment count by their mean.
 */
export function temperatureTrace(readings: readonly TemperatureReading[]): (atMs: number) => number | null {
  const points = merge([...readings].sort((a, b) => a.atMs - b.atMs));
  return (atMs) => {
    if (points.length === 0 || atMs < points[0]!.atMs) return null;
    let low = 0;
    let high = points.length - 1;
    if (atMs > points[high]!.atMs) return null;
    while (high - low > 1) {
      const mid = (low + high) >> 1;
      if (points[mid]!.atMs <= atMs) low = mid;
      else high = mid;
    }
    const a = points[low]!;
    const b = points[high]!;
    if (atMs === a.atMs) return a.tempC;
    if (atMs === b.atMs) return b.tempC;
    if (b.atMs - a.atMs > LONGEST_GAP_MIN * 60_000) return null;
    return a.tempC + ((b.tempC - a.tempC) * (atMs - a.atMs)) / (b.atMs - a.atMs);
  };
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
  return merged;
}
