import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

/** Passwords and picture secrets, hashed with scrypt (RFC 7914), which needs memory as well as time: 16 MiB here. */

const COST = { N: 16_384, r: 8, p: 1 };
const derive = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
  cost: typeof COST,
) => Promise<Buffer>;

export async function hashSecret(secret: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(secret.normalize('NFKC'), salt, 32, COST);
  return `scrypt$${COST.N}$${salt.toString('base64')}$${key.toString('base64')}`;
}

/** Whether the secret is the one that was hashed. With no hash it takes as long, so that time tells nothing. */
export async function checkSecret(secret: string, hash: string | null): Promise<boolean> {
  const [, n, salt, key] = (hash ?? `scrypt$${COST.N}$AAAAAAAAAAAAAAAAAAAAAA==$`).split('$');
  const expected = Buffer.from(key, 'base64');
  const given = await derive(secret.normalize('NFKC'), Buffer.from(salt, 'base64'), 32, { ...COST, N: Number(n) });
  return expected.length === given.length && timingSafeEqual(expected, given);
}
