import type { Filling } from '@oat-crock/core';
import { tell, textList } from './said';
import { dayTime, mass } from './words';

/** How much of it was given and how much is here for it, in words, where it is known better than by mass. */
export interface Counts {
  readonly given?: string;
  readonly apart?: string;
  /** When what is missing is to be begun, ms. */
  readonly plannedMs?: number | null;
}

/** How far something wanted is met: "4 pots handed over, 2 pots here for it, 1 kg on its way"; empty where nothing is there for it. */
export function fillingWords({ deliveredG, fromStock, coming, missingG, isMet }: Filling, counts: Counts = {}): string {
  const apartG = fromStock.reduce((sum, s) => sum + s.massG, 0);
  const parts = [
    deliveredG > 0 ? tell('page.ui.filling.given', { count: counts.given || mass(deliveredG) }) : '',
    apartG > 0 ? tell('page.ui.filling.apart', { count: counts.apart || mass(apartG) }) : '',
    ...coming.map((c) => tell('page.ui.filling.coming', { mass: mass(c.massG), at: dayTime(c.readyMs) })),
  ].filter(Boolean);
  const missing = isMet || missingG <= 0 ? [] : [missingWords(mass(missingG), counts.plannedMs ?? null)];
  return parts.length + missing.length > 0 ? textList([...parts, ...missing], 'comma') : '';
}

const missingWords = (missing: string, plannedMs: number | null) =>
  plannedMs === null
    ? tell('page.ui.filling.missing', { mass: missing })
    : tell('page.ui.filling.planned', { mass: missing, at: dayTime(plannedMs) });
