import {
  FLAVOUR_IDS,
  SOUR_AGENT_IDS,
  type CultureLot,
  type Gear,
  type Lot,
  type LotStock,
  type Material,
} from '@oat-crock/core';
import type { CulturesFile } from './cultures-file.js';
import Joi from 'joi';
import { day, moment, ulid } from './entry-parts.js';
import { tagged } from './tagged.js';

const name = Joi.string().trim().min(1).max(80).required();
const note = Joi.string().allow('').max(500).required();
const percent = Joi.number().min(0).max(100);

/** Percent by mass; what a label does not say is nought. */
const materialFields = {
  fatPct: percent.required(),
  proteinPct: percent.required(),
  lactosePct: percent.required(),
  mineralsPct: percent.required(),
  lactoseSplit: Joi.boolean(),
  sucrosePct: percent,
  otherPct: percent,
  caseinShare: Joi.number().min(0).max(1),
};

/** All that is not water cannot be more than there is. */
function fitsInto100(material: Material, helpers: Joi.CustomHelpers): Material | Joi.ErrorReport {
  const { fatPct, proteinPct, lactosePct, mineralsPct, sucrosePct = 0, otherPct = 0 } = material;
  const solids = fatPct + proteinPct + lactosePct + mineralsPct + sucrosePct + otherPct;
  return solids <= 100 ? material : helpers.error('material.tooMuch', { solids: Math.round(10 * solids) / 10 });
}

export const treatment = Joi.valid(
  'raw',
  '63C-30min',
  '72C-15s',
  'scalded',
  'ultra-heated',
  'ultrafiltered',
).required();
const species = Joi.valid('cow', 'goat', 'sheep');
const freshPh = Joi.number().min(4).max(7.5);
const allergen = Joi.valid('coconut', 'cashew', 'soya');

/** A lot as a make keeps it. */
export const lotStockSchema: Joi.ObjectSchema<LotStock> = Joi.object({
  ...materialFields,
  id: Joi.string()
    .pattern(/^lot:[0-9A-HJKMNP-TV-Z]{26}$/, 'lot')
    .required(),
  kind: Joi.valid('milk', 'cream', 'powder', 'base', 'whey').required(),
  name,
  treatment,
  pricePerKg: Joi.number().min(0).max(10_000).required(),
  species,
  freshPh,
  allergen,
  packG: Joi.number().greater(0).max(1_000_000),
}).custom(fitsInto100);

/** What every lot has. */
const lot = (kind: string) => ({
  id: ulid.required(),
  kind: Joi.valid(kind).required(),
  name,
  amount: Joi.number().min(0).max(10_000_000).required(),
  countedMs: moment.required(),
  pack: Joi.number().greater(0).max(1_000_000).allow(null).required(),
  price: Joi.number().min(0).max(10_000).required(),
  useBy: day.allow(null).required(),
  note,
  from: ulid,
});

const stock = (kind: string) =>
  Joi.object({
    ...lot(kind),
    material: Joi.object(materialFields).custom(fitsInto100).required(),
    treatment,
    species: species.required(),
    homogenised: Joi.boolean().required(),
    stabilised: Joi.boolean().required(),
    freshPh: freshPh.allow(null).required(),
    allergen: allergen.allow(null).required(),
  });

const culture = Joi.valid('thermophilic', 'mesophilic', 'kefir-grains', 'room-yogurt', 'clabber', 'plant');

/** Something that lives and is kept. */
const cultureLot: Joi.ObjectSchema<CultureLot> = Joi.object({
  ...lot('culture'),
  culture: culture.required(),
  beside: culture.allow(null).required(),
  form: Joi.valid('active', 'freeze-dried', 'grains', 'capsule').required(),
  origin: Joi.valid(
    'pot',
    'powder',
    'capsule',
    'heirloom',
    'grains',
    'wild',
    'held back',
    'fed',
    'divided',
    'mixed',
  ).required(),
  parents: Joi.array().items(ulid).max(4).unique().required(),
  generation: Joi.number().integer().min(0).max(10_000).required(),
  bornMs: moment.required(),
  stays: Joi.array()
    .items(Joi.object({ store: Joi.valid('cold', 'frozen', 'room').required(), fromMs: moment.required() }))
    .min(1)
    .max(200)
    .required(),
  retiredMs: moment.allow(null).required(),
  beginAgain: Joi.valid('generations', 'taste', 'never'),
});

