import type { Cause } from './cause.js';
import { figure, looked, one, pct, said } from './evidence.js';

/** Causes in the acid, the cloth and the churn. */
export const OF_CURD = {
  littleAcid: {
    says: 'There was too little acid.',
    next: 'Add more, a spoon at a time, until the whey is clear.',
    weigh: (c) => [
      ...figure(
        c.endPh,
        (ph) => ph > 5.9,
        (ph) => ph < 5.6,
        (ph) => `It came to pH ${ph.toFixed(2)}.`,
      ),
      ...looked(c, 'clarity', { milky: 2, cloudy: 1, clear: -2, greenish: -2 }, 'The whey was'),
    ],
  },
  weakAcid: {
    says: 'The acid was weaker than it should be.',
    next: 'Measure its strength once, or go by the clear whey alone.',
    weigh: (c) => looked(c, 'clarity', { milky: 1.5, cloudy: 0.5, clear: -2, greenish: -2 }, 'The whey was'),
  },
  acidTooCool: {
    says: 'The milk was too cool for the acid to part it.',
    next: 'Have it at 85 °C or more when the acid goes in.',
    weigh: (c) =>
      figure(
        c.acidC,
        (t) => t < 82,
        (t) => t >= 85,
        (t) => `The acid went in at ${one(t)} °C.`,
      ),
  },
  acidRough: {
    says: 'The acid went in too fast, or too hot.',
    next: 'Add it in thirds, a slow turn each; for thick cream let it down to 65 °C first.',
    weigh: (c) =>
      figure(
        c.acidC,
        (t) => t > 93,
        (t) => t < 88,
        (t) => `The acid went in at ${one(t)} °C.`,
        1.2,
      ),
  },
  overDrained: {
    says: 'It was drained too long.',
    next: 'Whisk some whey back; next time stop by the scale.',
    weigh: (c) =>
      figure(
        c.wantedSolids === null ? null : c.solids - c.wantedSolids,
        (over) => over > 0.02,
        (over) => over < 0.01,
        () => `It has ${pct(c.solids)} solids; ${pct(c.wantedSolids!)} was wanted.`,
      ),
  },
  openWeave: {
    says: 'The weave is too open, or there was one layer of it.',
    next: 'Double the cloth.',
    weigh: (c) =>
      c.weave === null
        ? []
        : [
            c.weave === 'open'
              ? said(2, 'The cloth was open, one layer.')
              : said(-1.5, 'The cloth was fine or doubled.'),
          ],
  },
  loadedWarm: {
    says: 'It went on the cloth warm.',
    next: 'Chill it through first.',
    weigh: (c) =>
      figure(
        c.loadedC,
        (t) => t > 25,
        (t) => t < 12,
        (t) => `It went on the cloth at ${one(t)} °C.`,
        1.5,
      ),
  },
  churnedCold: {
    says: 'The cream was too cold.',
    next: 'Temper it to 10 to 14 °C.',
    weigh: (c) =>
      figure(
        c.churnC,
        (t) => t < 9,
        (t) => t > 11,
        (t) => `It was churned at ${one(t)} °C.`,
      ),
  },
  churnedWarm: {
    says: 'It was churned too warm.',
    next: 'Churn it at 10 to 14 °C.',
    weigh: (c) =>
      figure(
        c.churnC,
        (t) => t > 17,
        (t) => t < 14,
        (t) => `It was churned at ${one(t)} °C.`,
      ),
  },
  leanCream: {
    says: 'The cream had too little fat.',
    next: 'Take cream of 30 % or more.',
    weigh: (c) =>
      figure(
        c.creamFatPct,
        (f) => f < 27,
        (f) => f > 32,
        (f) => `The cream had ${one(f)} % fat.`,
      ),
  },
  fullChurn: {
    says: 'The vessel was too full.',
    next: 'Fill it no more than half.',
    weigh: (c) =>
      figure(
        c.churnFill,
        (f) => f > 0.5,
        (f) => f < 0.42,
        (f) => `The churn was filled to ${pct(f)}.`,
      ),
  },
  overWorked: {
    says: 'It was worked too much.',
    next: 'Stop when no more drops come.',
    weigh: (c) => looked(c, 'butter', { greasy: 1.5, waxy: -1, wet: -1.5 }, 'The butter was'),
  },
  unwashed: {
    says: 'Buttermilk was left in it.',
    next: 'Wash it until the water runs clear.',
    weigh: (c) => [
      ...(c.washed === null ? [] : [c.washed ? said(-1.5, 'It was washed.') : said(2.5, 'It was only pressed.')]),
      ...looked(c, 'wash', { milky: 2, cloudy: 1, clear: -2 }, 'The last wash water was'),
    ],
  },
} as const satisfies Readonly<Record<string, Cause>>;
