import type { Batch } from '@oat-crock/core';
import { lotCodeIn } from '@oat-crock/calendar';
import { kitchenZone } from './zone';

/** The lot of a make, as the household's days go. */
export const lotCode = (batch: Pick<Batch, 'startedMs' | 'id'>): string => lotCodeIn(batch, kitchenZone());
