import { say, type Text } from '../messages/message.js';
import { amount } from '../messages/quantity.js';
import { ALWAYS_AWAKE, type Household } from '../make/household.js';
import { scaleTo } from '../make/scale.js';
import { makeSheet, SHEET_FORECAST, type MakeSheet } from '../make/sheet.js';
import { choicesOf, initialChoices, offeredOf, type Choices, type Method } from '../methods/method.js';
import type { Gear } from '../lots/gear.js';
import { referenceStock } from '../materials/reference-materials.js';
import { materialOf } from '../materials/materials.js';
import { totalOfLines } from '../make/milk-lines.js';
import { without, type AbsentId } from './absent.js';
import type { AtHand } from './asked-for.js';
import { makesOf, type FoodId } from './food-names.js';
import { fillOfLot } from './fills.js';
import { biggerVessels } from './own-gear.js';
import { ideasFor } from './ideas.js';
import { stockOfLot, type LotStock, type StockLot } from '../lots/lot.js';

/** What is at hand, and what is wanted. */
export interface Wanted {
  /** A lot to be used up, and how much of it is left, g; null for any. */
  readonly lot: { readonly lot: StockLot; readonly leftG: number } | null;
  /** Milk, cream and such that no lot of one's own is. */
  readonly atHand: readonly AtHand[];
  /** Hours within which it has to be ready; null for any time. */
  readonly withinH: number | null;
  /** What is not there to make it with. */
  readonly absent: readonly AbsentId[];
  /** Foods by name, any of which it is to be; none for any. */
  readonly foods: readonly FoodId[];
  readonly startMs: number;
  /** Vessels of one's own: where one is too small, the next is taken. */
  readonly gear: readonly Gear[];
}

/** A make that was found: how it would be decided, what it gives, and why it does not do where it does not. */
export interface Found {
  readonly methodId: string;
  readonly name: Text;
  readonly family: Text;
  readonly choices: Choices;
  readonly productG: number;
  readonly totalMin: number;
  readonly handsMin: number;
  /** Times that hands fall while everybody sleeps. */
  readonly nightHands: number;
  readonly perKg: number;
  /** Empty where it does. */
  readonly against: Text;
}

/** Few members: it is asked of every method at once. */
const QUICK = { ...SHEET_FORECAST, members: 30, fanPoints: 2 };

/**
 * Every make that could be meant, each decided for what is at hand and worked out on the engine; those that do first,
 * soonest ready leading, then those that do not, with the reason.
 */
export function findMakes(methods: readonly Method[], wanted: Wanted, household: Household = {}): readonly Found[] {
  const named = new Map(wanted.foods.flatMap((food) => makesOf(food)).map((make) => [make.methodId, make.choices]));
  const rank = new Map([...named.keys()].map((id, i) => [id, i]));
  const meant = methods.filter((m) => (named.size === 0 || named.has(m.id)) && suits(m, wanted));
  return meant
    .map((method) => foundOf(method, offeredOf(method, named.get(method.id) ?? {}), wanted, household))
    .sort(
      (a, b) =>
        Number(a.against !== '') - Number(b.against !== '') ||
        (rank.get(a.methodId) ?? 0) - (rank.get(b.methodId) ?? 0) ||
        a.totalMin - b.totalMin,
    );
}

/** A make of what is at hand: of the lot that was meant, else of any milk, cream or base that was said. */
function suits(method: Method, { lot, atHand, foods }: Wanted): boolean {
  if (lot) return isIdea(method, lot.lot);
  return atHand.length === 0 || foods.length > 0 || atHand.some(({ kind }) => isIdea(method, usualLot(kind)));
}

const isIdea = (method: Method, lot: StockLot) => ideasFor(lot, [method]).length > 0;

/** A usual milk, cream, whey or base, as a lot nobody has. */
function usualLot(kind: StockLot['kind']): StockLot {
  const stock = referenceStock(
    { milk: 'whole', cream: 'cream-36', whey: 'sweet-whey', base: 'coconut-cream', powder: 'whole' }[kind],
  );
  const { treatment, species = 'cow' } = stock;
  return { kind, treatment, species, material: materialOf(stock) } as StockLot;
}

function foundOf(method: Method, named: Choices, wanted: Wanted, household: Household): Found {
  const stocks = wanted.lot ? [stockOfLot(wanted.lot.lot)] : [];
  const kept = withoutAll(method, wanted.absent, named);
  const first = {
    ...kept.choices,
    ...(wanted.lot
      ? ofLot(method, kept.choices, wanted.lot, stocks, household)
      : offeredOf(method, ofAtHand(method, kept.choices, wanted.atHand))),
  };
  const { name, family, id } = method;
  const work = (decided: Choices) =>
    makeSheet(method, decided, QUICK, { ...household, stocks, startMs: wanted.startMs });
  const tried = quicker(method, first, wanted.withinH, work);
  const bigger = biggerVessels(tried.sheet.problems, wanted.gear);
  const choices = { ...tried.choices, ...bigger };
  const sheet = bigger ? work(choices) : tried.sheet;
  return {
    methodId: id,
    name,
    family,
    choices,
    productG: sheet.product.massG,
    totalMin: sheet.totalMin,
    handsMin: sheet.handsMin,
    nightHands: nightHandsIn(sheet, wanted.startMs, household),
    perKg: sheet.cost.perKg,
    against: kept.against || againstIt(sheet, wanted.withinH),
  };
}

