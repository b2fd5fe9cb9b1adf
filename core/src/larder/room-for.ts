import { say, type Text, listOf } from '../messages/message.js';
import { amount, mass } from '../messages/quantity.js';
import type { Choices, Method } from '../methods/method.js';
import { CROCK_G_PER_ML, STARTER_ROOM } from '../constants/vessels.js';
import { planStages } from '../make/plan.js';
import type { Problem } from '../stages/kind.js';
import { takesG, type Gear } from '../lots/gear.js';
import { fitInto } from './split.js';

/** What a sheet says of a make, as far as vessels ask for it. */
export interface Filled {
  readonly choices: Choices;
  readonly product: { readonly massG: number; readonly pots: number };
}

/** The kind of vessel a method's product goes into first: moulds where it is moulded, else jars. */
export function pottedIn(method: Method): 'mould' | 'jar' {
  return planStages(method).find((s) => s.kind.fillsInto)?.kind.fillsInto ?? 'jar';
}

/**
 * What does not go into the vessels of one's own: the product into jars or moulds, the milk into what keeps it warm.
 *
 * @param used vessels that were chosen for this make; where none was, as many of any size are taken to be there
 */
export function roomProblems(method: Method, sheet: Filled, used: readonly Gear[]): readonly Problem[] {
  const kind = pottedIn(method);
  const incubators = used.filter((g) => INCUBATORS.has(g.kind) && g.holdsL !== null);
  return [
    ...pottingProblems(
      sheet,
      used.filter((g) => g.kind === kind && takesG(g) > 0),
      { isFilledAgain: kind === 'mould' && !isHeldInMoulds(method) },
    ),
    ...incubators.flatMap((keeper) => keepingProblems(sheet, keeper)),
  ];
}

/** Another stage keeps each piece in a mould of its own, as pressing does; else one is turned out and filled again. */
const isHeldInMoulds = (method: Method) =>
  planStages(method).some(({ kind, params }) => !kind.fillsInto && kind.gear(params).includes('moulds'));

const INCUBATORS: ReadonlySet<Gear['kind']> = new Set<Gear['kind']>(['flask', 'thermostat', 'bath']);

function pottingProblems(
  { choices, product }: Filled,
  vessels: readonly Gear[],
  { isFilledAgain }: { readonly isFilledAgain: boolean },
): Problem[] {
  const potG = Number(choices['potG']);
  if (vessels.length === 0 || !(potG > 0)) return [];
  const largest = vessels.reduce((a, b) => (takesG(b) > takesG(a) ? b : a));
  if (takesG(largest) < potG) {
    return [
      {
        field: 'potG',
        message: say('larder.roomFor.doesNotGoInto', {
          pot: mass(potG, 0),
          name: largest.name,
          largest: mass(takesG(largest), 0),
        }),
        remedy: say('larder.roomFor.fillLessIntoEach'),
        works: { potG: takesG(largest) },
        mild: true,
      },
    ];
  }
  const holding = vessels.filter((g) => takesG(g) >= potG);
  const count = holding.reduce((sum, g) => sum + g.count, 0);
  if (isFilledAgain || product.pots <= count) return [];
  return [
    {
      field: 'potG',
      message: say('larder.roomFor.fillsThere', {
        pots: product.pots,
        pot: mass(potG, 0),
        holding: namesOf(holding),
        count,
      }),
      remedy: spreadOver(product.massG, vessels),
      mild: true,
    },
  ];
}

/** How the product goes into all the vessels there are, or how much of it does. */
function spreadOver(massG: number, vessels: readonly Gear[]): Text {
  const fit = fitInto(massG / 1000 / CROCK_G_PER_ML, vessels);
  if (fit.how === 'too much')
    return say('larder.roomFor.allThemTogetherTake', { crockGPerM: mass(1000 * fit.fitsL * CROCK_G_PER_ML) });
  if (fit.how === 'one') return say('larder.roomFor.allGoesInto', { name: fit.shares[0].gear.name });
  const kinds = [...new Set(fit.shares.map((s) => s.gear))];
  const parts = kinds.map((gear) => {
    const shares = fit.shares.filter((s) => s.gear === gear);
    const each = mass(1000 * shares[0]!.litres * CROCK_G_PER_ML);
    return say('larder.roomFor.share', { count: shares.length, each, name: gear.name });
  });
  return say('larder.roomFor.filledEvenly', { parts: listOf(parts, 'comma') });
}

function keepingProblems({ choices }: Filled, keeper: Gear): Problem[] {
  const massG = Number(choices['massG']);
  const litres = (massG * (1 + STARTER_ROOM)) / 1000 / CROCK_G_PER_ML;
  const fit = fitInto(litres, [keeper]);
  if (!(massG > 0) || fit.how === 'one') return [];
  const field = 'keeper';
  if (fit.how === 'split') {
    const each = mass(massG / fit.shares.length);
    return [
      {
        field,
        message: say('larder.roomFor.oneDoesNotTake', { name: keeper.name }),
        remedy: say('larder.roomFor.splitInto', { length: amount(fit.shares.length), each }),
        mild: true,
      },
    ];
  }
  const fitsG = Math.floor((1000 * fit.fitsL * CROCK_G_PER_ML) / (1 + STARTER_ROOM) / 50) * 50;
  return [
    {
      field,
      message: say('larder.roomFor.takesMilkNot', { name: keeper.name, fits: mass(fitsG), mass: mass(massG) }),
      remedy: say('larder.roomFor.makeLessKeepElsewhere'),
      works: { massG: fitsG },
    },
  ];
}

const namesOf = (vessels: readonly Gear[]) => listOf(vessels.map((g) => g.name));
