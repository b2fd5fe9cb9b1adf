import type { CultureId } from '../constants/cultures.js';
import type { BoundStage } from './registry.js';

/** The culture that sours a make, or null where nothing does. */
export function cultureOf(stages: readonly BoundStage[]): CultureId | null {
  const sowing = stages.find((s) => s.params['culture'] !== undefined);
  return (sowing?.params['culture'] as CultureId | undefined) ?? null;
}
