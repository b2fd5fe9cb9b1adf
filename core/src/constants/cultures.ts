import { say, type Text } from '../messages/message.js';
/** Cardinal temperatures in °C of one activity of a culture. */
export interface Cardinal {
  readonly minC: number;
  readonly optC: number;
  readonly maxC: number;
}

export type CultureId = 'thermophilic' | 'mesophilic' | 'kefir-grains' | 'room-yogurt' | 'clabber' | 'plant';

/**
 * What a culture is, as constants of growth and souring. Biomass is relative: 1 is what ripe milk carries.
 * Starting constants chosen so that the classical sets come out at their published times (see souring.spec.ts);
 * cardinal temperatures after Rosso et al. (1993), J. Theor. Biol. 162, 447, fitted to yogurt and butter cultures.
 */
export interface Culture {
  readonly id: CultureId;
  /** What it is called within a sentence. */
  readonly name: Text;
  readonly growth: Cardinal;
  readonly acid: Cardinal;
  /** Specific growth rate at the optimum, 1/h. */
  readonly muOptPerH: number;
  /** Acid per unit of relative biomass grown, mol/kg (Luedeking–Piret, growth part). */
  readonly acidPerGrowthMolPerKg: number;
  /** Acid by standing biomass, mol/(kg·h) (Luedeking–Piret, maintenance part). */
  readonly acidByBiomassMolPerKgH: number;
  /** pH above which souring is unhindered, and at which it ends. */
  readonly phUnhindered: number;
  readonly phEnd: number;
  /** Lactate from one lactose, and whether its galactose is left behind. */
  readonly leavesGalactose: boolean;
  /** The sugar it lives on, and carbon dioxide (with as much alcohol) that yeasts with it make for each lactic acid, mol/mol. */
  readonly sugar: 'lactose' | 'sucrose';
  readonly gasPerLactic: number;
  /** Relative biomass carried by a 100 % dose of an active starter. */
  readonly biomassPerDose: number;
  /** Readiness q0 (Baranyi & Roberts 1994) of an active and of a freeze-dried starter. */
  readonly lagQActive: number;
  readonly lagQFreezeDried: number;
  /** Standard deviations of the natural logarithm of what a batch turns out to have. */
  readonly spread: { readonly activity: number; readonly lag: number; readonly mu: number; readonly acid: number };
}

const YOGURT_SPREAD = { activity: 0.4, lag: 0.3, mu: 0.08, acid: 0.1 };
const WILD_SPREAD = { activity: 0.6, lag: 0.7, mu: 0.15, acid: 0.2 };

