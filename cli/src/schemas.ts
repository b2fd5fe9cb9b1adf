import { GEAR_TYPES, type GearKind } from '@oat-crock/core';
import Joi from 'joi';
import { choicesOfAMake } from '@oat-crock/contract';
import { bodySchemaFor } from '@oat-crock/contract';

const GEAR_KINDS = Object.keys(GEAR_TYPES) as GearKind[];

const pct = (min: number, max: number) => Joi.number().min(min).max(max);
const tempC = Joi.number().min(0).max(100);

const milk = Joi.object({
  fatPct: pct(0, 50).required(),
  proteinPct: pct(0.5, 12).required(),
  treatment: Joi.valid('raw', '63C-30min', '72C-15s', 'ultra-heated', 'ultrafiltered').default('72C-15s'),
});

const starterFields = {
  form: Joi.valid('active', 'freeze-dried', 'grains').required(),
  ageDays: Joi.number().min(0).max(3650).required(),
  store: Joi.valid('cold', 'frozen', 'room').required(),
};
/** A packet of powder is dosed by what its label says it sets, into so many litres: into just those where nothing is said. */
const ofAPacket = { is: 'packet', otherwise: Joi.forbidden() };
const litres = Joi.number().greater(0).max(1000);
const starter = Joi.object({
  ...starterFields,
  form: Joi.valid('active', 'freeze-dried', 'grains', 'packet').required(),
  setsLitres: litres.when('form', { ...ofAPacket, then: Joi.required() }),
  packets: Joi.number().greater(0).max(100).when('form', ofAPacket),
  litres: litres.when('form', ofAPacket),
});

const trace = (lowestC: number, highestC: number) =>
  Joi.array()
    .items(
      Joi.object({
        min: Joi.number().min(0).max(100_000).required(),
        tempC: Joi.number().min(lowestC).max(highestC).required(),
      }),
    )
    .min(2)
    .max(10_000)
    .custom((points: { min: number }[], helpers) =>
      points.every((p, i) => i === 0 || p.min >= points[i - 1]!.min) ? points : helpers.error('trace.order'),
    )
    .messages({ 'trace.order': '{{#label}} must go forward in time' });

const souring = {
  culture: Joi.valid('thermophilic', 'mesophilic', 'kefir-grains', 'room-yogurt', 'clabber', 'plant').required(),
  // Raw milk clabbers by itself; nothing else sours without a starter. A packet says itself how much of it there is.
  dosePct: Joi.when('starter.form', {
    is: 'packet',
    then: Joi.forbidden(),
    otherwise: Joi.number()
      .min(0)
      .max(50)
      .required()
      .when('culture', { is: 'clabber', otherwise: Joi.number().greater(0) }),
  }),
  starter: starter.required(),
  milk: milk.required(),
  denaturedPct: pct(0, 100),
  tempC,
  trace: trace(0, 100),
  targetPh: Joi.number().min(3.6).max(6.4).required(),
  hours: Joi.number().greater(0).max(240).required(),
};

const reading = Joi.alternatives().conditional('.ph', {
  is: Joi.exist(),
  then: Joi.object({
    min: Joi.number().min(0).max(14_400).required(),
    ph: Joi.number().min(2.5).max(9).required(),
    by: Joi.valid('meter', 'strip').required(),
  }),
  otherwise: Joi.object({
    min: Joi.number().min(0).max(14_400).required(),
    cue: Joi.valid(
      'liquid',
      'wobbles',
      'leaves the wall',
      'stands',
      'sweet',
      'mild',
      'tangy',
      'sharp',
      'none',
      'a film',
      'a pool',
    ).required(),
  }),
});

/** Minutes of a plan: at most six weeks. */
const planMin = Joi.number().min(0).max(60_480);

const plan = Joi.object({
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
        culture: souring.culture,
        massG: Joi.number().min(0).max(100_000).required(),
        ...starterFields,
      }),
    )
    .max(60),
  seed: Joi.number().integer().min(0).max(4_294_967_295).default(1),
});

/** What "learn" gave, as it gave it. */
const learned = Joi.object({
  known: Joi.array()
    .items(
      Joi.object({
        of: Joi.string().min(1).max(120).required(),
        score: Joi.string().min(1).max(40).required(),
        mean: Joi.number().required(),
        sd: Joi.number().min(0).required(),
        makes: Joi.number().integer().min(0).required(),
        factor: Joi.number(),
        p10: Joi.number(),
        p90: Joi.number(),
      }),
    )
    .max(400)
    .required(),
  covariance: Joi.array().items(Joi.number()).max(160_000).required(),
})
  .custom((l: { known: unknown[]; covariance: unknown[] }, helpers) =>
    l.covariance.length === l.known.length ** 2 ? l : helpers.error('learned.square'),
  )
  .messages({ 'learned.square': '{{#label}} must have one row and one column of covariance for each score' });

const seed = Joi.number().integer().min(0).max(4_294_967_295).default(1);
const logMin = Joi.number().min(0).max(100_000);
const lineId = Joi.string().trim().min(1).max(40);

