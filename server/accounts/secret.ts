import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

/** Passwords and picture secrets, hashed with scrypt (RFC 7914), which needs memory as well as time: 16 MiB here. */

const COST = { N: 16_384, r: 8, p: 1 };
const scryptKey = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
  cost: typeof COST,
) => Promise<Buffer>;

/** Each takes 16 MiB and a thread, so a flood of sign-ins waits in line. */
const AT_ONCE = 3;
let running = 0;
const line: (() => void)[] = [];
async function derive(...given: Parameters<typeof scryptKey>): Promise<Buffer> {
  if (running >= AT_ONCE) await new Promise<void>((go) => line.push(go));
  running++;
  try {
    return await scryptKey(...given);
  } finally {
    running--;
    line.shift()?.();
  }
}

export async function hashSecret(secret: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(secret.normalize('NFKC'), salt, 32, COST);
  return `scrypt$${COST.N}$${salt.toString('base64')}$${key.toString('base64')}`;
}

/** Whether the secret matches the hash. Without a hash it takes as long, so that timing reveals nothing. */
export async function checkSecret(secret: string, hash: string | null): Promise<boolean> {
  const [, n, salt, key] = (hash ?? `scrypt$${COST.N}$AAAAAAAAAAAAAAAAAAAAAA==$`).split('$');
  const expected = Buffer.from(key, 'base64');
  const given = await derive(secret.normalize('NFKC'), Buffer.from(salt, 'base64'), 32, { ...COST, N: Number(n) });
  return expected.length === given.length && timingSafeEqual(expected, given);
}
