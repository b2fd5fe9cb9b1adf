import { InputRefused, type InstrumentReading } from '@oat-crock/contract';
import { amount, say, type Text } from '@oat-crock/core';
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
    throw refused(
      'body',
      say('server.http.csvReadings.thereReadings', { length: amount(lines.length) }),
      say('server.http.csvReadings.sendOnce', { mostLines: amount(MOST_LINES) }),
    );
  }
  return lines.map(([moment = '', value = ''], i) => {
    const at = `line ${i + 1 + data.length - lines.length}`;
    const atMs = momentOf(moment);
    if (Number.isNaN(atMs)) {
      throw refused(
        at,
        say('server.http.csvReadings.noMoment', { moment }),
        say('server.http.csvReadings.giveMsSinceEpoch'),
      );
    }
    if (value.trim() === '' || !Number.isFinite(Number(value))) {
      throw refused(
        at,
        say('server.http.csvReadings.noNumber', { value }),
        say('server.http.csvReadings.giveReadingNumberPoint'),
      );
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

const refused = (field: string, message: Text, remedy: Text) => new InputRefused([{ field, message, remedy }]);
