import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { SECRET } from '../../demo/school';
import { discFile } from '../support/own';
import {
  blankPage,
  compartment,
  drawn,
  enter,
  expect,
  join,
  leaf,
  openSheet,
  press,
  pressed,
  supply,
  test,
  signedIn,
  unfolded,
} from './house';

/** Names, contrast and structure of every main screen, by axe. */

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'];

async function check(page: Page, name: string) {
  const { violations } = await new AxeBuilder({ page })
    // Only what is wrong is reported; and there are no frames, for which a page would be opened each time.
    .options({ resultTypes: ['violations'], runOnly: { type: 'tag', values: TAGS } })
    .setLegacyMode()
    .analyze();
  const found = violations.map(
    (v) =>
      `${name}: ${v.id}: ${v.nodes
        .slice(0, 3)
        .map((node) => node.target.join(' '))
        .join(' | ')}`,
  );
  expect(found).toEqual([]);
}

test('every screen of a teacher has names and contrast', async ({ browser, house }) => {
  const fresh = await (await browser.newContext({ baseURL: house.url })).newPage();
  await fresh.goto('/');
  await check(fresh, 'front');
  await fresh.goto('/join?code=CURLW');
  await check(fresh, 'join');
  const page = await enter(browser, house, 'Maren');
  await check(page, 'desk');
  await page.goto('/classes');
  await check(page, 'classes');
  await openSheet(page, 'Parts of the grey heron');
  await check(page, 'workbench');
  await press(page, 690, 265);
  await check(page, 'workbench, label chosen');
  await page.getByRole('tab', { name: 'Pictures' }).click();
  await expect(page.getByRole('button', { name: 'Grey heron', exact: true })).toBeVisible();
  await check(page, 'workbench, pictures');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await expect(page.locator('.hand-out_touchMark')).not.toHaveCount(0);
  await check(page, 'handing out');
  await page.getByRole('button', { name: 'Work in steps …' }).click();
  await page.getByLabel('What to do in step 1').fill('Write your name.');
  await check(page, 'handing out, in steps');
  await page.getByRole('button', { name: 'Remove step 2' }).click();
  await page.getByRole('button', { name: 'Remove step 1' }).click();
  await page.goto('/desk');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await expect(page.locator('.spread_ticks').first()).toBeVisible();
  await check(page, 'spread');
  await page.getByRole('link', { name: 'One spot' }).click();
  await expect(page.locator('.spot_group').first()).toBeVisible();
  await check(page, 'one spot');
  await page.goBack();
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: 'All on one sheet' }).click();
  await expect(page.locator('.placed_dot').first()).toBeVisible();
  await page.locator('.placed_list').getByRole('button').first().click();
  await check(page, 'all on one sheet');
  await page.goBack();
  await page.getByRole('link', { name: 'Download', exact: true }).click();
  await expect(page.locator('.out_view[aria-busy=false] img')).toBeVisible();
  await check(page, 'download');
  await page.getByRole('link', { name: 'Write home' }).click();
  await expect(page.getByText(/^Dear family of/)).toBeVisible();
  await check(page, 'letters home');
  await page.goBack();
  await page.goBack();
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: /^Gallery/ }).click();
  await expect(page.getByRole('list', { name: 'The gallery' })).toBeVisible();
  await check(page, 'gallery');
  await page.goBack();
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: 'Start reading' }).click();
  await drawn(page);
  await check(page, 'reading');
  await page.keyboard.press('d');
  await expect(page.getByRole('toolbar', { name: 'Drawing on the piece' })).toBeVisible();
  await page.keyboard.press('h');
  await check(page, 'drawing on a piece without its name');
  await page.keyboard.press('h');
  await page.getByRole('link', { name: 'All their work' }).click();
  await expect(page.getByRole('list', { name: /^All their work/ })).toBeVisible();
  await check(page, 'all the work of a student');
});

test('everything that opens on the workbench has names and contrast', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'The salt marsh on one page');
  for (const name of ['Shapes', 'Lines', 'Pen', 'Signs', 'Other looks', 'Pages', 'History']) {
    await compartment(page, name);
    await expect(page.getByRole('tabpanel', { name })).not.toContainText('…');
    await check(page, name);
  }
  await supply(page, 'Shapes', 'star');
  for (const name of ['look', 'place', 'students', 'words']) {
    await leaf(page, name);
    await check(page, `leaf ${name}`);
  }
  await leaf(page, 'look');
  await page.getByRole('button', { name: 'fill: linear gradient' }).click();
  await page.getByRole('button', { name: 'stop: another colour' }).click();
  await expect(page.getByLabel(/colour as six digits/)).toBeVisible();
  await check(page, 'colour by eye');
  await page.keyboard.press('Escape');
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Control+f');
  await check(page, 'search');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  await check(page, 'keys');
  await page.keyboard.press('Escape');
  await page.locator('.margin-card .ant-select').first().click();
  await page.getByTitle('A4', { exact: true }).click();
  await expect(page.getByRole('group', { name: 'How the page changes its size' }).locator('img')).toHaveCount(2);
  await check(page, 'another size');
});

