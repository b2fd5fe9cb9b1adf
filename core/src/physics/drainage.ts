import { ZERO_C_IN_K } from '../constants/heat.js';
import {
  VISCOSITY,
  BROKEN_TAU_FACTOR,
  CLOTH_AREA_CM2_AT_1KG,
  CUT_TAU_FACTOR,
  DRAINAGE,
  DRAINAGE_EXPONENT,
  GRAINS,
  THICK_CREAM_SYNERESIS,
  TURNING,
  type DrainMethod,
} from '../constants/drainage.js';

/** A curd's course on the cloth: whey(t) = wheyEndG (1 − exp(−(t/tauMin)^n)), n the usual exponent where none is given. */
export interface DrainageCourse {
  readonly wheyEndG: number;
  readonly tauMin: number;
  readonly exponent?: number;
}

/** What a curd is like as it goes on its cloth, besides what is in it. */
export interface CurdOnCloth {
  /** Grains out of hot milk drain drier and faster than a gel; cream thickened by acid hardly drains. */
  readonly body?: 'gel' | 'grains' | 'thickened';
  readonly cut?: boolean;
  /** Poured and broken (1) or ladled whole (0). */
  readonly broken?: number;
  readonly turns?: number;
}

/** What decides a drainage. */
export interface DrainageConditions {
  readonly massG: number;
  /** Solids and fat of the curd going in, fractions 0–1. */
  readonly solids: number;
  readonly fat: number;
  /** Solids of its whey, fraction 0–1. */
  readonly wheySolids: number;
  readonly method: DrainMethod;
  readonly tempC: number;
  readonly curd?: CurdOnCloth;
  readonly clothAreaCm2?: number | undefined;
  /** Factors learned for a kitchen's cloth; 1 = as the constants. */
  readonly reachFactor?: number;
  readonly timeFactor?: number;
  /** Exponent of the law; the usual one when left out. */
  readonly exponent?: number;
}

/** Viscosity of whey relative to 20 °C. */
export function relativeViscosity(tempC: number): number {
  const vogel = (t: number) => Math.exp(VISCOSITY.bK / (t + ZERO_C_IN_K - VISCOSITY.cK));
  return vogel(tempC) / vogel(20);
}

/**
 * Solids (fraction) at which a method leaves off by itself. The network of casein ends at a solids content e of its
 * fat-free part, the fat going along: of a curd of solids S and fat F with whey of solids w, the share
 * c = (S − w − F(1 − e)) / (e − w) stays, of solids (F + (c − F) e) / c.
 */
export function endSolids(
  method: DrainMethod,
  { solids, fat, wheySolids }: Pick<DrainageConditions, 'solids' | 'fat' | 'wheySolids'>,
  { body = 'gel', turns = 0 }: CurdOnCloth = {},
): number {
  if (body === 'thickened')
    return solids + (solids - wheySolids) * (THICK_CREAM_SYNERESIS / (1 - THICK_CREAM_SYNERESIS));
  const more = (body === 'grains' ? GRAINS.endFatFreeMore : 0) + TURNING.endFatFreeMore * Math.min(turns, TURNING.most);
  const end = DRAINAGE[method].endFatFree + more;
  const stays = (solids - wheySolids - fat * (1 - end)) / (end - wheySolids);
  if (!(stays > fat) || stays >= 1) return solids;
  return (fat + (stays - fat) * end) / stays;
}

/** Whey (g) that leaves when a curd goes from its solids to wanted solids: mass balance of solids. */
export function wheyForSolids(massG: number, solids: number, wheySolids: number, wantedSolids: number): number {
  if (wantedSolids <= solids) return 0;
  return massG * (1 - (solids - wheySolids) / (wantedSolids - wheySolids));
}

/** Whey never takes more than this share of a curd's water with it. */
const MOST_WATER_LOST = 0.99;

/**
 * Course of a drainage. τ grows with the square of the curd's depth on its cloth (consolidation of a porous bed,
 * Terzaghi 1943) and with the whey's viscosity, so slower when cold and for a bigger batch.
 */
export function drainageCourse(conditions: DrainageConditions): DrainageCourse {
  const { massG, solids, wheySolids, method, tempC, curd = {} } = conditions;
  const stop = Math.max(solids, endSolids(method, conditions, curd));
  const wheyEndG = Math.min(
    wheyForSolids(massG, solids, wheySolids, stop) * (conditions.reachFactor ?? 1),
    (massG * (1 - solids) * MOST_WATER_LOST) / (1 - wheySolids),
  );
  const depth = massG / (conditions.clothAreaCm2 ?? usualClothAreaCm2(massG)) / (1000 / CLOTH_AREA_CM2_AT_1KG);
  const usualTau = DRAINAGE[method].tauMin * pace(curd);
  const tauMin = usualTau * depth ** 2 * relativeViscosity(tempC) * (conditions.timeFactor ?? 1);
  return { wheyEndG, tauMin, exponent: conditions.exponent ?? DRAINAGE_EXPONENT };
}

/** Cloth area, cm², that a curd of so many g has where none is given. */
export const usualClothAreaCm2 = (massG: number) => CLOTH_AREA_CM2_AT_1KG * (massG / 1000) ** (2 / 3);

/** How a curd's handling changes its time constant. */
function pace({ body = 'gel', cut = false, broken = 0, turns = 0 }: CurdOnCloth): number {
  const byBody = body === 'grains' ? GRAINS.tauShare : 1;
  const byCut = cut ? CUT_TAU_FACTOR : 1;
  return byBody * byCut * BROKEN_TAU_FACTOR ** broken * TURNING.tauFactor ** Math.min(turns, TURNING.most);
}

/** Whey (g) drained after minutes on the cloth. */
export function wheyAfter(course: DrainageCourse, minutes: number): number {
  if (minutes <= 0) return 0;
  return course.wheyEndG * -Math.expm1(-((minutes / course.tauMin) ** (course.exponent ?? DRAINAGE_EXPONENT)));
}

/**
 * Whey (g) that runs off within some minutes from a curd of which so much has run off already. The course may be another
 * at each step (the curd cools, it is turned): it goes on from where the whey says it is, so never past its own end.
 */
export function wheyWithin(course: DrainageCourse, goneG: number, minutes: number): number {
  const sinceMin = minutesForWhey(course, goneG);
  return sinceMin === null ? 0 : Math.max(0, wheyAfter(course, sinceMin + minutes) - goneG);
}

/** Minutes until a mass of whey (g) has drained; null where it never does. */
export function minutesForWhey(course: DrainageCourse, wheyG: number): number | null {
  if (wheyG <= 0) return 0;
  if (wheyG >= course.wheyEndG) return null;
  return course.tauMin * (-Math.log1p(-wheyG / course.wheyEndG)) ** (1 / (course.exponent ?? DRAINAGE_EXPONENT));
}
