import type { Verb } from './schemas.js';
import { acidDose, acidity } from './verbs/acid.js';
import { churn, strain } from './verbs/curd.js';
import { follow, learn } from './verbs/follow.js';
import { cool, denature } from './verbs/heat.js';
import { make } from './verbs/make.js';
import { blend, density } from './verbs/milk.js';
import { plan } from './verbs/plan.js';
import { forecast, souring } from './verbs/souring.js';
import { vitality } from './verbs/starter.js';

/** What each verb computes from checked input. */
export const VERBS: Readonly<Record<Verb, (input: never) => object>> = {
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
};
