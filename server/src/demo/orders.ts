import { daysOn, localTime, momentAt, occurrencesOf, weekdayOf, type Zone } from '@oat-crock/calendar';
import type { PlannedBatch, Supply, WantedOrder } from '@oat-crock/contract';
import { seededRandom, seedFromText, type Batch } from '@oat-crock/core';
import { ulid } from 'ulid';

const DAY_MS = 86_400_000;
/** Days from the one on which the demonstration opens, a Tuesday, to that of the school and that of the market. */
const [SCHOOL_IN, MARKET_IN] = [1, 4];

const SCHOOL = 'the school';

/** What the island wants of the old lamp store this week. */
export function demoOrders(nowMs: number, zone: Zone): WantedOrder[] {
  const order = (of: Omit<WantedOrder, 'id' | 'choices' | 'note'> & Partial<WantedOrder>): WantedOrder => ({
    id: ulid(nowMs - 3 * DAY_MS, seededRandom(seedFromText(`${of.whom} ${of.methodId}`))),
    choices: {},
    note: '',
    ...of,
  });
  const inDays = (days: number) => daysOn(localTime(nowMs, zone), days);
  const fromMs = nowMs - 3 * DAY_MS;
  return [
    order({
      whom: 'the quay market',
      methodId: 'strained-yogurt',
      choices: { fatPct: 4, texture: 'very-thick' },
      productG: 3000,
      due: { is: 'weekly', day: weekdayOf(inDays(MARKET_IN)), atH: 8, fromMs },
      note: 'In the stone jar, as it stands.',
    }),
    order({
      whom: SCHOOL,
      methodId: 'strained-yogurt',
      choices: { fatPct: 3.6, texture: 'very-thick' },
      productG: 2400,
      due: { is: 'weekly', day: weekdayOf(inDays(SCHOOL_IN)), atH: 7.5, fromMs },
    }),
    order({
      whom: 'the bakery',
      methodId: 'quark',
      productG: 1500,
      due: { is: 'once', atMs: momentAt(inDays(MARKET_IN), 6, zone) },
      note: 'For the poppy-seed trays.',
    }),
    order({
      whom: 'the harbour inn',
      methodId: 'scalded-yogurt',
      choices: { targetPh: 4.6, dosePct: 2, potG: 150 },
      productG: 900,
      due: { is: 'once', atMs: momentAt(inDays(SCHOOL_IN), 11, zone) },
      note: 'For the breakfast table.',
    }),
    order({ whom: 'the quay stall', methodId: 'cultured-butter', productG: 800, due: { is: 'some time' } }),
  ];
}

/** Days until the neighbour's can comes next, and the time after that. */
const CAN_IN = [2, 6];

/** The milk that the neighbour brings twice a week. */
export function demoSupplies(nowMs: number, zone: Zone): Supply[] {
  const fromMs = nowMs - 3 * DAY_MS;
  const days = CAN_IN.map((inDays) => weekdayOf(daysOn(localTime(nowMs, zone), inDays))).sort();
  return [
    {
      ...{
        id: ulid(fromMs, seededRandom(seedFromText('near meadow'))),
        kind: 'milk',
        name: 'Morning milk, near meadow',
      },
      ...{ massG: 14_000, keepsDays: 3, fatPct: 4, proteinPct: 3.4, treatment: 'raw', price: 1.55 },
      comes: { is: 'weekly', days, atH: 7, fromMs },
      note: 'In the steel can; the empty one goes back with it.',
    },
  ];
}

/** The live make for the school, as the plan has it: begun for what is wanted tomorrow. */
export function begunForSchool(orders: readonly WantedOrder[], batch: Batch, nowMs: number, zone: Zone): PlannedBatch {
  const school = orders.filter(({ whom }) => whom === SCHOOL);
  const [next] = occurrencesOf(school, nowMs, nowMs + 7 * DAY_MS, zone);
  const { id: occurrenceId, order, dueMs } = next!;
  const { whom, methodId, choices, productG } = order;
  return {
    id: ulid(batch.startedMs, seededRandom(seedFromText(occurrenceId))),
    occurrenceId,
    part: 1,
    parts: 1,
    name: 'Strained yogurt',
    whom,
    methodId,
    choices,
    productG,
    startMs: batch.startedMs,
    readyMs: dueMs!,
    readyLateMs: dueMs!,
    dueMs,
    extension: null,
    accepted: [],
    pinned: false,
    tasks: [],
    gear: ['Middle pot'],
    feed: null,
    starterTimes: 1,
    instead: null,
    course: [],
    batchId: batch.id,
  };
}
