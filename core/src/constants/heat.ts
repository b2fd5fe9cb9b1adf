/** Ways a vessel loses heat. */
export type CoolingMethod = 'covered' | 'open' | 'water-bath' | 'ice-bath' | 'refrigerator' | 'flask';

/**
 * Overall heat transfer per wetted-and-covered vessel area, W/(m²·K), for a pot as deep as it is wide.
 * Air: free convection with radiation (Incropera & DeWitt, ch. 9); baths: stirred, limited by the milk side;
 * chosen within those ranges so that a covered 4 L pot falls from 90 to 45 °C in 1.5–3 h and a stirred ice bath
 * does it in 8–20 min. The still air of a refrigerator moves less than a room's, and its walls are near: 7–9.
 */
export const U_W_PER_M2_K: Readonly<Record<Exclude<CoolingMethod, 'flask'>, number>> = {
  covered: 14,
  open: 15,
  'water-bath': 95,
  'ice-bath': 130,
  refrigerator: 8.5,
};

/**
 * Vacuum flask and insulated box: W/K for 1 L, growing with the two-thirds power of volume (area).
 * A preheated 1 L flask filled at 46 °C in a 20 °C room is still above 40 °C after 6 h.
 */
export const FLASK_UA_W_PER_K_AT_1L = 0.045;
export const WRAPPED_UA_W_PER_K_AT_1L = 0.11;

/**
 * Water that stands round jars in a bath, by volume of what is in them: to the height of the milk in a pot half as wide
 * again. Judgement.
 */
export const JAR_BATH_WATER_PER_MILK = 1.5;

/** Heat capacity of a litre of water and of milk, kJ/(L·K), near the temperatures of a kitchen. */
export const WATER_KJ_PER_L_K = 4.18;
export const MILK_KJ_PER_L_K = 4.03;

/** Heat capacity of the inner wall of a 1 L flask, kJ/K: some 0.6 kg of steel or glass. */
export const FLASK_KJ_PER_K_AT_1L = 0.35;

/** Temperatures of what stands around the vessel, °C, where the room does not decide it. */
export const COLD_WATER_C = 15;
export const ICE_WATER_C = 1;
export const REFRIGERATOR_C = 4;

/**
 * Mass transfer coefficient of vapour above an open pot 60 K warmer than still air, m/s (Lewis relation, h ≈ 5 W/m²K); it
 * grows with the cube root of the difference, as free convection over a plate does (Incropera & DeWitt, ch. 9).
 */
export const VAPOUR_TRANSFER_AT_60K_M_PER_S = 0.0045;
/**
 * Pressure of saturated water vapour, Pa, by the Magnus formula: at0Pa · exp(a·T / (T + b)), T in °C (Alduchov & Eskridge 1996,
 * J. Appl. Meteorol. 35, 601).
 */
export const SATURATED_VAPOUR = { at0Pa: 610.94, a: 17.625, bC: 243.04 } as const;
/** Gas constant, J/(mol·K). */
export const GAS_J_PER_MOL_K = 8.314;
/** 0 °C in kelvin. */
export const ZERO_C_IN_K = 273.15;
/** Latent heat of evaporation of water, kJ/kg, near the temperatures of a kitchen: 2501 − 2.36 T (°C). */
export const LATENT_KJ_PER_KG = { at0C: 2501, slopePerK: -2.36 } as const;

/** A domestic hob ring: power at the plate and the share that reaches the milk. */
export const HOB = { powerW: 1800, efficiency: 0.55 } as const;
