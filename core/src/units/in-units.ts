import { kitchenMeasure } from './kitchen.js';
import { sayBarIn, sayCmIn, sayDegreesIn, sayLitresIn, sayMassIn, sayMlIn, sayTempIn } from './say.js';
import { G_PER_LB, METRIC, type Units } from './system.js';

/** How a number with one metric unit is said, and which of a household's settings decides that. */
interface Way {
  readonly by: keyof Units;
  readonly say: (amount: number, units: Units, decimals: number) => string;
  /** How it is said where it is a difference. */
  readonly apart?: Way['say'];
  /** The unit is said once, after the last of several numbers. */
  readonly shared?: true;
}

/** Every quantity that a sentence of the engine may have, the longer unit before one that begins it. */
const WAYS: Readonly<Record<string, Way>> = {
  'W per °C': { by: 'temperature', say: (w) => `${(w / 1.8).toFixed(2)} W per °F` },
  'IMCU a kg': { by: 'mass', say: (imcu) => `${rounded((imcu * G_PER_LB) / 1000)} IMCU a lb`, shared: true },
  'g a kg': { by: 'mass', say: sayShare },
  'g/kg': { by: 'mass', say: sayShare },
  '°C': { by: 'temperature', say: sayTempIn, apart: sayDegreesIn, shared: true },
  kg: { by: 'mass', say: (kg, units) => sayMassIn(1000 * kg, units) },
  g: { by: 'mass', say: sayMassIn },
  mL: { by: 'volume', say: sayMlIn },
  L: { by: 'volume', say: (litres, units) => sayLitresIn(litres, units) },
  cm: { by: 'volume', say: sayCmIn },
  bar: { by: 'volume', say: sayBarIn },
};

/** So many grams in a kilo, as a share. */
function sayShare(gPerKg: number): string {
  return `${Number((gPerKg / 10).toFixed(3))} %`;
}

/** Words of a measuring set. */
const MEASURE = String.raw`(?:tsp|tbsp|cups?|qt|pt|pinch)`;
const NUMBER = String.raw`\d+(?:\.\d+)?`;
const NUMBERS = String.raw`${NUMBER}(?:(?: to | or | and |–|, )${NUMBER})*`;
/** Kept as they stand: the shares of a label, and a volume beside which its spoons stand already. */
const NOT_AFTER = String.raw`(?<![\d.]|pH |\b[Pp]er (?=100 g)|\b[Ii]n (?=100 g)|\b[Ff]or (?=100 g)|${MEASURE} \()`;
const NOT_BEFORE = String.raw`(?![\w/])(?! \([^)]*${MEASURE}\))`;
/** What tells a difference of temperatures from a temperature. */
const [BY, EACH] = ['by (?:about )?|±', ' a minute| an hour| warmer| cooler| colder'];

const BESIDE = String.raw`(?<!${MEASURE} )\((?<beside>${NUMBER}) mL\)`;
const QUANTITY = String.raw`(?<by>${BY})?(?<numbers>${NUMBERS}) (?<unit>${Object.keys(WAYS).join('|')})${NOT_BEFORE}(?<each>${EACH})?`;
const SAID = new RegExp(`${BESIDE}|${NOT_AFTER}${QUANTITY}`, 'g');

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
  return text.replace(SAID, (whole: string, ...rest) => {
    const { beside, by = '', numbers, unit, each = '' } = rest.at(-1) as Readonly<Record<string, string | undefined>>;
    if (beside !== undefined) return `(${kitchenMeasure(Number(beside), units.volume)})`;
    const way = WAYS[unit!]!;
    if (units[way.by] === METRIC[way.by] && unit !== 'mL') return whole;
    return `${by}${sayAll(numbers!, way, by + each !== '', units)}${each}`;
  });
}

/** Each of some numbers: "2 lb 3.3 oz to 4 lb 6.5 oz"; "135 to 70 °F" where they share their unit. */
function sayAll(numbers: string, way: Way, isApart: boolean, units: Units): string {
  const say = (isApart && way.apart) || way.say;
  return numbers.replace(new RegExp(NUMBER, 'g'), (n, at: number) => {
    const words = say(Number(n), units, decimalsOf(n));
    const isLast = at + n.length === numbers.length;
    return way.shared && !isLast ? words.replace(/ .*$/, '') : words;
  });
}

const decimalsOf = (digits: string) => digits.split('.')[1]?.length ?? 0;
const rounded = (n: number) => Number(n.toPrecision(2));
