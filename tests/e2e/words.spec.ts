import type { Page } from '@playwright/test';
import { SECRET } from '../../demo/school';
import { DEMO_CLASS } from '../../server/stores/demo';
import { drawn, enter, expect, handIn, join, leaf, openSheet, press, signedIn, supply, test } from './house';

/** Nothing that a person types is lost: not to the network, a reload, somebody else's action, or signing out. */

const card = (page: Page, words: string) => page.locator('.margin-card', { hasText: words });
const draft = (page: Page) => page.getByLabel('Note on this spot');
const startReading = async (page: Page) => {
  await page.goto('/desk');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  // The Desk leads to reading, too.
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: 'Start reading' }).click();
  await drawn(page);
};

test('without a network, notes, rulings and marks stay, are shown as such, and go out later', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await startReading(page);
  const piece = page.url();
  await page.context().setOffline(true);
  await press(page, 200, 300);
  await draft(page).fill('Κοίτα τη γραμμή: follow it to its dot.');
  await page.keyboard.press('Enter');
  await expect(card(page, 'follow it to its dot')).toContainText('On its way');
  await page.getByRole('radio', { name: '2' }).first().click();
  await expect(page.getByRole('radio', { name: '2' }).first()).toBeChecked();
  await page.getByRole('button', { name: 'not met' }).first().click();
  await expect(page.getByText('your ruling')).toBeVisible();
  await expect(page.locator('.save-words_words')).toContainText('Offline · 3 things kept here');

  // What is being typed stays where it is when another spot is pressed.
  await press(page, 200, 420);
  await draft(page).fill('And this');
  await press(page, 200, 520);
  await expect(draft(page)).toHaveCount(2);
  await expect(draft(page).first()).toHaveValue('And this');
  await page.keyboard.press('Escape');
  await expect(draft(page)).toHaveCount(1);

  // It can't be given back yet, and nothing is lost by trying.
  await page.getByRole('button', { name: 'Another go' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Stay' }).click();

  // The next piece is here already, and so is this one when it is gone back to.
  const name = page.getByRole('heading', { level: 2 });
  const first = (await name.textContent())!;
  await page.locator('.reading_bandEntry[aria-current="page"] + .reading_bandEntry').click();
  await expect(name).not.toHaveText(first);
  await page.goBack();
  await expect(name).toHaveText(first);
  // One that is further away can't be shown, and this one is there again.
  await page.locator('.reading_bandEntry').last().click();
  await expect(page.getByRole('heading', { name: 'The school can’t be reached' })).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(card(page, 'follow it to its dot')).toBeVisible();
  await expect(draft(page)).toHaveValue('And this');

  await page.context().setOffline(false);
  await expect(page.locator('.save-words_words')).not.toContainText('Offline');
  await expect(card(page, 'follow it to its dot')).toContainText('Your note');
  await page.goto(piece);
  await drawn(page);
  await expect(card(page, 'follow it to its dot')).toContainText('Your note');
  await expect(page.getByRole('radio', { name: '2' }).first()).toBeChecked();
  await expect(page.getByText('your ruling')).toBeVisible();
  await expect(draft(page)).toHaveValue('And this');

  // When it is returned, the begun note goes with it.
  await page.getByRole('button', { name: 'Another go' }).click();
  await page.getByRole('button', { name: 'Keep it and give back' }).click();
  await expect(page).not.toHaveURL(piece);
  await page.goto(piece);
  await expect(card(page, 'And this')).toContainText('Your note');
});

test('what is typed while the student takes the piece back waits for the next go', async ({ browser, house }) => {
  const teacher = await signedIn(browser, house, 'Maren');
  await startReading(teacher);
  const name = await teacher.locator('.reading_headName h2').innerText();
  const student = await join(browser, house, DEMO_CLASS, name, SECRET.split(' '));
  const sheet = student.locator('.tray_copy', { hasText: 'grey heron' });

  await press(teacher, 200, 300);
  await draft(teacher).fill('What is this called?');
  await sheet.click();
  const takeBack = async () => {
    await student.getByRole('button', { name: 'Take it back' }).click();
    await expect(student.getByRole('button', { name: 'Hand in' })).toBeVisible();
  };
  // The window of the teacher hears of it at once, and keeps what was typed until the piece is back.
  await takeBack();
  await expect(card(teacher, `The piece is with ${name}`)).toBeVisible();
  await expect(draft(teacher)).toHaveValue('What is this called?');
  await handIn(student);
  await expect(card(teacher, `The piece is with ${name}`)).toHaveCount(0);
  await expect(draft(teacher)).toHaveValue('What is this called?');

  // Without a network it hears nothing.
  await teacher.context().setOffline(true);
  await takeBack();
  await teacher.getByRole('button', { name: 'Draw' }).click();
  await teacher.getByRole('button', { name: 'Look again' }).click();
  await press(teacher, 400, 300);
  await draft(teacher).press('Enter');
  await expect(card(teacher, 'What is this called?')).toContainText('On its way');
  await teacher.context().setOffline(false);
  await expect(card(teacher, 'A note and a drawing came too late')).toContainText(`This piece is with ${name} again.`);
  await expect(draft(teacher)).toHaveValue('What is this called?');
  await expect(teacher.getByText('can be said on the next go')).toBeVisible();
  await teacher.getByRole('button', { name: 'OK' }).click();
  await expect(card(teacher, 'A note and a drawing came too late')).toBeHidden();

  await handIn(student);
  await expect(student.getByRole('button', { name: 'Take it back' })).toBeVisible();
  await teacher.reload();
  await drawn(teacher);
  await expect(draft(teacher)).toHaveValue('What is this called?');
  await card(teacher, 'stamp of the go before').getByRole('button', { name: 'Put on this go' }).click();
  await expect(teacher.getByRole('region', { name: 'Drawn by hand' })).toContainText('1 stamp (Look again)');
  await teacher.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(card(teacher, 'What is this called?')).toContainText('Your note');
  await expect(draft(teacher)).toHaveCount(0);
});

test('what is filled in for handing out stays over a reload and a lost answer, and is handed out once', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByLabel(/Brief/).fill('Draw the arrows.\nOld Łęg: mind them.');
  await page.getByLabel('Name of the handout').fill('Twice and once');
  await page.getByRole('checkbox', { name: /Avocet/ }).check();
  await page.getByRole('button', { name: 'Add a row' }).click();
  await page.getByLabel('Row of the rubric').fill('Arrows');
  await page.getByText('What each level means, and its points').click();
  await page.getByLabel('Points of level 3 of arrows').fill('5');
  await expect(page.getByText('Each level should bring more points')).toBeVisible();
  await page.getByLabel('Points of level 4 of arrows').fill('8');
  await expect(page.getByText('Each level should bring more points')).toHaveCount(0);
  const card = page.locator('.hand-out_lookforRow').first();
  await card.getByRole('button', { name: 'More' }).click();
  await card.getByRole('button', { name: 'Write a title of your own' }).click();
  const lookFor = card.getByLabel('What you will look for, as students read it');
  await lookFor.fill('');
  await page.reload();
  await expect(page.getByLabel(/Brief/)).toHaveValue('Draw the arrows.\nOld Łęg: mind them.');
  await expect(page.getByLabel('Row of the rubric')).toHaveValue('Arrows');
  await expect(page.getByLabel('Points of level 4 of arrows')).toHaveValue('8');
  await expect(lookFor).toHaveValue('');
  await expect(page.getByRole('checkbox', { name: /Avocet/ })).toBeChecked();
  await lookFor.fill('Arrows that go the right way');

  // The school has it, but its answer does not come back.
  await page.route('**/hand-out.data*', async (route) => {
    await route.fetch();
    await route.abort();
  });
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'can’t be reached' })).toBeVisible();
  await expect(page.getByLabel('Name of the handout')).toHaveValue('Twice and once');
  await page.unroute('**/hand-out.data*');
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await page.waitForURL(/\/handouts\//);
  await page.goto('/desk');
  await expect(page.getByRole('link', { name: /Twice and once/ })).toHaveCount(1);
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await expect(page.getByLabel(/Brief/)).toHaveValue('');
});

