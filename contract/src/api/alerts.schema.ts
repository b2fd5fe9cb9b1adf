import Joi from 'joi';
import { ALERT_WAYS, type AlertWish, type PushAddress } from './alerts.js';

const hour = Joi.number().min(0).less(24).required();

/** Where a request may go: by HTTP, without a name and password in its address. */
const requestAddress = Joi.string()
  .trim()
  .uri({ scheme: ['http', 'https'] })
  .pattern(/^[^@]*$/, 'no @')
  .max(500);

const wish = {
  name: Joi.string()
    .trim()
    .min(1)
    .max(60)
    .pattern(/^[^\p{Cc}\p{Zl}\p{Zp}]*$/u, 'one line')
    .required(),
  way: Joi.valid(...ALERT_WAYS).required(),
  address: Joi.when('way', {
    switch: [
      { is: 'mail', then: Joi.string().trim().email({ tlds: false }).max(200).required() },
      { is: 'webhook', then: requestAddress.required() },
    ],
    otherwise: Joi.string().trim().min(1).max(60).required(),
  }),
  about: Joi.valid('all', 'own').required(),
  leadMin: Joi.number().integer().min(0).max(120).required(),
  quiet: Joi.alternatives()
    .try(Joi.valid('house', null), Joi.object({ fromH: hour, toH: hour }))
    .required(),
  wakes: Joi.boolean().required(),
  isPaused: Joi.boolean().required(),
} as const;

/** What is said of somebody who is told of hands. */
export const alertWishSchema: Joi.ObjectSchema<AlertWish> = Joi.object(wish);

/** Somebody who is to be told; a device says where its notes are sent. */
export const alertRecipientSchema: Joi.ObjectSchema<AlertWish & { push?: PushAddress }> = Joi.object({
  ...wish,
  push: Joi.object({
    endpoint: Joi.string().uri({ scheme: 'https' }).max(1000).required(),
    expirationTime: Joi.any().strip(),
    keys: Joi.object({
      p256dh: Joi.string().base64({ urlSafe: true, paddingRequired: false }).max(200).required(),
      auth: Joi.string().base64({ urlSafe: true, paddingRequired: false }).max(100).required(),
    }).required(),
  }).when('way', { is: 'push', then: Joi.required(), otherwise: Joi.forbidden() }),
});
