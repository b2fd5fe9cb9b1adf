import {
  materialOf,
  REFERENCE_MILKS,
  seededRandom,
  seedFromText,
  type CrockState,
  type CultureLot,
  type Entry,
  type Lot,
  type Member,
  type StockLot,
} from '@oat-crock/core';
import { sameHourOn, type Zone } from '@oat-crock/calendar';
import { ulid } from 'ulid';
import { play, type Script } from './play.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const WEEKS = 51;
/** The first Monday of the year that is played, and in which zone its hands work. */
const BEGINS_MS = Date.UTC(2025, 4, 5);
const ZONE: Zone = 'UTC';

/** A year of the old lamp store before the week of the demonstration: its makes, its milks and its cultures. */
export interface PlayedYear {
  readonly logs: readonly (readonly Entry[])[];
  readonly lots: readonly { readonly lot: Lot; readonly goneMs: number }[];
  readonly endsMs: number;
}

/** The neighbour's cows: on hay in the stable, on grass from spring on; richer on hay. From mid-November a new feed. */
const FEEDS = [
  { fromWeek: 0, name: 'Evening milk, on grass', fatPct: 3.9, proteinPct: 3.3, price: 1.5 },
  { fromWeek: 27, name: 'Evening milk, on hay', fatPct: 4.5, proteinPct: 3.6, price: 1.72 },
  { fromWeek: 48, name: 'Evening milk, spring grass', fatPct: 4.0, proteinPct: 3.4, price: 1.55 },
] as const;

/** The cultures that made the yogurts, one after another: the second was slow from the first day on. */
const JARS = [
  { fromWeek: 0, name: 'Harbour jar', pace: 1 },
  { fromWeek: 22, name: 'Aunt Solla’s jar', pace: 0.68 },
  { fromWeek: 35, name: 'Winter packet', pace: 1.06 },
] as const;

/** The week in which the milk turned: what was made of it was called back. */
const TURNED_WEEK = 15;

/** Half of it had been sold by then; what was left, and what came back, was thrown away. */
const CALLED_BACK: NonNullable<Script['goes']> = [
  { afterH: 6, share: 0.3, how: 'sold', to: 'the quay market' },
  { afterH: 20, share: 0.2, how: 'sold', to: 'the harbour inn' },
  { afterH: 120, share: 0.5, how: 'thrown', why: 'called back: the milk was turning' },
];

/** What the store makes of a week, by the day (0 is Monday) and the hour at which it is begun. */
const WEEK: readonly (Pick<Script, 'name' | 'methodId' | 'choices' | 'goes'> & {
  readonly day: number;
  readonly hour: number;
  readonly every?: 2;
})[] = [
  {
    ...{ name: 'Market yogurt, plain', methodId: 'scalded-yogurt', day: 0, hour: 8 },
    choices: { massG: 8000, vesselL: 12, potG: 400 },
    goes: [
      { afterH: 20, share: 0.6, how: 'sold', to: 'the quay market' },
      { afterH: 44, share: 0.3, how: 'sold', to: 'the harbour inn' },
      { afterH: 70, share: 0.1, how: 'eaten' },
    ],
  },
  {
    ...{ name: 'Kefir for the store-room', methodId: 'grain-kefir', day: 1, hour: 9 },
    choices: { massG: 1500, vesselL: 2, grainsPct: 5 },
    goes: [{ afterH: 10, share: 1, how: 'eaten' }],
  },
  {
    ...{ name: 'Thick yogurt for the bakery', methodId: 'strained-yogurt', day: 2, hour: 7 },
    choices: { massG: 6000, vesselL: 8, texture: 'very-thick' },
    goes: [
      { afterH: 6, share: 0.8, how: 'sold', to: 'the bakery' },
      { afterH: 30, share: 0.2, how: 'given', to: 'Runa next door' },
    ],
  },
  {
    ...{ name: 'School pots, mild', methodId: 'scalded-yogurt', day: 3, hour: 8 },
    choices: { massG: 10_000, vesselL: 12, targetPh: 4.6, dosePct: 2, potG: 150 },
    goes: [
      { afterH: 5, share: 0.9, how: 'sold', to: 'the school' },
      { afterH: 60, share: 0.07, how: 'eaten' },
      { afterH: 61, share: 0.03, how: 'thrown', why: 'a lid came off on the cart' },
    ],
  },
  {
    ...{ name: 'Quark for the harbour inn', methodId: 'quark', day: 4, hour: 17, every: 2 },
    choices: { massG: 5000, vesselL: 8 },
    goes: [{ afterH: 8, share: 1, how: 'sold', to: 'the harbour inn' }],
  },
  {
    ...{ name: 'Soft curd, sweet', methodId: 'acid-heat-curd', day: 5, hour: 9 },
    choices: { massG: 4000, vesselL: 8, agent: 'lemon', targetPh: 5.8 },
    goes: [
      { afterH: 20, share: 0.7, how: 'sold', to: 'the quay stall' },
      { afterH: 40, share: 0.3, how: 'eaten' },
    ],
  },
];

const at = <T extends { readonly fromWeek: number }>(all: readonly T[], week: number): T =>
  all.findLast((one) => one.fromWeek <= week)!;

const idOf = (name: string, atMs: number) => ulid(atMs, seededRandom(seedFromText(`year ${name}`)));

