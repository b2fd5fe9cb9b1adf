import { makeSheet } from '../make/sheet.js';
import { choicesOf, initialChoices, type Choices, type Method } from '../methods/method.js';
import { METHODS } from '../methods/index.js';
import { inUnits } from './in-units.js';
import type { Units } from './system.js';

const US: Units = { temperature: 'F', mass: 'oz', volume: 'us' };

/** A quantity in metric, but for a syringe's mL beside a spoon or alone, and a label's 100 g. */
const METRIC_LEFT =
  /(?<!(?:[Pp]er|[Ii]n|[Ff]or) )\b\d+(?:\.\d+)? (?:°C|kg|g|L|cm|bar)(?![\w])|°C|(?<!\()\b\d\d+ mL|a kilo\b/;

/** Every sentence of some data, with the way to it. */
function sentences(data: unknown, way: string): readonly (readonly [string, string])[] {
  if (typeof data === 'string') return data.includes(' ') ? [[way, data]] : [];
  if (typeof data !== 'object' || data === null) return [];
  return Object.entries(data).flatMap(([key, value]) => sentences(value, `${way}.${key}`));
}

const leftIn = (all: readonly (readonly [string, string])[]) =>
  all
    .map(([way, text]) => `${way}: ${inUnits(text, US)}`)
    .filter((line) => METRIC_LEFT.test(line) && !/\.unit: /.test(line));

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
    it(`say no figure with three decimals or more, however the choices were come by: ${method.name}`, () => {
      const said = sentences(makeSheet(method, unround(method)), 'sheet');
      expect(said.filter(([, text]) => /\d\.\d{3}/.test(text))).toEqual([]);
    });

    it(`leave nothing metric to a household in ounces and Fahrenheit: ${method.name}`, () => {
      const sheet = makeSheet(method, initialChoices(method));
      const all = [...sentences(method, method.id), ...sentences(sheet, 'sheet')];
      expect(all.length).toBeGreaterThan(50);
      expect(leftIn(all)).toEqual([]);
    });

    it(`come out of a second pass as they went in: ${method.name}`, () => {
      const sheet = makeSheet(method, initialChoices(method));
      for (const [way, text] of sentences({ method, sheet }, '')) {
        const once = inUnits(text, US);
        expect(inUnits(once, US)).withContext(way).toBe(once);
      }
    });
  }
});
