import { say, type Text } from '../messages/message.js';
import { amount } from '../messages/quantity.js';
import type { GearKind } from '../lots/gear.js';
import { scaleTo } from '../make/scale.js';
import { choicesOf, type Choices, type Method } from '../methods/method.js';
import type { DurationSurface } from './durations.js';
import { gearWord, mostLitres, type GearResource } from './gear-resources.js';
import { networkOf, outlineOf, type Network, type NetworkHousehold, type Outline } from './network.js';
import { keptOtherwise, otherKeepers } from './other-keeper.js';
import type { SupplyKind } from './supplies.js';
import { inVessels, sharedOut } from './vessels.js';

/** Something that is wanted: so much of a product, by when. */
export interface Order {
  readonly id: string;
  /** What it is called in a sentence; where nothing is said, as its method is. */
  readonly name?: Text;
  readonly method: Method;
  readonly choices?: Choices;
  readonly productG: number;
  /** Minute of the plan at which it is handed on; null where it is wanted some time. */
  readonly dueMin: number | null;
  /** Not begun before this minute: its milk is not there yet. */
  readonly fromMin?: number;
  /** It is ready by this minute, though nobody has it before it is due: another make goes on with what it leaves. */
  readonly readyByMin?: number;
  /** It is made on its own, never as one with others. */
  readonly alone?: boolean;
  /** What of it is for which order, where one make is for several, the first that is handed on first; its own dueMin is that of the first. */
  readonly shares?: readonly Share[];
}

/** What of a make is for one order. */
export interface Share {
  readonly orderId: string;
  readonly name?: Text;
  readonly productG: number;
  /** Minute of the plan at which it is handed on; null where it is wanted some time. */
  readonly dueMin: number | null;
}

/** What of a make is for which order, the first that is handed on first. */
export const sharesOf = ({ shares, id, name, productG, dueMin }: Order): readonly Share[] =>
  shares ?? [{ orderId: id, ...(name !== undefined && { name }), productG, dueMin }];

/** When the last of a make is handed on; null where nobody said when. */
export const lastDueOf = (shares: readonly Share[]): number | null =>
  shares.reduce<number | null>((last, { dueMin }) => (dueMin === null ? last : Math.max(last ?? dueMin, dueMin)), null);

/** Why something wanted cannot be made, and what would help. */
export interface Unmet {
  readonly orderId: string;
  readonly why: Text;
  readonly remedy: Text;
  /** What would meet it, were it bought by that minute of the plan. */
  readonly buys?: { readonly kind: SupplyKind; readonly massG: number; readonly byMin: number };
}

/** An order as the makes it takes: one, or several alike where no vessel holds it. */
export type Made =
  | {
      readonly ok: true;
      readonly network: Network;
      readonly parts: number;
      /** It is kept warm another way than it was to be: why, and what is otherwise. */
      readonly instead?: Text;
    }
  | {
      readonly ok: false;
      readonly unmet: Unmet;
      /** Gear of which there is none. */
      readonly lacks?: GearKind;
    };

/** Makes of one order beyond which it is no plan. */
const MOST_PARTS = 6;
/** A pot is taken so much bigger than what goes into it, where none is named. */
const HEADSPACE = 1.2;

/**
 * The make of an order, scaled to its product, in as many parts as the vessels ask for; kept warm another way where what it was to be
 * kept in is not there.
 *
 * @param like how long the steps of such a make take, of any size, where that is known
 */
export function madeOf(
  order: Order,
  gearResources: readonly GearResource[],
  household: NetworkHousehold = {},
  like?: DurationSurface,
): Made {
  const made = madeAsMeant(order, gearResources, household, like);
  if (made.ok || !made.lacks) return made;
  const { method, choices = {} } = order;
  for (const others of otherKeepers(method, choices)) {
    const other = madeAsMeant({ ...order, choices: others }, gearResources, household);
    if (other.ok) return { ...other, instead: keptOtherwise(method, choices, other.network, made.lacks, household) };
  }
  return made;
}