test('pictures that are found, uploaded, tidied and cleared have names and contrast', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await blankPage(page);
  await compartment(page, 'Pictures');
  await page.getByLabel('Find a picture').fill('bird');
  await page.getByRole('button', { name: /^Weather and marsh/ }).click();
  await page.getByRole('button', { name: 'avocet', exact: true }).click({ modifiers: ['Shift'] });
  await check(page, 'a search, and what waits beside the page');
  await page.getByLabel('Find a picture').fill('');
  await page.getByRole('button', { name: 'Uploaded', exact: true }).click();
  const buffer = await discFile.plain();
  await page.getByLabel('Files with pictures').setInputFiles({ name: 'disc.jpg', mimeType: 'image/jpeg', buffer });
  await expect(page.locator('.page-view image')).toHaveCount(1);
  await check(page, 'a picture of one’s own');
  await page.getByRole('button', { name: /^Take the background/ }).click();
  await page.getByText('Bring back', { exact: true }).click();
  await check(page, 'a background taken away');
  await page.getByRole('button', { name: 'Use it', exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: /^About “disc”/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('form', { name: /^About/ })).toBeVisible();
  await check(page, 'about a picture');
  await page.getByRole('button', { name: 'Cancel', exact: true }).click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Escape');
  await unfolded(page, 'Sources');
  await expect(page.getByText(/without a source/)).toBeVisible();
  await check(page, 'sources');
});

test('the states of the screens have names and contrast: empty, searched, asked, refused, lit', async ({
  browser,
  house,
}) => {
  const fresh = await (await browser.newContext({ baseURL: house.url })).newPage();
  await fresh.goto('/nowhere');
  await expect(fresh.getByRole('button', { name: 'Back' })).toBeVisible();
  await check(fresh, 'nothing here');
  await fresh.goto('/join?code=CURLW');
  await fresh.getByRole('button', { name: 'Bea Lindgren' }).click();
  for (const picture of ['crab', 'owl', 'crab'])
    await fresh.getByRole('button', { name: picture, exact: true }).click();
  await check(fresh, 'three pictures');
  await fresh.getByRole('button', { name: 'kite', exact: true }).click();
  await expect(fresh.getByRole('alert')).toContainText('Those are not your pictures');
  await check(fresh, 'wrong pictures');

  const page = await enter(browser, house, 'Maren');
  await page.getByRole('button', { name: 'More for After dark', exact: true }).click();
  await expect(page.getByRole('menuitem', { name: 'Put into the bin' })).toBeVisible();
  await check(page, 'menu of a sheet');
  await page.getByRole('menuitem', { name: 'Put into the bin' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'in the bin' })).toBeVisible();
  await check(page, 'put into the bin');
  await page.getByRole('link', { name: /^Bin/ }).click();
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await check(page, 'the bin');
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText('Nothing is in the bin')).toBeVisible();
  await check(page, 'an empty bin');
  await page.getByRole('button', { name: '+ New folder' }).click();
  await expect(page.getByLabel('Name of the folder')).toBeVisible();
  await check(page, 'naming a folder');
  for (const wanted of ['crab', 'quasar']) {
    await page.getByRole('searchbox').fill(wanted);
    await check(page, `searched for ${wanted}`);
  }
  await page.goto('/classes');
  await page.getByRole('button', { name: 'Ayo Bankole' }).click();
  await check(page, 'a student of a class');
  await page.goto('/desk');
  await page.getByRole('button', { name: 'Worksheet', exact: true }).click();
  await expect(page.locator('.light_light')).toHaveCount(1);
  await check(page, 'a new worksheet');
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.locator('.hand-out_lookforRow').nth(1).hover();
  await expect(page.locator('.light_light')).toHaveCount(1);
  await check(page, 'handing out, lit');
});

