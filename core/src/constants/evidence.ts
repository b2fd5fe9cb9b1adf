/** How well a reading is believed: standard deviation of the instrument, and of the model beside it. */
export const READING_SD = {
  phMeter: 0.05,
  phStrip: 0.3,
  phModel: 0.04,
} as const;

/**
 * Weighed whey: scatter of one weighing (g, and as a share of all that will drain), and what goes with a whole series: how
 * far the scale is off, what was left in the bowl (g), and how much more or less whey this curd must lose than is reckoned
 * (standard deviations, of the logarithm but for grams).
 */
export const DRAIN_READING = { sdG: 8, sdShare: 0.01, scaleSd: 0.04, bowlSdG: 8, wantedSd: 0.03 } as const;

/**
 * A thermometer in a crock, °C: its own error, which no number of its readings takes away; scatter of single readings about
 * the model; degrees of freedom of Student's errors, few as one may be plain wrong.
 */
export const THERMOMETER = { ownSdC: 0.2, scatterSdC: 0.4, freedom: 4 } as const;

/** Chance that any one reading or cue is simply wrong (misread, wrong crock), and how wide it then scatters. */
export const WRONG = { chance: 0.02, widerBy: 10 } as const;

/**
 * Cues as ordered answers to the hidden state. `reads` names the quantity: pH, or pH below the gel point.
 * An answer is at least the n-th with chance logistic((quantity − threshold n) / slope); quantities are signed so that
 * they grow as the make goes on. Thresholds from general descriptions of set and taste in yogurt making.
 */
export interface CueModel {
  readonly reads: 'belowGelPoint' | 'acid';
  readonly answers: readonly string[];
  readonly thresholds: readonly number[];
  readonly slope: number;
}

/** "acid" is −pH, so that more sour is more. */
export const CUE_MODELS: Readonly<Record<string, CueModel>> = {
  set: {
    reads: 'belowGelPoint',
    answers: ['liquid', 'wobbles', 'leaves-the-wall', 'stands'],
    thresholds: [0, 0.3, 0.6],
    slope: 0.08,
  },
  taste: {
    reads: 'acid',
    answers: ['sweet', 'mild', 'tangy', 'sharp'],
    thresholds: [-5.3, -4.7, -4.3],
    slope: 0.1,
  },
  whey: {
    reads: 'acid',
    answers: ['none', 'a-film', 'a-pool'],
    thresholds: [-4.55, -4.2],
    slope: 0.14,
  },
};

/** Share of starters that turn out nearly dead, and how far down (in spreads) those lie. */
export const WEAK_STARTER = { share: 0.03, centre: -8, width: 4 } as const;
