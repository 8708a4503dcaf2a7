import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  blankPage,
  compartment,
  drawn,
  expect,
  field,
  just,
  made,
  onSheet,
  paste,
  saved,
  test,
  signedIn,
} from './house';

/** Word clouds, charts, tables and calendars, from the drawer to the sheet. */

const choose = async (page: Page, label: string, option: string) => {
  await page.getByRole('combobox', { name: label }).click();
  await page.getByTitle(just(option)).click();
};

let page: Page;
test.beforeAll(async ({ browser, house }) => {
  page = await signedIn(browser, house, 'Maren');
});
test.beforeEach(() => blankPage(page));

test.describe('a word cloud', () => {
  const list = () => page.getByRole('textbox', { name: /^Words, one in a line/ });
  test.beforeEach(async () => {
    await made(page, /^word cloud/i);
    await expect(onSheet(page)).toContainText('glasswort');
  });

  test('follows its list, fills a letter, and says what found no room', async () => {
    await list().fill('otter: 9\nwater vole 4\nmarsh frog');
    await expect(onSheet(page)).toContainText('water vole');
    await expect(onSheet(page)).not.toContainText('glasswort');
    await choose(page, 'What the words fill', 'letters or digits');
    await page.getByLabel('Letters or digits to fill').fill('7');
    await list().fill(Array.from({ length: 120 }, (_, i) => `a rather long phrase n${i}`).join('\n'));
    await page.getByText('Sizes', { exact: true }).click();
    await page.getByLabel('Size of words').fill('20');
    await page.getByLabel('Size of words').press('Enter');
    await expect(page.getByText(/and \d+ more found no room\. Make the frame larger/)).toBeVisible();
    await saved(page);
    await page.reload();
    await drawn(page);
    await expect(onSheet(page)).toContainText('a rather long phrase');
  });

  test('counts a text, and what a class wrote in a box', async () => {
    await page.getByRole('button', { name: /text that you paste/ }).click();
    await page.getByLabel('Text whose words are counted').fill('The crab runs. Crabs run and a heron sees the crabs.');
    await page.getByRole('button', { name: /Replace the words above with these/ }).click();
    await expect(list()).toHaveValue('crabs: 3\nrun: 2\nheron\nsees');
    await page.getByRole('button', { name: /all students of a class/ }).click();
    await choose(page, 'Handout', 'Life between the tides · Avocet');
    await page.getByRole('combobox', { name: 'Box that the class wrote in' }).click();
    await page.getByTitle(/in your own words · page 1/).click();
    await expect(list()).toHaveValue(/^\w+: \d/);
    await expect(list()).not.toHaveValue(/crabs: 3/);
    await saved(page);
  });
});

test.describe('a chart', () => {
  const cell = (row: number, column: number) => page.getByRole('textbox', { name: `Row ${row}, column ${column}` });
  test.beforeEach(async () => {
    await made(page, /^chart/i);
    await expect(onSheet(page)).toContainText('redshank');
  });

  test('follows its table; kinds it can’t feed say why, and which is nearest', async () => {
    await cell(1, 1).fill('greenshank');
    await expect(onSheet(page)).toContainText('greenshank');
    await cell(2, 2).fill('many');
    await expect(
      page.getByText('“many” in row 2 of “seen” is not a number. It is left out until it is.'),
    ).toBeVisible();
    await page.getByRole('radio', { name: /^bars side by side/i }).click();
    await expect(page.getByText('Bars side by side need two columns of numbers; there is one.')).toBeVisible();
    await page.getByRole('button', { name: /Take the nearest kind/ }).click();
    await expect(page.getByRole('radio', { name: just('bars') })).toBeChecked();
    await saved(page);
  });

  test('takes a pasted table with decimal commas, and two charts share it', async () => {
    await page.getByRole('textbox', { name: 'Head of column 1' }).focus();
    await paste(page, 'hour\twater\tair\n0\t1,5\t9,25\n6\t4,5\t11\n12\t1,25\t14');
    await expect(page.getByRole('textbox', { name: 'Head of column 3' })).toHaveValue('air');
    await page.getByRole('radio', { name: just('a line') }).click();
    await expect(onSheet(page)).toContainText('air');
    await page.getByRole('button', { name: /Another chart that follows/ }).click();
    await expect(page.getByText('Another chart shares this table.')).toBeVisible();
    await page.getByRole('textbox', { name: 'Head of column 2' }).fill('depth');
    await expect.poll(async () => (await onSheet(page).innerText()).split('depth').length - 1).toBeGreaterThan(1);
    await expect(onSheet(page)).not.toContainText('water');
    await saved(page);
  });

  test('that is read is handed out without its numbers', async ({ house }) => {
    await choose(page, 'What students do with it', 'read it: numbers left empty');
    await expect(onSheet(page)).toContainText('14');
    await saved(page);
    await page.getByRole('link', { name: 'Hand out' }).click();
    await page.waitForURL(/hand-out/);
    await expect(page.getByText(/redshank|seen/).first()).toBeAttached();
    expect(house.url).toBeTruthy();
  });
});

