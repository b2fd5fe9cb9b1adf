import { type MakeSheet, acidity } from '@oat-crock/core';
import type { PlotSpec } from '../../shared/ui/plot-spec';
import { temp } from '../../shared/ui/words';
import { tell } from '../../shared/ui/said';

/** The line of the first day of a make: temperature, and pH with its spread. */
export function sheetPlot(sheet: MakeSheet): PlotSpec {
  const { line, souring } = sheet;
  const byClock = souring?.byClock ?? null;
  const soured = byClock ? byClock.endMin : souring && souring.beginMin + (souring.forecast.p90Min ?? 600);
  const warmEnd = soured ? soured + 90 : line.at(-1)!.min;
  const to = Math.min(warmEnd, line.at(-1)!.min) / 60;
  const shown = line.filter((p) => p.min / 60 <= to + 0.5);
  const phFrom = 4;
  const phTo = 7;
  const scaled = (ph: number) => ((ph - phFrom) / (phTo - phFrom)) * 100;
  return {
    words: tell('page.methods.sheetPlot.temperatureAcidityFromStart', {
      temp: temp(Math.max(...line.map((p) => p.tempC))),
    }),
    x: { from: 0, to, kind: 'hours' },
    left: { from: 0, to: 100, unit: '°C' },
    right: { from: phFrom, to: phTo, unit: 'pH' },
    bands: souring
      ? [
          {
            points: souring.forecast.fan
              .filter((f) => (souring.beginMin + f.min) / 60 <= to + 0.5)
              .map((f) => [(souring.beginMin + f.min) / 60, scaled(f.p10), scaled(f.p90)] as const),
            look: 'likely' as const,
          },
        ]
      : [],
    lines: [
      { points: shown.map((p) => [p.min / 60, p.tempC] as const), look: 'warm' },
      {
        points: shown.filter((p) => !souring || p.min >= souring.beginMin).map((p) => [p.min / 60, p.ph] as const),
        look: 'fact',
        axis: 'right',
      },
    ],
    rules:
      souring && !byClock
        ? [
            {
              y: scaled(souring.targetPh),
              text: tell('page.methods.sheetPlot.wantedPh', { targetPh: acidity(souring.targetPh) }),
              look: 'target',
            },
          ]
        : [],
    windows: byClock
      ? [{ from: byClock.endMin / 60, likely: byClock.endMin / 60, until: byClock.endMin / 60 }]
      : souring && souring.forecast.p10Min !== null && souring.forecast.p90Min !== null
        ? [
            {
              from: (souring.beginMin + souring.forecast.p10Min) / 60,
              likely: (souring.beginMin + (souring.forecast.p50Min ?? 0)) / 60,
              until: (souring.beginMin + souring.forecast.p90Min) / 60,
            },
          ]
        : [],
  };
}
