import { say, type Text } from '../messages/message.js';
import type { Environment } from '../environment/environment.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import type { CrockState } from '../state/crock-state.js';
import type { MeasureId } from './measures.js';
import type { Addition, Weighed } from './told.js';

/** Unit of a figure, as the engine has it; '' is a word or a bare count. */
export type GaugeUnit = '°C' | 'g' | 'mL' | 'min' | 'pH' | '%' | 'bar' | '';

/** A figure worth watching: what it should come to, and what it is. */
export interface Gauge {
  readonly what: Text;
  readonly unit: GaugeUnit;
  readonly planned: number | Text | null;
  readonly now: number | Text;
  /** What it means just now, where that is not plain. */
  readonly says?: Text;
  readonly tone?: 'good' | 'watch' | 'bad';
}

/** A stage as it goes: the crock when it began, as it is, and as this stage was planned to leave it. */
export interface Seen {
  readonly begun: CrockState;
  readonly here: CrockState;
  readonly planned: CrockState;
  readonly environment: Environment;
  /** The last answer to each thing that was looked at during it. */
  readonly looks: Readonly<Record<string, string>>;
  readonly over: boolean;
}

/** Something that can be put into numbers during a stage, besides temperature and pH. */
export type Ask =
  | { readonly asks: 'reading'; readonly quantity: 'wheyG' | Weighed; readonly label: Text }
  | {
      readonly asks: 'added';
      readonly what: Addition;
      readonly label: Text;
      /** What one part would be, g, as the next to be offered. */
      readonly partG: number;
      /** Density where it is measured by volume, g/mL; null where it is weighed. */
      readonly gPerMl: number | null;
    };

/** A way to go that the evidence calls for: what, why, and what taking it does. */
export interface Branch {
  readonly id: string;
  readonly offer: Text;
  readonly because: Text;
  /** What is looked at first stands first: what is wrong before what could be nicer. */
  readonly grave?: true;
  readonly does:
    | { readonly do: 'next' }
    | { readonly do: 'add'; readonly what: Addition; readonly massG: number }
    | { readonly do: 'leave'; readonly note: Text }
    | { readonly do: 'hold'; readonly reason: Text }
    | { readonly do: 'discard'; readonly reason: Text };
}

/** What a stage is drawn by: one measure on the left, perhaps one on the right, and a limit to keep under. */
export interface Chart {
  readonly left: MeasureId;
  readonly right?: MeasureId;
  readonly limit?: 'cooling';
}

/** Degrees either side of what was wanted that nobody minds. */
const NEAR_C = 1.5;

/** Temperature against what is wanted. */
export function warmthGauge({ here }: Seen, wantedC: number): Gauge {
  const near = Math.abs(here.tempC - wantedC) <= NEAR_C;
  return {
    what: say('stages.watch.temperature'),
    unit: '°C',
    planned: wantedC,
    now: here.tempC,
    ...(near && { tone: 'good' as const }),
  };
}

/** Time gone against the time it is meant to take. */
export function timeGauge({ begun, here }: Seen, wantedMin: number): Gauge {
  const now = here.minute - begun.minute;
  return {
    what: say('stages.watch.time'),
    unit: 'min',
    planned: wantedMin,
    now,
    ...(now >= wantedMin && { tone: 'good' as const }),
  };
}

/** Whey protein unfolded, against what this stage was to leave. */
export function unfoldedGauge({ here, planned }: Seen): Gauge {
  return {
    what: say('stages.watch.wheyProteinUnfolded'),
    unit: '%',
    planned: 100 * denaturedBetaLg(planned.native),
    now: 100 * denaturedBetaLg(here.native),
  };
}

/** The legal pasteurisation, once it has been reached. */
export function pasteurisedGauge({ here }: Seen): Gauge {
  const done = here.pasteurisedShare >= 1;
  return {
    what: say('stages.watch.listedPasteurisation'),
    unit: '',
    planned: null,
    now: done ? say('stages.watch.reached') : say('stages.watch.notYet'),
    ...(done && { tone: 'good' as const }),
  };
}

/** Acidity against what this stage was to leave. */
export function acidityGauge({ here }: Seen, wantedPh: number): Gauge {
  return {
    what: say('stages.watch.acidity'),
    unit: 'pH',
    planned: wantedPh,
    now: here.ph,
    ...(here.ph <= wantedPh && { tone: 'good' as const }),
  };
}
