import type { House } from '@oat-crock/calendar';
import type { Settings } from '@oat-crock/contract/api';
import type {
  Batch,
  Choices,
  Comparison,
  ExplainedCause,
  FaultId,
  Followed,
  Found,
  Gear,
  Goal,
  Known,
  LotStock,
  MakeSheet,
  Method,
  Quieter,
  Scaled,
  TrendMake,
  Trends,
  Wanted,
} from '@oat-crock/core';

/** A glance answers at once and roughly; a look takes its time. */
export type Effort = 'glance' | 'look';

/** What the engine's worker answers: read as the protocol between page and engine. */
export interface EngineApi {
  /** Follows a batch as it stands at a moment of the kitchen's clock; a glance takes fewer members. */
  follow(batch: Batch, nowMs: number, effort: Effort, house: House): Followed;
  /** Causes of a fault seen in a batch, likeliest first. */
  explain(batch: Batch, fault: FaultId, nowMs: number, house: House): readonly ExplainedCause[];
  /** The sheet of a make that is being decided; throws RangeError with words for a choice out of bounds. */
  sheet(asked: MakeAsked): MakeSheet;
  /** Makes that do with what is at hand, each worked out. */
  find(methods: readonly Method[], wanted: Wanted, settings: Settings): readonly Found[];
  /** How much milk a goal takes, all other choices left. */
  scale(asked: MakeAsked, goal: Goal): Scaled;
  /** Lays makes beside one another, each in the house it stood in. */
  compare(makes: readonly { readonly batch: Batch; readonly house: House }[], nowMs: number): Comparison;
  /** What makes came to over time, and what of it is more than chance. */
  trends(makes: readonly TrendMake[]): Trends;
  /** When hands of a make fall in the night, and what would keep them out of it. */
  quieter(asked: MakeAsked): Quieter;
}

/** A make that is being decided. */
export interface MakeAsked {
  readonly method: Method;
  readonly choices: Choices;
  /** When it would be begun, ms. */
  readonly startMs: number;
  readonly settings: Settings;
  /** Gear of one's own that it would be made in. */
  readonly gear: readonly Gear[];
  /** What the kitchen's makes have taught, and the line of the culture that would be at work. */
  readonly known?: Known | undefined;
  /** Lots of one's own that the choices name. */
  readonly stocks: readonly LotStock[];
}
