import type { Text } from '../messages/message.js';
import type { Household } from '../make/household.js';
import type { GearKind } from '../lots/gear.js';
import type { LotStock } from '../lots/lot.js';
import type { DayRow } from './day-hands.js';
import type { PlanGear, GearResource } from './gear-resources.js';
import type { MakeHands } from './hands.js';
import type { Hours, Person, PlanDays } from './hours.js';
import type { LotLeftThen } from './materials.js';
import type { Network } from './network.js';
import type { Order, Share, Unmet } from './orders.js';
import type { Instance, Use } from './instance.js';
import type { Feed, StarterHere } from './starters.js';
import type { PlanSupply, SupplyRow } from './supplies.js';
import type { StageExtension, Walked } from './timeline.js';
import type { MakeMode, Placing, ObjectiveWeights } from './mode.js';
import type { Together } from './together.js';

/** Something that has a resource for some slots, and what it is called. */
export interface Holder {
  readonly name: Text;
  readonly uses: readonly Use[];
}

/** What is on already and cannot be moved: its hands, and what it stands in. */
export interface Committed {
  readonly name: Text;
  readonly tasks: readonly { readonly atMin: number; readonly minutes: number }[];
  readonly demands: readonly {
    readonly gear: GearKind;
    readonly litres: number;
    readonly keepC: number | null;
    readonly fromMin: number;
    readonly toMin: number;
  }[];
}

/** Somebody has put a make where it is: it is begun then and no other time, and goes on so. */
export interface Pin {
  readonly orderId: string;
  readonly part: number;
  readonly startMin: number;
  readonly extension: StageExtension | null;
  /** Other orders that it is made for as well. */
  readonly with?: readonly string[];
}

/** What a plan is made of. Minutes count from its beginning. */
export interface PlanAsked extends Pick<Household, 'kitchen' | 'known'> {
  readonly orders: readonly Order[];
  readonly people: readonly Person[];
  /** Its days by the clock on the wall; from midnight where left out. */
  readonly days?: PlanDays;
  readonly gear: readonly PlanGear[];
  readonly committed?: readonly Committed[];
  readonly pins?: readonly Pin[];
  /** Which orders are made as one; none where left out. */
  readonly together?: Together;
  readonly stocks?: readonly LotStock[];
  /** One lifts so much, g; more than that is carried by two. */
  readonly liftG?: number;
  /** Cultures that are there; where nothing is said of them, each make has the starter it wants. */
  readonly starters?: readonly StarterHere[];
  /** Milk and cream that is here and comes; of a kind of which none is named there is as much as is wanted. */
  readonly supplies?: readonly PlanSupply[];
  /** Everything that makes may be of: makes are begun behind what feeds them where that is not much worse. */
  readonly lots?: readonly LotLeftThen[];
  /** The milk that comes, as it is: taken where nobody names another. */
  readonly milk?: LotStock;
  readonly horizonMin: number;
  readonly weights?: ObjectiveWeights;
  /** Chance with which all orders are to be met, 0–1, as far as there is a way; nine in ten where left out. */
  readonly chance?: number;
  /** True where every way of doing each make is tried, however much like another: slower by some times, and seldom better. */
  readonly thorough?: boolean;
  readonly seed: number;
}

/** A make of a plan: when it is begun, and when each of its steps likely begins and ends. */
export interface PlannedMake {
  readonly orderId: string;
  /** What of it is for which order, the first that is handed on first. */
  readonly shares: readonly Share[];
  /** What it is called in a sentence. */
  readonly name: Text;
  /** Which of the makes of its order, counted from 1, and of how many. */
  readonly part: number;
  readonly parts: number;
  readonly network: Network;
  /** Why it is kept warm another way than it was to be, and what is otherwise; null where it is as it was to be. */
  readonly instead: Text | null;
  readonly mode: MakeMode;
  readonly steps: readonly Walked[];
  /** Whose hands each step has, and when they begin: as the step does, or as soon as somebody is free. */
  readonly hands: MakeHands;
  /** The pieces of gear it stands in, by the network's gear demands. */
  readonly gear: readonly PlanGear[];
  /** A feeding of its culture before it, for it and for those after it that take of the same; null where it needs none. */
  readonly feed: Feed | null;
  /** True where no culture that is there would do: one is to be bought. */
  readonly buysStarter: boolean;
  /** Its culture is tired by then, and cannot be fed in time: so many times the starter is taken; 1 where it is strong. */
  readonly starterTimes: number;
}

/** A plan: every order's makes, or why there is none; how good it is, and how good any could be. */
export interface Plan {
  readonly makes: readonly PlannedMake[];
  readonly unmet: readonly Unmet[];
  readonly cost: number;
  readonly bound: number;
  readonly proven: boolean;
  readonly round: number;
  /** Minutes of hands in the night, and outside working hours, as likely. */
  readonly nightHandsMin: number;
  readonly offHandsMin: number;
  readonly handsMin: number;
}

/** A make to be placed, before it is. */
export interface WantedMake {
  readonly order: Order;
  readonly part: number;
  readonly parts: number;
  readonly network: Network;
  /** Why it is kept warm another way than it was to be, and what is otherwise; null where it is as it was to be. */
  readonly instead: Text | null;
  readonly modes: readonly MakeMode[];
  readonly placing: Placing;
}

/** Everything a plan is searched in. */
export interface PlanningProblem {
  readonly asked: PlanAsked;
  /** What is asked for, as the makes it comes to: of several orders that are made as one there is one. */
  readonly orders: readonly Order[];
  readonly hours: Hours;
  readonly gearResources: readonly GearResource[];
  readonly wanted: readonly WantedMake[];
  /** Makes that have no mode at all: why is said with what is impossible. */
  readonly nowhere: readonly WantedMake[];
  readonly instance: Instance;
  /** What has gear and hands already. */
  readonly holders: readonly Holder[];
  /** Kinds of which only so much comes. */
  readonly supplyRows: readonly SupplyRow[];
  /** Hands of each day, where they are enough at some time; null where there are as many as are wanted. */
  readonly dayRow: DayRow | null;
  /** Orders that cannot be made whatever else is. */
  readonly impossible: readonly Unmet[];
}
