import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { monotonicFactory } from 'ulid';
import { ClockActions, clockFeature, kitchenMsAt } from './clock.feature';
import { deviceNowMs } from '../engine/device';

const TICK_MS = 500;
/** A tick that comes so much sooner or later than it should: this device slept, or its clock was set. */
const JUMP_MS = 5_000;

/** The kitchen's time as the page shows it; every screen, forecast, alert and logged line goes by this. */
@Injectable({ providedIn: 'root' })
export class KitchenClock {
  private readonly store = inject(Store);
  private readonly state = this.store.selectSignal(clockFeature.selectClockState);
  private readonly deviceMs = signal(deviceNowMs());
  private readonly nextId = monotonicFactory();

  /** Now by the kitchen's clock, ms; follows twice a second. */
  readonly nowMs = computed(() => kitchenMsAt(this.state(), this.deviceMs()));

  readonly rate = computed(() => this.state().clock?.rate ?? 1);
  readonly adjustable = computed(() => this.state().clock?.adjustable ?? false);
  /** How far this device's clock is ahead of the server's, ms; 0 until it was measured. */
  readonly deviceAheadMs = computed(() => this.state().aheadMs);

  constructor() {
    setInterval(() => this.tick(deviceNowMs()), TICK_MS);
  }

  /** Now, exactly. */
  exactMs(): number {
    return Math.round(kitchenMsAt(this.state(), deviceNowMs()));
  }

  /** What it showed when this device's clock showed a moment, ms. */
  atDevice(deviceMs: number): number {
    return kitchenMsAt(this.state(), deviceMs);
  }

  /** A new id (ULID) of the kitchen's present, later than all before; of a moment `atLeastMs` where that is later still. */
  newId(atLeastMs = 0): string {
    return this.nextId(Math.max(this.exactMs(), atLeastMs));
  }

  private tick(nowMs: number): void {
    if (Math.abs(nowMs - this.deviceMs() - TICK_MS) > JUMP_MS) this.store.dispatch(ClockActions.deviceJumped());
    this.deviceMs.set(nowMs);
  }
}
