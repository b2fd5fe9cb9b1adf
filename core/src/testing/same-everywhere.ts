import { cheapestBlend } from '../blend/blend.js';
import { CULTURES } from '../constants/cultures.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { forecastSouring } from '../forecast/souring-forecast.js';
import { planStages } from '../make/plan.js';
import { lastOf, runMake } from '../make/run.js';
import { METHODS } from '../methods/index.js';
import { acidDose } from '../physics/acids.js';
import { denatureAlong } from '../physics/denaturation.js';
import { souringLaw } from '../physics/souring.js';
import { COMPONENTS } from '../materials/composition.js';

const MILK = { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 };

/**
 * Figures out of every corner of the engine, by name: one set that Node, a worker and a browser must all come to.
 * Ensembles, sampling and their transcendental functions are in it, as those are where engines may differ.
 */
export function figuresOfTheEngine(): Record<string, number> {
  const figures: Record<string, number> = {};
  for (const method of METHODS) {
    const end = lastOf(runMake(planStages(method), USUAL_ENVIRONMENT).at(-1)!);
    for (const component of COMPONENTS) figures[`${method.id} ${component}`] = end.masses[component];
    figures[`${method.id} minute`] = end.minute;
    figures[`${method.id} pH`] = end.ph;
  }
  const problem = {
    law: souringLaw(CULTURES.thermophilic, MILK),
    biomass: 0.025,
    lagQ: 1,
    lacticMolPerKg: 0.002,
    tempC: 44,
    place: { aroundC: 42, tauMin: 120 },
    targetPh: 4.6,
    gelPh: 5.28,
    horizonMin: 24 * 60,
  };
  const readings = [
    { min: 150, ph: 5.7, by: 'meter' as const },
    { min: 200, cue: 'set', answer: 'wobbles' },
  ];
  const forecast = forecastSouring(problem, readings, { members: 500, seed: 9, fanPoints: 6 });
  figures['forecast p10'] = forecast.p10Min!;
  figures['forecast p50'] = forecast.p50Min!;
  figures['forecast p90'] = forecast.p90Min!;
  figures['forecast effective'] = forecast.effective;
  forecast.fan.forEach((f, i) => (figures[`fan ${i}`] = f.p50));
  const native = denatureAlong([
    { min: 0, tempC: 5 },
    { min: 20, tempC: 85 },
    { min: 40, tempC: 60 },
  ]);
  figures['native'] = native.betaLgA + native.betaLgB + native.alphaLa;
  figures['lemon'] = acidDose(1031, MILK, {}, 'lemon', 5.5, 5.4).massG;
  const blend = cheapestBlend(
    [
      { name: 'milk', fatPct: 3.6, proteinPct: 3.3, pricePerKg: 1.3 },
      { name: 'cream', fatPct: 36, proteinPct: 2.1, pricePerKg: 6.4 },
      { name: 'powder', fatPct: 0.8, proteinPct: 35, pricePerKg: 9 },
    ],
    { massG: 4000, fatPct: 8, proteinPct: 4 },
  );
  if ('parts' in blend) blend.parts.forEach((p) => (figures[`blend ${p.name}`] = p.massG));
  return figures;
}

/** Names of figures that differ by more than 1e-12 of their size, with both values. */
export function differing(a: Readonly<Record<string, number>>, b: Readonly<Record<string, number>>): string[] {
  const names = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...names].flatMap((name) => {
    const [x, y] = [a[name] ?? NaN, b[name] ?? NaN];
    const near = Math.abs(x - y) <= 1e-12 * Math.max(1, Math.abs(x), Math.abs(y));
    return near ? [] : [`${name}: ${x} and ${y}`];
  });
}