test('names of a class stay in their box until they are taken, and only those', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  await page.getByRole('link', { name: 'Classes' }).click();
  const box = page.getByLabel('Names to add to Avocet');
  await expect(async () => {
    if (!(await box.isVisible())) {
      const open = page
        .locator('.class-card_card', { hasText: 'Avocet' })
        .getByRole('button', { name: 'Add students' });
      await open.click({ timeout: 2000 });
    }
    await box.fill('Éva Nagy\nIlse Brandt', { timeout: 2000 });
    await page.reload();
    await expect(box).toHaveValue('Éva Nagy\nIlse Brandt', { timeout: 2000 });
  }).toPass();
  const add = page.locator('.class-card_card', { has: box }).getByRole('button', { name: 'Add' });
  await page.route('**/classes.data*', (route) => route.abort());
  await add.click();
  await expect(page.getByRole('alert')).toContainText('can’t be reached');
  await expect(box).toHaveValue('Éva Nagy\nIlse Brandt');
  await page.unroute('**/classes.data*');
  await add.click();
  await expect(page.getByText('Éva Nagy is in the class.')).toBeVisible();
  await expect(box).toHaveValue('Ilse Brandt');
});

test('what was begun and not sent is locked away at signing out, and is there again', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  await page.getByRole('link', { name: 'Classes' }).click();
  const box = page.getByLabel('Name of the class', { exact: true });
  await expect(async () => {
    await box.fill('Sandpiper secrets');
    await page.reload();
    await expect(box).toHaveValue('Sandpiper secrets', { timeout: 2000 });
  }).toPass();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Sign out anyway' }).click();
  await page.waitForURL(`${house.url}/`);
  expect(await page.evaluate(() => JSON.stringify(localStorage))).not.toContain('Sandpiper');
  await page.getByRole('button', { name: /Maren/ }).click();
  await page.waitForURL(/\/desk$/);
  await page.getByRole('link', { name: 'Classes' }).click();
  await expect(box).toHaveValue('Sandpiper secrets');
});

