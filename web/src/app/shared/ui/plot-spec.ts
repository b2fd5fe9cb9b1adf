/** One line of a plot; `axis` says whose scale it is on. */
export interface PlotLine {
  readonly points: readonly (readonly [number, number])[];
  readonly look: 'plan' | 'fact' | 'warm' | 'whey' | 'second' | 'third' | 'limit';
  readonly axis?: 'left' | 'right';
  readonly label?: string;
}

/** A band between two lines: [x, low, high]. */
export interface PlotBand {
  readonly points: readonly (readonly [number, number, number])[];
  readonly look: 'likely' | 'whey';
}

/** Something read or seen. */
export interface PlotDot {
  readonly x: number;
  readonly y: number;
  readonly look: 'read' | 'doubtful' | 'cue';
  readonly title: string;
}

/** A level across the plot, with its name. */
export interface PlotRule {
  readonly y: number;
  readonly text: string;
  readonly look: 'target' | 'guard';
}

/** A stretch of time shaded from P10 to P90. */
export interface PlotWindow {
  readonly from: number;
  readonly likely: number;
  readonly until: number;
}

export interface PlotAxis {
  readonly from: number;
  readonly to: number;
  readonly unit: string;
}

/** Everything a plot draws. x is a moment (ms), or hours from the start. */
export interface PlotSpec {
  readonly words: string;
  readonly x: { readonly from: number; readonly to: number; readonly kind: 'moment' | 'hours' };
  readonly left: PlotAxis;
  readonly right?: PlotAxis;
  readonly lines: readonly PlotLine[];
  readonly bands?: readonly PlotBand[];
  readonly dots?: readonly PlotDot[];
  readonly rules?: readonly PlotRule[];
  readonly windows?: readonly PlotWindow[];
  readonly now?: number;
}
