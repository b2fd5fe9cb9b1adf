import { InputRefused, type InstrumentReading } from '@oat-crock/contract';
import Papa from 'papaparse';

/** Most lines taken at once. */
const MOST_LINES = 5000;

/**
 * Readings as CSV, one a line: a moment and a value, parted by a comma, a semicolon or a tab; a head line is passed over. The
 * moment is ms since the epoch, or ISO 8601 with its offset ("2026-05-02T08:00:00Z").
 *
 * @throws InputRefused naming the line and the remedy
 */
export function readingsFromCsv(text: string): readonly InstrumentReading[] {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const lines = data.length > 0 && Number.isNaN(momentOf(data[0]![0] ?? '')) ? data.slice(1) : data;
  if (lines.length === 0 || lines.length > MOST_LINES) {
    throw refused('body', `There are ${lines.length} readings in it.`, `Send 1 to ${MOST_LINES} at once.`);
  }
  return lines.map(([moment = '', value = ''], i) => {
    const at = `line ${i + 1 + data.length - lines.length}`;
    const atMs = momentOf(moment);
    if (Number.isNaN(atMs)) {
      throw refused(at, `"${moment}" is no moment.`, 'Give ms since the epoch, or 2026-05-02T08:00:00Z.');
    }
    if (value.trim() === '' || !Number.isFinite(Number(value))) {
      throw refused(at, `"${value}" is no number.`, 'Give the reading as a number with a point: 42.5.');
    }
    return { atMs, value: Number(value) };
  });
}

const WITH_OFFSET = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:?\d\d)$/;

function momentOf(text: string): number {
  const trimmed = text.trim();
  if (/^\d{12,14}$/.test(trimmed)) return Number(trimmed);
  return WITH_OFFSET.test(trimmed) ? Date.parse(trimmed) : Number.NaN;
}

const refused = (field: string, message: string, remedy: string) => new InputRefused([{ field, message, remedy }]);
