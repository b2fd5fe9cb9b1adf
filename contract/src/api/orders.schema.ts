import Joi from 'joi';
import { choicesOfAMake, moment, ulid } from './entry-parts.js';
import { MOST_SETTLED, type WantedOrder } from './orders.js';
import type { PlannedBatch } from './planned-batch.js';
import { tagged } from './tagged.js';
import { textSchema } from './text.schema.js';

/** When something is wanted. */
const due = tagged('is', {
  once: Joi.object({ is: Joi.valid('once').required(), atMs: moment.required() }),
  weekly: Joi.object({
    is: Joi.valid('weekly').required(),
    day: Joi.number().integer().min(0).max(6).required(),
    atH: Joi.number().min(0).less(24).required(),
    fromMs: moment.required(),
  }),
  'some time': Joi.object({ is: Joi.valid('some time').required() }),
});

/** Something that is wanted. */
export const orderSchema: Joi.ObjectSchema<WantedOrder> = Joi.object({
  id: ulid.required(),
  whom: Joi.string().trim().allow('').max(80).required(),
  methodId: Joi.string().trim().min(1).max(60).required(),
  choices: choicesOfAMake.required(),
  productG: Joi.number().min(100).max(500_000).required(),
  due: due.required(),
  note: Joi.string().allow('').max(500).required(),
  alone: Joi.boolean(),
  settled: Joi.array().items(Joi.string().min(1).max(60)).unique().max(MOST_SETTLED),
});

/** A stage by its id, on one line: it becomes part of what a calendar knows an event by. */
const stageId = Joi.string()
  .min(1)
  .max(40)
  .pattern(/^[^\p{Cc}\p{Zl}\p{Zp}]*$/u, 'one line');

/** No make takes longer, nor is a culture fed longer before it, ms: what lies further off is a slip, and would stretch every drawing. */
const LONGEST_MS = 100 * 86_400_000;
/** A moment about a planned make. */
const near = moment.custom((atMs: number, helpers: Joi.CustomHelpers) => {
  const { startMs } = (helpers.state.ancestors as readonly { readonly startMs?: unknown }[]).at(-1)!;
  const isFar = typeof startMs === 'number' && Math.abs(atMs - startMs) > LONGEST_MS;
  return isFar ? helpers.error('planned.tooFar') : atMs;
});

const task = Joi.object({
  stageId: stageId.required(),
  says: textSchema.required(),
  who: Joi.string().trim().allow('').max(80).optional(),
  with: Joi.string().trim().allow('').max(80).optional(),
  atMs: near.required(),
  minutes: Joi.number().min(0).max(10_000).required(),
  earliestMs: near.required(),
  latestMs: near.required(),
});

const coursePoint = Joi.object({
  atMs: near.required(),
  massG: Joi.number().min(0).required(),
  wheyG: Joi.number().min(0).required(),
  ph: Joi.number().min(0).max(14).required(),
  tempC: Joi.number().min(-30).max(150).required(),
});

const share = Joi.object({
  occurrenceId: Joi.string().min(1).max(60).required(),
  whom: Joi.string().trim().allow('').max(80).required(),
  productG: Joi.number().min(0).max(500_000).required(),
  dueMs: moment.allow(null).required(),
});

/** A make of a plan that was taken. */
export const plannedBatchSchema: Joi.ObjectSchema<PlannedBatch> = Joi.object({
  id: ulid.required(),
  occurrenceId: Joi.string().min(1).max(60).required(),
  part: Joi.number().integer().min(1).max(50).required(),
  parts: Joi.number().integer().min(1).max(50).required(),
  name: textSchema.required(),
  whom: Joi.string().trim().allow('').max(80).required(),
  methodId: Joi.string().trim().min(1).max(60).required(),
  choices: choicesOfAMake.required(),
  productG: Joi.number().min(1).max(500_000).required(),
  shares: Joi.array().items(share).min(2).max(60),
  startMs: moment.required(),
  readyMs: near.min(Joi.ref('startMs')).required(),
  readyLateMs: near.min(Joi.ref('readyMs')).required(),
  dueMs: moment.allow(null).required(),
  extension: Joi.object({
    stageId: stageId.required(),
    forMin: Joi.number().min(-20_000).max(20_000).required(),
    afterWakingMin: Joi.number().min(0).max(1440).required(),
  })
    .allow(null)
    .required(),
  accepted: Joi.array().items(Joi.string().max(20)).unique().max(20).default([]),
  pinned: Joi.boolean().required(),
  tasks: Joi.array().items(task).max(60).required(),
  gear: Joi.array().items(Joi.string().max(80)).max(30).required(),
  feed: Joi.object({
    culture: Joi.string().max(40).required(),
    who: Joi.string().trim().allow('').max(80).optional(),
    beginMs: near.required(),
    ripeMs: near.min(Joi.ref('beginMs')).required(),
    milkG: Joi.number().min(0).max(200_000).required(),
    starterG: Joi.number().min(0).max(200_000).required(),
    tempC: Joi.number().min(0).max(60).required(),
  })
    .allow(null)
    .required(),
  starterTimes: Joi.number().min(1).max(20).default(1),
  instead: textSchema.allow(null).default(null),
  course: Joi.array().items(coursePoint).max(400).default([]),
  batchId: ulid.allow(null).required(),
});

/** Whose hands a calendar asks for: those of somebody who helps; all where nobody is named. And the key of a dairy that is closed. */
export const planFeedSchema: Joi.ObjectSchema<{ who?: string; key?: string }> = Joi.object({
  who: Joi.string().trim().min(1).max(60).optional(),
  key: Joi.string().max(80).optional(),
});
