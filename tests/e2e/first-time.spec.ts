import { drawn, dueBy, expect, House, saved, test, visit } from './house';

/** Somebody who has never been here: from the first screen to a worksheet of their own in a class of their own. */

let house: House;
test.beforeAll(async () => {
  house = await House.open('none');
});
test.afterAll(() => house.close());

/** What a person may need at most, and of that for handing out. A press, a key and a field that is filled in are one action each. */
const MOST = 35;
const MOST_HANDING_OUT = 12;

test('a school, a class, a worksheet and a handout in few actions', async ({ browser }) => {
  const page = await visit(browser, house);
  let actions = 0;
  const does = async (work: Promise<unknown>) => {
    actions++;
    await work;
  };
  const press = (name: RegExp | string) => does(page.getByRole('button', { name }).click());
  const fill = (label: string, words: string) => does(page.getByLabel(label, { exact: true }).fill(words));
  const type = (words: string) => does(page.keyboard.type(words));
  const key = (name: string) => does(page.keyboard.press(name));

  await fill('School', 'Wrack Line School');
  await fill('Your name', 'Ida Moss');
  await fill('Your e-mail', 'ida@wrack.example');
  await fill('A password', 'oystercatchers at dawn');
  await press('Begin');
  await page.waitForURL(/\/desk$/);

  await does(page.getByRole('link', { name: 'Classes' }).click());
  await fill('Name of the class', 'Turnstone');
  await press('Add class');
  await fill('Names to add to Turnstone', '1. Åse Berg\n2. Μαρία Παπά\n3. Ben Okoye');
  await press(/^Add$/);
  await press('Make 3 cards');
  await expect(page.locator('.cards_sheet li')).toHaveCount(3);

  await does(page.getByRole('link', { name: 'Desk', exact: true }).click());
  await does(page.getByRole('button', { name: 'Worksheet', exact: true }).click());
  await drawn(page);
  await expect(page.getByLabel('Name of the sheet')).toBeFocused();
  await type('What lives in a rock pool?');
  await key('Enter');
  const steps = page.locator('.margin-card', { hasText: /Three steps|Next:/ });
  await does(steps.getByRole('button', { name: 'Write what to do' }).click());
  await key('ControlOrMeta+a');
  await type('Name three animals of a rock pool.');
  await key('Escape');
  await does(steps.getByRole('button', { name: 'Add something to fill in' }).click());
  await does(page.getByRole('tabpanel', { name: 'Labels' }).getByRole('button', { name: 'Blank to fill' }).click());
  await saved(page);

  const before = actions;
  await does(page.getByRole('link', { name: 'Hand out' }).click());
  // The one class there is, and its three students.
  await expect(page.locator('.hand-out_send')).toContainText('3 students of Turnstone');
  await fill('Brief: what to do', 'Use the books on the window sill.');
  actions += 3;
  await dueBy(page, '4 Dec 2030, 14:00');
  await press('Hand it out');
  await page.waitForURL(/\/handouts\//);
  await expect(page.getByRole('button', { name: /Not begun 3/ })).toBeVisible();

  expect(actions - before).toBeLessThanOrEqual(MOST_HANDING_OUT);
  expect(actions).toBeLessThanOrEqual(MOST);
  console.log(`first time: ${actions} actions, of which ${actions - before} for handing out`);
});
