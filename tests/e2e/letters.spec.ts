import { readFileSync } from 'node:fs';
import { expect, signedIn, test } from './house';

/** Letters home: written once to all, looked at before they go, sent to each address once. */

test('what is written to families stays until it is sent, over a reload and a lost network; each gets one letter', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/desk');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await page.getByRole('link', { name: 'Download', exact: true }).click();
  await page.getByRole('link', { name: 'Write home' }).click();
  const families = page.getByRole('navigation', { name: 'Families' });
  await expect(families.getByRole('listitem').first()).toBeVisible();
  // Whose family has no address can't get one.
  const without = families.getByRole('listitem').filter({ hasText: 'no address' }).first();
  await expect(without.getByRole('checkbox')).toBeDisabled();

  await families.getByRole('button', { name: /^Bea Lindgren/ }).click();
  const letter = page.getByRole('main', { name: 'The letter as it will be sent' });
  await expect(letter).toContainText('lindgren.family@home.example');
  await expect(letter).toContainText('Dear family of Bea Lindgren,');
  const words = page.getByLabel('What you write to all families');
  await words.fill('We drew herons; ask about their legs.\nGrüße aus dem Watt!');
  await expect(letter).toContainText('Grüße aus dem Watt!');
  await page.getByRole('checkbox', { name: 'with marks' }).uncheck();
  await expect(letter).not.toContainText('Together:');
  await page.reload();
  await expect(words).toHaveValue(/Grüße aus dem Watt!$/);
  await expect(page.getByRole('checkbox', { name: 'with marks' })).not.toBeChecked();

  // By keyboard: nobody, then one of them.
  await families.getByLabel('All that can get one').press('Space');
  await expect(page.getByRole('button', { name: 'Send', exact: true })).toBeDisabled();
  await families.getByLabel('Write to the family of Bea Lindgren').press('Space');
  const send = page.getByRole('button', { name: 'Send to 1 family' });
  await page.context().setOffline(true);
  await send.click();
  await expect(page.getByRole('alert')).toContainText('can’t be reached');
  await expect(words).toHaveValue(/Grüße aus dem Watt!$/);
  await page.context().setOffline(false);
  await send.click();
  await expect(words).toHaveValue('');
  const sent = page.getByRole('region', { name: 'Letters that were sent' }).getByRole('listitem');
  await expect(sent).toHaveCount(1);
  await expect(sent).toContainText('Bea Lindgren');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    sent.getByRole('link', { name: /Open as mail/ }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('Letter about Bea Lindgren.eml');
  const eml = readFileSync(await file.path(), 'utf8');
  expect(eml).toContain('To: lindgren.family@home.example');
  expect(eml).toContain('Content-Type: application/pdf');
  expect(eml).toMatch(/ask about their legs/);
  await expect(families.getByRole('listitem').filter({ hasText: 'Bea Lindgren' })).toContainText('sent');
  await expect(families.getByLabel('Write to the family of Bea Lindgren')).toBeDisabled();
  // As it went, not as it would go now.
  await words.fill('Next time: terns.');
  await families.getByRole('button', { name: /^Bea Lindgren/ }).click();
  await expect(page.getByRole('main', { name: 'The letter as it was sent' })).toContainText('ask about their legs');
  await expect(page.getByRole('main')).not.toContainText('terns');
});
