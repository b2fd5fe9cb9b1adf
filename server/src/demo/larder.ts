import {
  materialOf,
  MILK_POWDER,
  PLANT_BASES,
  REFERENCE_CREAMS,
  REFERENCE_MILKS,
  seededRandom,
  seedFromText,
  type Gear,
  type GearKind,
  type Learned,
  type Lot,
  type Stock,
  type StockLot,
} from '@oat-crock/core';
import { daysOn, localTime, wordOf, type Zone } from '@oat-crock/calendar';
import { ulid } from 'ulid';

const DAY_MS = 86_400_000;

/** The same thing has the same id in every demonstration begun at the same moment. */
const idOf = (name: string, nowMs: number) => ulid(nowMs - 30 * DAY_MS, seededRandom(seedFromText(name)));

const listed = (stocks: readonly Stock[], id: string): Stock => stocks.find((s) => s.id === id)!;

/** What stands in the old lamp store's larder. */
export function demoLots(nowMs: number, zone: Zone): Lot[] {
  const today = localTime(nowMs, zone);
  const common = (
    name: string,
    amount: number,
    price: number,
    useInDays: number | null,
    pack: number | null = null,
  ) => ({
    id: idOf(name, nowMs),
    name,
    amount,
    countedMs: nowMs - DAY_MS,
    pack,
    price,
    useBy: useInDays === null ? null : wordOf(daysOn(today, useInDays)),
    note: '',
  });
  const stock = (
    kind: StockLot['kind'],
    of: Stock,
    lot: ReturnType<typeof common>,
    more: Partial<StockLot> = {},
  ): Lot => ({
    ...lot,
    kind,
    material: materialOf(of),
    treatment: of.treatment,
    species: of.species ?? 'cow',
    homogenised: false,
    stabilised: false,
    freshPh: null,
    allergen: of.allergen ?? null,
    ...more,
  });
  const whole = listed(REFERENCE_MILKS, 'whole');
  const meadow = stock('milk', listed(REFERENCE_MILKS, 'raw'), common('Evening milk, near meadow', 24_000, 1.55, 2));
  return [
    { ...meadow, note: 'The neighbour’s cows; fetched in the steel can.' },
    stock('milk', listed(REFERENCE_MILKS, 'goat'), common('Goats’ milk, upper path', 9_000, 2.6, 3)),
    stock('milk', whole, common('Whole milk, ferry cartons', 8_240, 1.35, 9, 1030), { homogenised: true }),
    stock('cream', listed(REFERENCE_CREAMS, 'cream-36'), common('Skimmed-off cream', 4_200, 6.2, 1)),
    stock('cream', listed(REFERENCE_CREAMS, 'cream-ultra'), common('Ferry cream, small packs', 1_500, 5.4, 41, 250), {
      stabilised: true,
      homogenised: true,
    }),
    stock('base', listed(PLANT_BASES, 'coconut-cream'), common('Coconut cream, cans', 3_200, 8.8, 220, 400)),
    stock('powder', MILK_POWDER, common('Skimmed-milk powder', 2_000, 9.2, 150, 1000)),
    { ...common('Lemons, pressed', 600, 5.5, 4), kind: 'acid', agent: 'lemon', strengthPct: 5.1 },
    { ...common('White vinegar', 1_800, 2.4, null, 1000), kind: 'acid', agent: 'vinegar', strengthPct: 5 },
    { ...common('Citric acid', 350, 9, null, 500), kind: 'acid', agent: 'citric', strengthPct: 100 },
    { ...common('Calf rennet, small bottle', 42, 310, 64, 50), kind: 'rennet', imcuPerMl: 180, dropsPerMl: 24 },
    { ...common('Calcium chloride', 88, 22, null, 100), kind: 'calcium', solutionPct: 33 },
    { ...common('Island sea salt', 1_400, 4, null), kind: 'salt' },
    { ...common('Fine cloths', 6, 0, null), kind: 'cloth', weave: 'fine' },
    { ...common('Old muslin', 3, 0, null), kind: 'cloth', weave: 'open' },
  ];
}

/** Its gear, and what has been measured of it. */
export function demoGear(nowMs: number): Gear[] {
  const measured = (value: number, sd: number): Learned => ({ value, sd, atMs: nowMs - 12 * DAY_MS });
  const gear = (
    kind: GearKind,
    name: string,
    holdsL: number | null,
    count = 1,
    learned: Gear['learned'] = {},
  ): Gear => ({
    id: idOf(name, nowMs),
    kind,
    name,
    holdsL,
    count,
    learned,
    note: '',
  });
  return [
    gear('pot', 'Big steel pot', 14, 1, { lossWPerK: measured(3.9, 0.2) }),
    gear('pot', 'Middle pot', 8),
    gear('pot', 'Milk pan', 3),
    gear('jar', 'Litre jars', 1, 12),
    gear('flask', 'Blue flask', 2, 1, { lossWPerK: measured(0.08, 0.01) }),
    gear('thermostat', 'Warm box', 30, 1, { holdsC: measured(42.1, 0.3) }),
    gear('lamp-oven', 'Bakery oven, lamp on', null, 1, { holdsC: { ...measured(38.4, 0.8), roomC: 21 } }),
    gear('strainer', 'Wide sieve', 5, 2),
    gear('mould', 'Wooden butter mould', 0.5, 2),
    gear('churn', 'Crank churn', 8),
    gear('cold-shelf', 'Cold shelf', 120, 1, { holdsC: measured(4.2, 0.4) }),
    gear('hob', 'Gas ring', null, 1, { powerW: measured(1750, 90) }),
  ];
}