export const CULTURES: Readonly<Record<CultureId, Culture>> = {
  thermophilic: {
    id: 'thermophilic',
    name: say('culture.thermophilic'),
    growth: { minC: 20, optC: 43.5, maxC: 51 },
    acid: { minC: 14, optC: 44.5, maxC: 52.5 },
    muOptPerH: 1.7,
    acidPerGrowthMolPerKg: 0.03,
    acidByBiomassMolPerKgH: 0.04,
    phUnhindered: 5.8,
    phEnd: 3.7,
    leavesGalactose: true,
    sugar: 'lactose',
    gasPerLactic: 0,
    biomassPerDose: 1,
    lagQActive: 1,
    lagQFreezeDried: 0.15,
    spread: YOGURT_SPREAD,
  },
  mesophilic: {
    id: 'mesophilic',
    name: say('culture.mesophilic'),
    growth: { minC: 5, optC: 30.5, maxC: 39.5 },
    acid: { minC: 10, optC: 33, maxC: 41 },
    muOptPerH: 1.0,
    acidPerGrowthMolPerKg: 0.03,
    acidByBiomassMolPerKgH: 0.032,
    phUnhindered: 5.9,
    phEnd: 3.9,
    leavesGalactose: false,
    sugar: 'lactose',
    gasPerLactic: 0,
    biomassPerDose: 1,
    lagQActive: 1,
    lagQFreezeDried: 0.15,
    spread: YOGURT_SPREAD,
  },
  'kefir-grains': {
    id: 'kefir-grains',
    name: say('culture.kefirGrains'),
    growth: { minC: 5, optC: 28, maxC: 38 },
    acid: { minC: 7, optC: 30, maxC: 40 },
    muOptPerH: 0.65,
    acidPerGrowthMolPerKg: 0.03,
    acidByBiomassMolPerKgH: 0.03,
    phUnhindered: 5.9,
    phEnd: 3.7,
    leavesGalactose: false,
    sugar: 'lactose',
    gasPerLactic: 0.25,
    biomassPerDose: 0.5,
    lagQActive: 1,
    lagQFreezeDried: 0.1,
    spread: { activity: 0.4, lag: 0.4, mu: 0.12, acid: 0.15 },
  },
  'room-yogurt': {
    id: 'room-yogurt',
    name: say('culture.roomYogurt'),
    growth: { minC: 6, optC: 29, maxC: 38 },
    acid: { minC: 9, optC: 31, maxC: 40 },
    muOptPerH: 0.8,
    acidPerGrowthMolPerKg: 0.03,
    acidByBiomassMolPerKgH: 0.028,
    phUnhindered: 5.9,
    phEnd: 4.0,
    leavesGalactose: false,
    sugar: 'lactose',
    gasPerLactic: 0,
    biomassPerDose: 1,
    lagQActive: 1,
    lagQFreezeDried: 0.12,
    spread: { activity: 0.35, lag: 0.4, mu: 0.1, acid: 0.12 },
  },
  clabber: {
    id: 'clabber',
    name: say('culture.clabber'),
    growth: { minC: 6, optC: 30, maxC: 39 },
    acid: { minC: 9, optC: 32, maxC: 41 },
    muOptPerH: 0.7,
    acidPerGrowthMolPerKg: 0.03,
    acidByBiomassMolPerKgH: 0.026,
    phUnhindered: 5.9,
    phEnd: 4.0,
    leavesGalactose: false,
    sugar: 'lactose',
    gasPerLactic: 0,
    biomassPerDose: 1,
    lagQActive: 0.3,
    lagQFreezeDried: 0.05,
    spread: WILD_SPREAD,
  },
  plant: {
    id: 'plant',
    name: say('culture.plant'),
    growth: { minC: 18, optC: 41, maxC: 49 },
    acid: { minC: 14, optC: 42, maxC: 50 },
    muOptPerH: 0.5,
    acidPerGrowthMolPerKg: 0.02,
    acidByBiomassMolPerKgH: 0.008,
    phUnhindered: 5.6,
    phEnd: 3.8,
    leavesGalactose: false,
    sugar: 'sucrose',
    gasPerLactic: 0,
    biomassPerDose: 0.5,
    lagQActive: 0.4,
    lagQFreezeDried: 0.05,
    spread: WILD_SPREAD,
  },
};

/** Moles of lactic acid for each mole of sugar used: two where the galactose is left behind, else four less what yeasts take. */
export function lacticPerSugar(culture: CultureId): number {
  const { leavesGalactose, gasPerLactic } = CULTURES[culture];
  return (leavesGalactose ? 2 : 4) / (1 + gasPerLactic);
}

/** Rise above the growth maximum from which a culture is killed, °C. */
export const LETHAL_RISE_C = 3;
/** Decimal reduction time at that temperature, min, and the rise for a tenfold faster kill, °C. */
export const LETHAL_D_MIN = 10;
export const LETHAL_Z_C = 6;

/** How a starter has been kept. */
export type StarterForm = 'active' | 'freeze-dried' | 'grains' | 'capsule';
export type StarterStore = 'cold' | 'frozen' | 'room';

/** How a store costs a starter its activity. */
export interface StoreLoss {
  /** Lost at once on going in, log10. */
  readonly atOnce: number;
  /** Lost in a day at the store's usual temperature (°C), log10, and how many times faster it goes 10 °C warmer. */
  readonly perDay: number;
  readonly usualC: number;
  readonly q10: number;
}

