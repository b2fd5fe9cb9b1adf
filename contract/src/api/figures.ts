import type { MakeFigures, MakeLine, ScoredGroup } from '@oat-crock/core';

/** A finished make with what it comes to, and the line of the culture that soured it; null where none is kept. */
export interface MadeFigures {
  readonly make: MakeLine;
  readonly line: string | null;
  readonly figures: Omit<MakeFigures, 'given'>;
}

/** What the makes of a method came to over time. */
export interface MethodFigures {
  /** Whose they are; null where nothing was made, or where some makes were asked for. */
  readonly methodId: string | null;
  /** Methods that have figures, those with most makes first. */
  readonly methods: readonly { readonly methodId: string; readonly makes: number }[];
  readonly makes: readonly MadeFigures[];
  /** How many finished makes have not been worked out yet: those come soon. */
  readonly waiting: number;
}

/** How often the forecasts held. */
export interface Scorecard {
  readonly windows: readonly ScoredGroup[];
  readonly waiting: number;
}
