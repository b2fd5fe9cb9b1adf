import { ACIDS } from '../constants/acids.js';
import {
  MILK_GROUPS,
  NORMAL_MINERALS_G_PER_KG,
  TITRATION_END_PH,
  TITRATION_PRECIPITATION_MMOL_PER_KG,
} from '../constants/buffer.js';
import { FRESH_COW_PH, MOLAR_G } from '../constants/milk.js';
import { proteinFraction, totalG, type Masses } from '../materials/composition.js';

/** What of a milk decides how its pH answers to acid. */
export interface BufferMilk {
  /** Protein, g per kg. */
  readonly proteinGPerKg: number;
  /** Minerals, g per kg. */
  readonly mineralsGPerKg: number;
  /** pH before any souring. */
  readonly freshPh: number;
  /** Most lactic acid there can be, mol/kg: what is there and what its sugar can give. Left out: more than enough. */
  readonly lacticEndMolPerKg?: number;
}

/** pH range in which the model is meant and solved. */
export const PH_RANGE = { lowest: 3.0, highest: 9.0 } as const;

/** The buffering milk of a crock. */
export function bufferMilkOf(masses: Masses, freshPh: number = FRESH_COW_PH.mean): BufferMilk {
  const total = totalG(masses);
  return {
    proteinGPerKg: 1000 * proteinFraction(masses),
    mineralsGPerKg: total > 0 ? (1000 * masses.minerals) / total : NORMAL_MINERALS_G_PER_KG,
    freshPh,
  };
}

/** Share (0–1) of a group that has lost its proton. */
function ionised(pK: number, ph: number): number {
  return 1 / (1 + 10 ** (pK - ph));
}

/** pK of lactic acid, which the inner loops ask for by itself. */
const LACTIC_PK = ACIDS.lactic.pK[0]!;

/** Negative charge of the milk's own groups, mmol/kg. */
function groupCharge(milk: Omit<BufferMilk, 'freshPh'>, ph: number): number {
  let charge = 0;
  for (const group of MILK_GROUPS) {
    const scale = group.per === 'g protein' ? milk.proteinGPerKg : milk.mineralsGPerKg / NORMAL_MINERALS_G_PER_KG;
    charge += group.capacity * scale * ionised(group.pK, ph);
  }
  return charge;
}

/** Free protons less hydroxide, mmol/kg. */
function freeProtons(ph: number): number {
  return 1000 * (10 ** -ph - 10 ** (ph - 14));
}

/** Protons taken up by milk brought from its fresh pH to `ph`, mmol/kg (negative above the fresh pH). */
export function protonsTaken(milk: BufferMilk, ph: number): number {
  return groupCharge(milk, milk.freshPh) - groupCharge(milk, ph) + freeProtons(ph) - freeProtons(milk.freshPh);
}

/**
 * Lactic acid formed, mol per kg milk, at which the milk has a given pH (charge balance, explicit in pH).
 * @throws RangeError outside {@link PH_RANGE}
 */
export function lacticForPh(milk: BufferMilk, ph: number): number {
  if (!(ph >= PH_RANGE.lowest && ph <= PH_RANGE.highest)) {
    throw new RangeError(`pH must lie between ${PH_RANGE.lowest} and ${PH_RANGE.highest}`);
  }
  return protonsTaken(milk, ph) / ionised(LACTIC_PK, ph) / 1000;
}

