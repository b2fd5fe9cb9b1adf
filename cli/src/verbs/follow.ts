import { english } from '@oat-crock/messages';
import { follow as followBatch, type Household, type Kitchen, type Pooled, USUAL_KITCHEN } from '@oat-crock/core';
import Joi from 'joi';
import { seed } from '../inputs/bounds.js';
import { learned } from '../inputs/learned.js';
import { batchOf, type MakeIn, minOf, msOf } from '../logged-batch.js';
import { refusing } from '../refusing.js';
import { loggedMake } from '../inputs/logged-make.js';
import type { Verb } from '../verb.js';

interface FollowIn extends MakeIn {
  readonly household?: Partial<Pick<Kitchen, 'roomC' | 'refrigeratorC' | 'hobW'>>;
  readonly learned?: Pooled;
  readonly seed: number;
}

const MEMBERS = 2000;

function householdOf({ household, learned }: Pick<FollowIn, 'household' | 'learned'>): Household {
  return { kitchen: { ...USUAL_KITCHEN, ...household }, ...(learned && { known: { learned } }) };
}

const run = (i: FollowIn) => {
  const batch = batchOf(i, '');
  const options = { members: MEMBERS, seed: i.seed, fanPoints: 0 };
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
    findings: findings.map(({ rule, level, reason, doNow }) => ({
      rule: english(rule),
      verdict: level,
      text: `${english(reason)} ${english(doNow)}`,
    })),
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

/** A make as its log tells it. */
export const verb: Verb = {
  says: 'A make as its log tells it: stages, when it is ready, what the rules of safety say, the crock now and in the end, hands.',
  example: {
    method: 'scalded-yogurt',
    choices: {},
    log: [
      { id: '1', atMin: 0, body: { type: 'started', methodId: 'scalded-yogurt', choices: {}, name: 'Monday pot' } },
      { id: '2', atMin: 65, body: { type: 'step', stageId: 'starter' } },
      { id: '3', atMin: 71, body: { type: 'step', stageId: 'warm' } },
      { id: '4', atMin: 230, body: { type: 'reading', quantity: 'ph', value: 5.6, by: 'meter' } },
    ],
    nowMin: 240,
    seed: 7,
  },
  schema: Joi.object({
    ...loggedMake,
    household: Joi.object({
      roomC: Joi.number().min(5).max(38),
      refrigeratorC: Joi.number().min(0).max(10),
      hobW: Joi.number().min(200).max(10_000),
    }),
    learned,
    seed,
  }),
  run,
};
