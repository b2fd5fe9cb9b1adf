import { english } from '@oat-crock/messages';
import {
  ACTIVITY_LOSS,
  checkChoices,
  type Choices,
  type CultureId,
  GEAR_TYPES,
  type GearKind,
  methodById,
  planFor,
  type PlanGear,
  type Pooled,
  starterActivity,
  type StarterForm,
  type StarterStore,
  type Stretch,
} from '@oat-crock/core';
import { choicesOfAMake } from '@oat-crock/contract';
import Joi from 'joi';
import { seed } from '../inputs/bounds.js';
import { learned } from '../inputs/learned.js';
import { cultureId, starterFields } from '../inputs/starter.js';
import { refusing } from '../refusing.js';
import type { Verb } from '../verb.js';

interface PlanIn {
  readonly orders: readonly {
    readonly method: string;
    readonly massG: number;
    readonly dueMin: number;
    readonly choices: Choices;
  }[];
  readonly gear: readonly PlanGear[];
  readonly asleep: readonly Stretch[];
  readonly cultures?: readonly {
    readonly culture: CultureId;
    readonly massG: number;
    readonly form: StarterForm;
    readonly ageDays: number;
    readonly store: StarterStore;
  }[];
  readonly learned?: Pooled;
  readonly seed: number;
}

/** Rounds of search: a clock would make the answer another on another machine. */
const ROUNDS = 60;

const run = ({ orders, gear, asleep, cultures, learned, seed }: PlanIn) => {
  const methods = orders.map(({ method: id, choices }, i) => {
    const at = `orders.${i}`;
    const method = refusing(`${at}.method`, () => methodById(id));
    refusing(`${at}.choices`, () => checkChoices(method, choices), `${at}.choices`);
    return method;
  });
  const found = planFor(
    {
      orders: orders.map(({ massG, dueMin, choices }, i) => ({
        id: String(i),
        method: methods[i]!,
        productG: massG,
        dueMin,
        choices,
      })),
      people: [{ name: '', asleep, away: [], works: null }],
      gear,
      ...(learned && { known: { learned } }),
      ...(cultures && {
        starters: cultures.map(({ culture, massG, ...kept }) => ({
          culture,
          massG,
          activity: starterActivity(kept, culture),
          lossPerDay: ACTIVITY_LOSS[kept.form][kept.store].perDay,
        })),
      }),
      horizonMin: Math.max(...orders.map((o) => o.dueMin)) + 60,
      seed,
    },
    ROUNDS,
  );
  return {
    batches: found.makes.map(
      ({ orderId, shares, network, mode, steps, gear: pieces, feed, buysStarter, starterTimes }) => ({
        order: Number(orderId),
        shares: shares.map((s) => ({ order: Number(s.orderId), massG: s.productG })),
        method: network.methodId,
        startMin: mode.startMin,
        readyMin: mode.readyMin,
        readyLateMin: mode.readyLateMin,
        massG: Number(network.choices['massG']),
        productG: network.productG,
        gear: pieces.map(({ kind, name }) => name ?? kind),
        feed,
        buysStarter,
        starterTimes,
        stages: network.steps.map((step, i) => ({
          kind: step.kind,
          startMin: steps[i]!.beginMin,
          endMin: steps[i]!.endMin,
          handsMin: step.handsMin,
        })),
      }),
    ),
    unmet: found.unmet.map(({ orderId, why, remedy }) => ({
      order: Number(orderId),
      why: english(why),
      remedy: english(remedy),
    })),
    nightHandsMin: found.nightHandsMin,
    cost: found.cost,
    bound: found.bound,
    proven: found.proven,
  };
};

/** Minutes of a plan: at most six weeks. */
const planMin = Joi.number().min(0).max(60_480);

const GEAR_KINDS = Object.keys(GEAR_TYPES) as GearKind[];

/** When to begin what, so that so much product is ready nine times in ten by then. */
export const verb: Verb = {
  says: 'When to begin what, so that so much product is ready nine times in ten by then: hands out of the night, gear never taken twice, the starter ripe; and why what cannot be done cannot.',
  example: {
    orders: [
      { method: 'strained-yogurt', massG: 2000, dueMin: 4800 },
      { method: 'scalded-yogurt', massG: 4000, dueMin: 4800 },
      { method: 'acid-heat-curd', massG: 900, dueMin: 3360 },
    ],
    gear: [
      { kind: 'pot', holdsL: 14 },
      { kind: 'pot', holdsL: 8, count: 2 },
      { kind: 'thermostat', holdsL: 20, several: true },
      { kind: 'strainer', holdsL: 8 },
    ],
    asleep: [
      { fromMin: 960, toMin: 1440 },
      { fromMin: 2400, toMin: 2880 },
      { fromMin: 3840, toMin: 4320 },
    ],
    cultures: [{ culture: 'thermophilic', massG: 400, form: 'active', ageDays: 3, store: 'cold' }],
    seed: 7,
  },
  schema: Joi.object({
    orders: Joi.array()
      .items(
        Joi.object({
          method: Joi.string().max(60).required(),
          massG: Joi.number().min(100).max(500_000).required(),
          dueMin: planMin.required(),
          choices: choicesOfAMake.default({}),
        }),
      )
      .min(1)
      .max(60)
      .required(),
    gear: Joi.array()
      .items(
        Joi.object({
          kind: Joi.valid(...GEAR_KINDS).required(),
          name: Joi.string().trim().min(1).max(80),
          holdsL: Joi.number().greater(0).max(1000).allow(null).default(null),
          count: Joi.number().integer().min(1).max(100).default(1),
          several: Joi.boolean(),
        }),
      )
      .max(60)
      .default([]),
    asleep: Joi.array()
      .items(Joi.object({ fromMin: planMin.required(), toMin: planMin.greater(Joi.ref('fromMin')).required() }))
      .max(200)
      .default([]),
    cultures: Joi.array()
      .items(
        Joi.object({
          culture: cultureId.required(),
          massG: Joi.number().min(0).max(100_000).required(),
          ...starterFields,
        }),
      )
      .max(60),
    learned,
    seed,
  }),
  run,
};
