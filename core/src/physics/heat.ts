import {
  JAR_BATH_WATER_PER_MILK,
  MILK_KJ_PER_L_K,
  WATER_KJ_PER_L_K,
  GAS_J_PER_MOL_K,
  SATURATED_VAPOUR,
  ZERO_C_IN_K,
  COLD_WATER_C,
  FLASK_UA_W_PER_K_AT_1L,
  ICE_WATER_C,
  LATENT_KJ_PER_KG,
  REFRIGERATOR_C,
  U_W_PER_M2_K,
  VAPOUR_TRANSFER_AT_60K_M_PER_S,
  WRAPPED_UA_W_PER_K_AT_1L,
  type CoolingMethod,
} from '../constants/heat.js';
import { MOLAR_G } from '../constants/milk.js';
import type { Masses } from '../materials/composition.js';
import { totalG } from '../materials/composition.js';
import { specificHeatKJPerKgK } from './specific-heat.js';

/** What a vessel exchanges heat with. */
export interface Surroundings {
  readonly aroundC: number;
  readonly uaWPerK: number;
  /** Open surface for evaporation, m²; 0 when covered. */
  readonly openAreaM2: number;
}

/** Surfaces through which something gives its heat off, m²: all of it, and the top, from which it dries where it is open. */
export interface Shape {
  readonly areaM2: number;
  readonly topM2: number;
}

/** A pot as deep as wide that just holds a volume. */
export function potShape(volumeMl: number): Shape {
  const diameterM = potDiameterM(volumeMl);
  return { areaM2: 1.5 * Math.PI * diameterM ** 2, topM2: (Math.PI / 4) * diameterM ** 2 };
}

/** A shallow round dish in which it lies so deep: above, below and round the rim. */
export function dishShape(volumeMl: number, depthM: number): Shape {
  const topM2 = (volumeMl * 1e-6) / depthM;
  return { areaM2: 2 * topM2 + 2 * Math.sqrt(Math.PI * topM2) * depthM, topM2 };
}

/** Pots of so many mL each, a finger apart, that hold a volume together. */
export function portionsShape(volumeMl: number, eachMl: number): Shape {
  const { areaM2, topM2 } = potShape(eachMl);
  return { areaM2: (areaM2 * volumeMl) / eachMl, topM2: (topM2 * volumeMl) / eachMl };
}

function potDiameterM(volumeMl: number): number {
  return Math.cbrt((4 * volumeMl * 1e-6) / Math.PI);
}

/**
 * Surroundings of a pot of milk cooled by a method.
 *
 * @param shape one pot as deep as wide where none is given
 */
export function coolingSurroundings(
  method: CoolingMethod,
  volumeMl: number,
  roomC: number,
  refrigeratorC: number = REFRIGERATOR_C,
  shape: Shape = potShape(volumeMl),
): Surroundings {
  const aroundC = {
    covered: roomC,
    open: roomC,
    flask: roomC,
    'water-bath': Math.min(roomC, COLD_WATER_C),
    'ice-bath': ICE_WATER_C,
    refrigerator: refrigeratorC,
  }[method];
  const uaWPerK = method === 'flask' ? flaskUa(volumeMl) : U_W_PER_M2_K[method] * shape.areaM2;
  const openAreaM2 = method === 'open' ? shape.topM2 : 0;
  return { aroundC, uaWPerK, openAreaM2 };
}

/** Heat loss of a preheated vacuum flask, W/K. */
export function flaskUa(volumeMl: number): number {
  return FLASK_UA_W_PER_K_AT_1L * (volumeMl / 1000) ** (2 / 3);
}

/** Heat loss of a pot wrapped in towels or in an insulated box, W/K. */
export function wrappedUa(volumeMl: number): number {
  return WRAPPED_UA_W_PER_K_AT_1L * (volumeMl / 1000) ** (2 / 3);
}

/** Heat capacity of the water round jars that hold so much milk, kJ/K. */
export function jarBathKJPerK(volumeMl: number): number {
  return JAR_BATH_WATER_PER_MILK * (volumeMl / 1000) * WATER_KJ_PER_L_K;
}

