import {
  ACID_RESERVE_SHARE,
  ACIDS,
  GAS_L_PER_MOL,
  SODA,
  SOUR_AGENTS,
  type AcidId,
  type SourAgentId,
} from '../constants/acids.js';
import { PH_RANGE, protonsTaken, type BufferMilk } from './buffer.js';

/** What has been put into a milk, or grown in it: acids in mol per kg milk, and bicarbonate of soda likewise. */
export type Sourness = Readonly<Partial<Record<AcidId, number>>> & { readonly soda?: number };

/** Protons that a mole of an acid has given at a pH (0 to as many as it has). */
export function protonsGiven(acid: AcidId, ph: number): number {
  // Successive dissociation: the share that has lost k protons weighs 10^(k·pH − ΣpK₁..ₖ).
  let weight = 1;
  let total = 1;
  let given = 0;
  ACIDS[acid].pK.forEach((pK, k) => {
    weight *= 10 ** (ph - pK);
    total += weight;
    given += (k + 1) * weight;
  });
  return given / total;
}

/**
 * pH of a milk with acids and soda in it: the charge balance Σ acid · protons given − soda = protons taken up by the
 * milk, by bisection to 1e-9. Soda counts as its base: in anything sourer than fresh milk its carbon dioxide leaves.
 */
export function phOf(milk: BufferMilk, sourness: Sourness): number {
  const acids = (Object.keys(ACIDS) as AcidId[]).filter((id) => (sourness[id] ?? 0) > 0);
  const surplus = (ph: number) =>
    acids.reduce((sum, id) => sum + sourness[id]! * protonsGiven(id, ph), 0) * 1000 -
    (sourness.soda ?? 0) * 1000 -
    protonsTaken(milk, ph);
  let low: number = PH_RANGE.lowest;
  let high: number = PH_RANGE.highest;
  while (high - low > 1e-9) {
    const mid = (low + high) / 2;
    if (surplus(mid) > 0) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}

/**
 * Acid (mol per kg milk) that brings a milk with acids already in it to a pH; 0 where it is as sour already.
 * Explicit in pH, as the charge balance is.
 */
export function acidForPh(milk: BufferMilk, already: Sourness, acid: AcidId, targetPh: number): number {
  const given = (Object.keys(ACIDS) as AcidId[]).reduce(
    (sum, id) => sum + (already[id] ?? 0) * protonsGiven(id, targetPh) * 1000,
    0,
  );
  const missing = protonsTaken(milk, targetPh) + (already.soda ?? 0) * 1000 - given;
  return Math.max(0, missing / protonsGiven(acid, targetPh) / 1000);
}

/** How much of something sour to measure out. */
export interface AcidDose {
  /** Mass of the agent, g; and its volume where it is a liquid, mL. */
  readonly massG: number;
  readonly ml: number | null;
  /** What to keep by for a weak fruit or bottle, in the same measure as the dose (mL of a liquid, else g). */
  readonly reserve: number;
  /** Pure acid in the dose, mol. */
  readonly acidMol: number;
}

/**
 * Dose of lemon juice, vinegar or crystals that brings a mass of milk to a pH.
 *
 * @param massG milk, g
 * @param strengthPct acid by mass in the agent, percent
 */
export function acidDose(
  massG: number,
  milk: BufferMilk,
  already: Sourness,
  agentId: SourAgentId,
  strengthPct: number,
  targetPh: number,
): AcidDose {
  const agent = SOUR_AGENTS[agentId];
  const acidMol = (acidForPh(milk, already, agent.acid, targetPh) * massG) / 1000;
  const dose = (acidMol * ACIDS[agent.acid].molarG) / (strengthPct / 100);
  const ml = agent.gPerMl === null ? null : dose / agent.gPerMl;
  return { massG: dose, ml, reserve: (ml ?? dose) * ACID_RESERVE_SHARE, acidMol };
}

/** What soda does to an acid curd. */
export interface SodaDose {
  readonly sodaG: number;
  readonly carbonDioxideL: number;
  readonly sodiumG: number;
  /** Table salt with as much sodium, g. */
  readonly saltEquivalentG: number;
}

/**
 * Bicarbonate of soda that brings an acid curd (g) from its pH up to another; none where it is there already. The curd is
 * titrated from where it stands, as what left with its whey no longer counts: base = protons its groups give back on the
 * way up + what its acids still have to give.
 */
export function sodaForPh(
  massG: number,
  milk: BufferMilk,
  already: Sourness,
  fromPh: number,
  targetPh: number,
): SodaDose {
  const given = (ph: number) =>
    (Object.keys(ACIDS) as AcidId[]).reduce((sum, id) => sum + (already[id] ?? 0) * protonsGiven(id, ph) * 1000, 0);
  const groups = protonsTaken(milk, fromPh) - protonsTaken(milk, targetPh);
  const molPerKg = Math.max(0, (groups + given(targetPh) - given(fromPh)) / 1000);
  const mol = (molPerKg * massG) / 1000;
  return {
    sodaG: mol * SODA.molarG,
    carbonDioxideL: mol * GAS_L_PER_MOL,
    sodiumG: mol * SODA.sodiumG,
    saltEquivalentG: mol * SODA.saltG,
  };
}
