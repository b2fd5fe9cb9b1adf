import { computed, signal } from '@angular/core';
import type { DatesIn } from '@oat-crock/contract/api';
import { METRIC, type Units } from '@oat-crock/core';
import type { Reader, Texts } from '@oat-crock/messages';
import { dequal } from 'dequal/lite';
import { FIRST_TEXTS } from './first-texts';
import { kitchenZone } from './zone';

const unitsInUse = signal<Units>(METRIC, { equal: dequal });

/** The household's units, for every number on every page. What reads them follows when they are changed. */
export const units = unitsInUse.asReadonly();

/** From now on the household measures in these. */
export function measureIn(wanted: Units): void {
  unitsInUse.set(wanted);
}

const spoken = signal<Pick<Reader, 'language' | 'texts'>>({ language: 'en-GB', texts: FIRST_TEXTS });

/** From now on the page speaks so: how numbers, dates and plurals go, and the texts of the language. */
export function speakIn(language: string, texts: Texts): void {
  spoken.set({ language, texts });
}

const wayInUse = signal<DatesIn>('en-GB');

/** From now on dates and clock times are written so: the day first, the month first, or as the browser has it. */
export function datesIn(way: DatesIn): void {
  wayInUse.set(way);
}

/** The tag of the language spoken, as it is where dates are written so: undefined for that of the browser. */
export const datesTag = computed(() => {
  const way = wayInUse();
  if (way === '') return undefined;
  const { language } = spoken();
  return way === 'en-US' ? `${language.split('-')[0]}-US` : language;
});

const halfDays = computed(
  () => new Intl.DateTimeFormat(datesTag(), { hour: 'numeric' }).resolvedOptions().hour12 === true,
);

/** For whom the page speaks: the household's language, units and zone. What reads it follows when one is changed. */
export const reader = computed<Reader>(() => ({
  ...spoken(),
  units: units(),
  zone: kitchenZone(),
  halfDays: halfDays(),
}));
