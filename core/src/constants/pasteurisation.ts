/**
 * Time–temperature pairs of the Pasteurized Milk Ordinance (US FDA, Grade "A" PMO, definitions of pasteurization).
 * For milk of 10 % fat or more, or with added sweetener, each temperature rises by 3 °C.
 */
export const PMO_PAIRS = [
  { tempC: 63, seconds: 1800 },
  { tempC: 72, seconds: 15 },
  { tempC: 89, seconds: 1 },
  { tempC: 90, seconds: 0.5 },
  { tempC: 94, seconds: 0.1 },
  { tempC: 96, seconds: 0.05 },
  { tempC: 100, seconds: 0.01 },
] as const;

/** Rise of every pair for rich or sweetened milk, °C. */
export const PMO_RICH_RISE_C = 3;

/** Fat by mass (%) from which a milk is rich in this sense. */
export const PMO_RICH_FAT_PCT = 10;
