import { BOTTLE_PERSISTS, DRAIN_PERSISTS, LOSS_PERSISTS, PERSISTS, POT_PERSISTS } from '../constants/pooling.js';
import { DRAIN_SCORES } from '../forecast/drain-forecast.js';
import { SCORES } from '../forecast/souring-ensemble.js';
import type { BoundStage } from '../stages/registry.js';
import type { Lesson } from './pooled.js';

/** Scores with whose each is, and how much of it stays from make to make. */
export type Owned = Pick<Lesson, 'owners' | 'scores' | 'persists'>;

type Whose = 'line' | 'place' | 'milk';

/** The owner of what a culture's line shows. */
export const lineOwner = (line: string) => `culture ${line}`;

/** Growth and souring are a culture's; warmth is the place's; the buffer is the milk's. */
const WHOSE: Readonly<Record<(typeof SCORES)[number], Whose>> = {
  activity: 'line',
  lag: 'line',
  mu: 'line',
  acid: 'line',
  pace: 'line',
  phShift: 'milk',
  buffer: 'milk',
  incubatorOffsetC: 'place',
  heatLoss: 'place',
};

/** The scores of a souring by a culture's line in the warm place of a stage. */
export const souringOwned = (line: string, stage: BoundStage): Owned => souringOwnedBy(line, placeOf(stage));

/** The same, the warm place by its name. */
export function souringOwnedBy(line: string, place: string): Owned {
  const names = { line: lineOwner(line), place: `place ${place}`, milk: 'milk' };
  return {
    scores: SCORES,
    owners: SCORES.map((score) => names[WHOSE[score]]),
    persists: SCORES.map((score) => PERSISTS[score]),
  };
}

/** Where a crock is kept while it sours: the kind of its warm place. */
const placeOf = ({ kind, params }: BoundStage) => String(params['keeper'] ?? kind.kind);

/** The scores of a draining: the cloth's by the way it hangs, and those of the scale and bowl under it. */
export function drainOwned({ kind, params }: BoundStage): Owned {
  const cloth = `cloth ${String(params['method'] ?? kind.kind)}`;
  return {
    scores: DRAIN_SCORES,
    owners: DRAIN_SCORES.map((score) => (score === 'scaleBias' || score === 'bowlG' ? 'scale' : cloth)),
    persists: DRAIN_SCORES.map((score) => DRAIN_PERSISTS[score]),
  };
}

/** What a pot of a size loses; all pots are one where a make does not say how large it is. */
export const potOwned = (vesselL: unknown): Owned => ({
  scores: ['potLoss'],
  owners: [vesselL === undefined ? 'pot' : `pot ${String(vesselL)} L`],
  persists: [POT_PERSISTS],
});

/** How strong an acid of the kitchen is. */
export const bottleOwned = (agent: string): Owned => ({
  scores: ['acidStrength'],
  owners: [`acid ${agent}`],
  persists: [BOTTLE_PERSISTS],
});

/** What the maker's own hands leave on cloth, pot and spoons. */
export const LOSS_OWNED: Owned = { scores: ['loss'], owners: ['maker'], persists: [LOSS_PERSISTS] };
