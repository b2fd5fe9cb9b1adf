/**
 * Kitchen and metric volumes, each as an exact number of millilitres.
 *
 * Sources: the metric cup and spoons as sold in metric kitchens; US customary units as defined from the
 * 231 cubic-inch gallon with the inch of 25.4 mm; imperial units from the gallon of 4.54609 L
 * (its tablespoon five eighths of a fluid ounce, three teaspoons to it).
 */
export const ML_PER_UNIT = {
  mL: 1,
  L: 1000,
  'metric cup': 250,
  'metric tbsp': 15,
  'metric tsp': 5,
  'US cup': 236.5882365,
  'US tbsp': 14.78676478125,
  'US tsp': 4.92892159375,
  'US quart': 946.352946,
  'US fl oz': 29.5735295625,
  'US pint': 473.176473,
  'US gallon': 3785.411784,
  'imperial fl oz': 28.4130625,
  'imperial gallon': 4546.09,
  'imperial quart': 1136.5225,
  'imperial pint': 568.26125,
  'imperial half pint': 284.130625,
  'imperial tbsp': 17.7581640625,
  'imperial tsp': 5.91938802083,
} as const;

export type VolumeUnit = keyof typeof ML_PER_UNIT;

/** Converts an amount in a kitchen unit to millilitres (exact factor). */
export function toMl(amount: number, unit: VolumeUnit): number {
  return amount * ML_PER_UNIT[unit];
}

/** Converts millilitres to a kitchen unit (exact factor). */
export function fromMl(volumeMl: number, unit: VolumeUnit): number {
  return volumeMl / ML_PER_UNIT[unit];
}

/** Mass in grams of a volume in mL at a density in g/mL. */
export function mlToG(volumeMl: number, gPerMl: number): number {
  return volumeMl * gPerMl;
}

/** Volume in mL of a mass in grams at a density in g/mL. */
export function gToMl(massG: number, gPerMl: number): number {
  return massG / gPerMl;
}
