import type { StockLot } from '@oat-crock/core';
import type { Zone } from '@oat-crock/calendar';
import type { KeptRecipient } from '../store/alerts.js';
import type { Script } from './play.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** The hour at which the demonstration opens: hours of earlier days are told from it, so that each make is as old wherever it opens. */
const OPENS_H = 14 + 20 / 60;

/** Who is told of hands with no page open: their letters end in the demonstration's own mailbox. */
export const DEMO_TOLD: readonly KeptRecipient[] = [
  {
    ...{ id: 'demo-ine', name: 'Ine', way: 'mail', address: 'ine@oat-crock.example', about: 'all', leadMin: 10 },
    ...{ quiet: 'house', wakes: false, isPaused: false, secret: '', trouble: '' },
  },
  {
    ...{ id: 'demo-per', name: 'Per', way: 'mail', address: 'per@oat-crock.example', about: 'own', leadMin: 20 },
    ...{ quiet: { fromH: 21, toH: 7 }, wakes: true, isPaused: false, secret: '', trouble: '' },
  },
];

/** The instruments of the demo dairy: two kits, one for each crock that may be on, and a logger on the wall. */
export const DEMO_INSTRUMENTS = [
  { id: 'thermometer-a', name: 'Thermometer, crock A', kind: 'thermometer' },
  { id: 'ph-probe-a', name: 'pH probe, crock A', kind: 'ph-probe' },
  { id: 'scale-a', name: 'Whey scale A', kind: 'scale' },
  { id: 'thermometer-b', name: 'Thermometer, crock B', kind: 'thermometer' },
  { id: 'ph-probe-b', name: 'pH probe, crock B', kind: 'ph-probe' },
  { id: 'scale-b', name: 'Whey scale B', kind: 'scale' },
  { id: 'room', name: 'Room logger', kind: 'room-logger' },
] as const;

/** The island's own money. */
export const DEMO_CURRENCY = 'tal';

/** Who makes it, as it stands on pots. */
export const DEMO_NAME = { dairyName: 'The Lamp Store Dairy', dairyAddress: 'Old Quay 3' } as const;

/** The old lamp store: thick walls, a stove in winter. */
export const DEMO_ROOM = { roomC: 19, roomSummerC: 23, warmestMonth: 8, roomNightDropC: 2 } as const;

const KIT_A = { 'thermometer-a': 'thermometer', 'ph-probe-a': 'ph-probe', 'scale-a': 'scale' } as const;
const KIT_B = { 'thermometer-b': 'thermometer', 'ph-probe-b': 'ph-probe', 'scale-b': 'scale' } as const;
const SCALE_ALONE = { 'scale-b': 'scale' } as const;

const SET_SEEN = [
  { stageId: 'warm', share: 0.55, cue: 'set', answer: 'liquid' },
  { stageId: 'warm', share: 0.8, cue: 'set', answer: 'wobbles' },
  { stageId: 'warm', share: 0.97, cue: 'set', answer: 'leaves-the-wall' },
] as const;

const good = (sourness: number, thickness: number, smoothness: number, taste: number) => ({
  sourness,
  thickness,
  smoothness,
  taste,
});

/** Who has had what of the store's makes, by when after each was done. */
const GOES = {
  market: [
    { afterH: 20, share: 0.5, how: 'sold', to: 'the quay market' },
    { afterH: 44, share: 0.25, how: 'sold', to: 'the harbour inn' },
    { afterH: 70, share: 0.1, how: 'eaten' },
  ],
  bakery: [
    { afterH: 6, share: 0.75, how: 'sold', to: 'the bakery' },
    { afterH: 30, share: 0.25, how: 'given', to: 'Runa next door' },
  ],
  school: [
    { afterH: 5, share: 0.8, how: 'sold', to: 'the school' },
    { afterH: 60, share: 0.03, how: 'thrown', why: 'a lid came off on the cart' },
  ],
  stall: [{ afterH: 12, share: 0.5, how: 'sold', to: 'the quay stall' }],
  home: [{ afterH: 3, share: 1, how: 'eaten' }],
} as const satisfies Readonly<Record<string, Script['goes']>>;

/** The live make that is on the cloth, for what the school wants tomorrow. */
export const FOR_SCHOOL = 'Thick yogurt for the school';

/**
 * How long ago the school's make may have been begun, h. As its hands sleep at night, how far it has come depends on the
 * hour at which the demonstration opens: it is begun at the first of these by which it is on the cloth then.
 */
export const SCHOOL_AGES_H = [24 + 20 / 60, 22, 20, 18, 16, 14, 26, 28, 30, 23, 21, 19, 17, 15, 25, 27, 29] as const;

/**
 * The makes of the old lamp store on the quay, relative to now: some done, one on the cloth, one souring.
 *
 * @param milk the evening milk of its larder, out of which the newest was made
 * @param schoolAgeH how long ago the school's make was begun, h
 */
