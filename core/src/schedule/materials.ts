import { idOfText, say, type Text } from '../messages/message.js';
import { SOUR_CREAM_BELOW_PH } from '../constants/milk.js';
import { isSouredReference, kindOfReference } from '../lots/reference-kind.js';
import type { LotKind } from '../lots/lot-of.js';
import type { Amount } from '../make/amounts.js';
import type { Base } from '../make/goes-on-as.js';
import { REFERENCE_MILKS, referenceStock } from '../materials/reference-materials.js';
import type { PlannedMake } from './planning-problem.js';
import type { Feed } from './starters.js';

/** What a plan takes of: a kind of lot, or what another make made that is gone on with. */
export type SourceKind = LotKind | Base;

/** A lot as a plan takes of it: what of it is left, and until when it may be used, minutes of the plan; null where it keeps. */
export interface LotLeftThen {
  readonly id: string;
  readonly kind: SourceKind;
  readonly name: Text;
  readonly leftG: number;
  readonly untilMin: number | null;
  /** It comes at this minute of the plan; it is here where left out. */
  readonly fromMin?: number;
  /** What it is, where lots of its kind are not alike: a paste is not garlic. */
  readonly sort?: Text;
  /** It is cream that is sour already: nothing that asks for sweet cream takes of it, and the other way round. */
  readonly sour?: boolean;
  /** It is another milk than what is usually meant: taken only by what names it. */
  readonly onlyNamed?: boolean;
}

/** Something a make weighs in, and where it comes from. */
export interface Needed {
  readonly make: PlannedMake;
  readonly what: Text;
  readonly massG: number;
  /** When the make begins. */
  readonly atMin: number;
  readonly from: readonly { readonly lotId: string; readonly massG: number }[];
  /** What no lot gives. */
  readonly shortG: number;
}

/** Something to buy: how much of it, and by when, minutes of the plan. */
export interface ToBuy {
  readonly what: Text;
  readonly massG: number;
  readonly byMin: number;
}

/** What something weighed in comes out of; null where it is nothing that is kept. */
export function lotKindOf({
  stockId,
  pricedAs,
  outOf,
}: Pick<Amount, 'stockId' | 'pricedAs' | 'outOf'>): SourceKind | null {
  if (stockId !== null) return kindOfReference(stockId) ?? (pricedAs === 'cream' ? 'cream' : 'milk');
  if (outOf !== null && outOf !== 'culture') return outOf as SourceKind;
  return pricedAs === 'acid' ? 'acid' : null;
}

/** What the makes of a plan weigh in, the first that is begun first, each out of lots that are in date by then, those to be used first first. */
export function neededBy(makes: readonly PlannedMake[], lots: readonly LotLeftThen[]): readonly Needed[] {
  const left = new Map(lots.map((lot) => [lot.id, lot.leftG]));
  const weighed = makes.flatMap((make) => [
    ...(make.feed ? [{ make, amount: feedingMilk(make.feed), atMin: make.feed.beginMin }] : []),
    ...make.network.amounts
      .filter(({ massG, pricedAs, outOf }) => massG > 0 && pricedAs !== 'own' && outOf !== 'culture')
      .map((amount) => ({ make, amount, atMin: make.mode.startMin })),
  ]);
  return weighed
    .sort((a, b) => a.atMin - b.atMin)
    .map(({ make, amount, atMin }): Needed => {
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
    });
}

/** Sourer than this it is no sweet whey, and no sweet cream. */
const SWEET_PH = 5.6;

/** What makes of a plan leave over, as lots that are there once those are done: whey, and cream, sweet or soured. */
export function lotsLeft(makes: readonly PlannedMake[]): readonly LotLeftThen[] {
  return makes.flatMap(({ orderId, part, name, network, mode }) =>
    network.leaves.flatMap((left): LotLeftThen[] => {
      const isSweet = left.ph > SWEET_PH;
      const isSoured = left.ph <= SOUR_CREAM_BELOW_PH;
      if (left.is !== 'whey' && !(left.is === 'cream' && (isSweet || isSoured))) return [];
      const fromMin = mode.readyMin;
      return [
        {
          ...{ id: `left of ${orderId} ${part} ${left.is}`, kind: left.is, leftG: left.massG, fromMin },
          untilMin: fromMin + 1440 * left.keepsDays,
          name: say('schedule.materials.leftOf', { left: left.name, name }),
          ...(left.is === 'cream' && { sour: isSoured }),
          ...(left.is === 'whey' && { sort: isSweet ? SWEET_WHEY : ACID_WHEY }),
        },
      ];
    }),
  );
}

const [SWEET_WHEY, ACID_WHEY] = ['sweet-whey', 'acid-whey'].map((id) => referenceStock(id).name) as [Text, Text];

/** The milk of a feeding, as any milk that is weighed in. */
function feedingMilk({ milkG }: Feed): Pick<Amount, 'what' | 'massG' | 'stockId' | 'lotId' | 'outOf' | 'pricedAs'> {
  const { id, name } = WHOLE;
  return { what: name, massG: milkG, stockId: id, lotId: null, outOf: null, pricedAs: 'milk' };
}

const WHOLE = REFERENCE_MILKS.find(({ id }) => id === 'whole')!;

function lotsFor(
  amount: Pick<Amount, 'what' | 'stockId' | 'lotId' | 'outOf' | 'pricedAs'>,
  lots: readonly LotLeftThen[],
  atMin: number,
): readonly LotLeftThen[] {
  const kind = lotKindOf(amount);
  return lots
    .filter((lot) => (amount.lotId === null ? kind === lot.kind && isMeant(lot, amount) : lot.id === amount.lotId))
    .filter(({ untilMin, fromMin = 0 }) => fromMin <= Math.max(0, atMin) && (untilMin === null || untilMin >= atMin))
    .sort((a, b) => (a.untilMin ?? Infinity) - (b.untilMin ?? Infinity));
}

/** Whether a lot will do for an amount of its kind that names no lot. */
const isMeant = (lot: LotLeftThen, { what, stockId }: Pick<Amount, 'what' | 'stockId'>) =>
  !lot.onlyNamed &&
  (lot.sort === undefined || idOfText(lot.sort) === idOfText(what)) &&
  (lot.sour ?? false) === isSouredReference(stockId ?? '');

/** What is short, put together by what it is: so much of it, by when the first of it is wanted. */
export function toBuy(needs: readonly Needed[]): readonly ToBuy[] {
  const bought = new Map<string, ToBuy>();
  for (const { what, shortG, atMin } of needs) {
    if (shortG <= 0) continue;
    const before = bought.get(idOfText(what));
    bought.set(idOfText(what), {
      what,
      massG: (before?.massG ?? 0) + shortG,
      byMin: Math.min(before?.byMin ?? Infinity, atMin),
    });
  }
  return [...bought.values()].sort((a, b) => a.byMin - b.byMin);
}
