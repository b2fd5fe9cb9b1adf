import { kitchenMeasure } from './kitchen.js';
import { sayBarIn, sayCmIn, sayDegreesIn, sayLitresIn, sayMassIn, sayMlIn, sayTempIn } from './say.js';
import { G_PER_LB, type Units } from './system.js';

/**
 * Sentences of the engine in a household's units.
 *
 * The engine writes its sentences with metric quantities, a number or some numbers and then a unit: "85 °C",
 * "from 57 to 21 °C", "1.20 kg", "35 mL", "(12 mL)". Here each is said anew in the units asked for, in one pass; what
 * comes out of a pass has none of the units that go into one, so that a second pass finds nothing to do. These stand
 * as they are: "per 100 g" and "in 100 g" (labels are so everywhere), and what a bottle says of a mL.
 *
 * A difference of temperatures is told from a temperature by how it is written: "by 2 °C", "±0.3 °C", "2 °C warmer",
 * "2 °C a minute", "0.4 W per °C".
 */
export function inUnits(text: string, units: Units): string {
  return text.replace(QUANTITY, (whole: string, ...rest) => {
    const groups = rest.at(-1) as Groups;
    return sayOne(groups, units) ?? whole;
  });
}

interface Groups {
  readonly before?: string;
  readonly numbers: string;
  readonly unit: string;
  readonly after?: string;
  readonly perDegree?: string;
  readonly dose?: string;
  readonly strength?: string;
  readonly beside?: string;
}

/** Words of a measuring set. */
const MEASURE = String.raw`(?:tsp|tbsp|cups?|qt|pt|pinch)`;
const NUMBER = String.raw`\d+(?:\.\d+)?`;
const NUMBERS = String.raw`${NUMBER}(?:(?: to | or | and |–|, )${NUMBER})*`;
/** Kept as they stand: shares of a label, and a measure that was said already. */
const NOT_AFTER = String.raw`(?<![\d.]|pH |\b[Pp]er (?=100 g)|\b[Ii]n (?=100 g)|\b[Ff]or (?=100 g)|${MEASURE} \()`;

const QUANTITY = new RegExp(
  [
    String.raw`(?<perDegree>${NUMBER}) W per °C`,
    String.raw`(?<dose>${NUMBER}) (?:g\/kg|g a kg)`,
    String.raw`(?<strength>${NUMBERS}) IMCU a kg`,
    String.raw`(?<!${MEASURE} )\((?<beside>${NUMBER}) mL\)`,
    String.raw`${NOT_AFTER}(?<before>by (?:about )?|±)?(?<numbers>${NUMBERS}) (?<unit>°C|kg|g|mL|L|cm|bar)(?![\w/])(?! \([^)]*${MEASURE}\))(?<after> a minute| an hour| warmer| cooler| colder)?`,
  ].join('|'),
  'g',
);

function sayOne(found: Groups, units: Units): string | null {
  if (found.perDegree !== undefined)
    return units.temperature === 'C' ? null : `${(Number(found.perDegree) / 1.8).toFixed(2)} W per °F`;
  if (found.dose !== undefined) return units.mass === 'g' ? null : `${trimmed(Number(found.dose) / 10)} %`;
  if (found.strength !== undefined) return units.mass === 'g' ? null : `${sayStrength(found.strength)} IMCU a lb`;
  if (found.beside !== undefined) return `(${kitchenMeasure(Number(found.beside), units.volume)})`;
  const { before = '', numbers, unit, after = '' } = found;
  if (unit === '°C' && units.temperature === 'C') return null;
  if ((unit === 'g' || unit === 'kg') && units.mass === 'g') return null;
  if (unit !== 'mL' && !MASS_OR_WARMTH.has(unit) && units.volume === 'metric') return null;
  const said = unit === '°C' ? sayTemps(numbers, before !== '' || after !== '', units) : sayEach(numbers, unit, units);
  return `${before}${said}${after}`;
}

const MASS_OR_WARMTH: ReadonlySet<string> = new Set(['°C', 'g', 'kg']);

const SAY: Readonly<Record<string, (amount: number, units: Units) => string>> = {
  kg: (kg, units) => sayMassIn(1000 * kg, units),
  g: sayMassIn,
  mL: sayMlIn,
  L: sayLitresIn,
  cm: sayCmIn,
  bar: sayBarIn,
};

/** Each of some numbers with its own unit: "2 lb 3.3 oz to 4 lb 6.5 oz". */
function sayEach(numbers: string, unit: string, units: Units): string {
  return numbers.replace(new RegExp(NUMBER, 'g'), (n) => SAY[unit]!(Number(n), units));
}

/** Temperatures share their unit: "135 to 70 °F". */
function sayTemps(numbers: string, apart: boolean, units: Units): string {
  const say = apart ? sayDegreesIn : sayTempIn;
  const unitless = (n: string) => say(Number(n), units, decimalsOf(n)).replace(/ °[CF]$/, '');
  return `${numbers.replace(new RegExp(NUMBER, 'g'), unitless)} °${units.temperature}`;
}

/** Rennet for a kilo as rennet for a pound. */
const sayStrength = (numbers: string) =>
  numbers.replace(new RegExp(NUMBER, 'g'), (n) => String(Number(((Number(n) * G_PER_LB) / 1000).toPrecision(2))));

const decimalsOf = (digits: string) => digits.split('.')[1]?.length ?? 0;

const trimmed = (share: number) => String(Number(share.toFixed(3)));

/** A price for a kilo as one for what things are weighed in. */
export const priceIn = (perKg: number, { mass }: Units): number => (mass === 'g' ? perKg : (perKg * G_PER_LB) / 1000);
