import type { Zone } from '@oat-crock/calendar';
import type { Entry, StockLot } from '@oat-crock/core';
import { playWithCultures, type PlayedMakes } from './cultures.js';
import { demoScripts, FOR_SCHOOL, SCHOOL_AGES_H } from './dairy.js';

const HOUR_MS = 3_600_000;
/** The school's make has been on the cloth for so long, h: there is whey to be seen, and it is not done. */
const ON_CLOTH_H = { least: 3, most: 11 } as const;

/** What the demonstration has made by a moment, whatever hour it is: some done, one on the cloth, one souring. */
export function demoMakes(nowMs: number, milk: StockLot, zone: Zone, roomAt: (ms: number) => number): PlayedMakes {
  let played: PlayedMakes | null = null;
  for (const ageH of SCHOOL_AGES_H) {
    played = playWithCultures(demoScripts(nowMs, milk, zone, ageH), nowMs, roomAt);
    if (played.logs.some((log) => isOnCloth(log, nowMs))) return played;
  }
  return played!;
}

/** Whether a log is that of the school's make, tied up in its cloth some hours ago. */
export function isOnCloth(log: readonly Entry[], nowMs: number): boolean {
  const [first] = log;
  if (first?.body.type !== 'started' || first.body.name !== FOR_SCHOOL) return false;
  const step = log.findLast((e) => e.body.type === 'step');
  if (step?.body.type !== 'step' || step.body.stageId !== 'strain') return false;
  const hours = (nowMs - step.atMs) / HOUR_MS;
  return hours >= ON_CLOTH_H.least && hours <= ON_CLOTH_H.most;
}
