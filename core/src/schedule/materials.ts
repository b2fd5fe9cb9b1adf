import type { LotKind } from '../larder/lot.js';
import type { Amount } from '../make/amounts.js';
import type { PlannedMake } from './plan.js';

/** A lot as a plan takes of it: what of it is left, and until when it may be used, minutes of the plan; null where it keeps. */
export interface LotLeftThen {
  readonly id: string;
  readonly kind: LotKind;
  readonly name: string;
  readonly leftG: number;
  readonly untilMin: number | null;
  /** It is another milk than what is usually meant: taken only by what names it. */
  readonly onlyNamed?: boolean;
}

/** Something a make weighs in, and where it comes from. */
export interface Needed {
  readonly make: PlannedMake;
  readonly what: string;
  readonly massG: number;
  /** When the make begins. */
  readonly atMin: number;
  readonly from: readonly { readonly lotId: string; readonly massG: number }[];
  /** What no lot gives. */
  readonly shortG: number;
}

/** Something to buy: how much of it, and by when, minutes of the plan. */
export interface ToBuy {
  readonly what: string;
  readonly massG: number;
  readonly byMin: number;
}

/** Kinds of lots that a thing may come out of, by whose price it has; what is one's own is not bought. */
const KINDS: Readonly<Partial<Record<Amount['pricedAs'], readonly LotKind[]>>> = {
  milk: ['milk', 'base'],
  cream: ['cream'],
  powder: ['powder'],
  acid: ['acid'],
};

/** What the makes of a plan weigh in, the first that is begun first, each out of lots that are in date by then, those to be used first first. */
export function neededBy(makes: readonly PlannedMake[], lots: readonly LotLeftThen[]): readonly Needed[] {
  const left = new Map(lots.map((lot) => [lot.id, lot.leftG]));
  const inOrder = [...makes].sort((a, b) => a.way.startMin - b.way.startMin);
  return inOrder.flatMap((make) =>
    make.network.amounts
      .filter(({ massG, pricedAs, outOf }) => massG > 0 && pricedAs !== 'own' && outOf !== 'culture')
      .map((amount): Needed => {
        const atMin = make.way.startMin;
        const from: { lotId: string; massG: number }[] = [];
        let shortG = amount.massG;
        for (const lot of lotsFor(amount, lots, atMin)) {
          const massG = Math.min(shortG, left.get(lot.id)!);
          if (massG <= 0) continue;
          left.set(lot.id, left.get(lot.id)! - massG);
          from.push({ lotId: lot.id, massG });
          shortG -= massG;
        }
        return { make, what: amount.what, massG: amount.massG, atMin, from, shortG };
      }),
  );
}

function lotsFor(
  { lotId, pricedAs, outOf }: Amount,
  lots: readonly LotLeftThen[],
  atMin: number,
): readonly LotLeftThen[] {
  const kinds = KINDS[pricedAs] ?? (outOf ? [outOf as LotKind] : []);
  return lots
    .filter((lot) => (lotId === null ? kinds.includes(lot.kind) && !lot.onlyNamed : lot.id === lotId))
    .filter(({ untilMin }) => untilMin === null || untilMin >= atMin)
    .sort((a, b) => (a.untilMin ?? Infinity) - (b.untilMin ?? Infinity));
}

/** What is short, put together by what it is: so much of it, by when the first of it is wanted. */
export function toBuy(needs: readonly Needed[]): readonly ToBuy[] {
  const bought = new Map<string, ToBuy>();
  for (const { what, shortG, atMin } of needs) {
    if (shortG <= 0) continue;
    const before = bought.get(what);
    bought.set(what, {
      what,
      massG: (before?.massG ?? 0) + shortG,
      byMin: Math.min(before?.byMin ?? Infinity, atMin),
    });
  }
  return [...bought.values()].sort((a, b) => a.byMin - b.byMin);
}
