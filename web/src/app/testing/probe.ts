import type { Instrument } from '@oat-crock/contract/api';

/** A pH probe that has read nothing yet, on the shelf unless said otherwise. */
export function probeOf(more: Partial<Instrument> = {}): Instrument {
  const unread = { lastMs: null, lastValue: null, sameSinceMs: null, impossible: null };
  const sound = { fault: null, faultSinceMs: null, calibratedMs: null };
  const here = { simulated: true, batchId: null, isPaused: false, check: null };
  return { id: 'p', name: 'pH probe', kind: 'ph-probe', quantity: 'ph', ...here, ...unread, ...sound, ...more };
}
