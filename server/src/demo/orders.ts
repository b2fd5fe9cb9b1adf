import type { WantedOrder } from '@oat-crock/contract';
import { seededRandom, seedFromText } from '@oat-crock/core';
import { ulid } from 'ulid';

const DAY_MS = 86_400_000;

/** What the island wants of the old lamp store this week. */
export function demoOrders(nowMs: number): WantedOrder[] {
  const order = (of: Omit<WantedOrder, 'id' | 'choices' | 'note'> & Partial<WantedOrder>): WantedOrder => ({
    id: ulid(nowMs - 3 * DAY_MS, seededRandom(seedFromText(`${of.whom} ${of.methodId}`))),
    choices: {},
    note: '',
    ...of,
  });
  const inDays = (days: number, hour: number) => new Date(nowMs + days * DAY_MS).setHours(hour, 0, 0, 0);
  const fromMs = nowMs - 3 * DAY_MS;
  return [
    order({
      whom: 'the quay market',
      methodId: 'strained-yogurt',
      choices: { fatPct: 4, texture: 'very-thick' },
      productG: 3000,
      due: { is: 'weekly', day: 6, atH: 8, fromMs },
      note: 'In the stone jar, as it stands.',
    }),
    order({
      whom: 'the school',
      methodId: 'scalded-yogurt',
      choices: { targetPh: 4.6, potG: 150 },
      productG: 6000,
      due: { is: 'weekly', day: 3, atH: 7.5, fromMs },
    }),
    order({
      whom: 'the bakery',
      methodId: 'quark',
      productG: 1500,
      due: { is: 'once', atMs: inDays(4, 6) },
      note: 'For the poppy-seed trays.',
    }),
    order({ whom: 'the quay stall', methodId: 'cultured-butter', productG: 800, due: { is: 'some time' } }),
  ];
}