export function demoScripts(nowMs: number, milk: StockLot, zone: Zone, schoolAgeH: number): Script[] {
  const days = (n: number, hour: number) => nowMs - n * DAY_MS - (OPENS_H - hour) * HOUR_MS;
  const past = (script: Omit<Script, 'untilMs' | 'zone'>): Script => ({ ...script, untilMs: nowMs, zone });
  return [
    past({
      name: 'Market yogurt, plain',
      methodId: 'scalded-yogurt',
      choices: { massG: 8000, vesselL: 12, fatPct: 4.2, holdMin: 10 },
      startMs: days(9, 8),
      instruments: KIT_A,
      cues: SET_SEEN,
      notes: [{ stageId: 'blend', text: 'Evening milk from the neighbour’s herd, cream lifted from Tuesday.' }],
      score: good(3, 3, 5, 4),
      goes: GOES.market,
    }),
    past({
      name: 'Thick yogurt for the bakery',
      methodId: 'strained-yogurt',
      choices: { massG: 6000, vesselL: 8, fatPct: 4, texture: 'very-thick', ageDays: 3 },
      startMs: days(7, 7),
      instruments: KIT_A,
      cues: SET_SEEN,
      notes: [{ stageId: 'strain', text: 'Second cloth boiled and ready; the first had a pulled thread.' }],
      score: good(3, 4, 4, 5),
      goes: GOES.bakery,
    }),
    past({
      name: 'School pots, mild',
      methodId: 'scalded-yogurt',
      choices: { massG: 10_000, vesselL: 12, targetPh: 4.6, dosePct: 2, potG: 150 },
      startMs: days(5, 8),
      instruments: KIT_B,
      cues: SET_SEEN.slice(1),
      notes: [],
      score: good(2, 3, 4, 4),
      goes: GOES.school,
    }),
    past({
      name: 'Butter for the quay stall',
      methodId: 'cultured-butter',
      choices: { massG: 3000, vesselL: 4, fatPct: 36, device: 'crank', churnL: 8, saltPct: 1.2 },
      startMs: days(6, 19),
      instruments: {},
      cues: [
        { stageId: 'churn', share: 0.5, cue: 'churn', answer: 'stiff' },
        { stageId: 'churn', share: 0.98, cue: 'churn', answer: 'broken' },
        { stageId: 'wash', share: 0.95, cue: 'wash', answer: 'clear' },
      ],
      notes: [{ stageId: 'draw', text: 'Buttermilk to the bakery for Thursday’s scones.' }],
      score: good(2, 4, 5, 5),
      goes: GOES.stall,
    }),
    ...[4, 3, 2].map((ago, i) =>
      past({
        name: `Kefir for the store-room, ${['first', 'second', 'third'][i]!}`,
        methodId: 'grain-kefir',
        choices: { massG: 700, vesselL: 1, grainsPct: 5 },
        startMs: days(ago, 10),
        instruments: {},
        cues: [],
        notes: [],
        score: good(3, 2, 4, 4),
        goes: GOES.home,
      }),
    ),
    past({
      name: 'Soft curd, sweet',
      methodId: 'acid-heat-curd',
      choices: { massG: 5000, vesselL: 8, agent: 'lemon', targetPh: 5.8 },
      startMs: days(3, 9),
      instruments: SCALE_ALONE,
      cues: [{ stageId: 'acid', share: 0.9, cue: 'clarity', answer: 'greenish' }],
      notes: [{ stageId: 'acid', text: 'Two lemons of the last box were dry; took all of the reserve.' }],
      score: good(1, 3, 4, 4),
    }),
    past({
      name: 'Spreadable for the quay stall',
      methodId: 'strained-yogurt',
      choices: { massG: 5000, vesselL: 8, fatPct: 5, texture: 'spreadable', ageDays: 6 },
      startMs: days(4, 9),
      instruments: SCALE_ALONE,
      cues: SET_SEEN,
      notes: [{ stageId: 'warm', text: 'No probe in this one: tilted it at every bell.' }],
      score: good(4, 5, 4, 4),
      goes: GOES.stall,
    }),
    past({
      name: FOR_SCHOOL,
      methodId: 'strained-yogurt',
      choices: { massG: 6000, vesselL: 8, fatPct: 3.6, texture: 'very-thick' },
      startMs: Math.round(nowMs - schoolAgeH * HOUR_MS),
      instruments: KIT_B,
      cues: SET_SEEN,
      notes: [{ stageId: 'chill', text: 'Held-back jar on the top shelf, left side.' }],
      score: null,
    }),
    past({
      name: 'Thick yogurt for the quay',
      methodId: 'strained-yogurt',
      choices: { massG: 8000, vesselL: 12, fatPct: 5, texture: 'spreadable', ageDays: 2 },
      milk,
      startMs: nowMs - 4.6 * HOUR_MS,
      instruments: KIT_A,
      cues: [],
      notes: [{ stageId: 'heat', text: 'Stirred with the flat paddle; nothing caught.' }],
      score: null,
    }),
  ];
}

/** Which kit stands in which of the live makes. */
export const LIVE_KITS: Readonly<Record<string, readonly string[]>> = {
  'Thick yogurt for the quay': Object.keys(KIT_A),
  [FOR_SCHOOL]: Object.keys(KIT_B),
};