/**
 * Loss of activity in store. Grains in milk in the cold lose little for weeks and drown in their own acid unfed in the warm;
 * a capsule is a powder. Refrigerated cultures lose 0.03–0.06 log10/day at 4 °C; frozen 0.5 log10 at once, then
 * 0.1–0.2 a month; at room temperature an unfed ripe culture loses about a third of a log a day (so q10 is 3.3);
 * freeze-dried sealed keeps for years at −18 °C and for months in the kitchen.
 */
export const ACTIVITY_LOSS: Readonly<Record<StarterForm, Record<StarterStore, StoreLoss>>> = {
  active: {
    cold: { atOnce: 0, perDay: 0.045, usualC: 4, q10: 3.3 },
    frozen: { atOnce: 0.5, perDay: 0.15 / 30, usualC: -18, q10: 2.5 },
    room: { atOnce: 0, perDay: 0.3, usualC: 20, q10: 3.3 },
  },
  'freeze-dried': {
    cold: { atOnce: 0, perDay: 0.1 / 30, usualC: 4, q10: 2.4 },
    frozen: { atOnce: 0, perDay: 0.03 / 30, usualC: -18, q10: 1.8 },
    room: { atOnce: 0, perDay: 0.4 / 30, usualC: 20, q10: 2.4 },
  },
  grains: {
    cold: { atOnce: 0, perDay: 0.02, usualC: 4, q10: 3 },
    frozen: { atOnce: 0.4, perDay: 0.1 / 30, usualC: -18, q10: 2.5 },
    room: { atOnce: 0, perDay: 0.12, usualC: 20, q10: 3 },
  },
  capsule: {
    cold: { atOnce: 0, perDay: 0.1 / 30, usualC: 4, q10: 2.4 },
    frozen: { atOnce: 0, perDay: 0.03 / 30, usualC: -18, q10: 1.8 },
    room: { atOnce: 0, perDay: 0.4 / 30, usualC: 20, q10: 2.4 },
  },
};

/** Relative biomass (1 = ripe milk) that one capsule of a supplement brings to a litre: some 1e10 cells of many kinds. */
export const BIOMASS_PER_CAPSULE_PER_L = 0.005;
/** Mass of a capsule's powder, g. */
export const CAPSULE_G = 0.4;

/** Relative biomass of raw milk left to itself: 1e4 to 1e5 souring cells a mL against 1e9 in ripe milk. */
export const WILD_BIOMASS = 3e-5;

/** How a culture bears being carried from make to make. */
export interface LineOfDescent {
  /** Vigour lost a generation, as a share: the balance of its strains drifts, sourer and slower. */
  readonly lossPerGeneration: number;
  /** Generations after which starting again is advised; null for an heirloom, which is carried for ever. */
  readonly generations: number | null;
}

/**
 * Lines of descent. A bought yogurt is a blend of strains that drifts apart in three to six generations; heirlooms and
 * grains are communities that keep themselves; a capsule was never meant to be carried.
 */
export const LINES: Readonly<Record<CultureId, LineOfDescent>> = {
  thermophilic: { lossPerGeneration: 0.06, generations: 5 },
  mesophilic: { lossPerGeneration: 0.05, generations: 6 },
  'kefir-grains': { lossPerGeneration: 0, generations: null },
  'room-yogurt': { lossPerGeneration: 0, generations: null },
  clabber: { lossPerGeneration: 0.02, generations: 12 },
  plant: { lossPerGeneration: 0.15, generations: 2 },
};

/**
 * Kefir grains: composition, percent by mass (about 83 % water, 4.5 % protein, the rest the gum kefiran and cells; Garrote,
 * Abraham & De Antoni 2001, J. Dairy Res. 68, 639), density, and growth in a batch as a share of themselves: from the
 * least in hardly soured milk to the most in a fully soured one.
 */
export const KEFIR_GRAINS = {
  waterPct: 83,
  proteinPct: 4.5,
  gPerMl: 1.04,
  growth: { least: 0.05, most: 0.15, fullAtLacticMolPerKg: 0.1 },
} as const;
