import { CULTURES, type CultureId } from '../constants/cultures.js';
import { DRAIN_READING } from '../constants/evidence.js';
import { BOTTLE, HANDLING, POT } from '../constants/pooling.js';
import { PACE_SD } from '../constants/starter.js';
import { MEMBER_SPREAD } from '../environment/environment.js';
import { placeOffsetC } from '../forecast/souring-ensemble.js';
import { cultureOf } from '../stages/culture-of.js';
import type { BoundStage } from '../stages/registry.js';
import { bottleOwned, drainOwned, LOSS_OWNED, potOwned, souringOwned } from './owners.js';
import type { LearnedScore, Pooled } from './pooled.js';
import { lineIn, type Known } from './recall.js';

/** Something that was learned and acts on a make: a factor on a pace or a yield, or degrees. */
export interface LearnedHere {
  /** Whose it is: what is to be forgotten, where somebody says so. */
  readonly of: string;
  readonly what: 'culture pace' | 'place' | 'cloth time' | 'pot loss' | 'acid strength' | 'maker loss';
  /** A factor (1 = as usual), for a place °C that it stands off; likely, and from P10 to P90. */
  readonly value: number;
  readonly p10: number;
  readonly p90: number;
  /** For a place: what it is set to, °C, where it has a setting. */
  readonly setC: number | null;
  readonly makes: number;
}

const TENTH = 1.2816;

/** How each score that is worth a word becomes a figure, and from which difference on it is one. */
const SAID = {
  pace: {
    what: 'culture pace',
    of: (z: number) => Math.exp(PACE_SD.active * z),
    felt: (v: number) => Math.abs(Math.log(v)) > 0.05,
  },
  incubatorOffsetC: { what: 'place', of: placeOffsetC, felt: (v: number) => Math.abs(v) > 0.3 },
  drainTime: {
    what: 'cloth time',
    of: (z: number) => Math.exp(MEMBER_SPREAD.drainTime * z),
    felt: (v: number) => Math.abs(Math.log(v)) > 0.1,
  },
  potLoss: {
    what: 'pot loss',
    of: (z: number) => Math.exp(POT.sd * z),
    felt: (v: number) => Math.abs(Math.log(v)) > 0.1,
  },
  acidStrength: {
    what: 'acid strength',
    of: (z: number) => Math.exp(BOTTLE.sd * z),
    felt: (v: number) => Math.abs(Math.log(v)) > 0.03,
  },
  loss: {
    what: 'maker loss',
    of: (z: number) => Math.exp(HANDLING.sd * z),
    felt: (v: number) => Math.abs(Math.log(v)) > 0.01,
  },
} as const;

type Said = (typeof SAID)[keyof typeof SAID];
const saidOf = (score: string): Said | undefined => (SAID as Readonly<Record<string, Said | undefined>>)[score];

function figureOf({ of, score, mean, sd, makes }: LearnedScore, setC: number | null): LearnedHere | null {
  const said = saidOf(score);
  if (!said) return null;
  const at = (sds: number) => said.of(mean + sds * sd);
  return { of, what: said.what, value: at(0), p10: at(-TENTH), p90: at(TENTH), setC, makes };
}

/** Whether what was learned is far enough from the usual to be worth a word. */
const isFelt = ({ score, mean }: LearnedScore) => {
  const said = saidOf(score);
  return said !== undefined && said.felt(said.of(mean));
};

/** Everything that was learned and is a figure to somebody, whether it acts anywhere just now, and whether it is worth a word. */
export function learnedAll({ known }: Pooled): readonly (LearnedHere & { readonly isFelt: boolean })[] {
  return known.flatMap((score) => {
    const figure = figureOf(score, null);
    return figure ? [{ ...figure, isFelt: isFelt(score) }] : [];
  });
}

/** What was learned that acts on a make of some stages. */
export function learnedHere(stages: readonly BoundStage[], known: Known | undefined): readonly LearnedHere[] {
  if (!known) return [];
  const { learned } = known;
  const souring = stages.find((s) => s.kind.endsBy === 'acidity');
  const culture = cultureOf(stages);
  const owners = new Set([
    ...(souring && culture ? souringOwned(lineIn(known, culture), souring).owners : []),
    ...stages.filter((s) => s.kind.drainage).flatMap((s) => drainOwned(s).owners),
    ...stages.filter((s) => s.params['vesselL'] !== undefined).flatMap((s) => potOwned(s.params['vesselL']).owners),
    ...stages.filter((s) => s.kind.kind === 'acidify').flatMap((s) => bottleOwned(String(s.params['agent'])).owners),
    ...LOSS_OWNED.owners,
  ]);
  const setC = souring?.params['keepC'];
  return learned.known
    .filter((score) => owners.has(score.of) && isFelt(score))
    .flatMap((score) => figureOf(score, typeof setC === 'number' ? setC : null) ?? []);
}

/** A learned score as a factor (for a place: degrees off), likely and from P10 to P90. */
export interface LearnedFigure extends LearnedScore {
  readonly factor: number;
  readonly p10: number;
  readonly p90: number;
}

/** Everything that was learned, each score with what it stands for. */
export function learnedFigures({ known }: Pooled): readonly LearnedFigure[] {
  return known.map((score) => {
    const of = factorOf(score);
    const at = (sds: number) => of(score.mean + sds * score.sd);
    return { ...score, factor: at(0), p10: at(-TENTH), p90: at(TENTH) };
  });
}

function factorOf({ of, score }: LearnedScore): (z: number) => number {
  if (score === 'incubatorOffsetC') return placeOffsetC;
  if (score === 'phShift') return (z) => MEMBER_SPREAD.phShift * z;
  if (score === 'bowlG') return (z) => DRAIN_READING.bowlSdG * z;
  const { spread } = CULTURES[of.replace(/^culture /, '') as CultureId] ?? CULTURES.thermophilic;
  const sds: Readonly<Record<string, number>> = {
    ...spread,
    ...MEMBER_SPREAD,
    pace: PACE_SD.active,
    wheyWanted: DRAIN_READING.wantedSd,
    scaleBias: DRAIN_READING.scaleSd,
    loss: HANDLING.sd,
    potLoss: POT.sd,
    acidStrength: BOTTLE.sd,
  };
  return (z) => Math.exp((sds[score] ?? 0) * z);
}
