import type { Batch } from '@oat-crock/core';
import { format } from 'date-fns';

/** The lot of a make as it stands on its pots: the day it was begun, and four signs of its own: "261123-7QQ1". */
export function lotCode({ startedMs, id }: Pick<Batch, 'startedMs' | 'id'>): string {
  return `${format(startedMs, 'yyMMdd')}-${id.slice(-4)}`;
}
