import type { Batch } from '@oat-crock/core';
import { dayWord } from '@oat-crock/calendar';
import { kitchenZone } from './zone';

/** The lot of a make as it stands on its pots: the day it was begun, and four signs of its own: "261123-7QQ1". */
export function lotCode({ startedMs, id }: Pick<Batch, 'startedMs' | 'id'>): string {
  return `${dayWord(startedMs, kitchenZone()).slice(2).replaceAll('-', '')}-${id.slice(-4)}`;
}
