import { amount, between, temp, tempBy, heatLoss } from '../messages/quantity.js';
import { say, type Text } from '../messages/message.js';
import { ACIDS, SODA, SOUR_AGENTS, type SourAgentId } from '../constants/acids.js';
import { WATER_KJ_PER_L_K } from '../constants/heat.js';
import { protonsGiven } from '../physics/acids.js';
import { fitHeatingPower, fitHeatLoss, type NotedTemp } from '../physics/fit-heat.js';
import { massesBy, type Masses } from '../materials/composition.js';
import type { LearnedKey } from '../lots/gear.js';
import { SaidError } from '../messages/said-error.js';

/** What a measurement came to: the figure, its spread where it has one, and the curve that was fitted (min, °C). */
export interface Measured {
  readonly value: number;
  readonly sd: number | null;
  readonly words: Text;
  readonly curve: readonly NotedTemp[];
}

/** What was noted, and how it stood. */
export interface Measuring {
  readonly noted: readonly NotedTemp[];
  readonly litres: number;
  readonly roomC: number;
}

const water = (litres: number): Masses => massesBy((c) => (c === 'water' ? 1000 * litres : 0));

/** Points of a fitted curve. */
const CURVE_POINTS = 40;

/**
 * What a vessel loses, from hot water left in it (Newton's law of cooling).
 * @throws RangeError in words where the notes cannot be of a cooling
 */
export function measureLoss({ noted, litres, roomC }: Measuring): Measured {
  const { uaWPerK, sdWPerK, perHourC } = fitHeatLoss(water(litres), noted, roomC);
  const first = noted[0]!;
  const lasts = noted[noted.length - 1]!.min - first.min;
  const perMin = (uaWPerK * 60) / (litres * WATER_KJ_PER_L_K * 1000);
  const curve = Array.from({ length: CURVE_POINTS + 1 }, (_, i) => {
    const min = (i * lasts) / CURVE_POINTS;
    return { min: first.min + min, tempC: roomC + (first.tempC - roomC) * Math.exp(-perMin * min) };
  });
  const words = say('larder.measure.cools', { by: tempBy(perHourC, 1), loss: heatLoss(uaWPerK) });
  return { value: uaWPerK, sd: sdWPerK, words, curve };
}

/**
 * Power that reaches what is heated, from water warmed on it.
 * @param uaWPerK what the pot loses meanwhile
 */
export function measurePower({ noted, litres, roomC }: Measuring, uaWPerK: number): Measured {
  const value = fitHeatingPower(water(litres), noted, roomC, uaWPerK);
  const first = noted[0];
  if (!first || !(value > 0)) throw new SaidError(say('larder.measure.didNotWarm'));
  const lasts = noted[noted.length - 1]!.min - first.min;
  const capacity = litres * WATER_KJ_PER_L_K * 1000;
  const curve = Array.from({ length: CURVE_POINTS + 1 }, (_, i) => {
    const min = (i * lasts) / CURVE_POINTS;
    const settles = roomC + value / uaWPerK;
    return {
      min: first.min + min,
      tempC: settles + (first.tempC - settles) * Math.exp((-uaWPerK * 60 * min) / capacity),
    };
  });
  return { value, sd: null, words: say('larder.measure.wReachPot', { t: amount(Math.round(value / 10) * 10) }), curve };
}

/** Share of the notes at the beginning that still show the place settling. */
const SETTLES = 1 / 3;

/**
 * What a place holds, from temperatures noted over hours: their mean once it has settled, with their spread.
 * @throws RangeError where there are fewer than three
 */
export function measureHolds({ noted }: Measuring): Measured {
  if (noted.length < 3) throw new SaidError(say('larder.measure.three'));
  const settled = noted.slice(Math.floor(noted.length * SETTLES));
  const mean = settled.reduce((sum, n) => sum + n.tempC, 0) / settled.length;
  const square = settled.reduce((sum, n) => sum + (n.tempC - mean) ** 2, 0);
  const sd = Math.sqrt(square / (settled.length - 1));
  const ends = [settled[0]!.min, settled[settled.length - 1]!.min];
  return {
    value: mean,
    sd,
    words: say('larder.measure.itHolds', { mean: temp(mean, 1), sd: tempBy(sd, 1) }),
    curve: ends.map((min) => ({ min, tempC: mean })),
  };
}

/** How to measure each thing, step by step, and what it comes to. */
export interface Routine {
  readonly title: Text;
  readonly steps: readonly Text[];
  /** Asked besides the temperatures. */
  readonly asks: readonly ('litres' | 'roomC')[];
  readonly fit: (measuring: Measuring) => Measured;
}

/** A covered pot that nobody has measured loses about so much (W/K) while it is heated. */
const POT_LOSES_W_PER_K = 2;

export const ROUTINES: Readonly<Record<LearnedKey, Routine>> = {
  lossWPerK: {
    title: say('larder.measure.whatLoses'),
    steps: [
      say('larder.measure.fillFullMakeHot', { temp: between(temp(60), temp(80)) }),
      say('larder.measure.noteTemperatureNowAfter'),
    ],
    asks: ['litres', 'roomC'],
    fit: measureLoss,
  },
  holdsC: {
    title: say('larder.measure.whatHolds'),
    steps: [say('larder.measure.standJarWaterOvernight'), say('larder.measure.noteTemperatureFewTimes')],
    asks: [],
    fit: measureHolds,
  },
  powerW: {
    title: say('larder.measure.whatReachesPot'),
    steps: [say('larder.measure.putCoveredPotKnown'), say('larder.measure.noteTemperatureNowAfter2')],
    asks: ['litres', 'roomC'],
    fit: (measuring) => measurePower(measuring, POT_LOSES_W_PER_K),
  },
};

/** Drops in a millilitre, counted into a measuring spoon. */
export function dropsPerMl(drops: number, spoonMl: number): number {
  return drops / spoonMl;
}

/** pH at which soda no longer fizzes in an acid. */
const FIZZ_ENDS_PH = 7;

/**
 * Strength of an acid (percent by mass) from the soda that stops fizzing in it: base = protons its acid gives up to pH 7.
 *
 * @param acidG juice or vinegar, g
 * @param sodaG bicarbonate of soda stirred in until it no longer fizzed, g
 */
export function strengthBySoda(agent: SourAgentId, acidG: number, sodaG: number): number {
  const { acid } = SOUR_AGENTS[agent];
  const acidMol = sodaG / SODA.molarG / protonsGiven(acid, FIZZ_ENDS_PH);
  return (100 * acidMol * ACIDS[acid].molarG) / acidG;
}
