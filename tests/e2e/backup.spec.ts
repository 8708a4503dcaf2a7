import { execFile } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { enter, expect, test, signedIn } from './house';

/** The drill from the README: a backup while the school works, a loss, and the restore. */

test('a backup is made while the server runs, and restored when it is stopped', async ({ browser, house }) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-drill-'));
  const file = path.join(folder, 'monday.backup');
  const call = (...what: string[]) =>
    new Promise<{ code: number; said: string }>((resolve) => {
      const env = { ...process.env, DATA_DIR: house.dataDir, DATABASE_URL: '' };
      execFile(process.execPath, ['build/backup.js', ...what], { env }, (error, out, err) =>
        resolve({ code: error ? Number(error.code) : 0, said: out + err }),
      );
    });
  const teacher = await enter(browser, house, 'Maren');
  const addClass = async (name: string) => {
    await teacher.goto(`${house.url}/classes`);
    await teacher.getByLabel('Name of the class').fill(name);
    await teacher.getByRole('button', { name: 'Add class' }).click();
    await expect(teacher.getByRole('heading', { name })).toBeVisible();
  };
  await addClass('Before the backup');
  const made = await call('backup', file);
  expect(made).toMatchObject({ code: 0, said: expect.stringMatching(/read again and whole/) });
  expect(await call('backup', file)).toMatchObject({ code: 1, said: expect.stringMatching(/there already/) });
  await addClass('After the backup');

  expect(await call('restore', file)).toMatchObject({ code: 1, said: expect.stringMatching(/Stop it first/) });
  await house.stop();
  writeFileSync(path.join(folder, 'broken.backup'), 'nothing');
  expect(await call('restore', path.join(folder, 'broken.backup'))).toMatchObject({ code: 1 });
  expect(await call('restore', file)).toMatchObject({ code: 0, said: expect.stringMatching(/sign in again/) });
  expect(readdirSync(house.dataDir).some((name) => name.startsWith('pglite.before-'))).toBe(true);
  await house.start();

  // Everybody has to sign in again.
  await teacher.goto(`${house.url}/classes`);
  await expect(teacher).not.toHaveURL(/\/classes$/);
  const again = await signedIn(browser, house, 'Maren');
  await again.goto(`${house.url}/classes`);
  await expect(again.getByRole('heading', { name: 'Before the backup' })).toBeVisible();
  await expect(again.getByRole('heading', { name: 'After the backup' })).toHaveCount(0);

  // A backup can be made without a running server too.
  await house.stop();
  const cold = path.join(folder, 'cold.backup');
  expect(await call('backup', cold)).toMatchObject({ code: 0 });
  expect(existsSync(cold)).toBe(true);
  rmSync(folder, { recursive: true, force: true });
  // Later tests use the same house.
  await house.start();
});
