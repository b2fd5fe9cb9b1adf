import { type Learned, type LearnedKey } from '@oat-crock/core';
import { textOf } from '../ui/units';
import { degrees, temp } from '../ui/words';
import { sayDay, dayOf } from './days';

const SAY: Readonly<Record<LearnedKey, (value: number) => string>> = {
  lossWPerK: (v) => textOf(`${v.toFixed(2)} W per °C`),
  holdsC: temp,
  powerW: (v) => `${Math.round(v / 10) * 10} W`,
};

const SPREAD: Readonly<Record<LearnedKey, (sd: number) => string>> = {
  lossWPerK: (sd) => textOf(`${sd.toFixed(2)} W per °C`),
  holdsC: (sd) => degrees(sd),
  powerW: (sd) => `${Math.round(sd / 10) * 10} W`,
};

/** What was learned, with its spread and its day. */
export function learnedWords(key: LearnedKey, learned: Learned | undefined): string {
  if (!learned) return 'not measured yet';
  const spread = learned.sd === null ? '' : ` ±${SPREAD[key](learned.sd)}`;
  return `${SAY[key](learned.value)}${spread}, measured ${sayDay(dayOf(learned.atMs))}`;
}