test('a long table of another program keeps its joins and lines, and goes on over pages with its head', async () => {
  const row = (i: number) =>
    `<tr><td>Fluß ${i}</td><td>${i % 3 ? 'α, β' : '<p>two</p><p>lines</p>'}</td><td></td></tr>`;
  const html = `<html><body><style>td{color:red}</style><table><thead><tr><th rowspan="2">river</th><th colspan="2">water</th></tr><tr><th>kind</th><th>found</th></tr></thead><tbody>${Array.from({ length: 70 }, (_, i) => row(i)).join('')}</tbody></table></body></html>`;
  await page.locator('[data-stage]').focus();
  await paste(page, 'river\twater', html);
  await expect(
    page.getByText(/longer than its page: it continues on the next \d pages, with its header row/),
  ).toBeVisible();
  await expect(onSheet(page)).toContainText('Fluß 0');
  await expect(onSheet(page)).not.toContainText('Fluß 69');
  await page.getByRole('button', { name: /continues on page 2/i }).click();
  await expect(onSheet(page)).toContainText('water');
  await expect(onSheet(page)).not.toContainText('Fluß 0');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(onSheet(page)).not.toContainText('water');
  await compartment(page, 'Pages');
  await expect(page.locator('.page-card')).toHaveCount(1);
});

test.describe('a table', () => {
  test.beforeEach(async () => {
    await made(page, /^table/i);
    await expect(page.locator('.settings h3')).toContainText('table');
    await expect(page.locator('.sheet-over .mark-frame')).toHaveCount(1);
    await saved(page);
  });
  const writeIn = async (across: number, down: number) => {
    const box = (await page.locator('.sheet-over .mark-frame').boundingBox())!;
    await page.mouse.dblclick(box.x + box.width * across, box.y + box.height * down);
    await expect(page.locator('.words-input')).toBeFocused();
  };

  test('is written in place: Tab goes from cell to cell, and on into a new row', async () => {
    await writeIn(0.1, 0.1);
    const words = Array.from({ length: 21 }, (_, i) => `w${i}`);
    for (const [i, word] of words.entries()) {
      await page.keyboard.type(word);
      await expect(onSheet(page)).toContainText(word);
      if (i < 20) {
        const before = await page.locator('.words-input').getAttribute('data-item');
        await page.keyboard.press('Tab');
        await expect(page.locator('.words-input')).not.toHaveAttribute('data-item', before!);
      }
    }
    await page.keyboard.press('Escape');
    await expect(page.locator('.settings h3')).toContainText('w20');
    await saved(page);
    await page.reload();
    await drawn(page);
    for (const word of words) await expect(onSheet(page)).toContainText(word);
  });

  test('takes cells from a spreadsheet, and a fill meant for one cell stays in it', async () => {
    await writeIn(0.1, 0.1);
    await paste(page, 'bird\tseen\nheron\t2\navocet\t11');
    await expect(onSheet(page)).toContainText('avocet');
    // The cell that was written in is selected; the one below it is the heron's.
    await expect(page.locator('.settings h3')).toContainText('bird');
    await writeIn(0.5, 1.5);
    await page.keyboard.press('Escape');
    await expect(page.locator('.settings h3')).toContainText('heron');
    await page.getByRole('radiogroup', { name: 'fill' }).getByRole('radio').nth(5).click();
    const fill = page.getByRole('radiogroup', { name: 'fill' }).getByRole('radio');
    await expect(fill.nth(5)).toBeChecked();
    await saved(page);
    // The one below it is as it was.
    await writeIn(0.5, 1.5);
    await page.keyboard.press('Escape');
    await expect(page.locator('.settings h3')).toContainText('avocet');
    await expect(fill.first()).toBeChecked();
    await writeIn(0.5, -0.5);
    await page.keyboard.press('Escape');
    await expect(page.locator('.settings h3')).toContainText('heron');
    await page.getByRole('button', { name: 'Merge this cell with the one to its right' }).click();
    await expect(onSheet(page)).toContainText(/heron\s*2/);
    await page.getByRole('button', { name: 'Split the merged cells' }).click();
    await expect(page.getByRole('button', { name: 'Split the merged cells' })).toHaveCount(0);
    await saved(page);
  });
});

