/**
 * pH of the two usual buffers by temperature, °C: potassium hydrogen phthalate 0.05 mol/kg ("4.01") after Covington, Bates and
 * Durst, Pure Appl. Chem. 57 (1985) 531; the phosphate buffer sold as "7.00" as its makers print it on the bottle.
 */
export const BUFFER_PH = {
  'pH 4.01': [
    [0, 4.0],
    [10, 4.0],
    [20, 4.0],
    [25, 4.01],
    [30, 4.01],
    [35, 4.02],
    [40, 4.03],
  ],
  'pH 7.00': [
    [0, 7.12],
    [5, 7.09],
    [10, 7.06],
    [15, 7.04],
    [20, 7.02],
    [25, 7.0],
    [30, 6.99],
    [35, 6.98],
    [40, 6.97],
  ],
} as const;

/** A glass electrode gives as many mV a unit of pH as this at 25 °C, and in proportion to the absolute temperature (Nernst: R T ln 10 / F). */
export const NERNST_MV_PER_K = (8.314462618 * Math.LN10 * 1000) / 96485.33212;

/**
 * What is taken of a two-point calibration: slope as a share of the ideal, and how far the zero is off, pH. A sound electrode has
 * 95 to 102 %; below 85 % its makers give it up (usual figures of makers of electrodes; judgement where they differ).
 */
export const PH_CHECK = {
  soundSlope: [0.95, 1.02],
  takenSlope: [0.85, 1.08],
  soundZeroPh: 0.5,
  takenZeroPh: 1,
} as const;

/** What is taken of a thermometer in melting ice: how far it may read from 0 °C, °C. Judgement: what is further off is no ice water, or no thermometer. */
export const ICE_CHECK = { soundC: 0.5, takenC: 4 } as const;
