import { say, type Text } from '../messages/message.js';
/** An acid of the kitchen or of fermentation: its apparent pK and molar mass. */
export interface Acid {
  readonly name: string;
  readonly pK: readonly number[];
  readonly molarG: number;
  /** The component of a milk that it is booked as; what has no line of its own is among the other solids. */
  readonly component: 'lactic' | 'citric' | 'acetic' | 'other';
}

export type AcidId = 'lactic' | 'citric' | 'acetic' | 'tartaric';

/** pK at 25 °C, low ionic strength (CRC Handbook of Chemistry and Physics, 95th ed., section 5). */
export const ACIDS: Readonly<Record<AcidId, Acid>> = {
  lactic: { name: 'lactic acid', pK: [3.86], molarG: 90.08, component: 'lactic' },
  citric: { name: 'citric acid', pK: [3.13, 4.76, 6.4], molarG: 192.12, component: 'citric' },
  acetic: { name: 'acetic acid', pK: [4.76], molarG: 60.05, component: 'acetic' },
  tartaric: { name: 'tartaric acid', pK: [2.98, 4.34], molarG: 150.09, component: 'other' },
};

/** Something sour out of a bottle or a jar. */
export interface SourAgent {
  /** What it is called within a sentence, and in a list to choose from; what speaks for it. */
  readonly name: Text;
  readonly label: Text;
  readonly why: Text;
  readonly acid: AcidId;
  /** Percent by mass of the acid, as it usually comes, and the least and most that is believable. */
  readonly strengthPct: number;
  readonly weakestPct: number;
  readonly strongestPct: number;
  /** Density of a liquid, g/mL; null for crystals, which are weighed. */
  readonly gPerMl: number | null;
}

export type SourAgentId = 'lemon' | 'vinegar' | 'citric' | 'tartaric';

/**
 * Usual strengths: lemon juice 5–6 % citric acid by fruit and season (Penniston et al. 2008, J. Endourol. 22, 567:
 * 48 g/L), table vinegar 5 % acetic acid; crystals are taken as pure.
 */
export const SOUR_AGENTS: Readonly<Record<SourAgentId, SourAgent>> = {
  lemon: {
    name: say('good.acid', { agent: 'lemon' }),
    label: say('constants.acids.lemonJuice'),
    why: say('constants.acids.aboutCitricAcidOwn'),
    acid: 'citric',
    strengthPct: 5.5,
    weakestPct: 3,
    strongestPct: 9,
    gPerMl: 1.03,
  },
  vinegar: {
    name: say('good.acid', { agent: 'vinegar' }),
    label: say('constants.acids.vinegar'),
    why: say('constants.acids.alwaysHadTraceStays'),
    acid: 'acetic',
    strengthPct: 5,
    weakestPct: 3,
    strongestPct: 15,
    gPerMl: 1.01,
  },
  citric: {
    name: say('good.acid', { agent: 'citric' }),
    label: say('constants.acids.citricAcid'),
    why: say('constants.acids.crystalsWeighedCleanEven'),
    acid: 'citric',
    strengthPct: 100,
    weakestPct: 5,
    strongestPct: 100,
    gPerMl: null,
  },
  tartaric: {
    name: say('good.acid', { agent: 'tartaric' }),
    label: say('constants.acids.tartaricAcid'),
    why: say('constants.acids.crystalsWeighedFromWine'),
    acid: 'tartaric',
    strengthPct: 100,
    weakestPct: 5,
    strongestPct: 100,
    gPerMl: null,
  },
};

export const SOUR_AGENT_IDS = Object.keys(SOUR_AGENTS) as SourAgentId[];

/** What is kept by beside the reckoned dose, as fruit and bottles differ: a share of it. */
export const ACID_RESERVE_SHARE = 0.25;

/** Bicarbonate of soda: molar mass, and of what it leaves and gives off, g/mol. */
export const SODA = { molarG: 84.01, sodiumG: 22.99, carbonDioxideG: 44.01, saltG: 58.44 } as const;

/** Room a mole of gas takes at 20 °C and sea level, L. */
export const GAS_L_PER_MOL = 24.06;
