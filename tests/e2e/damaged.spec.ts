import { openEmbedded } from '../../server/database/embedded';
import { SECRET } from '../../demo/school';
import type { Database } from '../../server/database/connection';
import type { House } from './house';
import { drawn, enter, expect, join, onSheet, openSheet, press, saved, test, signedIn } from './house';

/** Sheets that can't be read stay among the others, and can be repaired. */

/** Changes the house's database in a way that only a defect could. */
async function damage(house: House, work: (db: Database) => Promise<unknown>) {
  await house.stop();
  const db = await openEmbedded(house.dataDir);
  await work(db);
  await db.close();
  await house.start();
}

test('a damaged sheet is told on the Desk, shows its last readable state, and goes on from there', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Parts of the grey heron');
  const id = /sheets\/([^/?]+)/.exec(page.url())![1];
  await press(page, 150, 50, 2);
  await page.keyboard.press('End');
  await page.keyboard.type(' of the marsh');
  await saved(page);
  const others = await page.goto('/desk').then(() => page.locator('.sheets_open').count());
  await damage(house, (db) =>
    db.query(
      `update document_change set change = '{"kind": "nonsense"}' where (document_id, seq) in
         (select d.id, d.seq from document d join sheet s on s.document_id = d.id where s.id = $1)`,
      [id],
    ),
  );

  await page.goto(`/sheets/${id}`);
  await expect(page.getByRole('heading', { name: 'This sheet is damaged' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'The last state that can be read' })).toBeVisible();
  await page.goto('/desk');
  await expect(page.locator('.sheets_open')).toHaveCount(others);
  const entry = page.locator('.sheets_sheet', { hasText: 'damaged' });
  await expect(entry).toHaveCount(1);

  await entry.getByRole('link').click();
  await page.getByRole('button', { name: 'Go on from this state' }).click();
  await drawn(page);
  // All but the last letters, which can't be read.
  await expect(onSheet(page)).toContainText('The grey heron');
  await expect(onSheet(page)).not.toContainText('of the marsh');
  await press(page, 150, 50, 2);
  await page.keyboard.press('End');
  await page.keyboard.type(' again');
  await saved(page);
  await page.reload();
  await expect(onSheet(page)).toContainText(/The grey heron.* again/);
  await page.goto('/desk');
  await expect(page.locator('.sheets_sheet', { hasText: 'damaged' })).toHaveCount(0);
});

test('one damaged copy keeps no teacher from the class, and no student from their tray', async ({ browser, house }) => {
  await damage(house, (db) =>
    db.query(
      `update document set snapshot = '{}' where id in
         (select c.document_id from copy c join person p on p.id = c.student_id where p.name = 'Kavya Nair')`,
    ),
  );
  const teacher = await enter(browser, house, 'Maren');
  await teacher.locator('.handouts_open', { hasText: /Parts of the grey heron.*Curlew/ }).click();
  await expect(teacher.locator('.spread_card')).toHaveCount(26);
  const card = teacher.locator('.spread_card', { hasText: 'Kavya Nair' });
  await expect(card).toContainText('damaged');
  await card.click();
  await expect(teacher.getByRole('heading', { name: 'This sheet is damaged' })).toBeVisible();

  const student = await join(browser, house, 'CURLW', 'Kavya Nair', SECRET.split(' '));
  const entry = student.locator('a[href^="/copies/"]', { hasText: 'damaged' }).first();
  await entry.click();
  await student.getByRole('button', { name: 'Go on from this state' }).click();
  await drawn(student);
  await teacher.reload();
  await expect(teacher.getByRole('heading', { name: 'This sheet is damaged' })).toBeHidden();
});