/** A make with its log, minutes from its start. */
const loggedMake = {
  method: Joi.string().max(60).required(),
  choices: choicesOfAMake.default({}),
  log: Joi.array()
    .items(Joi.object({ id: lineId.required(), atMin: logMin.required(), body: bodySchemaFor(lineId).required() }))
    .min(1)
    .max(2000)
    .required(),
  nowMin: logMin.required(),
};

/** Shapes of what the command line takes, by verb. */
export const CLI_SCHEMAS = {
  density: Joi.object({
    material: Joi.object({
      fatPct: pct(0, 90).required(),
      proteinPct: pct(0, 40).required(),
      lactosePct: pct(0, 60).required(),
      mineralsPct: pct(0, 10).required(),
    })
      .required()
      .custom((m: Record<string, number>, helpers) =>
        Object.values(m).reduce((a, b) => a + b, 0) < 100 ? m : helpers.error('material.over'),
      )
      .messages({ 'material.over': '{{#label}} adds up to 100 % or more' }),
    tempC: tempC.required(),
  }),
  blend: Joi.object({
    materials: Joi.array()
      .items(
        Joi.object({
          name: Joi.string().trim().min(1).max(80).required(),
          fatPct: pct(0, 99.9).required(),
          proteinPct: pct(0, 99.9).required(),
          pricePerKg: Joi.number().min(0).max(100_000),
          maxG: Joi.number().min(0).max(10_000_000),
        }),
      )
      .min(1)
      .max(20)
      .required(),
    target: Joi.object({
      massG: Joi.number().greater(0).max(10_000_000).required(),
      fatPct: pct(0, 99.9),
      proteinPct: pct(0, 99.9),
    }).required(),
  }),
  denature: Joi.object({ trace: trace(-5, 150).required() }),
  cool: Joi.object({
    volumeMl: Joi.number().min(50).max(200_000).required(),
    startC: Joi.number().min(0).max(100).required(),
    targetC: Joi.number().min(0).max(100).required(),
    roomC: Joi.number().min(-10).max(45).required(),
    method: Joi.valid('covered', 'open', 'water-bath', 'ice-bath', 'refrigerator', 'flask').required(),
  }),
  acidity: Joi.object({
    proteinPct: pct(0.5, 12).required(),
    ph: Joi.number().min(3.2).max(6.65),
    lacticPct: pct(0, 3),
  }).xor('ph', 'lacticPct'),
  'acid-dose': Joi.object({
    massG: Joi.number().greater(0).max(200_000).required(),
    proteinPct: pct(0.5, 12).required(),
    targetPh: Joi.number().min(3.6).max(6.6).required(),
    acid: Joi.valid('lemon', 'vinegar', 'citric', 'tartaric').required(),
    strengthPct: pct(0.1, 100),
  }),
  souring: Joi.object({ ...souring, learned }).xor('tempC', 'trace'),
  forecast: Joi.object({
    ...souring,
    readings: Joi.array().items(reading).max(200).required(),
    learned,
    members: Joi.number().integer().min(100).max(20_000).default(2000),
    seed: Joi.number().integer().min(0).max(4_294_967_295).default(1),
  }).xor('tempC', 'trace'),
  strain: Joi.object({
    massG: Joi.number().min(10).max(200_000).required(),
    solidsPct: pct(8, 35).required(),
    method: Joi.valid('flat', 'hung', 'pressed').required(),
    clothAreaCm2: Joi.number().min(10).max(100_000),
    tempC: Joi.number().min(0).max(45).required(),
    targetSolidsPct: pct(8, 45).required(),
    weighed: Joi.array()
      .items(
        Joi.object({
          min: Joi.number().min(0).max(20_000).required(),
          wheyG: Joi.number().min(0).max(200_000).required(),
        }),
      )
      .max(500),
  }),
  churn: Joi.object({
    massG: Joi.number().min(10).max(200_000).required(),
    fatPct: pct(0, 70).required(),
    tempC: Joi.number().min(0).max(45).required(),
    butterFatPct: pct(78, 87).required(),
  }),
  vitality: Joi.object({
    ...starterFields,
    tempC: Joi.number().min(-80).max(45),
    generation: Joi.number().integer().min(0).max(1000).default(0),
  }),
  make: Joi.object({
    method: Joi.string().max(60).required(),
    choices: choicesOfAMake.default({}),
    massG: Joi.number().min(250).max(60_000).required(),
    learned,
  }),
  plan: plan.append({ learned }),
  follow: Joi.object({
    ...loggedMake,
    household: Joi.object({
      roomC: Joi.number().min(5).max(38),
      refrigeratorC: Joi.number().min(0).max(10),
      hobW: Joi.number().min(200).max(10_000),
    }),
    learned,
    seed,
  }),
  learn: Joi.object({ makes: Joi.array().items(Joi.object(loggedMake)).min(1).max(60).required() }),
} as const;

export type Verb = keyof typeof CLI_SCHEMAS;
