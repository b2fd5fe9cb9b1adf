/**
 * A quantity in a sentence, in the engine's metric units, as it was worked out and not rounded. It is said at the precision
 * a maker measures it with; `decimals` asks for another.
 */
export type SimpleQuantity =
  | { readonly massG: number; readonly decimals?: number }
  | { readonly weighedG: number }
  | { readonly tempC: number; readonly decimals?: number }
  | { readonly byC: number; readonly decimals?: number }
  | { readonly ml: number }
  | { readonly spoonsMl: number }
  | { readonly litres: number; readonly decimals?: number }
  | { readonly cm: number }
  | { readonly bar: number }
  | { readonly gPerKg: number }
  | { readonly imcuPerKg: number }
  | { readonly wPerC: number }
  | { readonly pct: number; readonly decimals?: number }
  | { readonly ph: number; readonly decimals?: number }
  | { readonly minutes: number }
  | { readonly hourOfDay: number }
  | { readonly atMs: number; readonly as: 'time' | 'day' | 'day and time' }
  | { readonly amount: number; readonly decimals?: number };

/** A quantity, or a span of them. */
export type SaidQuantity = SimpleQuantity | { readonly from: SimpleQuantity; readonly to: SimpleQuantity };

const rounded = (decimals: number | undefined) => (decimals === undefined ? {} : { decimals });

/** A mass, g: as a kitchen scale shows it; in grams with just so many decimals where those are asked for. */
export const mass = (massG: number, decimals?: number): SimpleQuantity => ({ massG, ...rounded(decimals) });
/** A mass that was weighed or is to be, g: to the gram, and to 10 g from a kilo on. */
export const weighed = (weighedG: number): SimpleQuantity => ({ weighedG });
/** A temperature, °C: whole degrees where no decimals are asked for. */
export const temp = (tempC: number, decimals?: number): SimpleQuantity => ({ tempC, ...rounded(decimals) });
/** A difference of temperatures, °C. */
export const tempBy = (byC: number, decimals?: number): SimpleQuantity => ({ byC, ...rounded(decimals) });
/** A small volume, mL: with its spoons. */
export const ml = (amountMl: number): SimpleQuantity => ({ ml: amountMl });
/** A volume beside a mass, mL: in the spoons and cups of a set alone. */
export const spoons = (amountMl: number): SimpleQuantity => ({ spoonsMl: amountMl });
/** What a vessel holds, L. */
export const volume = (amountL: number, decimals?: number): SimpleQuantity => ({
  litres: amountL,
  ...rounded(decimals),
});
/** A length, cm. */
export const length = (cm: number): SimpleQuantity => ({ cm });
/** A pressure over that of the air, bar. */
export const pressure = (bar: number): SimpleQuantity => ({ bar });
/** So many grams in each kilo. */
export const perKilo = (gPerKg: number): SimpleQuantity => ({ gPerKg });
/** Clotting units of rennet for each kilo of milk. */
export const rennetPerKilo = (imcuPerKg: number): SimpleQuantity => ({ imcuPerKg });
/** How fast a vessel loses its heat, W for each °C. */
export const heatLoss = (wPerC: number): SimpleQuantity => ({ wPerC });
/** A percentage: at most one decimal where none are asked for. */
export const percent = (pct: number, decimals?: number): SimpleQuantity => ({ pct, ...rounded(decimals) });
/** An acidity, pH: two decimals where none are asked for. */
export const acidity = (ph: number, decimals?: number): SimpleQuantity => ({ ph, ...rounded(decimals) });
/** How long something takes, minutes. */
export const duration = (minutes: number): SimpleQuantity => ({ minutes });
/** A moment of the kitchen's clock, ms, said as its hour, its day or both. */
export const moment = (atMs: number, as: 'time' | 'day' | 'day and time' = 'time'): SimpleQuantity => ({ atMs, as });
/** An hour of the day: 18.5 is half past six. */
export const hourOfDay = (hour: number): SimpleQuantity => ({ hourOfDay: hour });
/** A number without a unit: as many decimals as it needs, two at most, where none are asked for. */
export const amount = (value: number, decimals?: number): SimpleQuantity => ({ amount: value, ...rounded(decimals) });
/** From one quantity to another of its kind: what unit they have is said once. */
export const between = (from: SimpleQuantity, to: SimpleQuantity): SaidQuantity => ({ from, to });

/** What a number with a unit of a choice is in a sentence: "°C", "g", "%", "min" and such; of other units the number alone. */
const IN_UNIT: Readonly<Record<string, (value: number) => SimpleQuantity>> = {
  '°C': (value) => temp(value, Number.isInteger(value) ? 0 : 1),
  g: (value) => mass(value, 0),
  kg: (value) => mass(1000 * value),
  L: (value) => volume(value),
  mL: ml,
  cm: length,
  '%': (value) => percent(value),
  min: duration,
  clock: hourOfDay,
  h: (value) => duration(60 * value),
  'g a kg': perKilo,
  'IMCU a kg': rennetPerKilo,
};

export const inUnit = (value: number, unit: string): SimpleQuantity => IN_UNIT[unit]?.(value) ?? amount(value);
