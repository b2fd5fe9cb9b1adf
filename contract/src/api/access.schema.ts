import Joi from 'joi';
import { PASSPHRASE_LEAST, ROLES, type Role } from './access.js';

const name = Joi.string().trim().min(1).max(60);
const role = Joi.valid(...ROLES);
const passphrase = Joi.string().max(200);

/** A passphrase that is set; with `signOut` everybody else must be let in anew. */
export const passphraseSchema: Joi.ObjectSchema<{ passphrase: string; signOut: boolean }> = Joi.object({
  passphrase: passphrase.min(PASSPHRASE_LEAST).required(),
  signOut: Joi.boolean().required(),
});

/** A device that asks to be let in: by the passphrase, by a code, or by a link. */
export interface Entering {
  readonly passphrase?: string;
  readonly secret?: string;
  readonly name: string;
  readonly maker?: string;
}

export const enteringSchema: Joi.ObjectSchema<Entering> = Joi.object({
  passphrase: passphrase.min(1),
  secret: Joi.string().min(1).max(80),
  name: name.required(),
  maker: name,
}).xor('passphrase', 'secret');

/** What is changed of a device. */
export const deviceSchema: Joi.ObjectSchema<{ name: string; maker: string; role: Role }> = Joi.object({
  name: name.required(),
  maker: name.required(),
  role: role.required(),
});

/** A way in: a code for one device within minutes, or a link that ends after some days. */
export const invitationSchema: Joi.ObjectSchema<{
  kind: 'code' | 'link';
  role: Role;
  maker: string;
  days?: number;
}> = Joi.object({
  kind: Joi.valid('code', 'link').required(),
  role: role.required(),
  maker: name.required(),
  days: Joi.number()
    .integer()
    .min(1)
    .max(366)
    .when('kind', { is: 'link', then: Joi.required(), otherwise: Joi.forbidden() }),
});