/** Plays the whole year, week after week, the same each time. */
export function playYear(roomAt: (ms: number) => number): PlayedYear {
  const jars = JARS.map((jar) => jarLot(jar.name, sameHourOn(BEGINS_MS, jar.fromWeek * 7 - 3, ZONE)));
  const lots: { lot: Lot; goneMs: number }[] = jars.map((lot, i) => ({
    lot,
    goneMs: sameHourOn(BEGINS_MS, (JARS[i + 1]?.fromWeek ?? WEEKS) * 7, ZONE),
  }));
  const logs: Entry[][] = [];
  for (let week = 0; week < WEEKS; week++) {
    const monday = sameHourOn(BEGINS_MS, week * 7, ZONE);
    const milk = milkLot(week, monday - 12 * HOUR_MS);
    lots.push({ lot: milk, goneMs: monday + 9 * DAY_MS });
    for (const { day, hour, every, ...make } of WEEK) {
      if (every && week % every > 0) continue;
      const startMs = sameHourOn(monday, day, ZONE) + hour * HOUR_MS;
      const name = `${make.name}, week ${week + 1}`;
      logs.push(play(scriptOf({ ...make, name }, { week, startMs, milk, jars }), roomAt));
    }
  }
  return { logs, lots, endsMs: sameHourOn(BEGINS_MS, WEEKS * 7, ZONE) };
}

interface Week {
  readonly week: number;
  readonly startMs: number;
  readonly milk: StockLot;
  readonly jars: readonly CultureLot[];
}

function scriptOf(
  make: Pick<Script, 'name' | 'methodId' | 'choices' | 'goes'>,
  { week, startMs, milk, jars }: Week,
): Script {
  const random = seededRandom(seedFromText(make.name));
  const isYogurt = make.methodId === 'scalded-yogurt' || make.methodId === 'strained-yogurt';
  const jar = at(JARS, week);
  const doseG = Math.round((Number(make.choices['massG']) * Number(make.choices['dosePct'] ?? 2.5)) / 100);
  const hasTurned = week === TURNED_WEEK;
  const goes = hasTurned ? CALLED_BACK : make.goes;
  const later = hasTurned
    ? ([
        { afterH: 90, body: { type: 'held', by: 'Ine', reason: 'the milk of that can was turning; called back' } },
        { afterH: 96, body: { type: 'note', text: 'All who had some were told, and brought back what was left.' } },
      ] as const)
    : [];
  return {
    ...make,
    choices: { ...make.choices, milkPrice: milk.price, ...(isYogurt && { ageDays: 2 + Math.floor(3 * random()) }) },
    startMs,
    untilMs: Number.MAX_SAFE_INTEGER,
    zone: ZONE,
    instruments: {},
    handReads: [
      { stageId: 'warm', shares: [0.02, 0.4, 0.75, 0.98] },
      { stageId: 'stand', shares: [0.02, 0.6, 0.98] },
      { stageId: 'ripen', shares: [0.5, 0.98] },
    ],
    cues: isYogurt && random() < 0.4 ? [{ stageId: 'warm', share: 0.9, cue: 'set', answer: 'wobbles' }] : [],
    notes: NOTES.filter((note) => note.week === week && make.name.startsWith(note.of)).map(({ text }) => ({
      stageId: 'heat',
      text,
    })),
    score: marks,
    ...(goes && { goes }),
    later: [...later],
    milk,
    ...(isYogurt && { starter: { lotId: jars[JARS.indexOf(jar)]!.id, massG: doseG } }),
    truth: truthOf(jar.pace, isYogurt, random),
  };
}

/** How this make's truth is: its jar's pace, and a little of its own. */
function truthOf(pace: number, isYogurt: boolean, random: () => number): Partial<Member> {
  const own = Math.exp(0.12 * (random() + random() + random() - 1.5));
  return isYogurt ? { pace: pace * own } : {};
}

/** The maker's marks: sourness by pH, and how near it came to what they like best, as somebody feels on the day. */
function marks(end: CrockState, random: () => number) {
  const mark = (value: number) => Math.max(1, Math.min(5, Math.round(value + 0.9 * (random() - 0.5))));
  const sourness = mark(3 + (4.42 - end.ph) / 0.14);
  return { sourness, thickness: mark(3.4), smoothness: mark(4.2), taste: mark(4.4 - 0.6 * Math.abs(sourness - 3)) };
}

const NOTES = [
  { week: 12, of: 'Market yogurt', text: 'Hottest week of the year: the store stood open all night.' },
  { week: 22, of: 'Market yogurt', text: 'First of Aunt Solla’s jar; the harbour jar smelt of yeast.' },
  { week: 27, of: 'Thick yogurt', text: 'The cows are in the stable now, and on hay.' },
  { week: 30, of: 'School pots', text: 'Late again: it is still thin at four hours.' },
  { week: 35, of: 'Market yogurt', text: 'A new packet from the ferry. It sets as it should.' },
] as const;

function milkLot(week: number, fetchedMs: number): StockLot {
  const { name, fatPct, proteinPct, price } = at(FEEDS, week);
  const raw = REFERENCE_MILKS.find(({ id }) => id === 'raw')!;
  return {
    ...{
      id: idOf(`milk ${week}`, fetchedMs),
      kind: 'milk',
      name,
      amount: 36_000,
      countedMs: fetchedMs,
      pack: null,
      price,
    },
    ...{
      useBy: null,
      note: '',
      treatment: 'raw',
      species: 'cow',
      homogenised: false,
      stabilised: false,
      freshPh: null,
    },
    material: { ...materialOf(raw), fatPct, proteinPct },
    allergen: null,
  };
}

function jarLot(name: string, bornMs: number): CultureLot {
  return {
    ...{ id: idOf(name, bornMs), kind: 'culture', name, amount: 20_000, countedMs: bornMs, pack: null, price: 0 },
    ...{
      useBy: null,
      note: '',
      culture: 'thermophilic',
      beside: null,
      form: 'active',
      origin: 'held back',
      parents: [],
    },
    ...{ generation: 0, bornMs, stays: [{ store: 'cold', fromMs: bornMs }], retiredMs: null },
  };
}
