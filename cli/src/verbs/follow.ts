import {
  follow as followBatch,
  learnedFigures,
  lessonsOf,
  methodById,
  pooled,
  replay,
  USUAL_KITCHEN,
  workOut,
  type Batch,
  type Choices,
  type Entry,
  type EntryBody,
  type Household,
  type Kitchen,
  type Pooled,
} from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';
import { refusing } from './refusing.js';

interface LogLine {
  readonly id: string;
  readonly atMin: number;
  readonly body: EntryBody;
}

interface MakeIn {
  readonly method: string;
  readonly choices: Choices;
  readonly log: readonly LogLine[];
  readonly nowMin: number;
}

interface FollowIn extends MakeIn {
  readonly household?: Partial<Pick<Kitchen, 'roomC' | 'refrigeratorC' | 'hobW'>>;
  readonly learned?: Pooled;
  readonly seed: number;
}

const MIN_MS = 60_000;
/** The command line has no calendar: minute 0 of every make. */
const FROM_MS = 0;
const MEMBERS = { follow: 2000, learn: 500 } as const;

const msOf = (min: number) => FROM_MS + Math.round(min * MIN_MS);
const minOf = (ms: number | null) => (ms === null ? null : (ms - FROM_MS) / MIN_MS);

/** The batch that a log tells; what is asked for at the top goes before what its first line says. */
function batchOf({ method, choices, log }: MakeIn, field: string): Batch {
  refusing(`${field}method`, () => methodById(method));
  const entries = log.map(({ id, atMin, body }): Entry => ({
    id,
    batchId: 'cli',
    atMs: msOf(atMin),
    source: 'hand',
    body: body.type === 'started' ? { ...body, methodId: method, choices: { ...body.choices, ...choices } } : body,
  }));
  const batch = replay(entries);
  if (batch) return batch;
  throw new InputRefused([
    { field: `${field}log`, message: 'No line of it starts the make.', remedy: 'Let its first line be "started".' },
  ]);
}

function householdOf({ household, learned }: Pick<FollowIn, 'household' | 'learned'>): Household {
  return { kitchen: { ...USUAL_KITCHEN, ...household }, ...(learned && { known: { learned } }) };
}

/** A make as its log tells it, and as it goes on: the same function as the page runs. */
export const follow = (i: FollowIn) => {
  const batch = batchOf(i, '');
  const options = { members: MEMBERS.follow, seed: i.seed, fanPoints: 0 };
  const { stages, windows, findings, doubtful, now, end, tasks } = refusing('choices', () =>
    followBatch(batch, msOf(i.nowMin), options, householdOf(i)),
  );
  return {
    stages: stages.map(({ id, kind, status, beginMs, endMs }) => ({
      id,
      kind,
      status,
      beginMin: minOf(beginMs),
      endMin: minOf(endMs),
    })),
    ready: windows.map(({ by, target, p10Ms, p50Ms, p90Ms, deadChance }) => ({
      by,
      target,
      p10Min: minOf(p10Ms),
      p50Min: minOf(p50Ms),
      p90Min: minOf(p90Ms),
      deadPct: 100 * deadChance,
    })),
    findings: findings.map(({ rule, level, reason, doNow }) => ({ rule, verdict: level, text: `${reason} ${doNow}` })),
    doubtful,
    now: { tempC: now.tempC, ph: now.ph, massG: now.massG, wheyG: now.wheyG },
    end: { ph: end.ph, massG: end.massG, wheyG: end.wheyG },
    hands: tasks
      .filter(({ status }) => status !== 'done')
      .map(({ stageId, atMs, earliestMs, latestMs }) => ({
        stageId,
        atMin: minOf(atMs),
        earliestMin: minOf(earliestMs),
        latestMin: minOf(latestMs),
      })),
  };
};

/** What makes teach, oldest first: each followed from what is usual, all pooled together. */
export const learn = ({ makes }: { readonly makes: readonly MakeIn[] }) => {
  const lessons = makes.flatMap((make, i) => {
    const batch = batchOf(make, `makes.${i}.`);
    const options = { members: MEMBERS.learn, seed: i + 1, fanPoints: 0 };
    return lessonsOf(refusing(`makes.${i}.choices`, () => workOut(batch, msOf(make.nowMin), options)));
  });
  const learned = pooled(lessons);
  return { learned: { known: learnedFigures(learned), covariance: learned.covariance } };
};
