import { LINES, VITALITY_LOSS, type CultureId, type StarterForm, type StarterStore } from '../constants/cultures.js';

/** A starter as it is taken from its store. */
export interface Starter {
  readonly form: StarterForm;
  readonly ageDays: number;
  readonly store: StarterStore;
  /** Temperature of the store, °C, where it is known; else the store's usual one. */
  readonly tempC?: number | undefined;
  /** Makes it has been carried through since the culture was bought; 0 when left out. */
  readonly generation?: number | undefined;
}

/** Share (0–1) of a fresh starter's activity that is left after its time in store and its generations. */
export function vitality(starter: Starter, culture: CultureId = 'thermophilic'): number {
  const loss = VITALITY_LOSS[starter.form][starter.store];
  const faster = loss.q10 ** (((starter.tempC ?? loss.usualC) - loss.usualC) / 10);
  const kept = 10 ** -(loss.atOnce + loss.perDay * faster * starter.ageDays);
  return kept * (1 - LINES[culture].lossPerGeneration) ** (starter.generation ?? 0);
}

/** Under these shares of fresh activity a starter wants a bigger dose, or is given up. */
export const TIRED = 0.5;
export const SPENT = 0.1;

/** What to do about a starter's vigour, in a sentence or two. */
export function starterAdvice(starter: Starter, culture: CultureId = 'thermophilic'): string {
  const left = vitality(starter, culture);
  const { generations } = LINES[culture];
  const said = [
    left < SPENT
      ? 'Too little is left in it to trust: start from a fresh culture.'
      : left < TIRED
        ? `It is tired: take ${(1 / left).toFixed(1)} times the dose, or feed it once in a little milk first.`
        : 'Good for the next make.',
  ];
  if (generations !== null && (starter.generation ?? 0) >= generations) {
    said.push(`After ${generations} generations its strains have drifted, sourer and slower: begin a new line.`);
  }
  return said.join(' ');
}
