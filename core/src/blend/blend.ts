import { solveLinearProgram } from './linear-program.js';

/** A milk, cream or powder that may go into a blend. */
export interface BlendMaterial {
  readonly name: string;
  readonly fatPct: number;
  readonly proteinPct: number;
  /** Left out: as dear as any other, so that the fewest grams of nothing in particular decide. */
  readonly pricePerKg?: number | undefined;
  /** What there is of it, g; left out: enough. */
  readonly maxG?: number | undefined;
}

/** What a blend should be. Percent by mass; what is left out may be as it comes. */
export interface BlendTarget {
  readonly massG: number;
  readonly fatPct?: number | undefined;
  readonly proteinPct?: number | undefined;
}

/** A blend: how much of each, and what that gives. */
export interface Blend {
  readonly parts: readonly { readonly name: string; readonly massG: number }[];
  readonly fatPct: number;
  readonly proteinPct: number;
  readonly cost: number;
}

/** Why nothing meets a target, and what comes nearest. */
export interface NoBlend {
  readonly infeasible: { readonly bound: keyof BlendTarget; readonly nearest: Blend };
}

/** Farther from a target than this, as a share of the mass, it is not met. */
const MET = 1e-9;

/** Less of anything than this, in percent, is none: no label and no balance tells it apart. */
const TRACE_PCT = 1e-6;

/** A gram of mass missing counts as much as this many grams of fat or protein off: mass is met first. */
const MASS_FIRST = 10;

/**
 * The cheapest blend of materials that meets a target for mass, fat and protein: a small linear programme. Where none
 * does, the blend that is off by the fewest grams, and the bound it misses by most.
 */
export function cheapestBlend(materials: readonly BlendMaterial[], target: BlendTarget): Blend | NoBlend {
  const wanted = wantedRows(materials, target);
  const most = materials.map((m) => m.maxG ?? target.massG);
  const x = solveLinearProgram({
    cost: materials.map((m) => (m.pricePerKg ?? 0) / 1000),
    rows: wanted.map((w) => w.row),
    rhs: wanted.map((w) => w.grams),
    most,
  });
  if (x) return blendOf(materials, x);
  const nearest = nearestMasses(wanted, most);
  const offBy = wanted.map((w) => Math.abs(dot(w.row, nearest) - w.grams) / target.massG);
  const worst = offBy.reduce((best, off, i) => (off > offBy[best]! + MET ? i : best), 0);
  return { infeasible: { bound: wanted[worst]!.bound, nearest: blendOf(materials, nearest) } };
}

interface Wanted {
  readonly bound: keyof BlendTarget;
  readonly row: readonly number[];
  readonly grams: number;
}

function wantedRows(materials: readonly BlendMaterial[], { massG, fatPct, proteinPct }: BlendTarget): Wanted[] {
  const row = (bound: 'fatPct' | 'proteinPct', pct: number | undefined): Wanted[] =>
    pct === undefined
      ? []
      : [{ bound, row: materials.map((m) => (m[bound] < TRACE_PCT ? 0 : m[bound] / 100)), grams: (massG * pct) / 100 }];
  return [
    { bound: 'massG', row: materials.map(() => 1), grams: massG },
    ...row('fatPct', fatPct),
    ...row('proteinPct', proteinPct),
  ];
}

/** Masses that miss the wanted rows by the fewest grams: each row gets a shortfall and an excess, which are minimised. */
function nearestMasses(wanted: readonly Wanted[], most: readonly number[]): number[] {
  const n = most.length;
  const slack = (r: number, sign: number) => wanted.map((_, i) => (i === r ? sign : 0));
  const x = solveLinearProgram({
    cost: [...most.map(() => 0), ...wanted.flatMap((w) => (w.bound === 'massG' ? [MASS_FIRST, MASS_FIRST] : [1, 1]))],
    rows: wanted.map((w, r) => [...w.row, ...wanted.flatMap((_, i) => [slack(r, 1)[i]!, slack(r, -1)[i]!])]),
    rhs: wanted.map((w) => w.grams),
    most: [...most, ...wanted.flatMap(() => [Infinity, Infinity])],
  });
  return x!.slice(0, n);
}

function blendOf(materials: readonly BlendMaterial[], massesG: readonly number[]): Blend {
  const totalG = massesG.reduce((a, b) => a + b, 0);
  const pct = (of: 'fatPct' | 'proteinPct') =>
    totalG > 0 ? materials.reduce((sum, m, i) => sum + m[of] * massesG[i]!, 0) / totalG : 0;
  return {
    parts: materials.map(({ name }, i) => ({ name, massG: massesG[i]! })),
    fatPct: pct('fatPct'),
    proteinPct: pct('proteinPct'),
    cost: materials.reduce((sum, m, i) => sum + ((m.pricePerKg ?? 0) * massesG[i]!) / 1000, 0),
  };
}

const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