/** pH of a milk with lactic acid formed in it (mol per kg), by bisection of the monotone charge balance to 1e-9. */
export function phForLactic(milk: BufferMilk, lacticMolPerKg: number): number {
  let low: number = PH_RANGE.lowest;
  let high: number = PH_RANGE.highest;
  while (high - low > 1e-9) {
    const mid = (low + high) / 2;
    if (lacticForPh(milk, mid) > lacticMolPerKg) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** Buffer value of the milk's own groups, mmol/(kg·pH): the lactate formed is left out, as when titrating with HCl. */
export function bufferValue(milk: BufferMilk, ph: number): number {
  const step = 1e-4;
  return (protonsTaken(milk, ph - step) - protonsTaken(milk, ph + step)) / (2 * step);
}

/** Titratable acidity to pH 8.3 in its usual scales. */
export interface TitratableAcidity {
  /** Percent by mass reckoned as lactic acid (9 g per 0.1 mol alkali). */
  readonly pctLactic: number;
  /** mL of N/9 alkali per 100 mL ("degrees Dornic", 0.1 g/L as lactic), here per 100 g. */
  readonly dornic: number;
  /** mL of N/4 alkali per 100 mL ("degrees Soxhlet-Henkel"), here per 100 g. */
  readonly soxhletHenkel: number;
}

/** Titratable acidity of a milk at `ph`, reached from its fresh pH by lactic acid. */
export function titratableAcidity(milk: BufferMilk, ph: number): TitratableAcidity {
  const lacticMmol = lacticForPh(milk, ph) * 1000;
  const lacticShare = ionised(LACTIC_PK, TITRATION_END_PH) - ionised(LACTIC_PK, ph);
  const groups = protonsTaken(milk, ph) - protonsTaken(milk, TITRATION_END_PH);
  const alkaliMmol = lacticMmol * lacticShare + groups + TITRATION_PRECIPITATION_MMOL_PER_KG;
  return {
    pctLactic: (alkaliMmol * MOLAR_G.lactic) / 10_000,
    dornic: (alkaliMmol * MOLAR_G.lactic) / 100,
    soxhletHenkel: (alkaliMmol * 4) / 10,
  };
}

/** pH against lactic acid on an even grid: one look-up costs a few nanoseconds, error under 0.002 pH. */
export interface PhTable {
  readonly stepMolPerKg: number;
  /** Points per mol/kg: a look-up multiplies. */
  readonly perMolPerKg: number;
  readonly ph: Float64Array;
}

const TABLE_POINTS = 1024;
/** Largest acid in the table: beyond any culture's reach (mol/kg). */
const TABLE_MAX_MOL_PER_KG = 0.4;
/** Spacing in pH at which the charge balance is evaluated before it is turned round. */
const TABLE_PH_STEP = 0.005;

/** What every milk's charge balance is made of, at even steps of pH from the highest down: worked out once. */
interface PhGrid {
  readonly ph: Float64Array;
  /** Charge of the milk's groups per g protein and per normal minerals, mmol. */
  readonly protein: Float64Array;
  readonly minerals: Float64Array;
  readonly free: Float64Array;
  readonly lacticIonised: Float64Array;
}

const phGrid = ((): (() => PhGrid) => {
  let made: PhGrid | null = null;
  return () => {
    if (made) return made;
    const count = Math.round((PH_RANGE.highest - PH_RANGE.lowest) / TABLE_PH_STEP) + 1;
    const ph = Float64Array.from({ length: count }, (_, i) => PH_RANGE.highest - i * TABLE_PH_STEP);
    const protein = ph.map((at) => groupCharge({ proteinGPerKg: 1, mineralsGPerKg: 0 }, at));
    const minerals = ph.map((at) => groupCharge({ proteinGPerKg: 0, mineralsGPerKg: NORMAL_MINERALS_G_PER_KG }, at));
    made = { ph, protein, minerals, free: ph.map(freeProtons), lacticIonised: ph.map((at) => ionised(LACTIC_PK, at)) };
    return made;
  };
})();

/**
 * Tabulates a milk's pH over 0–0.4 mol/kg lactic acid: the charge balance is explicit in pH, so it is walked from the
 * fresh pH downwards and read the other way round onto an even grid of acid.
 */
export function tabulatePh(milk: BufferMilk): PhTable {
  const stepMolPerKg = TABLE_MAX_MOL_PER_KG / (TABLE_POINTS - 1);
  const perMolPerKg = 1 / stepMolPerKg;
  const ph = new Float64Array(TABLE_POINTS);
  const grid = phGrid();
  const mineralShare = milk.mineralsGPerKg / NORMAL_MINERALS_G_PER_KG;
  const fresh = groupCharge(milk, milk.freshPh) - freeProtons(milk.freshPh);
  let upperPh = milk.freshPh;
  let upperAcid = 0;
  let i = 0;
  for (let g = 0; g < grid.ph.length && i < TABLE_POINTS; g++) {
    const lowerPh = grid.ph[g]!;
    if (lowerPh >= milk.freshPh) continue;
    const charge = milk.proteinGPerKg * grid.protein[g]! + mineralShare * grid.minerals[g]!;
    const lowerAcid = (fresh - charge + grid.free[g]!) / grid.lacticIonised[g]! / 1000;
    const phPerAcid = (lowerPh - upperPh) / (lowerAcid - upperAcid);
    for (; i < TABLE_POINTS && i * stepMolPerKg <= lowerAcid; i++) {
      ph[i] = upperPh + phPerAcid * (i * stepMolPerKg - upperAcid);
    }
    upperPh = lowerPh;
    upperAcid = lowerAcid;
  }
  return { stepMolPerKg, perMolPerKg, ph: ph.fill(upperPh, i) };
}

/** pH from the table (linear between points, held at its ends). */
export function phFromTable(table: PhTable, lacticMolPerKg: number): number {
  const { ph } = table;
  const at = lacticMolPerKg * table.perMolPerKg;
  const i = at | 0;
  if (at <= 0) return ph[0]!;
  if (i >= TABLE_POINTS - 1) return ph[TABLE_POINTS - 1]!;
  const below = ph[i]!;
  return below + (ph[i + 1]! - below) * (at - i);
}

/** How fast pH falls with acid at a point of the table, pH per mol/kg (≥ 0). */
export function phFall(table: PhTable, lacticMolPerKg: number): number {
  const i = Math.min(Math.max(0, (lacticMolPerKg * table.perMolPerKg) | 0), TABLE_POINTS - 2);
  return (table.ph[i]! - table.ph[i + 1]!) * table.perMolPerKg;
}
