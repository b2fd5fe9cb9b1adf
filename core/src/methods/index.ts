import { plantYogurt } from './plant-yogurt.js';
import { grainKefir } from './grain-kefir.js';
import { clabber } from './clabber.js';
import { sodaCheese } from './soda-cheese.js';
import { scaldedCream } from './scalded-cream.js';
import { thickCream } from './thick-cream.js';
import { quark } from './quark.js';
import { yogurtCheese } from './yogurt-cheese.js';
import { creamCheese, yogurtCreamCheese } from './cream-cheese.js';
import { acidHeatCurd, smoothCurd } from './acid-curd.js';
import { coldStartYogurt } from './cold-start-yogurt.js';
import { culturedButter } from './cultured-butter.js';
import { culturedCream } from './cultured-cream.js';
import { enrichedYogurt } from './enriched-yogurt.js';
import { liveKefir } from './live-kefir.js';
import type { Method } from './method.js';
import { roomYogurt } from './room-yogurt.js';
import { scaldedYogurt } from './scalded-yogurt.js';
import { starterFeeding } from './starter-feeding.js';
import { strainedYogurt } from './strained-yogurt.js';

/** Every method that ships. */
export const METHODS: readonly Method[] = [
  scaldedYogurt,
  coldStartYogurt,
  enrichedYogurt,
  roomYogurt,
  strainedYogurt,
  plantYogurt,
  grainKefir,
  liveKefir,
  clabber,
  culturedCream,
  culturedButter,
  thickCream,
  scaldedCream,
  creamCheese,
  yogurtCreamCheese,
  yogurtCheese,
  quark,
  acidHeatCurd,
  smoothCurd,
  sodaCheese,
  starterFeeding,
];

/** The make that suits a beginner: sweet milk, a thermometer and a spoon of yogurt; hardly anything can go wrong, and it is eaten the next day. */
export const FIRST_METHOD_ID = scaldedYogurt.id;

/**
 * A method by its id or its code.
 * @throws RangeError naming the methods there are
 */
export function methodById(id: string): Method {
  const method = METHODS.find((m) => m.id === id || m.code === id);
  if (!method) throw new RangeError(`No method "${id}"; there are ${METHODS.map((m) => m.id).join(', ')}`);
  return method;
}
