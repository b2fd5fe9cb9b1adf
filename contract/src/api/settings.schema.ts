import { WORKS } from '@oat-crock/core';
import Joi from 'joi';
import { moment } from './entry-parts.js';
import { DATES_IN, labelsLieOnPage, USUAL_SETTINGS, type LabelStock, type Settings } from './settings.js';

const hour = Joi.number().min(0).max(24).required();
const weekdays = Joi.array().items(Joi.number().integer().min(0).max(6)).unique().max(7);

/** Nobody is back before they are away. */
function afterLeaving(toMs: number, helpers: Joi.CustomHelpers): number | Joi.ErrorReport {
  const [{ fromMs }] = helpers.state.ancestors as readonly [{ readonly fromMs: unknown }];
  return typeof fromMs === 'number' && toMs <= fromMs ? helpers.error('away.backBefore') : toMs;
}

const away = Joi.object({
  fromMs: moment.required(),
  toMs: moment.custom(afterLeaving).required(),
});
const weeklyAway = Joi.object({ days: weekdays.min(1).required(), fromH: hour, toH: hour });
const awayOnce = Joi.array().items(away).max(20);
const awayEachWeek = Joi.array().items(weeklyAway).max(20);
const helper = Joi.object({
  name: Joi.string().trim().min(1).max(60).required(),
  fromH: hour,
  toH: hour,
  days: weekdays.min(1).required(),
  wishes: Joi.object(Object.fromEntries(WORKS.map((work) => [work, Joi.valid('not', 'rather')]))),
  mostH: Joi.number().min(0.25).max(24),
  works: Joi.object({ fromH: hour, toH: hour }),
  away: awayOnce,
  awayWeekly: awayEachWeek,
});

const forgotten = Joi.object({
  of: Joi.string().min(1).max(120).required(),
  beforeMs: Joi.number().integer().min(0).required(),
});

const mm = (min: number, max: number) => Joi.number().min(min).max(max).required();
const count = Joi.number().integer().min(1).max(30).required();

/** Labels lie on their page, all of them. */
function onThePage(stock: LabelStock, helpers: Joi.CustomHelpers): LabelStock | Joi.ErrorReport {
  return labelsLieOnPage(stock) ? stock : helpers.error('labels.overThePage');
}

const labelStock = Joi.object({
  pageWidthMm: mm(15, 330),
  pageHeightMm: mm(10, 490),
  columns: count,
  rows: count,
  widthMm: mm(15, 330),
  heightMm: mm(10, 490),
  leftMm: mm(0, 100),
  topMm: mm(0, 100),
  gapXMm: mm(0, 100),
  gapYMm: mm(0, 100),
})
  .custom(onThePage)
  .allow(null);

const pinned = Joi.object({
  of: Joi.string().min(1).max(120).required(),
  afterMs: Joi.number().integer().min(0).required(),
});

/** The name of a time zone that this machine knows. */
const timeZone = Joi.string()
  .max(60)
  .custom((name: string, helpers) => (isTimeZone(name) ? name : helpers.error('zone.unknown')));

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

export const settingsSchema: Joi.ObjectSchema<Settings> = Joi.object({
  asleepFromH: hour,
  asleepToH: hour,
  roomC: Joi.number().min(5).max(38).required(),
  roomSummerC: Joi.number().min(5).max(38).default(USUAL_SETTINGS.roomSummerC),
  warmestMonth: Joi.number().integer().min(1).max(12).default(USUAL_SETTINGS.warmestMonth),
  roomNightDropC: Joi.number().min(0).max(15).default(USUAL_SETTINGS.roomNightDropC),
  refrigeratorC: Joi.number().min(0).max(10).required(),
  hobW: Joi.number().min(200).max(10_000).required(),
  currency: Joi.string().min(1).max(6).required(),
  worksFromH: hour.optional().default(USUAL_SETTINGS.worksFromH),
  worksToH: hour.optional().default(USUAL_SETTINGS.worksToH),
  worksDays: weekdays.default(USUAL_SETTINGS.worksDays),
  away: Joi.array().items(away).max(50).default([]),
  awayWeekly: awayEachWeek.default([]),
  helpers: Joi.array().items(helper).max(12).default([]),
  mostH: Joi.number().min(0.25).max(24).allow(null).default(null),
  liftKg: Joi.number().min(1).max(200).allow(null).default(null),
  temperatureIn: Joi.valid('C', 'F').default(USUAL_SETTINGS.temperatureIn),
  massIn: Joi.valid('g', 'oz').default(USUAL_SETTINGS.massIn),
  volumeIn: Joi.valid('metric', 'us', 'imperial').default(USUAL_SETTINGS.volumeIn),
  language: Joi.string()
    .pattern(/^[a-z]{2,3}$/)
    .allow('')
    .default(USUAL_SETTINGS.language),
  datesIn: Joi.valid(...DATES_IN).default(USUAL_SETTINGS.datesIn),
  zone: timeZone.required(),
  dairyName: Joi.string().trim().allow('').max(80).default(''),
  dairyAddress: Joi.string().trim().allow('').max(160).default(''),
  labelStock: labelStock.default(null),
  planChance: Joi.number().min(0.5).max(0.99).default(USUAL_SETTINGS.planChance),
  forgotten: Joi.array().items(forgotten).max(200).default([]),
  pinned: Joi.array().items(pinned).max(200).default([]),
});