/**
 * What jars lose that stand in a bath of warm water in a box, W/K of the milk alone: milk and water cool as one, so that
 * the milk has its own part of the loss of both.
 */
export function jarBathUa(volumeMl: number): number {
  const milk = (volumeMl / 1000) * MILK_KJ_PER_L_K;
  return wrappedUa(volumeMl * (1 + JAR_BATH_WATER_PER_MILK)) * (milk / (milk + jarBathKJPerK(volumeMl)));
}

/** Heat capacity of a crock's content, kJ/K. */
export function heatCapacityKJPerK(masses: Masses, tempC: number): number {
  return (totalG(masses) / 1000) * specificHeatKJPerKgK(masses, tempC);
}

/** Width of the steps in which a heat capacity is summed over a span of temperatures, K. */
const SUMMED_BY_K = 1;

/** Heat that takes a crock's content from one temperature to another, kJ; negative where it cools. */
export function heatBetweenKJ(masses: Masses, fromC: number, toC: number): number {
  const steps = Math.max(1, Math.ceil(Math.abs(toC - fromC) / SUMMED_BY_K));
  const stepK = (toC - fromC) / steps;
  let sum = 0;
  for (let i = 0; i < steps; i++) sum += heatCapacityKJPerK(masses, fromC + (i + 0.5) * stepK) * stepK;
  return sum;
}

/** Vapour lost from an open surface, g/min; none where it is no warmer than the air. Room air is taken half saturated. */
export function evaporationGPerMin(openAreaM2: number, tempC: number, roomC: number): number {
  if (openAreaM2 <= 0 || tempC <= roomC) return 0;
  const mPerS = VAPOUR_TRANSFER_AT_60K_M_PER_S * Math.cbrt((tempC - roomC) / 60);
  return openAreaM2 * mPerS * (vapourGPerM3(tempC) - 0.5 * vapourGPerM3(roomC)) * 60;
}

/** Saturated water vapour, g/m³. */
function vapourGPerM3(tempC: number): number {
  const { at0Pa, a, bC } = SATURATED_VAPOUR;
  const pascals = at0Pa * Math.exp((a * tempC) / (tempC + bC));
  return (pascals * MOLAR_G.water) / (GAS_J_PER_MOL_K * (tempC + ZERO_C_IN_K));
}

/** Result of a short stretch of heating or cooling. */
export interface ThermalStep {
  readonly tempC: number;
  readonly evaporatedG: number;
}

/**
 * m·cp·dT/dt = P − UA (T − T_around) − latent heat, over a short step; exact for constant coefficients.
 *
 * @param heatW power that reaches the milk, W
 * @param minutes short against the time constant of evaporation (1 min)
 */
export function thermalStep(
  masses: Masses,
  tempC: number,
  around: Surroundings,
  heatW: number,
  minutes: number,
): ThermalStep {
  const evaporatedG = evaporationGPerMin(around.openAreaM2, tempC, around.aroundC) * minutes;
  const latentKJPerKg = LATENT_KJ_PER_KG.at0C + LATENT_KJ_PER_KG.slopePerK * tempC;
  const latentW = (evaporatedG * latentKJPerKg) / (minutes * 60);
  const settledC = around.aroundC + (heatW - latentW) / around.uaWPerK;
  const tauMin = (heatCapacityKJPerK(masses, tempC) * 1000) / around.uaWPerK / 60;
  return { tempC: settledC + (tempC - settledC) * Math.exp(-minutes / tauMin), evaporatedG };
}

/** Longest time (min) looked ahead before a cooling is said never to arrive. */
const NEVER_MIN = 14 * 24 * 60;

/**
 * Minutes to cool a pot of milk to a temperature, or null where the surroundings never let it.
 *
 * @param masses content, g
 * @param startC @param targetC °C
 */
export function coolingMinutes(masses: Masses, startC: number, targetC: number, around: Surroundings): number | null {
  if (startC <= targetC) return 0;
  if (around.aroundC >= targetC) return null;
  let tempC = startC;
  for (let min = 0; min < NEVER_MIN; min++) {
    const next = thermalStep(masses, tempC, around, 0, 1).tempC;
    if (next <= targetC) return min + (tempC - targetC) / (tempC - next);
    tempC = next;
  }
  return null;
}
