import { ENGLISH, english, renderText } from '@oat-crock/messages';
import { isMessage } from '../messages/message.js';
import { makeSheet } from '../make/sheet.js';
import { choicesOf, initialChoices, type Choices, type Method } from '../methods/method.js';
import { METHODS } from '../methods/index.js';
import { METRIC, type Units } from './system.js';

const US: Units = { temperature: 'F', mass: 'oz', volume: 'us' };

/** A quantity in metric, but for a syringe's mL beside a spoon or alone, and a label's 100 g. */
const METRIC_LEFT =
  /(?<!(?:[Pp]er|[Ii]n|[Ff]or) )\b\d+(?:\.\d+)? (?:°C|kg|g|L|cm|bar)(?![\w])|°C|(?<!\()\b\d\d+ mL|a kilo\b/;

/** Every sentence of some data as a household reads it, with the way to it. */
function sentences(data: unknown, way: string, units: Units): readonly (readonly [string, string])[] {
  if (typeof data === 'string' || isMessage(data)) {
    const words = renderText(data, { ...ENGLISH, units });
    return words.includes(' ') ? [[way, words]] : [];
  }
  if (typeof data !== 'object' || data === null) return [];
  return Object.entries(data).flatMap(([key, value]) => sentences(value, `${way}.${key}`, units));
}

const metricIn = (all: readonly (readonly [string, string])[]) =>
  all.filter(([way, text]) => METRIC_LEFT.test(text) && !way.endsWith('.unit'));

/** Choices as they come out of Fahrenheit, ounces or a sum: with all the decimals there are. */
function unround(method: Method): Choices {
  return Object.fromEntries(
    choicesOf(method).map((c) => [
      c.key,
      c.kind === 'number' ? Math.min(c.max, Math.max(c.min, c.initial * 1.0411522588847737)) : c.initial,
    ]),
  );
}

describe('the sentences of the engine', () => {
  for (const method of METHODS) {
    it(`say no figure with three decimals or more, however the choices were come by: ${english(method.name)}`, () => {
      const said = sentences(makeSheet(method, unround(method)), 'sheet', METRIC);
      expect(said.filter(([, text]) => /\d\.\d{3}/.test(text))).toEqual([]);
    });

    it(`leave nothing metric to a household in ounces and Fahrenheit: ${english(method.name)}`, () => {
      const sheet = makeSheet(method, initialChoices(method));
      const all = [...sentences(method, method.id, US), ...sentences(sheet, 'sheet', US)];
      expect(all.length).toBeGreaterThan(50);
      expect(metricIn(all)).toEqual([]);
    });
  }
});
