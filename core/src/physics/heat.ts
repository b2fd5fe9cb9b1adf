import {
  COLD_WATER_C,
  EVAPORATES_ABOVE_C,
  FLASK_UA_W_PER_K_AT_1L,
  ICE_WATER_C,
  LATENT_KJ_PER_KG,
  REFRIGERATOR_C,
  U_W_PER_M2_K,
  VAPOUR_TRANSFER_M_PER_S,
  WRAPPED_UA_W_PER_K_AT_1L,
  type CoolingMethod,
} from '../constants/heat.js';
import type { Masses } from '../state/composition.js';
import { totalG } from '../state/composition.js';
import { specificHeatKJPerKgK } from './specific-heat.js';

/** What a vessel exchanges heat with. */
export interface Surroundings {
  readonly aroundC: number;
  readonly uaWPerK: number;
  /** Open surface for evaporation, m²; 0 when covered. */
  readonly openAreaM2: number;
}

/** Outer area (m²) of a pot as deep as wide that just holds a volume. */
function potAreaM2(volumeMl: number): number {
  return 1.5 * Math.PI * potDiameterM(volumeMl) ** 2;
}

function potDiameterM(volumeMl: number): number {
  return Math.cbrt((4 * volumeMl * 1e-6) / Math.PI);
}

/** Surroundings of a pot of milk cooled by a method. */
export function coolingSurroundings(
  method: CoolingMethod,
  volumeMl: number,
  roomC: number,
  refrigeratorC: number = REFRIGERATOR_C,
): Surroundings {
  const aroundC = {
    covered: roomC,
    open: roomC,
    flask: roomC,
    'water-bath': Math.min(roomC, COLD_WATER_C),
    'ice-bath': ICE_WATER_C,
    refrigerator: refrigeratorC,
  }[method];
  const uaWPerK = method === 'flask' ? flaskUa(volumeMl) : U_W_PER_M2_K[method] * potAreaM2(volumeMl);
  const openAreaM2 = method === 'open' ? (Math.PI / 4) * potDiameterM(volumeMl) ** 2 : 0;
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

/** Heat capacity of a crock's content, kJ/K. */
export function heatCapacityKJPerK(masses: Masses, tempC: number): number {
  return (totalG(masses) / 1000) * specificHeatKJPerKgK(masses, tempC);
}

/** Vapour lost from an open surface, g/min (0 below 60 °C). Room air is taken half saturated. */
export function evaporationGPerMin(openAreaM2: number, tempC: number, roomC: number): number {
  if (openAreaM2 <= 0 || tempC < EVAPORATES_ABOVE_C) return 0;
  const difference = vapourGPerM3(tempC) - 0.5 * vapourGPerM3(roomC);
  return openAreaM2 * VAPOUR_TRANSFER_M_PER_S * difference * 60;
}

/** Saturated water vapour, g/m³, Magnus formula (Alduchov & Eskridge 1996). */
function vapourGPerM3(tempC: number): number {
  const pascals = 610.94 * Math.exp((17.625 * tempC) / (tempC + 243.04));
  return (pascals * 18.015) / (8.314 * (tempC + 273.15));
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
  const latentW = (evaporatedG * LATENT_KJ_PER_KG) / (minutes * 60);
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
