/** Numbers as a language writes them. Formats are kept: making one costs a thousand times as much as using it. */
const kept = new Map<string, Intl.NumberFormat>();

function formatOf(language: string, least: number, most: number): Intl.NumberFormat {
  const name = `${language} ${least} ${most}`;
  let format = kept.get(name);
  if (!format) {
    format = new Intl.NumberFormat(language, {
      minimumFractionDigits: least,
      maximumFractionDigits: most,
      useGrouping: false,
      signDisplay: 'negative',
    });
    kept.set(name, format);
  }
  return format;
}

/** A number with just so many decimals: "1.20", "1,20". Zero has no sign. */
export const fixed = (language: string, value: number, decimals: number): string =>
  formatOf(language, decimals, decimals).format(value);

/** A number with at most so many decimals, and no noughts after them: "3", "2.5". */
export const trimmed = (language: string, value: number, decimals: number): string =>
  formatOf(language, 0, decimals).format(value);
