import { say, type Text } from '../messages/message.js';
import { amount } from '../messages/quantity.js';
import type { Household } from '../make/household.js';
import { scaleTo } from '../make/scale.js';
import { makeSheet, SHEET_FORECAST, type MakeSheet } from '../make/sheet.js';
import { choicesOf, initialChoices, type Choices, type Method } from '../methods/method.js';
import type { Gear } from '../lots/gear.js';
import { fillOfLot } from './fills.js';
import { biggerVessels } from './own-gear.js';
import { ideasFor } from './ideas.js';
import { stockOfLot, type LotStock, type StockLot } from '../lots/lot.js';

/** What is at hand, and what is wanted. */
export interface Wanted {
  /** A lot to be used up, and how much of it is left, g; null for any. */
  readonly lot: { readonly lot: StockLot; readonly leftG: number } | null;
  /** Hours within which it has to be ready; null for any time. */
  readonly withinH: number | null;
  /** True where something holds a warmth that is set. */
  readonly thermostat: boolean;
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
  const meant = methods.filter((m) => !wanted.lot || isIdea(m, wanted.lot.lot));
  return meant
    .map((method) => foundOf(method, wanted, household))
    .sort((a, b) => Number(a.against !== '') - Number(b.against !== '') || a.totalMin - b.totalMin);
}

const isIdea = (method: Method, lot: StockLot) => ideasFor(lot, [method]).length > 0;

function foundOf(method: Method, wanted: Wanted, household: Household): Found {
  const stocks = wanted.lot ? [stockOfLot(wanted.lot.lot)] : [];
  const kept = wanted.thermostat ? { choices: {}, against: '' } : withoutThermostat(method);
  const first = {
    ...kept.choices,
    ...(wanted.lot ? ofLot(method, kept.choices, wanted.lot, stocks, household) : {}),
  };
  const { name, family, id } = method;
  const work = (decided: Choices) =>
    makeSheet(method, decided, QUICK, { ...household, stocks, startMs: wanted.startMs });
  const tried = work(first);
  const bigger = biggerVessels(tried.problems, wanted.gear);
  const choices = { ...first, ...bigger };
  const sheet = bigger ? work(choices) : tried;
  return {
    methodId: id,
    name,
    family,
    choices,
    productG: sheet.product.massG,
    totalMin: sheet.totalMin,
    handsMin: sheet.handsMin,
    perKg: sheet.cost.perKg,
    against: kept.against || againstIt(sheet, wanted.withinH),
  };
}

/** Where it is kept warm when nothing holds what is set: the first way that needs no thermostat. */
function withoutThermostat(method: Method): { readonly choices: Choices; readonly against: Text } {
  const keeper = choicesOf(method).find((c) => c.key === 'keeper');
  if (keeper?.kind !== 'option' || keeper.initial !== 'thermostat') return { choices: {}, against: '' };
  const other = keeper.options.find((o) => o.id !== 'thermostat');
  if (other) return { choices: { keeper: other.id }, against: '' };
  return { choices: {}, against: say('larder.findMakes.wantsSteadyWarmth') };
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
  return scaled.ok ? { ...choices, massG: scaled.massG } : choices;
}

/** A milk as rich as it is, or a cream no richer than it is: nothing else has to be bought for it. */
function ownFat(method: Method, { kind, material }: StockLot): Choices {
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
