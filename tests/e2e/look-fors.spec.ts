import type { Locator, Page } from '@playwright/test';
import { drawn, enter, expect, House, openSheet, saved, test, signedIn } from './house';

/** Look-fors: built as sentences, said to students, and answers checked so often as the teacher lets them. */

// What is handed out here would stand in the trays that other files look at.
let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

const cards = (page: Page) => page.locator('.hand-out_lookforRow');
const handOutHeron = async (page: Page) => {
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await expect(cards(page)).toHaveCount(3);
};

/** A person's hands, counted: every press and every number or word typed is one action. */
class Hands {
  actions = 0;
  constructor(readonly page: Page) {}
  async press(what: Locator) {
    this.actions++;
    await what.click();
  }
  async type(what: Locator, text: string) {
    this.actions++;
    await what.fill(text);
    await what.blur();
  }
  async choose(list: Locator, option: string) {
    await this.press(list);
    await this.press(this.page.locator('.ant-select-dropdown:visible').getByTitle(option, { exact: true }));
  }
}

test('a dozen conditions are set up in at most forty actions, and read as sentences', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await handOutHeron(page);
  const hands = new Hands(page);
  const card = () => cards(page).last();
  const add = async () => hands.choose(page.getByLabel('Add a look-for'), 'Things: how many, and how they are');
  const and = async (condition: string) => hands.choose(card().getByLabel('Add a condition'), condition);
  const many = async (n: string) => hands.type(card().getByLabel('How many', { exact: true }), n);

  await add();
  await hands.choose(card().getByLabel('At least, exactly, at most or all'), 'All');
  await hands.choose(card().getByLabel('Of what'), 'Shapes');
  await many('8');
  for (const condition of [
    'With an outline that stands out',
    'With an outline of at least',
    'Wholly on the page',
    'Within the margins of the page',
    'All in one group',
  ])
    await and(condition);
  await add();
  await many('5');
  await and('All with different …');
  await add();
  await many('2');
  await and('Hollow');
  await add();
  await and('See-through');
  await add();
  await hands.choose(card().getByLabel('Of what'), 'Text');
  await and('With your name in it');
  await and('With its words in the middle');
  expect(hands.actions).toBeLessThanOrEqual(40);

  await expect(cards(page)).toHaveCount(8);
  const told = await page
    .getByRole('button', { name: /^Remove: / })
    .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!.slice('Remove: '.length)));
  expect(told.slice(3)).toEqual([
    'All shapes, at least 8, each with an outline that stands out clearly, each with an outline of at least 3 pt, each wholly on the page, each within the margins of the page, all in one group',
    'At least 5 shapes, all with different fills',
    'At least 2 shapes, each hollow',
    'At least 1 shape, each see-through',
    'At least 1 text, each with your name in it, each with its words in the middle',
  ]);
  // What is set lives on in this browser.
  await page.reload();
  await expect(cards(page)).toHaveCount(8);
  await expect(cards(page).nth(4)).toContainText('all with different');
});

test('what contradicts itself is said while it is built, and is not handed out', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await handOutHeron(page);
  const hands = new Hands(page);
  await hands.choose(page.getByLabel('Add a look-for'), 'Certain words, there or not there');
  const card = cards(page).last();
  await expect(card.getByRole('alert')).toHaveText('Type the words to look for, separated by commas.');
  await page.getByRole('checkbox', { name: /Avocet/ }).check();
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await expect(page.locator('.ant-alert')).toContainText('can’t be counted. Type the words');
  await card.getByLabel('The words or phrases').pressSequentially('wading, still water,');
  await expect(card.getByLabel('The words or phrases')).toHaveValue('wading, still water,');
  await expect(card.getByRole('alert')).toHaveCount(0);
  await expect(card).toContainText('On yours: 0 of 2');
});

