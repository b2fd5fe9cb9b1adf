/** How well a reading is believed: standard deviation of the instrument, and of the model beside it. */
export const READING_SD = {
  phMeter: 0.05,
  phStrip: 0.3,
  phModel: 0.04,
  wheyG: 15,
  wheyShare: 0.02,
} as const;

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
    answers: ['liquid', 'wobbles', 'leaves the wall', 'stands'],
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
    answers: ['none', 'a film', 'a pool'],
    thresholds: [-4.55, -4.2],
    slope: 0.14,
  },
};

/** Share of starters that turn out nearly dead, and how far down (in spreads) those lie. */
export const WEAK_STARTER = { share: 0.03, centre: -8, width: 4 } as const;
