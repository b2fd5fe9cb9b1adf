import { say, type Text } from '../messages/message.js';
import { mass, percent, temp } from '../messages/quantity.js';
import type { CultureId } from '../constants/cultures.js';
import type { Choices } from '../methods/method.js';
import { asStarter } from './acts.js';
import { storeOf, type CultureLot } from '../lots/culture-lot.js';
import type { Activity } from './activity.js';

/** A feeding as it would be decided: a small make of its own. */
export interface Feeding {
  readonly methodId: string;
  readonly choices: Choices;
  readonly takesG: number;
  readonly says: Text;
}

/** Where each culture is fed, and how warm. */
const FED_AT: Readonly<
  Record<CultureId, { readonly keeper: string; readonly keepC: number; readonly starterC: number } | null>
> = {
  thermophilic: { keeper: 'thermostat', keepC: 42, starterC: 44 },
  mesophilic: { keeper: 'counter', keepC: 24, starterC: 24 },
  'room-yogurt': { keeper: 'counter', keepC: 24, starterC: 26 },
  'kefir-grains': { keeper: 'counter', keepC: 22, starterC: 24 },
  clabber: { keeper: 'counter', keepC: 24, starterC: 24 },
  plant: null,
};

/** Usual feeding, g of milk, and the dose in it, percent. */
const USUAL_MILK_G = 500;
const USUAL_DOSE_PCT = 3;
const MOST_DOSE_PCT = 10;

/**
 * The feeding of a culture: milk, dose and warmth as far as its activity and what is left of it allow; null for capsules, which
 * are not carried on, and where too little is left.
 *
 * @param roomC how warm the room is, °C: grains are set into less milk where it is cool
 */
export function feedingOf(
  lot: CultureLot,
  leftG: number,
  nowMs: number,
  activity: Activity,
  roomC: number,
): Feeding | null {
  const starter = asStarter(lot, nowMs, activity);
  if (lot.form === 'grains') return grainsFeeding(lot, leftG, starter, roomC);
  const at = FED_AT[lot.culture];
  if (!at) return null;
  if (lot.form === 'freeze-dried') return powderFeeding(lot, leftG, starter, at);
  if (leftG < 1) return null;
  const dosePct = Math.min(
    MOST_DOSE_PCT,
    Math.max(0.5, Math.round((10 * USUAL_DOSE_PCT) / Math.max(0.3, activity.likely)) / 10),
  );
  const massG = Math.max(50, Math.min(USUAL_MILK_G, Math.floor((leftG * 100) / dosePct / 50) * 50));
  return {
    methodId: 'starter-feeding',
    choices: { culture: lot.culture, massG, vesselL: vesselFor(massG), dosePct, ...starter, ...at },
    takesG: Math.min(leftG, (massG * dosePct) / 100),
    says: say('cultures.feeding.scaldedMilkUntilSets', {
      dose: percent(dosePct),
      mass: mass(massG),
      at: whereWords(at),
    }),
  };
}

/** How long a grain of powder goes where nobody said: a gram of it sets so much milk, L. */
const GRAM_SETS_L = 4;
/** Least of a powder that a kitchen weighs, g. */
const LEAST_POWDER_G = 0.1;

function powderFeeding(
  lot: CultureLot,
  leftG: number,
  starter: ReturnType<typeof asStarter>,
  at: NonNullable<(typeof FED_AT)[CultureId]>,
): Feeding | null {
  if (leftG < LEAST_POWDER_G) return null;
  const massG = USUAL_MILK_G;
  const takesG = Math.min(leftG, Math.ceil((20 * massG) / 1000 / GRAM_SETS_L) / 20);
  return {
    methodId: 'starter-feeding',
    choices: {
      culture: lot.culture,
      massG,
      vesselL: vesselFor(massG),
      packets: takesG,
      packetSetsL: GRAM_SETS_L,
      packetG: 1,
      ...starter,
      ...at,
    },
    takesG,
    says: say('cultures.feeding.powderScaldedMilkUntil', {
      takes: mass(takesG),
      mass: mass(massG),
      at: whereWords(at),
    }),
  };
}

const vesselFor = (massG: number) => Math.ceil(massG / 80) / 10;

const whereWords = ({ keeper, keepC }: { readonly keeper: string; readonly keepC: number }) =>
  keeper === 'counter' ? say('cultures.feeding.onTheCounter') : say('cultures.feeding.keptAt', { keep: temp(keepC) });

/** Grains by the season, percent of the milk: ten in a cool room, three in a hot one. */
export function grainsPctFor(roomC: number): number {
  return Math.round(2 * Math.min(12, Math.max(2.5, 10 - 0.9 * (roomC - 18)))) / 2;
}

function grainsFeeding(
  lot: CultureLot,
  leftG: number,
  { ageDays, vigourPct }: ReturnType<typeof asStarter>,
  roomC: number,
): Feeding | null {
  if (leftG < 3) return null;
  const pct = grainsPctFor(roomC);
  const massG = Math.min(60_000, Math.max(250, Math.round((leftG * 100) / pct / 50) * 50));
  const grainsPct = Math.min(15, Math.max(1, Math.round((200 * leftG) / massG) / 2));
  return {
    methodId: 'grain-kefir',
    choices: {
      massG,
      vesselL: Math.max(0.5, Math.ceil(massG / 400) / 2),
      grainsPct,
      ageDays: Math.min(60, ageDays),
      store: storeOf(lot),
      vigourPct,
    },
    takesG: leftG,
    says: say('cultures.feeding.allGrainsIntoMilk', {
      mass: mass(massG),
      grains: percent(grainsPct),
      room: temp(roomC),
    }),
  };
}
