import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { kitchenTime } from '@oat-crock/contract/wire';
import { clockFeature } from '../state/clock.feature';

const TICK_MS = 500;

/** The kitchen's time as the page shows it; every screen, forecast and alert goes by this. */
@Injectable({ providedIn: 'root' })
export class KitchenClock {
  private readonly clock = inject(Store).selectSignal(clockFeature.selectClock);
  private readonly realMs = signal(Date.now());

  /** Now by the kitchen's clock, ms; follows twice a second. */
  readonly nowMs = computed(() => {
    const clock = this.clock();
    return clock ? kitchenTime(clock, this.realMs()) : this.realMs();
  });

  readonly rate = computed(() => this.clock()?.rate ?? 1);
  readonly adjustable = computed(() => this.clock()?.adjustable ?? false);

  constructor() {
    setInterval(() => this.realMs.set(Date.now()), TICK_MS);
  }

  /** Now, exactly. */
  exactMs(): number {
    const clock = this.clock();
    return Math.round(clock ? kitchenTime(clock, Date.now()) : Date.now());
  }
}
