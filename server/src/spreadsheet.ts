import { stringify } from 'csv-stringify/sync';

/**
 * Some rows for a spreadsheet (RFC 4180). A text that would be taken for a formula is marked as text, and every text stands in quotes:
 * where semicolons part cells, one within a text would begin another cell, which may be a formula too.
 */
export function spreadsheetRows(rows: readonly object[], columns: readonly string[], header: boolean): string {
  return stringify([...rows], {
    ...{ header, columns: [...columns], record_delimiter: 'windows' },
    ...{ escape_formulas: true, quoted_string: true },
  });
}
