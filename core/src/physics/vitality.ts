import { VITALITY_LOSS, type StarterForm, type StarterStore } from '../constants/cultures.js';

/** A starter as it is taken from its store. */
export interface Starter {
  readonly form: StarterForm;
  readonly ageDays: number;
  readonly store: StarterStore;
}

/** Share (0–1) of a fresh starter's activity that is left after its time in store. */
export function vitality(starter: Starter): number {
  const loss = VITALITY_LOSS[starter.form][starter.store];
  return 10 ** -(loss.atOnce + loss.perDay * starter.ageDays);
}