test('a part that can’t be fetched says so in its own place, and comes when it is asked for again', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  const late = /assets\/(signs|makers|pen|colour-panel)-.*\.js|art\/signs\.json/;
  await page.route(late, (route) => route.abort());
  await openSheet(page, 'Who eats whom');
  for (const tab of ['Signs', 'Makers']) {
    await page.locator('.drawer_tab', { hasText: tab }).click();
    await expect(page.getByText('This part is not here yet')).toBeVisible();
  }
  // The workbench goes on.
  await supply(page, 'Shapes', 'star');
  await page.locator('.drawer_tab', { hasText: 'Makers' }).click();
  const again = page.getByRole('button', { name: 'Try again' });
  await expect(again).toBeVisible();
  await page.unroute(late);
  // It may also have been prefetched once the page was idle.
  await expect(async () => {
    if (await again.isVisible()) await again.click({ timeout: 2000 });
    await expect(
      page.getByRole('tabpanel', { name: 'Makers' }).getByRole('button', { name: /^calendar/i }),
    ).toBeVisible({
      timeout: 3000,
    });
  }).toPass({ timeout: 60_000 });
});

test('once a sheet has come to rest, all its parts are there without a network', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  const fetched: string[] = [];
  page.on('requestfinished', (request) => void fetched.push(request.url()));
  await openSheet(page, 'Who eats whom');
  const needed = [
    'signs-',
    'makers-',
    'pages-',
    'looks-',
    'map-panel-',
    'signs.json',
    'GentiumBookPlus_700Bold_Italic.ttf',
  ];
  await expect
    .poll(() => needed.filter((part) => !fetched.some((url) => url.includes(`/${part}`))), { timeout: 120_000 })
    .toEqual([]);
  await page.context().setOffline(true);
  for (const tab of ['Signs', 'Makers', 'Pages', 'Other looks']) {
    await page.locator('.drawer_tab', { hasText: tab }).click();
    await expect(page.getByRole('tabpanel', { name: tab }).getByRole('button').first()).toBeVisible();
  }
  await page.locator('.drawer_tab', { hasText: 'Makers' }).click();
  await page.getByRole('tabpanel', { name: 'Makers' }).getByRole('button', { name: /map/i }).first().click();
  await leaf(page, 'outline');
  await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('Main idea');
  await expect(page.locator('.save-words_words')).toContainText(/Offline/);
});