test.describe('a calendar', () => {
  test('shows February 2024, takes in a file with a broken event, and gives it out again', async () => {
    await made(page, /^calendar/i);
    await choose(page, 'Month', 'February');
    await field(page, 'Year').fill('2024');
    await field(page, 'Year').press('Enter');
    await expect(onSheet(page)).toContainText('February 2024');
    await page.getByText('from a file or a list').click();
    await page.getByLabel('Calendar file', { exact: true }).setInputFiles({
      name: 'school.ics',
      mimeType: 'text/calendar',
      buffer: Buffer.from(
        [
          'BEGIN:VCALENDAR',
          'VERSION:2.0',
          'BEGIN:VEVENT',
          'UID:1',
          'SUMMARY:Tide watch',
          'DTSTART:20240206T093000',
          'RRULE:FREQ=WEEKLY;COUNT=3',
          'END:VEVENT',
          'BEGIN:VEVENT',
          'UID:2',
          'SUMMARY:Broken one',
          'DTSTART:soon',
          'END:VEVENT',
          'END:VCALENDAR',
        ].join('\r\n'),
      ),
    });
    await expect(page.getByText(/“Broken one” was left out/)).toBeVisible();
    await expect(onSheet(page)).toContainText('09:30 Tide watch');
    await expect(page.getByRole('list', { name: 'Events' }).getByRole('listitem')).toHaveCount(3);
    await page.getByLabel('Days with names, one in a line').fill('29 Feb Leap day\n8–13 February herbarium week');
    await page.getByRole('button', { name: 'Add these days' }).click();
    await expect(onSheet(page)).toContainText('herbarium week');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'All events as a calendar file' }).click(),
    ]);
    const text = readFileSync(await download.path(), 'utf8');
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(5);
    expect(text).toContain('SUMMARY:Leap day');
    await saved(page);
  });

  test('a week begins with any day', async () => {
    await made(page, /^calendar/i);
    await choose(page, 'What the calendar shows', 'a week');
    const field = page.getByRole('textbox', { name: 'First day of the week' });
    // A field that has only just come may not listen to what is filled in at once.
    await expect(async () => {
      if (!(await field.isVisible())) await page.getByRole('button', { name: /^First day of the week/ }).click();
      await field.fill('2024-02-10');
      await field.press('Enter');
      await expect(onSheet(page)).toContainText('10–16 February 2024', { timeout: 6000 });
    }).toPass();
    await expect(onSheet(page)).toContainText('Saturday');
    await page.getByRole('button', { name: 'The week after' }).click();
    await expect(onSheet(page)).toContainText('17–23 February 2024');
    await saved(page);
  });
});
