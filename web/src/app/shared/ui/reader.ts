import { computed, signal } from '@angular/core';
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

/** For whom the page speaks: the household's language, units and zone. What reads it follows when one is changed. */
export const reader = computed<Reader>(() => ({ ...spoken(), units: units(), zone: kitchenZone() }));
