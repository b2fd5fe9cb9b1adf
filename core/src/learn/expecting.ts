import type { ScorePrior } from '../assimilate/score-prior.js';
import { CULTURES } from '../constants/cultures.js';
import type { Environment, Member } from '../environment/environment.js';
import { drainMember } from '../forecast/drain-forecast.js';
import { memberOfScores, STANDARD_PRIOR, type KnownSouring } from '../forecast/souring-ensemble.js';
import { cultureOf } from '../stages/culture-of.js';
import type { Choices } from '../methods/method.js';
import type { BoundStage } from '../stages/registry.js';
import { NOTHING_LEARNED } from './pooled.js';
import { drainPrior, souringPrior, type Known } from './recall.js';

/** What a kitchen expects of a make by all that its makes have taught. */
export interface Expecting {
  /** The make as it most likely goes. */
  readonly expected: Member;
  readonly souringPriorFor: (problem: Pick<KnownSouring, 'law' | 'prior'>, stage: BoundStage) => ScorePrior;
  readonly drainPriorFor: (stage: BoundStage) => ScorePrior;
}

/** Expectations of a make's stages; those of the constants where nothing is known of the kitchen. */
export function expecting(
  stages: readonly BoundStage[],
  choices: Choices,
  nominal: Pick<Environment, 'member'>,
  known: Known | undefined,
): Expecting {
  if (!known) {
    return {
      expected: nominal.member,
      souringPriorFor: ({ prior }) => prior,
      drainPriorFor: (stage) => drainPrior(stage, { learned: NOTHING_LEARNED }),
    };
  }
  const souringPriorFor: Expecting['souringPriorFor'] = ({ law, prior }, stage) =>
    souringPrior(law.culture.id, prior, stage, choices, known);
  const drainPriorFor = (stage: BoundStage) => drainPrior(stage, known);
  const souring = stages.find((s) => s.kind.endsBy === 'acidity');
  const culture = cultureOf(stages);
  const drain = stages.findLast((s) => s.kind.drainage);
  const soured =
    souring && culture
      ? memberOfScores(CULTURES[culture], souringPrior(culture, STANDARD_PRIOR, souring, choices, known).mean)
      : nominal.member;
  const drained = drain ? drainMember(drainPriorFor(drain).mean) : {};
  return { expected: { ...soured, ...drained, life: nominal.member.life }, souringPriorFor, drainPriorFor };
}
