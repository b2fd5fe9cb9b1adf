import type { Choices, Method } from '../methods/method.js';
import type { Problem } from '../stages/kind.js';
import { sayMass, sayPots } from '../stages/words.js';
import { fillableL, type Gear } from './gear.js';
import { fitInto } from './split.js';

/** Density of milk and of what becomes of it, near enough for a vessel, g/mL. */
const G_PER_ML = 1.03;
/** Room the starter takes on top of the milk, as a share. */
const STARTER_ROOM = 0.03;

/** What a sheet says of a make, as far as vessels ask for it. */
export interface Filled {
  readonly choices: Choices;
  readonly product: { readonly massG: number; readonly pots: number };
}

/** The kind of vessel a method's product goes into: moulds where it is moulded, else jars. */
export function pottedIn({ stages }: Pick<Method, 'stages'>): 'mould' | 'jar' {
  return stages.some((s) => s.kind === 'mould') ? 'mould' : 'jar';
}

/** What one vessel takes with its headspace left, g, to five grams below. */
export function takesG(gear: Pick<Gear, 'kind' | 'holdsL'>): number {
  return Math.floor((1000 * (fillableL(gear) ?? 0) * G_PER_ML) / 5) * 5;
}

/**
 * What does not go into the vessels of one's own: the product into jars or moulds, the milk into what keeps it warm.
 *
 * @param used vessels that were chosen for this make; where none was, as many of any size are taken to be there
 */
export function roomProblems(method: Pick<Method, 'stages'>, sheet: Filled, used: readonly Gear[]): readonly Problem[] {
  const kind = pottedIn(method);
  const keepers = used.filter((g) => KEEPERS.has(g.kind) && g.holdsL !== null);
  return [
    ...pottingProblems(
      sheet,
      used.filter((g) => g.kind === kind && takesG(g) > 0),
      kind === 'mould' && !isPressed(method),
    ),
    ...keepers.flatMap((keeper) => keepingProblems(sheet, keeper)),
  ];
}

/** Pressed in its moulds, so that each piece keeps one; else a mould is turned out and filled again. */
const isPressed = ({ stages }: Pick<Method, 'stages'>) => stages.some((s) => s.params['method'] === 'pressed');

const KEEPERS: ReadonlySet<Gear['kind']> = new Set<Gear['kind']>(['flask', 'thermostat', 'bath']);

function pottingProblems({ choices, product }: Filled, vessels: readonly Gear[], filledAgain: boolean): Problem[] {
  const potG = Number(choices['potG']);
  if (vessels.length === 0 || !(potG > 0)) return [];
  const largest = vessels.reduce((a, b) => (takesG(b) > takesG(a) ? b : a));
  if (takesG(largest) < potG) {
    return [
      {
        field: 'potG',
        message: `${potG} g does not go into ${largest.name}: it takes ${takesG(largest)} g.`,
        remedy: 'Fill less into each.',
        works: { potG: takesG(largest) },
        mild: true,
      },
    ];
  }
  const holding = vessels.filter((g) => takesG(g) >= potG);
  const count = holding.reduce((sum, g) => sum + g.count, 0);
  if (filledAgain || product.pots <= count) return [];
  return [
    {
      field: 'potG',
      message: `It fills ${sayPots(product.pots)} of ${potG} g; of ${namesOf(holding)} there ${count === 1 ? 'is 1' : `are ${count}`}.`,
      remedy: spreadOver(product.massG, vessels),
      mild: true,
    },
  ];
}

/** How the product goes into all the vessels there are, or how much of it does. */
function spreadOver(massG: number, vessels: readonly Gear[]): string {
  const fit = fitInto(massG / 1000 / G_PER_ML, vessels);
  if (fit.how === 'too much')
    return `All of them together take ${sayMass(1000 * fit.fitsL * G_PER_ML)}: have more at hand.`;
  if (fit.how === 'one') return `All of it goes into ${fit.shares[0].gear.name}.`;
  const kinds = [...new Set(fit.shares.map((s) => s.gear))];
  const parts = kinds.map((gear) => {
    const shares = fit.shares.filter((s) => s.gear === gear);
    return `${shares.length} × ${sayMass(1000 * shares[0]!.litres * G_PER_ML)} in ${gear.name}`;
  });
  return `Filled evenly: ${parts.join(', ')}.`;
}

function keepingProblems({ choices }: Filled, keeper: Gear): Problem[] {
  const massG = Number(choices['massG']);
  const litres = (massG * (1 + STARTER_ROOM)) / 1000 / G_PER_ML;
  const fit = fitInto(litres, [keeper]);
  if (!(massG > 0) || fit.how === 'one') return [];
  const field = 'keeper';
  if (fit.how === 'split') {
    const each = sayMass(massG / fit.shares.length);
    return [
      {
        field,
        message: `One ${keeper.name} does not take all of it.`,
        remedy: `Split it: ${fit.shares.length} × ${each}.`,
        mild: true,
      },
    ];
  }
  const fitsG = Math.floor((1000 * fit.fitsL * G_PER_ML) / (1 + STARTER_ROOM) / 50) * 50;
  return [
    {
      field,
      message: `${keeper.name} takes ${sayMass(fitsG)} of milk, not ${sayMass(massG)}.`,
      remedy: 'Make less, or keep it elsewhere.',
      works: { massG: fitsG },
    },
  ];
}

const namesOf = (vessels: readonly Gear[]) => vessels.map((g) => g.name).join(' and ');
