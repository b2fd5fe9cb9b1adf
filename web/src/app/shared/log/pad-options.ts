import { say, type Addition, type Ask, type Text } from '@oat-crock/core';
import type { PadTab } from './log-pad.state';

/** One thing that the pad can log: what it is called, the metric unit it is typed in, and how it is kept. */
export interface PadOption {
  readonly id: PadTab;
  readonly text: Text;
  readonly unit: string;
  /** What it adds to the crock, or null where it is read. */
  readonly adds: Addition | null;
  /** Grams in one of its unit. */
  readonly gPerMl: number;
  /** One part of it, g; 0 where it does not come in parts. */
  readonly partG: number;
}

const read = (id: PadTab, text: Text, unit: string): PadOption => ({
  id,
  text,
  unit,
  adds: null,
  gPerMl: 1,
  partG: 0,
});

/** What can be logged in every stage: before what the stage asks for, and after. */
export const PAD_OPTIONS = {
  first: [read('tempC', say('page.log.padOptions.temperature'), '°C'), read('ph', 'pH', 'pH')],
  last: [read('cue', say('page.log.padOptions.look'), ''), read('note', say('page.log.padOptions.note'), '')],
  /** Of a line that stands only its time is corrected. */
  time: read('time', say('page.log.padOptions.time'), ''),
} as const;

/** What a stage asks for, as the pad offers it. */
export function padOption(ask: Ask): PadOption {
  if (ask.asks === 'reading') return read(ask.quantity, ask.label, 'g');
  const { what, label, partG, gPerMl } = ask;
  return {
    id: `added ${what}`,
    text: label,
    unit: gPerMl ? 'mL' : 'g',
    adds: what,
    gPerMl: gPerMl ?? 1,
    partG,
  };
}