/** Times that hands of a sheet fall while everybody sleeps. */
function nightHandsIn({ stages }: MakeSheet, startMs: number, { wake = ALWAYS_AWAKE }: Household): number {
  const begins = stages.map(({ beginMin }) => startMs + 60_000 * beginMin);
  return begins.filter((atMs) => wake(atMs) > atMs).length;
}

/** What makes a make ready sooner, where it is asked. */
const SOONER: readonly Choices[] = [{ eaten: 'warm' }];

/** A make decided so that it is ready in time, where some choice makes it so. */
function quicker(
  method: Method,
  first: Choices,
  withinH: number | null,
  work: (choices: Choices) => MakeSheet,
): { readonly choices: Choices; readonly sheet: MakeSheet } {
  const plain = { choices: first, sheet: work(first) };
  if (withinH === null || plain.sheet.totalMin <= 60 * withinH) return plain;
  for (const sooner of SOONER) {
    const offered = offeredOf(method, sooner);
    if (Object.keys(offered).length === 0) continue;
    const choices = { ...first, ...offered };
    const sheet = work(choices);
    if (sheet.totalMin <= 60 * withinH) return { choices, sheet };
  }
  return plain;
}

/** A make decided for all that is not there; and the first of it that it cannot do without. */
function withoutAll(
  method: Method,
  absent: readonly AbsentId[],
  named: Choices,
): { readonly choices: Choices; readonly against: Text } {
  let choices = named;
  let against: Text = '';
  for (const id of absent) {
    const tried = without(method, id, choices);
    choices = tried.choices;
    against ||= tried.against;
  }
  return { choices, against };
}

/** As much as was said to be at hand: milk, cream, or both as two amounts. */
function ofAtHand(method: Method, chosen: Choices, atHand: readonly AtHand[]): Choices {
  const massOf = (...kinds: readonly StockLot['kind'][]) =>
    atHand.filter((a) => kinds.includes(a.kind)).reduce((sum, a) => sum + (a.massG ?? 0), 0);
  const [milkG, creamG] = [massOf('milk', 'whey', 'base'), massOf('cream')];
  if (milkG > 0 && creamG > 0) {
    const total = totalOfLines(method, { ...chosen, blendBy: 'fat' }, { milkG, creamG });
    return total ? { ...total, blendBy: 'fat' } : { massG: milkG + creamG };
  }
  const asItComes = creamG > 0 ? 'cream' : 'milk';
  const whey = atHand.some((a) => a.kind === 'whey') ? { milk: 'sweet-whey' } : {};
  return {
    ...whey,
    ...(milkG + creamG > 0 ? { massG: milkG + creamG } : {}),
    ...(atHand.length > 0 && chosen['fatPct'] === undefined ? { blendBy: asItComes } : {}),
  };
}

/** The lot chosen, and as much milk and cream as uses it up. */
function ofLot(
  method: Method,
  before: Choices,
  { lot, leftG }: NonNullable<Wanted['lot']>,
  stocks: readonly LotStock[],
  household: Household,
): Choices {
  const fill = fillOfLot(lot);
  if (!fill) return {};
  const keys = new Map(choicesOf(method).map((c) => [c.key, c]));
  const allowed = Object.entries({ ...fill.choices, ...ownFat(method, lot) }).filter(([key]) => keys.has(key));
  const choices = { ...before, ...Object.fromEntries(allowed) };
  const goal = { is: 'use up', lotId: lot.id, massG: leftG } as const;
  const scaled = scaleTo(method, choices, goal, { ...household, stocks });
  return scaled.ok ? { ...choices, [scaled.key]: scaled.massG } : choices;
}

/** A milk or a cream as it comes where a make takes it so; else no richer than it is: nothing else has to be bought for it. */
function ownFat(method: Method, { kind, material }: StockLot): Choices {
  const asItComes = offeredOf(method, { blendBy: kind === 'cream' ? 'cream' : 'milk' });
  if ('blendBy' in asItComes && initialChoices(method)['blendBy'] !== (kind === 'cream' ? 'milk' : 'fat'))
    return asItComes;
  const fat = choicesOf(method).find((c) => c.key === 'fatPct');
  if (fat?.kind !== 'number') return {};
  const asked = Number(initialChoices(method)['fatPct']);
  const has = Math.ceil(material.fatPct * 10 - 1e-9) / 10;
  const wanted =
    kind === 'cream' ? Math.min(asked, Math.floor(material.fatPct * 10 + 1e-9) / 10) : Math.max(asked, has);
  return wanted >= fat.min && wanted <= fat.max ? { fatPct: wanted } : {};
}

function againstIt(sheet: MakeSheet, withinH: number | null): Text {
  const [defeat] = sheet.problems.filter((p) => !p.mild);
  if (defeat) return defeat.message;
  if (withinH === null || sheet.totalMin <= withinH * 60) return '';
  return say('larder.findMakes.notReadyH', { withinH: amount(withinH) });
}
