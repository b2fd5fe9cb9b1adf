import type { Choices } from '../methods/method.js';
import type { Problem } from '../stages/kind.js';
import type { Gear, GearKind } from '../lots/gear.js';

/** Choices that ask how much a vessel holds, L, and the gear that answers them. */
const VESSELS: Readonly<Record<string, GearKind>> = { vesselL: 'pot', churnL: 'churn', strainerL: 'strainer' };

/** The smallest of one's own that holds as much, to the brim; null where none does. */
function bigEnough(kind: GearKind, litres: number, gear: readonly Gear[]): Gear | null {
  const own = gear.filter((g) => g.kind === kind && g.holdsL !== null && g.holdsL >= litres);
  return own.reduce<Gear | null>((best, g) => (best && best.holdsL! <= g.holdsL! ? best : g), null);
}

/** A problem of a vessel too small, with one's own that would do in place of one of any size. */
export function withOwnGear(problem: Problem, gear: readonly Gear[]): Problem {
  if (!problem.works) return problem;
  const works = Object.entries(problem.works).map(([key, value]) => {
    const kind = VESSELS[key];
    const own = kind && bigEnough(kind, Number(value), gear);
    return [key, own ? own.holdsL! : value] as const;
  });
  return { ...problem, works: Object.fromEntries(works) };
}

/** Vessels big enough, where those that were taken are not: one's own, or any that would do. Null where none is too small. */
export function biggerVessels(problems: readonly Problem[], gear: readonly Gear[]): Choices | null {
  const works = problems
    .map((p) => withOwnGear(p, gear))
    .flatMap((p) => Object.entries(p.works ?? {}))
    .filter(([key]) => key in VESSELS);
  return works.length > 0 ? Object.fromEntries(works) : null;
}