test('a student reads what is asked and how to get there, and checks answers no more often than may be', async ({
  browser,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await handOutHeron(page);
  const hands = new Hands(page);
  await hands.choose(page.getByLabel('Add a look-for'), 'Things: how many, and how they are');
  await hands.choose(cards(page).last().getByLabel('Of what'), 'Shapes');
  await hands.choose(cards(page).last().getByLabel('Add a condition'), 'Hollow');
  const labels = cards(page).nth(1);
  await labels.getByRole('button', { name: 'More' }).click();
  await hands.choose(labels.getByLabel('What students are told'), 'Students may check answers');
  await hands.type(labels.getByLabel('How often students may check'), '2');
  await page.getByRole('checkbox', { name: /Curlew/ }).check();
  await page.getByRole('checkbox', { name: 'Shapes' }).check();
  await page.getByLabel('Name of the handout').fill('The heron once more');
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await page.waitForURL(/\/handouts\//);

  const student = await enter(browser, house, 'Ines');
  await student.locator('.tray_copy', { hasText: 'The heron once more' }).click();
  await drawn(student);
  const list = student.locator('.student_lookfors li');
  const checks = student.getByRole('button', { name: /^Checks/ });
  const show = async () => {
    if ((await checks.getAttribute('aria-expanded')) === 'false') await checks.click();
  };
  await show();
  await list.getByRole('button', { name: 'At least 3 shapes, each hollow' }).click();
  await expect(list.last()).toContainText('Hollow means without a fill');

  const card = student.locator('.margin-card', { hasText: /of 11/ });
  await card.getByRole('button', { name: 'Write here' }).click();
  await student.keyboard.type('Ines');
  for (let at = 2; at <= 11; at++) {
    await card.getByRole('button', { name: 'Next one' }).click();
    await expect(card).toContainText(`${at} of 11`);
    if (await card.getByText('Which part is this?').isVisible()) await card.locator('.action_moss').first().click();
  }
  await student.keyboard.press('Escape');
  await saved(student);
  await show();
  const keyed = list.nth(1);
  await expect(keyed).toContainText('filled in');
  await expect(keyed).not.toContainText('right');

  // The school has counted it, but its answer does not come back: asked again, it is the same asking.
  await student.route('**/copies/*.data*', async (route) => {
    await route.fetch();
    await route.abort();
  });
  await keyed.getByRole('button', { name: 'Check answers (2 tries left)' }).click();
  await expect(student.getByText('can’t be reached')).toBeVisible();
  await student.unroute('**/copies/*.data*');
  await keyed.getByRole('button', { name: 'Check answers (2 tries left)' }).click();
  await expect(keyed).toContainText(/[1-8] of 9 right/);
  await expect(keyed.getByRole('button', { name: 'Check answers (last try)' })).toBeVisible();
  // Nothing has changed: asking once more costs nothing.
  await keyed.getByRole('button', { name: 'Check answers (last try)' }).click();
  await expect(keyed.getByRole('button', { name: 'Check answers (last try)' })).toBeVisible();

  await keyed.getByRole('button', { name: 'Next one' }).click();
  await student.keyboard.press('Control+a');
  await student.keyboard.type('beak of a bird');
  await student.keyboard.press('Escape');
  await saved(student);
  await show();
  await expect(keyed).toContainText('1 changed since');
  await keyed.getByRole('button', { name: 'Check answers (last try)' }).click();
  await expect(keyed).toContainText('no tries left');
  await student.reload();
  await drawn(student);
  await show();
  await expect(keyed).toContainText('no tries left');

  // Without a network the counts stand still, and say so.
  await student.context().setOffline(true);
  await keyed.getByRole('button', { name: 'Next one' }).click();
  await student.keyboard.type(' or so');
  await student.keyboard.press('Escape');
  await show();
  await expect(student.getByText('You are offline: these stand still')).toBeVisible();
  await student.context().setOffline(false);
  await saved(student);
  await expect(student.getByText('You are offline: these stand still')).toHaveCount(0);
});