test('classes with what opens in them, lists from files, teachers and passwords have names and contrast', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/classes');
  await page.waitForLoadState('networkidle');
  await page.getByRole('button', { name: /^Bea Lindgren/ }).click();
  await page.getByRole('button', { name: 'Group Salt grass, 7' }).click();
  await page.getByRole('button', { name: 'Another teacher for Curlew' }).click();
  await expect(page.getByRole('form', { name: 'Another teacher' })).toBeVisible();
  await expect(page.getByRole('form', { name: 'Group' })).toBeVisible();
  await page.getByText('1 class in the archive').click();
  await check(page, 'classes, opened');
  const buffer = Buffer.from('Name,Class\nAna Lind,Ruff\nAna Lind,Ruff\n');
  await page.getByLabel('Class list').setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer });
  await expect(page.getByText('stands here more than once')).toBeVisible();
  await check(page, 'a list from a file');
  await page.goto('/school');
  await check(page, 'teachers');
  await page.goto('/password');
  await check(page, 'password');
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByRole('checkbox', { name: /^Curlew/ }).check();
  await page.getByRole('button', { name: 'Only some of Curlew' }).click();
  await page.getByRole('checkbox', { name: 'Pictures' }).check();
  await page.getByLabel('Choose all boxes of a kind').selectOption({ label: 'Label (9)' });
  await check(page, 'handing out, to some');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'As a student sees it' }).click();
  await page.waitForURL(/\/copies\//);
  await drawn(page);
  await check(page, 'tried out');
  const student = await enter(browser, house, 'Ayo');
  await student.locator('.tray_next').click();
  await drawn(student);
  await student.getByRole('button', { name: 'Go 1 beside it' }).click();
  await check(student, 'the last go beside the new one');
});

test('versions, a piece that look-fors are tried on, somebody else on a copy, and the last class have names and contrast', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Sums from the shore');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByRole('radiogroup', { name: 'Where versions come from' }).getByText('Made again').click();
  await page.getByRole('radiogroup', { name: 'Version to look at' }).getByText('B', { exact: true }).click();
  await expect(page.getByLabel('Version B, as students get it')).toBeVisible();
  await check(page, 'handing out, in versions');
  await openSheet(page, 'A window of coloured glass');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByLabel('What look-fors are tried on').click();
  await page.keyboard.type('Bram');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Bram de Wit, to try look-fors on')).toBeVisible();
  await check(page, 'handing out, tried on a piece');
  const [quinn, rosa] = await Promise.all(
    ['Quinn Murray', 'Rosa Delgado'].map((name) => join(browser, house, 'CURLW', name, SECRET.split(' '))),
  );
  for (const student of [quinn, rosa]) {
    await student
      .getByRole('link', { name: /Our food web/ })
      .first()
      .click();
    await drawn(student);
  }
  await expect(quinn.getByTitle('Rosa Delgado is here now')).toBeVisible();
  await check(quinn, 'somebody else on the copy');
  await rosa.goto('/tray');
  await rosa.getByRole('button', { name: 'Sign out' }).click();
  await expect(rosa.getByText('The last class here')).toBeVisible();
  await check(rosa, 'the last class of a browser');
});

test('the makers and their recipes have names and contrast', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await blankPage(page);
  await compartment(page, 'Makers');
  await check(page, 'Makers');
  for (const [name, leafName] of [
    ['concept map', 'outline'],
    ['labelled diagram', 'labels'],
    ['sums', 'practice'],
    ['sorting', 'practice'],
    ['word cloud', 'cloud'],
    ['chart', 'chart'],
    ['table', 'table'],
    ['calendar', 'calendar'],
  ]) {
    await page
      .getByRole('tabpanel', { name: 'Makers' })
      .getByRole('button', { name: new RegExp(`^${name}`, 'i') })
      .click();
    await expect(page.getByRole('tabpanel', { name: leafName }).getByRole('group').first()).toBeVisible();
    await check(page, name);
  }
});

test('every screen of a student has names and contrast', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Ayo');
  await check(page, 'tray');
  await page.goto('/work');
  await expect(page.getByRole('list', { name: 'My work, the newest first' })).toBeVisible();
  await check(page, 'my work');
  await page.goto('/tray');
  await page.locator('.tray_copy').first().click();
  await drawn(page);
  await press(page, 690, 265);
  await check(page, 'copy');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Hand in' }).click();
  await expect(page.getByRole('region', { name: 'A last look' })).toBeVisible();
  await check(page, 'a last look');

  const group = await join(browser, house, 'CURLW', 'Quinn Murray', SECRET.split(' '));
  await group
    .getByRole('link', { name: /Our food web/ })
    .first()
    .click();
  await drawn(group);
  await pressed(group.getByRole('button', { name: 'Step 2 of 2' }), group.getByRole('list', { name: 'Steps' }));
  await compartment(group, 'Work made elsewhere');
  await expect(group.getByRole('button', { name: 'Choose files with your work' })).toBeVisible();
  await check(group, 'a copy in steps, with work made elsewhere');
});

test('nothing flashes: the first paint has its styles and its faces', async ({ browser, house }) => {
  const context = await browser.newContext({ baseURL: house.url, javaScriptEnabled: false });
  const page = await context.newPage();
  await page.goto('/');
  const button = page.getByRole('button', { name: 'Find my class' });
  expect(await button.evaluate((element) => getComputedStyle(element).backgroundColor)).toBe('rgb(69, 102, 50)');
  // Those that the page asks for by itself, which a busy machine may have a moment after its load.
  const faces = async () => (await document.fonts.ready, document.fonts.check("16px 'Fraunces'"));
  expect(await page.evaluate(faces)).toBe(true);
});
