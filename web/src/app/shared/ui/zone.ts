import type { Zone } from '@oat-crock/calendar';
import { signal } from '@angular/core';

const zone = signal<Zone>('UTC');

/** The time zone of the household: what is shown and picked goes by it, whatever zone this device is in. */
export const kitchenZone = zone.asReadonly();

/** From now on hours and days are those of this zone. */
export function clocksIn(name: Zone): void {
  zone.set(name);
}
