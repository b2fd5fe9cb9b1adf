/**
 * Time–temperature pairs of the Pasteurized Milk Ordinance (US FDA, Grade "A" PMO, definitions of pasteurization).
 * For milk of 10 % fat or more, or with added sweetener, each temperature rises by 3 °C.
 */
export const PMO_PAIRS = [
  { tempC: 63, seconds: 1800, name: '63 °C for 30 min' },
  { tempC: 72, seconds: 15, name: '72 °C for 15 s' },
  { tempC: 89, seconds: 1, name: '89 °C for 1 s' },
  { tempC: 90, seconds: 0.5, name: '90 °C for 0.5 s' },
  { tempC: 94, seconds: 0.1, name: '94 °C for 0.1 s' },
  { tempC: 96, seconds: 0.05, name: '96 °C for 0.05 s' },
  { tempC: 100, seconds: 0.01, name: '100 °C for 0.01 s' },
] as const;

/** Rise of every pair for rich or sweetened milk, °C. */
export const PMO_RICH_RISE_C = 3;

/** Fat by mass (%) from which a milk is rich in this sense. */
export const PMO_RICH_FAT_PCT = 10;