/** The same, kept as it was meant to be. */
function madeAsMeant(
  order: Order,
  gearResources: readonly GearResource[],
  household: NetworkHousehold,
  like?: DurationSurface,
): Made {
  const { id, method, productG, choices: given = {} } = order;
  const no = (why: Text, remedy: Text): Extract<Made, { readonly ok: false }> => ({
    ok: false,
    unmet: { orderId: id, why, remedy },
  });
  for (let parts = 1; parts <= MOST_PARTS; parts++) {
    const scaled = scaleTo(method, given, { is: 'product', massG: productG / parts }, household);
    if (!scaled.ok) {
      if (productG / parts > 1000 && parts < MOST_PARTS) continue;
      return no(scaled.message, scaled.remedy);
    }
    const filled = { ...given, [scaled.key]: scaled.massG };
    let choices: Choices = { ...filled, ...potFor(method, filled, scaled.massG, gearResources) };
    let outline: Outline;
    try {
      outline = outlineOf(method, choices, household);
      const larger = largerVessels(outline, given, gearResources);
      if (larger) {
        choices = { ...choices, ...larger };
        outline = outlineOf(method, choices, household);
      }
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      return no(
        say('schedule.orders.cannotBeMade', { why: error.message }),
        say('schedule.orders.chooseOtherwiseSheet'),
      );
    }
    const defeat = outline.problems.find((p) => !p.mild);
    if (defeat) {
      if (VESSELS[defeat.field] && parts < MOST_PARTS) continue;
      return no(defeat.message, defeat.remedy);
    }
    const loads = loadsFor(method, given, outline, gearResources);
    if (loads) {
      choices = { ...choices, loads };
      outline = outlineOf(method, choices, household);
    }
    const demands = sharedOut(outline.demands, gearResources);
    if (demands) return { ok: true, network: inVessels(networkOf(method, choices, household, like), demands), parts };
    const short = outline.demands.find((demand) => mostLitres(demand.gear, gearResources) === 0);
    if (short) {
      const none = no(
        say('schedule.orders.wantsLarderNone', { gear: gearWord(short.gear) }),
        say('schedule.orders.putIntoLarderChoose', { gear: gearWord(short.gear) }),
      );
      return { ...none, lacks: short.gear };
    }
  }
  return no(
    say('schedule.orders.wouldTakeMoreMakes', { mostParts: amount(MOST_PARTS) }),
    say('schedule.orders.wantLessOnce'),
  );
}

/** Loads in which more than all sieves hold is strained one after the other; null where it goes on them at once, or the maker chose. */
function loadsFor(
  method: Method,
  given: Choices,
  { demands }: Outline,
  gearResources: readonly GearResource[],
): number | null {
  const choice = choicesOf(method).find(({ key }) => key === 'loads');
  const strained = demands.find(({ gear }) => gear === 'strainer');
  if (choice?.kind !== 'number' || !strained || given['loads'] !== undefined) return null;
  const mostL = mostLitres('strainer', gearResources);
  if (mostL === 0 || sharedOut([strained], gearResources)) return null;
  const loads = Math.ceil(strained.litres / mostL);
  return loads <= choice.max ? loads : null;
}

/** Choices that say how large a vessel is, and what it is in the larder. */
const VESSELS: Readonly<Record<string, GearKind>> = { vesselL: 'pot', churnL: 'churn' };

/** The smallest vessel of one's own that holds so much, else one that would. */
const smallest = (kind: GearKind, litres: number, gearResources: readonly GearResource[]): number =>
  gearResources.find((r) => r.gear.kind === kind && r.gear.holdsL !== null && r.gear.holdsL >= litres)?.gear.holdsL ??
  litres;

/** The smallest pot of one's own that holds the milk with its headspace, else one that would. */
function potFor(method: Method, choices: Choices, milkG: number, gearResources: readonly GearResource[]): Choices {
  const vessel = choicesOf(method).find((c) => c.key === 'vesselL');
  if (vessel?.kind !== 'number' || choices['vesselL'] !== undefined) return {};
  const litres = Math.ceil((milkG / 1000) * HEADSPACE);
  return { vesselL: Math.min(vessel.max, Math.max(vessel.min, smallest('pot', litres, gearResources))) };
}

/** Larger vessels for a make that is too much for those it would be made in; null where all are large enough, or the maker chose them. */
function largerVessels({ problems }: Outline, given: Choices, gearResources: readonly GearResource[]): Choices | null {
  const larger = problems.flatMap(({ field, works, mild }) => {
    const kind = VESSELS[field];
    const litres = works?.[field];
    return kind && !mild && typeof litres === 'number' && given[field] === undefined
      ? [[field, smallest(kind, litres, gearResources)] as const]
      : [];
  });
  return larger.length > 0 ? Object.fromEntries(larger) : null;
}
