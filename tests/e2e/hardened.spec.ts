import { readFileSync } from 'node:fs';
import { request as ask } from 'node:http';
import type { IncomingMessage } from 'node:http';
import { enter, expect, test } from './house';

/** What a hostile client meets, on the built server. */

type Asked = {
  method?: string;
  path?: string;
  headers?: Record<string, string>;
  body?: Buffer | string;
  claim?: number;
};
/** Sends a request by hand; gives the answer, or the code of the connection's end. */
function send(base: string, { method = 'GET', path = '/', headers = {}, body, claim }: Asked) {
  return new Promise<{ status: number; headers: IncomingMessage['headers']; text: string }>((resolve, reject) => {
    const length = claim ?? (body === undefined ? undefined : Buffer.byteLength(body));
    const req = ask(`${base}${path}`, {
      method,
      headers: {
        origin: base,
        ...(length === undefined || headers['transfer-encoding'] ? {} : { 'content-length': `${length}` }),
        ...headers,
      },
    });
    req.on('response', (res) => {
      let text = '';
      res.on('data', (chunk: Buffer) => (text += chunk.toString()));
      res.on('end', () => resolve({ status: res.statusCode!, headers: res.headers, text }));
    });
    req.on('error', reject);
    if (claim !== undefined && body === undefined) req.flushHeaders();
    else req.end(body);
  });
}
const memoryOf = (pid: number) => Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * 4096;

test('bodies that are too large are refused before they are read, and fill no memory', async ({ house }) => {
  const before = memoryOf(house.pid);
  const huge = Array.from({ length: 4 }, () => send(house.url, { method: 'POST', claim: 300_000_000 }));
  for (const answer of await Promise.all(huge)) expect(answer.status).toBe(413);
  const form = { 'content-type': 'application/x-www-form-urlencoded' };
  const anonymous = await send(house.url, { method: 'POST', headers: form, body: 'a='.padEnd(40_000, 'x') });
  expect(anonymous.status).toBe(413);
  const chunked = await send(house.url, { method: 'POST', headers: { 'transfer-encoding': 'chunked' }, body: 'a=1' });
  expect(chunked.status).toBe(411);
  const many = Array.from({ length: 2000 }, (_, i) => `a${i}=1`).join('&');
  expect((await send(house.url, { method: 'POST', path: '/?index', headers: form, body: many })).status).toBe(400);
  expect(memoryOf(house.pid) - before).toBeLessThan(150e6);
});

test('odd methods, addresses and forms are answered, not failed on', async ({ house }) => {
  for (const method of ['PUT', 'PATCH', 'TRACE', 'PROPFIND', 'OPTIONS'])
    expect((await send(house.url, { method, body: '' })).status, method).toBe(405);
  for (const path of ['/sheets/%00', '/%', '/%ff%fe', '/join?code=%00', '/desk.data?%00'])
    expect((await send(house.url, { path })).status, path).toBe(400);
  const post = (headers: Record<string, string>, body: string, path = '/?index') =>
    send(house.url, { method: 'POST', path, headers, body });
  expect((await post({ 'content-type': 'multipart/form-data' }, 'nonsense')).status).toBe(400);
  expect((await post({ 'content-type': 'text/plain' }, 'nonsense')).status).toBe(400);
  for (const path of ['/documents/none/changes', '/parts', '/nowhere', '/documents/none/mend', '/sheets/x/history'])
    expect((await post({ 'content-type': 'application/json' }, '{}', path)).status, path).toBeLessThan(500);
  expect((await fetch(`${house.url}/healthz`)).status).toBe(200);
});

test('private pages, their data and pictures stay in no cache; scripts run by their word only', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  const problems: string[] = [];
  page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
  await page.goto(`${house.url}/desk`);
  const picture = await page.locator('.sheets_thumb img').first().getAttribute('src');
  for (const path of ['/desk', '/desk.data', '/classes', picture!]) {
    const answer = await page.context().request.get(`${house.url}${path}`);
    expect(answer.headers()['cache-control'], path).toContain('no-store');
  }
  // Shipped files are cached: they are the same for everybody.
  const script = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .map(({ name }) => new URL(name).pathname)
      .find((one) => one.startsWith('/assets/')),
  );
  for (const path of [script!, '/art/antd.css', '/art/pictures/flat/owl.json'])
    expect((await page.context().request.get(`${house.url}${path}`)).headers()['cache-control'], path).toContain(
      'max-age',
    );
  const csp = (await page.context().request.get(`${house.url}/desk`)).headers()['content-security-policy'];
  expect(csp).toMatch(/script-src 'self' 'nonce-[^']+' 'wasm-unsafe-eval'/);
  expect(csp.split(';').find((one) => one.includes('script-src'))).not.toContain('unsafe-inline');
  expect(problems).toEqual([]);
});

test('the log holds nothing of what people wrote, also when something goes wrong', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  const secret = 'xylophone-secret';
  await page.context().request.post(`${house.url}/classes`, {
    headers: { origin: house.url },
    form: { do: 'add-class', name: secret },
  });
  await page.context().request.post(`${house.url}/documents/none/changes`, {
    headers: { origin: house.url },
    data: { base: 0, batch: secret, changes: [{ kind: secret }] },
  });
  expect(house.said).not.toContain(secret);
});

test('asked to stop, the server ends within its time, whatever runs', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  const sheet = await page.locator('.sheets_open').first().getAttribute('href');
  const asked = await page.context().request.post(`${house.url}${sheet}/export`, {
    headers: { origin: house.url },
    data: { as: 'png' },
  });
  expect(asked.status()).toBe(202);
  // A connection that sends nothing more does not hold up others.
  const idle = send(house.url, { method: 'POST', claim: 10 }).catch(() => null);
  expect(await house.stop()).toBeLessThan(20_000);
  await idle;
  await house.start();
  expect((await fetch(`${house.url}/healthz`)).status).toBe(200);
});
