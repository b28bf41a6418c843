import { type PasswordCost, usualPasswordCost } from '../base/config.ts';
import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

/** Memory that one hash may take, bytes. */
const maxmem = 192 * 1024 * 1024;
const keyLength = 32;

const derive = (password: string, salt: Buffer, { N, r, p }: PasswordCost): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, keyLength, { N, r, p, maxmem }, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

/** Hashes a password; the cost is kept with the hash so that it can be raised later. */
export async function hashPassword(
  password: string,
  cost: PasswordCost = usualPasswordCost,
): Promise<string> {
  const salt = randomBytes(16);
  return written(cost, salt, await derive(password, salt, cost));
}

/** A hash that no password is known to belong to: to look for one in it costs what it does in a person's own. */
export const nobodysHash = (cost: PasswordCost): string =>
  written(cost, randomBytes(16), randomBytes(keyLength));

const written = ({ N, r, p }: PasswordCost, salt: Buffer, key: Buffer): string =>
  ['scrypt', N, r, p, salt.toString('base64'), key.toString('base64')].join('$');

/** Whether a password belongs to a hash, in time that does not depend on where they differ. */
export async function isPassword(password: string, hash: string): Promise<boolean> {
  const [scheme, n, r, p, salt, key] = hash.split('$');
  if (scheme !== 'scrypt' || !salt || !key) return false;
  const expected = Buffer.from(key, 'base64');
  const given = await derive(password, Buffer.from(salt, 'base64'), {
    N: Number(n),
    r: Number(r),
    p: Number(p),
  });
  return given.length === expected.length && timingSafeEqual(given, expected);
}