/** An open file of cultures and their lines. */
export const culturesFileSchema: Joi.ObjectSchema<CulturesFile> = Joi.object({
  oatCrock: Joi.valid('cultures').required(),
  version: Joi.valid(1).required(),
  cultures: Joi.array().items(cultureLot).min(1).max(5000).unique('id').required(),
});

/** A lot of the larder. */
export const lotSchema: Joi.Schema<Lot> = tagged('kind', {
  milk: stock('milk'),
  cream: stock('cream'),
  powder: stock('powder'),
  base: stock('base'),
  whey: stock('whey'),
  acid: Joi.object({
    ...lot('acid'),
    agent: Joi.valid(...SOUR_AGENT_IDS).required(),
    strengthPct: Joi.number().min(0.5).max(100).required(),
  }),
  rennet: Joi.object({
    ...lot('rennet'),
    imcuPerMl: Joi.number().min(10).max(2000).required(),
    dropsPerMl: Joi.number().min(10).max(60).required(),
  }),
  calcium: Joi.object({ ...lot('calcium'), solutionPct: Joi.number().min(5).max(50).required() }),
  cloth: Joi.object({ ...lot('cloth'), weave: Joi.valid('fine', 'open').required() }),
  flavour: Joi.object({
    ...lot('flavour'),
    flavour: Joi.valid(...FLAVOUR_IDS).required(),
    saltPct: Joi.number().min(0).max(40).required(),
    fatPct: Joi.number().min(0).max(90).required(),
    waterPct: Joi.number().min(0).max(99).required(),
    hasNuts: Joi.boolean().required(),
  }),
  culture: cultureLot,
  salt: Joi.object(lot('salt')),
  other: Joi.object(lot('other')),
});

const learned = (min: number, max: number) =>
  Joi.object({
    value: Joi.number().min(min).max(max).required(),
    sd: Joi.number().min(0).max(max).allow(null).required(),
    atMs: moment.required(),
    litres: Joi.number().min(0.05).max(1000),
    roomC: Joi.number().min(-5).max(45),
  });

/** Kinds that hold something say how much; the others may not. */
const HOLDS = ['pot', 'jar', 'flask', 'thermostat', 'bath', 'strainer', 'mould', 'churn', 'cold-shelf'];
const HOLDS_NOTHING = ['lamp-oven', 'hob', 'counter'];

/** A piece of gear. */
export const gearSchema: Joi.ObjectSchema<Gear> = Joi.object({
  id: ulid.required(),
  kind: Joi.valid(...HOLDS, ...HOLDS_NOTHING).required(),
  name,
  holdsL: Joi.when('kind', {
    is: Joi.valid(...HOLDS_NOTHING),
    then: Joi.valid(null).required(),
    otherwise: Joi.number().min(0.05).max(1000).required(),
  }),
  count: Joi.number().integer().min(1).max(500).required(),
  learned: Joi.object({
    lossWPerK: learned(0.01, 100),
    holdsC: learned(-5, 95),
    powerW: learned(50, 10_000),
  }).required(),
  note,
  measuring: Joi.object({
    key: Joi.valid('lossWPerK', 'holdsC', 'powerW').required(),
    litres: Joi.number().min(0.05).max(1000).required(),
    roomC: Joi.number().min(-5).max(45).required(),
    noted: Joi.array()
      .items(Joi.object({ atMs: moment.required(), tempC: Joi.number().min(-10).max(110).required() }))
      .max(200)
      .required(),
  }).allow(null),
});
