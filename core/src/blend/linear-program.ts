/** A linear programme in standard form: least Σ cost·x with rows·x = rhs and 0 ≤ x ≤ most. */
export interface LinearProgram {
  readonly cost: readonly number[];
  readonly rows: readonly (readonly number[])[];
  /** Right sides, any sign. */
  readonly rhs: readonly number[];
  /** Upper bounds; Infinity for none. */
  readonly most: readonly number[];
}

const TINY = 1e-11;

/**
 * Solves a small linear programme by the two-phase simplex on a dense tableau, with Bland's rule (Bland 1977, Math.
 * Oper. Res. 2, 103), so it always ends. Meant for a dozen unknowns, not for thousands.
 *
 * @returns x, or null where nothing meets the rows within the bounds
 */
export function solveLinearProgram(program: LinearProgram): number[] | null {
  const count = program.cost.length;
  const bounded = program.most.flatMap((most, i) => (Number.isFinite(most) ? [i] : []));
  const slacks = bounded.length;
  const rows = [
    ...program.rows.map((row, r) => ({ left: [...row, ...zeros(slacks)], right: program.rhs[r]! })),
    ...bounded.map((i, s) => ({ left: [...unit(count, i), ...unit(slacks, s)], right: program.most[i]! })),
  ];
  const tableau = rows.map(({ left, right }, r) => {
    const sign = right < 0 ? -1 : 1;
    return [...left.map((v) => sign * v), ...unit(rows.length, r), sign * right];
  });
  const real = count + slacks;
  const basis = rows.map((_, r) => real + r);

  const artificial = [...zeros(real), ...rows.map(() => 1)];
  minimise(tableau, basis, artificial, real + rows.length);
  const missed = basis.reduce((sum, b, r) => sum + (b >= real ? last(tableau[r]!) : 0), 0);
  if (missed > 1e-9 * Math.max(1, ...rows.map(({ right }) => Math.abs(right)))) return null;
  dropArtificial(tableau, basis, real);

  minimise(tableau, basis, [...program.cost, ...zeros(slacks + rows.length)], real);
  const x = zeros(count);
  basis.forEach((b, r) => {
    if (b < count) x[b] = Math.max(0, last(tableau[r]!));
  });
  return x;
}

/** Pivots until no column among the first `columns` lowers the cost. */
function minimise(tableau: number[][], basis: number[], cost: readonly number[], columns: number): void {
  for (;;) {
    const reduced = (j: number) => cost[j]! - tableau.reduce((sum, row, r) => sum + cost[basis[r]!]! * row[j]!, 0);
    let enters = -1;
    for (let j = 0; j < columns && enters < 0; j++) if (reduced(j) < -TINY) enters = j;
    if (enters < 0) return;
    let leaves = -1;
    let least = Infinity;
    tableau.forEach((row, r) => {
      if (row[enters]! <= TINY) return;
      const ratio = last(row) / row[enters]!;
      if (ratio < least - TINY || (ratio < least + TINY && leaves >= 0 && basis[r]! < basis[leaves]!)) {
        least = ratio;
        leaves = r;
      }
    });
    if (leaves < 0) return;
    pivot(tableau, basis, leaves, enters);
  }
}

/** Artificial unknowns that stayed in the basis at zero make room for real ones. */
function dropArtificial(tableau: number[][], basis: number[], real: number): void {
  basis.forEach((b, r) => {
    if (b < real) return;
    const j = tableau[r]!.findIndex((v, k) => k < real && Math.abs(v) > TINY);
    if (j >= 0) pivot(tableau, basis, r, j);
  });
}

function pivot(tableau: number[][], basis: number[], r: number, j: number): void {
  const by = tableau[r]![j]!;
  tableau[r] = tableau[r]!.map((v) => v / by);
  tableau.forEach((row, i) => {
    const factor = row[j]!;
    if (i !== r && factor !== 0) tableau[i] = row.map((v, k) => v - factor * tableau[r]![k]!);
  });
  basis[r] = j;
}

const zeros = (n: number): number[] => new Array<number>(n).fill(0);
const unit = (n: number, i: number): number[] => zeros(n).map((_, k) => (k === i ? 1 : 0));
const last = (row: readonly number[]): number => row[row.length - 1]!;
