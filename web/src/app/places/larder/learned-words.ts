import { heatLoss, type Learned, type LearnedKey, amount } from '@oat-crock/core';
import { quantity, tell } from '../../shared/ui/said';
import { degrees, temp } from '../../shared/ui/words';
import { sayDay, dayOf } from '../../shared/ui/days';

const SAY: Readonly<Record<LearnedKey, (value: number) => string>> = {
  lossWPerK: (v) => quantity(heatLoss(v)),
  holdsC: temp,
  powerW: (v) => tell('page.larder.learnedWords.w', { power: amount(Math.round(v / 10) * 10) }),
};

const SPREAD: Readonly<Record<LearnedKey, (sd: number) => string>> = {
  lossWPerK: (sd) => quantity(heatLoss(sd)),
  holdsC: (sd) => degrees(sd),
  powerW: (sd) => tell('page.larder.learnedWords.w', { power: amount(Math.round(sd / 10) * 10) }),
};

/** What was learned, with its spread and its day. */
export function learnedWords(key: LearnedKey, learned: Learned | undefined): string {
  if (!learned) return tell('page.larder.learnedWords.notMeasuredYet');
  const value = SAY[key](learned.value);
  const read = learned.sd === null ? value : `${value} ±${SPREAD[key](learned.sd)}`;
  return tell('page.larder.learnedWords.measured', { read, day: sayDay(dayOf(learned.atMs)) });
}
