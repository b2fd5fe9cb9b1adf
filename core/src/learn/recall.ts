import type { ScorePrior } from '../assimilate/score-prior.js';
import { HANDLING } from '../constants/pooling.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import { SCORES } from '../forecast/souring-ensemble.js';
import { STANDARD_DRAIN } from '../forecast/drain-forecast.js';
import type { Choices } from '../methods/method.js';
import type { BoundStage } from '../stages/registry.js';
import { drainOwned, LOSS_OWNED, souringOwned } from './owners.js';
import { recall, type Pooled } from './pooled.js';

const ACTIVITY = SCORES.indexOf('activity');

/** What a kitchen knows of a make before it is begun. */
export interface Known {
  readonly learned: Pooled;
  /** The line of the culture that sours it; all of that culture where nobody keeps lines apart. */
  readonly line?: string | undefined;
  /** Where no line is named: the line that a make of each culture would take of. */
  readonly lines?: Readonly<Partial<Record<CultureId, string>>>;
}

/** The line that sours a make of a culture; all of that culture where none is kept. */
export const lineIn = ({ line, lines }: Pick<Known, 'line' | 'lines'>, culture: CultureId): string =>
  line ?? lines?.[culture] ?? culture;

/** The prior of a souring: its starter's own, moved and narrowed by what was learned of its line, place and milk. */
export function souringPrior(
  culture: CultureId,
  before: ScorePrior,
  stage: BoundStage,
  choices: Choices,
  known: Known,
): ScorePrior {
  const prior = recall(known.learned, souringOwned(lineIn(known, culture), stage), before);
  const spread = CULTURES[culture].spread.activity;
  const given = Math.log(Number(choices['vigourPct'] ?? 100) / 100) / spread;
  return { ...prior, mean: prior.mean.map((m, d) => (d === ACTIVITY ? m - given : m)) };
}

/** The prior of a draining on a cloth. */
export const drainPrior = (stage: BoundStage, { learned }: Pick<Known, 'learned'>): ScorePrior =>
  recall(learned, drainOwned(stage), STANDARD_DRAIN);

/** Product that comes into the pots against the reckoned, by what the maker's hands have left on cloth, pot and spoons. */
export const yieldFactorOf = ({ learned }: Pick<Known, 'learned'>): number =>
  Math.exp(HANDLING.sd * recall(learned, LOSS_OWNED, { mean: [0], sd: [1] }).mean[0]!);
