import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

/** Costs of scrypt (RFC 7914), as OWASP's password storage cheat sheet advises: 2^15 rounds over blocks of 8, three times: 32 MB, some tenths of a second. */
const COST = { N: 2 ** 15, r: 8, p: 3, maxmem: 64 * 1024 * 1024 } as const;
const KEY_BYTES = 32;
const SALT_BYTES = 16;

const derive = promisify<string, Buffer, number, typeof COST, Buffer>(scrypt);

/** A passphrase as typed: how a keyboard composes a letter makes no difference. */
const plain = (passphrase: string) => passphrase.normalize('NFKC').trim();

/** What is kept of a passphrase: salt and key, from which it cannot be told. */
export async function keepPassphrase(passphrase: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derive(plain(passphrase), salt, KEY_BYTES, COST);
  return `${salt.toString('base64url')}.${key.toString('base64url')}`;
}

/** Whether a passphrase is the one that was kept. */
export async function isPassphrase(passphrase: string, kept: string): Promise<boolean> {
  const [salt = '', key = ''] = kept.split('.').map((part) => Buffer.from(part, 'base64url'));
  const given = await derive(plain(passphrase), Buffer.from(salt), KEY_BYTES, COST);
  return key.length === given.length && timingSafeEqual(Buffer.from(key), given);
}

const TOKEN_BYTES = 32;

/** A secret that cannot be guessed, for an address or a cookie. */
export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url');

/** What is kept of a secret that cannot be guessed. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

/** Whether two secrets are the same, in a time that tells nothing of how far they are. */
export function isSame(a: string, b: string): boolean {
  return timingSafeEqual(Buffer.from(hashOf(a)), Buffer.from(hashOf(b)));
}

/** Letters and digits that are not taken for one another when read aloud or off a screen (Crockford's base 32). */
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const CODE_LENGTH = 8;

/** A code that is typed: "K7QM-3XPD", one of 10^12, good for minutes and few attempts. */
export function newCode(): string {
  const letters = Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]!).join('');
  return `${letters.slice(0, 4)}-${letters.slice(4)}`;
}

/** A code as it was typed, as it was made: without case and dash, with the digits that O, I and L are taken for. */
export function asMade(secret: string): string {
  const typed = secret.toUpperCase().replace(/[\s-]/g, '').replaceAll('O', '0').replace(/[IL]/g, '1');
  return typed.length === CODE_LENGTH ? `${typed.slice(0, 4)}-${typed.slice(4)}` : secret.trim();
}
