import { sittingsOf, type PlannedPour, type Sitting } from '@oat-crock/contract/wire';
import { mass } from '../ui/words';

/** Hands of the plan that come next: a make to be begun, or the feeding of its culture before it. */
export interface PlanHand {
  readonly pour: PlannedPour;
  readonly is: 'begin' | 'feed';
  readonly atMs: number;
}

const MIN_MS = 60_000;

/** The visit that begins a planned make; null where it takes no hands. */
export const firstSitting = (pour: PlannedPour): Sitting | null =>
  sittingsOf(pour.hands.filter((h) => h.minutes > 0))[0] ?? null;

/** What these hands do, in a sentence of metric quantities. */
export function planHandSays({ pour, is }: PlanHand): string {
  if (is === 'begin') return firstSitting(pour)?.hands[0]?.says ?? 'Begin it.';
  const { starterG, milkG, tempC } = pour.feed!;
  return `Feed its culture: ${starterG.toFixed(0)} g into ${mass(milkG)} of scalded milk at ${tempC.toFixed(0)} °C.`;
}

/** So long ahead the hands of a plan stand among those of Today. */
const AHEAD_MS = 24 * 60 * MIN_MS;
const SHOWN = 4;

/** What of a plan comes next: what is to be begun, and what is to be fed for it. */
export function planHands(pours: readonly PlannedPour[], nowMs: number): readonly PlanHand[] {
  return pours
    .flatMap((pour): PlanHand[] => [
      { pour, is: 'begin', atMs: pour.startMs },
      ...(pour.feed ? [{ pour, is: 'feed' as const, atMs: pour.feed.beginMs }] : []),
    ])
    .filter(({ is, atMs }) => atMs < nowMs + AHEAD_MS && (is === 'begin' || atMs > nowMs - 60 * MIN_MS))
    .sort((a, b) => a.atMs - b.atMs)
    .slice(0, SHOWN);
}
