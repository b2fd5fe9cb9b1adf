import type { Occurrence, PlannedBatch, Settings } from '@oat-crock/contract/api';
import type {
  Text,
  Break,
  Committed,
  Gear,
  Known,
  KeptPlace,
  ObjectivePreset,
  Likeness,
  LotLeftThen,
  LotStock,
  Method,
  PlanChances,
  PlanSupply,
  StarterHere,
  Supposition,
} from '@oat-crock/core';

/** All that a plan is made of, as the household has it. */
export interface PlanWanted {
  /** The moment at which the plan begins, and up to which it goes, ms. */
  readonly startMs: number;
  readonly untilMs: number;
  readonly occurrences: readonly Occurrence[];
  /** Planned batches as they are kept, those that were taken away among them: what is planned again keeps its id. */
  readonly before: readonly PlannedBatch[];
  readonly methods: readonly Method[];
  readonly settings: Settings;
  readonly gear: readonly Gear[];
  readonly stocks: readonly LotStock[];
  readonly lots: readonly LotLeftThen[];
  /** Milk and cream of which there is only so much. */
  readonly supplies: readonly PlanSupply[];
  /** The milk that comes, as it is; null where none is brought. */
  readonly milk: LotStock | null;
  /** Null where nothing is known of cultures. */
  readonly starters: readonly StarterHere[] | null;
  /** What the kitchen's makes have taught; null where they have taught nothing. */
  readonly known: Known | null;
  readonly committed: readonly Committed[];
}

/** Something that does not hold of a planned batch, and when. */
export interface BatchBreak {
  readonly is: Break['is'];
  readonly says: Text;
  readonly atMs: number | null;
}

/** Where a planned batch might be: when it is begun, and which of its steps is extended. */
export interface BatchPlace {
  readonly startMs: number;
  readonly extension: KeptPlace['extension'];
}

/** What does not hold of a planned batch, and the nearest moment at which all of it would; null where there is none. */
export interface BatchTrouble {
  readonly plannedBatchId: string;
  readonly breaks: readonly BatchBreak[];
  readonly repair: BatchPlace | null;
}

/** Something wanted that there is no make for, in words. */
export interface NotMet {
  readonly occurrenceId: string;
  /** What it is called. */
  readonly name: Text;
  readonly why: Text;
  readonly remedy: Text;
}

/** Something to buy, and by when. */
export interface BuyBy {
  readonly what: Text;
  readonly massG: number;
  readonly byMs: number;
  /** What could be made, were it bought; null where it is wanted for what is in the plan. */
  readonly toMeet: Text | null;
}

/** What is left of something that is brought when it goes off. */
export interface LeftOver {
  readonly name: Text;
  readonly massG: number;
  readonly offMs: number;
}

/** What comes out of a lot of one's own, of what is brought, or of a make that has some over. */
export interface TakeOut {
  readonly lotId: string;
  readonly of: 'lot' | 'make';
  readonly name: Text;
  readonly massG: number;
  readonly firstMs: number;
  /** It is not here yet: it comes then. */
  readonly comes: boolean;
}

/** A plan as the page shows it. */
export interface PlanShown {
  readonly plannedBatches: readonly PlannedBatch[];
  readonly notMet: readonly NotMet[];
  readonly likeness: Likeness;
  /** Chances of what may come of it; null while it is still searched for. */
  readonly chances: PlanChances | null;
  readonly buys: readonly BuyBy[];
  readonly takes: readonly TakeOut[];
  readonly leftOver: readonly LeftOver[];
}

/** A plan as it stands. */
export interface PlanStanding extends PlanShown {
  readonly troubles: readonly BatchTrouble[];
  /** Days of orders that could be planned and are not. */
  readonly unplaced: readonly string[];
}

/** A hand of a planned batch, and the moment at which it is to come. */
export interface TaskAt {
  readonly stageId: string;
  readonly atMs: number;
}

/** A planned batch as it would be elsewhere. */
export interface BatchMoved {
  readonly plannedBatch: PlannedBatch;
  readonly breaks: readonly BatchBreak[];
  readonly repair: BatchPlace | null;
}

/** A hand, or the beginning of a make, that comes at another time. */
export interface BatchChange {
  readonly name: Text;
  readonly fromMs: number | null;
  readonly toMs: number | null;
  readonly tasks: readonly { readonly name: Text; readonly fromMs: number; readonly toMs: number }[];
}

/** A whole plan that a search has found so far. */
export interface PlanFound extends PlanShown {
  /** The objective preset it was made by, or that it mends the plan that is held. */
  readonly of: ObjectivePreset['id'] | 'mend';
  /** The objective preset of another that is the same in all but minutes; null where there is none. */
  readonly sameAs: ObjectivePreset['id'] | null;
  readonly changes: readonly BatchChange[];
  readonly round: number;
  /** How far the whole search has come, 0 to 1. */
  readonly progress: number;
  readonly cost: number;
  /** True where every way of each make was tried, not only the usual ones. */
  readonly thorough: boolean;
  /** True where none of the ways that were tried is better. */
  readonly proven: boolean;
  /** How much it may lie above the best there is, share of its cost. */
  readonly gap: number;
}

/** Whole plans anew, of each objective preset. */
export interface WholeSearch {
  readonly is: 'whole';
  /** Further, among every way there is. */
  readonly on: boolean;
  readonly wanted: PlanWanted;
  readonly places: readonly KeptPlace[];
}

/** A plan that mends the one that is held; were something otherwise, where that is supposed. */
export interface MendSearch extends Omit<WholeSearch, 'is' | 'on'> {
  readonly is: 'mend';
  readonly supposing: Supposition | null;
}

/** What is searched. */
export type Search = WholeSearch | MendSearch;

/** What the planner's worker answers. Everything in it is plain data. */
export interface PlannerApi {
  /** The plan as it stands with its makes at these places. What is asked next is asked of this. */
  layOut(wanted: PlanWanted, places: readonly KeptPlace[]): PlanStanding;
  /** What becomes of a planned batch of it that is begun at another moment, or of which a hand comes at another. */
  move(plannedBatchId: string, startMs: number, task: TaskAt | null): BatchMoved | null;
  /** Searches, and tells what it has after each round, until it is proven, its rounds are over, or it is stopped. */
  search(search: Search, tell: (found: PlanFound) => void): Promise<void>;
  stop(): void;
}
