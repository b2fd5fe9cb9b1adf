import type { Learned, LearnedKey } from '@oat-crock/core';
import { sayDay, dayOf } from './days';

const SAY: Readonly<Record<LearnedKey, (value: number) => string>> = {
  lossWPerK: (v) => `${v.toFixed(2)} W per °C`,
  holdsC: (v) => `${v.toFixed(1)} °C`,
  powerW: (v) => `${Math.round(v / 10) * 10} W`,
};

const SPREAD: Readonly<Record<LearnedKey, (sd: number) => string>> = {
  lossWPerK: (sd) => sd.toFixed(2),
  holdsC: (sd) => sd.toFixed(1),
  powerW: (sd) => String(Math.round(sd / 10) * 10),
};

/** What was learned, with its spread and its day. */
export function learnedWords(key: LearnedKey, learned: Learned | undefined): string {
  if (!learned) return 'not measured yet';
  const spread = learned.sd === null ? '' : ` ± ${SPREAD[key](learned.sd)}`;
  return `${SAY[key](learned.value)}${spread}, measured ${sayDay(dayOf(learned.atMs))}`;
}
