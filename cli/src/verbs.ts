import { verb as acidDose } from './verbs/acid-dose.js';
import { verb as acidity } from './verbs/acidity.js';
import { verb as blend } from './verbs/blend.js';
import { verb as churn } from './verbs/churn.js';
import { verb as cool } from './verbs/cool.js';
import { verb as denature } from './verbs/denature.js';
import { verb as density } from './verbs/density.js';
import { verb as follow } from './verbs/follow.js';
import { verb as forecast } from './verbs/forecast.js';
import { verb as learn } from './verbs/learn.js';
import { verb as make } from './verbs/make.js';
import { verb as plan } from './verbs/plan.js';
import { verb as souring } from './verbs/souring.js';
import { verb as strain } from './verbs/strain.js';
import { verb as vitality } from './verbs/vitality.js';
import type { Verb } from './verb.js';

/** Every verb of the command line, in the order its help tells of them. */
export const VERBS = {
  density,
  blend,
  denature,
  cool,
  acidity,
  'acid-dose': acidDose,
  souring,
  forecast,
  strain,
  churn,
  vitality,
  make,
  plan,
  follow,
  learn,
} as const satisfies Readonly<Record<string, Verb>>;

export type VerbName = keyof typeof VERBS;
