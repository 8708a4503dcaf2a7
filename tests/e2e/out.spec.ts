import { readFileSync } from 'node:fs';
import type { Download, Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { enter, expect, test } from './house';

/** What came of a handout, taken out: feedback on paper, marks as a table, notes in an open format. */

const bytesOf = async (file: Download) => readFileSync(await file.path());
const taken = async (page: Page, press: string): Promise<{ name: string; bytes: Buffer }> => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: press }).click()]);
  return { name: file.suggestedFilename(), bytes: await bytesOf(file) };
};
/** How many pages a PDF has. */
function pagesIn(pdf: Buffer): number {
  const text = pdf.toString('latin1');
  return [...text.matchAll(/\/Type\s*\/Page\b(?!s)/g)].length;
}

test('feedback, marks and notes of those who were chosen are downloaded; offline it says so, and goes on', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await page.getByRole('link', { name: 'Download', exact: true }).click();
  const drawn = () => expect(page.locator('.out_view[aria-busy=false] img')).toBeVisible();
  await drawn();
  const list = page.getByRole('navigation', { name: 'Pieces' });
  const count = await list.getByRole('listitem').count();
  await expect(page.getByText(`Of ${count} pieces:`)).toBeVisible();

  await list.getByRole('button', { name: 'Rosa Delgado' }).click();
  await drawn();
  await expect(page.getByAltText('Feedback for Rosa Delgado')).toBeVisible();

  // By keyboard: nobody, then two of them.
  await list.getByLabel('All that were handed in').press('Space');
  await expect(page.getByText('Choose whose pieces on the left.')).toBeVisible();
  for (const name of ['Download as PDF', 'Download as CSV', 'Download as JSON-LD'])
    await expect(page.getByRole('button', { name })).toBeDisabled();
  for (const name of ['Ayo Bankole', 'Bea Lindgren'])
    await list.getByLabel(`Download the piece of ${name}`).press('Space');
  await expect(page.getByText('Of 2 pieces:')).toBeVisible();

  const marks = await taken(page, 'Download as CSV');
  expect(marks.name).toBe('Parts of the grey heron (marks).csv');
  const rows = marks.bytes.toString().trim().split('\r\n');
  expect(rows).toHaveLength(3);
  expect(rows[0]).toContain('Student,State,Go,Handed in');
  expect(rows[1]).toContain('Ayo Bankole,another go,1,');

  const register = await taken(page, 'Download as OneRoster');
  expect(register.name).toBe('Parts of the grey heron (OneRoster).zip');
  const files = unzipSync(register.bytes);
  const results = strFromU8(files['results.csv']).trim().split('\r\n');
  expect(results).toHaveLength(3);
  expect(results[1]).toMatch(/,SAM-2301,(partially|fully) graded,/);

  const notes = JSON.parse((await taken(page, 'Download as JSON-LD')).bytes.toString()) as { total: number };
  expect(notes.total).toBeGreaterThan(0);

  await page.context().setOffline(true);
  for (const way of ['CSV', 'PDF']) {
    await page.getByRole('button', { name: `Download as ${way}` }).click();
    await expect(page.getByRole('alert')).toContainText('can’t be reached');
    await page.getByRole('alert').getByRole('button').click();
    await expect(page.getByRole('alert')).toHaveCount(0);
  }
  await page.context().setOffline(false);
  const feedback = await taken(page, 'Download as PDF');
  expect(feedback.name).toBe('Parts of the grey heron (feedback).pdf');
  expect(pagesIn(feedback.bytes)).toBe(2);
});

test('a student gets what came back on paper', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Ayo');
  await page.locator('a[href^="/copies/"]', { hasText: 'grey heron' }).click();
  const feedback = await taken(page, 'Feedback as PDF');
  expect(feedback.bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pagesIn(feedback.bytes)).toBe(1);
});
