import type { Page } from '@playwright/test';
import {
  expect,
  House,
  leaf,
  made,
  onSheet,
  openSheet,
  paste,
  press,
  saved,
  test,
  tidesOfAyo,
  signedIn,
} from './house';

/** A chart, a word cloud and a text of a student's own: handed out with a key, counted, and checked. */

const cards = (page: Page) => page.locator('.hand-out_lookforRow');
const add = async (page: Page, kind: string) => {
  await page.getByLabel('Add a look-for').click();
  await page.locator('.ant-select-dropdown:visible').getByTitle(kind, { exact: true }).click();
};

test('students make the chart of the teacher’s key, a cloud of their words, and mend their spelling', async ({
  browser,
}) => {
  const house = await House.open();
  const maren = await signedIn(browser, house, 'Maren');
  await openSheet(maren, 'Life between the tides');
  await made(maren, /^chart/i);
  await maren.getByRole('textbox', { name: 'Head of column 1' }).focus();
  await paste(maren, 'bird\tseen\nredshank\t14\ncurlew\t9\navocet\t11');
  await expect(onSheet(maren)).toContainText('avocet');
  await leaf(maren, 'students');
  await maren.getByRole('button', { name: 'Students never get it: it is the answer key' }).click();
  await saved(maren);
  await maren.getByRole('link', { name: 'Hand out' }).click();

  // The key is found, and what it needs is open.
  await expect(cards(maren).filter({ hasText: 'with all 3 values' })).toContainText('On yours: 6 of 6');
  await expect(maren.getByRole('checkbox', { name: 'Charts' })).toBeChecked();
  await expect(maren.getByRole('checkbox', { name: 'Word clouds' })).not.toBeChecked();
  await add(maren, 'A word cloud');
  await expect(maren.getByRole('checkbox', { name: 'Word clouds' })).toBeChecked();
  await maren.getByLabel('How many words').last().fill('3');
  await add(maren, 'English spelling');
  await maren.getByLabel('Words that may look misspelt').fill('0');
  await expect(cards(maren).last()).toContainText('On yours: 0 words look misspelt, at most 0 asked for');
  const chart = cards(maren).filter({ hasText: 'with all 3 values' });
  await chart.getByRole('button', { name: 'More' }).click();
  await chart.getByLabel('What students are told').click();
  await maren.locator('.ant-select-dropdown:visible').getByTitle('Students may check answers').click();
  await maren.getByRole('checkbox', { name: 'Charts' }).uncheck();
  await maren.getByRole('checkbox', { name: /^Curlew/ }).check();
  await maren.getByRole('button', { name: 'Hand it out' }).click();
  await expect(maren.locator('.ant-alert-error')).toContainText('students need charts');
  await maren.getByRole('checkbox', { name: 'Charts' }).check();
  await maren.getByRole('button', { name: 'Hand it out' }).click();
  await maren.waitForURL(/\/handouts\//);

  const ayo = await tidesOfAyo(browser, house);
  expect(await ayo.content()).not.toContain('redshank');
  // It begins empty, with nothing that only teachers decide.
  await made(ayo, /^chart/i);
  await expect(ayo.getByText('There is nothing to draw yet.')).toBeVisible();
  await expect(ayo.getByLabel('What students do with it')).toHaveCount(0);
  await ayo.getByRole('textbox', { name: 'Head of column 1' }).focus();
  await paste(ayo, 'bird\tseen\nredshank\t9\ncurlew\t14\navocet\t11');
  await expect(onSheet(ayo)).toContainText('avocet');
  await saved(ayo);
  const check = ayo.getByRole('button', { name: /^Check answers/ });
  await ayo.getByRole('button', { name: /^Checks/ }).click();
  await check.click();
  await expect(ayo.getByText(/4 of 6 right/)).toBeVisible();
  // The swapped numbers are put right, and the next try finds them so.
  await ayo.getByRole('textbox', { name: 'Row 1, column 2' }).fill('14');
  await ayo.getByRole('textbox', { name: 'Row 2, column 2' }).fill('9');
  await saved(ayo);
  await check.click();
  const asked = ayo.getByRole('listitem').filter({ hasText: 'A chart shown as bars' });
  await expect(asked.getByLabel('There')).toBeVisible();
  await expect(asked).toContainText('last try');

  await made(ayo, /^word cloud/i);
  await ayo.getByRole('textbox', { name: /^Words, one in a line/ }).fill('mudflat: 3\nragworm\ncafé σ');
  await expect(onSheet(ayo)).toContainText('ragworm');
  await saved(ayo);
  // “mudflat” stands on the sheet: it is nobody's own.
  await expect(ayo.getByText(/of your own · 2 of 3/)).toBeVisible();

  // Misspelt words are named, and what is mended is told at once; the student's own name is right.
  const spelling = ayo.getByRole('listitem').filter({ hasText: 'No English word that looks misspelt' });
  await ayo.keyboard.press('Escape');
  await press(ayo, 45, 181);
  await ayo.keyboard.type('Bankole saw a tiede');
  await saved(ayo);
  await spelling.getByTitle('Show me where').click();
  await expect(spelling).toContainText('“tiede”');
  await press(ayo, 45, 181);
  await ayo.keyboard.press('Control+a');
  await ayo.keyboard.type('Bankole saw a tide');
  await saved(ayo);
  await expect(spelling.getByLabel('There')).toBeVisible();
  await house.close();
});
