import {
  churnBalance,
  churnTrouble,
  drainageCourse,
  forecastDrain,
  minutesForWhey,
  wheyAfter,
  wheyForSolids,
  type DrainMethod,
} from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';

/** Solids of yogurt whey where only the curd's solids are known, fraction. */
const USUAL_WHEY_SOLIDS = 0.063;

/** Whole-milk yogurt as it sets: solids and fat, fractions. */
const SET = { solids: 0.13, fat: 0.036 } as const;

/** Fat of a curd of which only the solids are known: whole-milk yogurt, as far drained as its solids say. */
function usualFat(solids: number): number {
  const drained = (solids - USUAL_WHEY_SOLIDS) / (SET.solids - USUAL_WHEY_SOLIDS);
  return SET.fat * Math.max(drained, solids / SET.solids);
}

export const strain = (i: {
  massG: number;
  solidsPct: number;
  method: DrainMethod;
  clothAreaCm2?: number;
  tempC: number;
  targetSolidsPct: number;
  weighed?: { min: number; wheyG: number }[];
}) => {
  const solids = i.solidsPct / 100;
  const wheyG = wheyForSolids(i.massG, solids, USUAL_WHEY_SOLIDS, i.targetSolidsPct / 100);
  const course = drainageCourse({ ...i, solids, fat: usualFat(solids), wheySolids: USUAL_WHEY_SOLIDS });
  const learned = i.weighed?.length ? forecastDrain(course, wheyG, i.weighed) : null;
  const minutes = learned ? learned.p50Min : minutesForWhey(course, wheyG);
  const shown = {
    wheyEndG: course.wheyEndG * (learned?.reachFactor ?? 1),
    tauMin: course.tauMin * (learned?.timeFactor ?? 1),
    ...(learned && { exponent: learned.exponent }),
  };
  const lastMin = minutes ?? 6 * shown.tauMin;
  return {
    productG: i.massG - wheyG,
    wheyG,
    hours: minutes === null ? null : minutes / 60,
    series: Array.from({ length: 25 }, (_, k) => {
      const min = (lastMin * k) / 24;
      return { min, wheyG: wheyAfter(shown, min) };
    }),
  };
};

/** What is wrong with a cream that will not break, and what to do. */
const TROUBLE = {
  'too cold': { field: 'tempC', message: 'So cold it foams for ever.', remedy: 'Temper it to 10 to 14 °C.' },
  'too warm': { field: 'tempC', message: 'So warm it turns to grease.', remedy: 'Chill it to 10 to 14 °C.' },
  'too lean': { field: 'fatPct', message: 'Too little fat to clump.', remedy: 'Take cream of 30 % fat or more.' },
} as const;

export const churn = (i: { massG: number; fatPct: number; tempC: number; butterFatPct: number }) => {
  const trouble = churnTrouble(i);
  if (trouble) throw new InputRefused([TROUBLE[trouble]]);
  const { butterG, buttermilkG, buttermilkFatPct, minutes } = churnBalance(i, i.butterFatPct);
  return { butterG, buttermilkG, buttermilkFatPct, minutes };
};
