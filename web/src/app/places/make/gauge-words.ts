import { pressure, type Gauge, type GaugeUnit } from '@oat-crock/core';
import { textOf, quantity, titled } from '../../shared/ui/said';
import { number, acidity, mass, span, tasteOf, temp } from '../../shared/ui/words';

/** A figure as it is read: with its unit, in the household's units, at one sensible precision. */
export function figureWords(value: Gauge['now'] | null, unit: GaugeUnit): string {
  if (value === null) return '';
  return typeof value === 'number' ? WAYS[unit](value) : textOf(value);
}

const WAYS: Readonly<Record<GaugeUnit, (value: number) => string>> = {
  '°C': temp,
  g: mass,
  mL: (v) => `${number(v, v < 10 ? 1 : 0)} mL`,
  min: span,
  pH: (v) => `${acidity(v)}, ${tasteOf(v)}`,
  '%': (v) => `${number(v, v < 10 ? 1 : 0)} %`,
  bar: (v) => quantity(pressure(v)),
  '': (v) => number(v, 0),
};

/** A figure to watch, as a row: what it is, what was planned, what it is now. */
export interface GaugeRow {
  readonly what: string;
  readonly planned: string;
  readonly now: string;
  readonly says: string;
  readonly tone: NonNullable<Gauge['tone']> | '';
}

export function gaugeRow({ what, unit, planned, now, says, tone }: Gauge): GaugeRow {
  return {
    what: titled(what),
    planned: figureWords(planned, unit),
    now: figureWords(now, unit),
    says: says ? textOf(says) : '',
    tone: tone ?? '',
  };
}
