/** The kitchen's clock: at moment `realMs` of the server's own clock it showed `kitchenMs`, and it runs at `rate` since. */
export interface ClockReading {
  readonly rate: number;
  readonly realMs: number;
  readonly kitchenMs: number;
  /** True where the clock may be set to run faster (the demonstration). */
  readonly adjustable: boolean;
}

export const CLOCK_RATES = [1, 60, 600] as const;

/** What the clock shows at a moment of the server's own clock. */
export function kitchenTime(clock: ClockReading, realNowMs: number): number {
  return clock.kitchenMs + (realNowMs - clock.realMs) * clock.rate;
}
