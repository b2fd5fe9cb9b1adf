import { dayWord, noonOf as noonIn } from '@oat-crock/calendar';
import { written } from './dates';
import { kitchenZone } from './zone';

/** The day of the household's calendar that a moment (ms) falls on: "2026-05-02". */
export const dayOf = (atMs: number): string => dayWord(atMs, kitchenZone());

/** Noon of a day of the household's calendar, ms. */
export const noonOf = (day: string): number => noonIn(day, kitchenZone());

/** A day as it is said: "Wed 6 May". */
export const sayDay = (day: string): string => written(noonOf(day), 'day');
