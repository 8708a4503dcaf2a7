import { SECRET } from '../../demo/school';
import { DEMO_CLASS } from '../../server/stores/demo';
import { drawn, enter, expect, handIn, House, join, press, saved, test } from './house';

/** The class side by side: live while students work, sorted, filtered by what a bar stands for, and several done with at once. */

let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

test('what a student does shows on the spread while it is open, from the first letter to handing in', async ({
  browser,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  const cards = page.locator('.spread_card');
  await expect(cards).toHaveCount(26);
  const kavya = cards.filter({ hasText: 'Kavya' });
  await expect(kavya).toContainText('Under way');
  const picture = kavya.locator('img');
  const before = await picture.getAttribute('src');
  const student = await join(
    browser,
    house,
    DEMO_CLASS,
    (await kavya.locator('strong').innerText()).trim(),
    SECRET.split(' '),
  );
  await student.locator('.tray_copy', { hasText: 'grey heron' }).click();
  await drawn(student);
  await press(student, 90, 175);
  await student.keyboard.type('crest');
  await saved(student);
  await expect(picture).not.toHaveAttribute('src', before!);
  // What each has changed lies on all pictures at once, and follows, too.
  await page.getByTitle('Changes').click();
  const changes = kavya.getByRole('img', { name: /changes? against the sheet/ });
  const so = Number(/\d+/.exec((await changes.getAttribute('aria-label'))!)![0]);
  await expect(page.getByRole('img', { name: /changes? against the sheet/ })).toHaveCount(23);
  await press(student, 690, 521);
  await student.keyboard.type('toes');
  await saved(student);
  await expect(changes).toHaveAccessibleName(`${so + 1} changes against the sheet as handed out`);
  await handIn(student);
  await expect(kavya).toContainText('Handed in');
  await expect(page.getByRole('button', { name: /Handed in 12/ })).toBeVisible();
  // The connection was gone: what happened meanwhile is there when it is back.
  await page.context().setOffline(true);
  await student.getByRole('button', { name: 'Take it back' }).click();
  await expect(student.getByRole('button', { name: 'Hand in' })).toBeVisible();
  await page.context().setOffline(false);
  await expect(kavya).toContainText('Under way');
});

test('a bar leads to its pieces; those that are chosen are given more time or returned at once', async ({
  browser,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  const cards = page.locator('.spread_card');
  await expect(cards).toHaveCount(26);
  const margin = page.getByRole('complementary', { name: 'The class so far' });
  const time = margin.getByRole('button', { name: /^Time at work, 5–9 minutes: \d+ pieces$/ });
  const took = Number(/(\d+) pieces/.exec((await time.getAttribute('aria-label'))!)![1]);
  await time.click();
  await expect(cards).toHaveCount(took);
  await time.click();
  await expect(cards).toHaveCount(26);
  await expect(margin.getByRole('button', { name: /^Words of their own, / })).not.toHaveCount(0);
  const missed = margin.getByRole('button', { name: /^“neck” named wrongly \d+$/ });
  const many = Number(await missed.locator('b').innerText());
  await missed.click();
  await expect(cards).toHaveCount(many);
  await expect(page.getByRole('button', { name: 'Only: “neck” named wrongly' })).toBeVisible();
  // A bar of a chart leads there by keyboard, too, and pressed again it shows all.
  const held = margin.getByRole('button', { name: /^1 of 4 look-fors met/ });
  const [, count] = /: (\d+) piece/.exec((await held.getAttribute('aria-label'))!)!;
  await held.press('Enter');
  await expect(cards).toHaveCount(Number(count));
  await held.press('Enter');
  await expect(cards).toHaveCount(26);

  // Of all that wait, one is left out.
  await page.getByRole('button', { name: /^Handed in/ }).click();
  await expect(cards).toHaveCount(11);
  await page.getByRole('checkbox', { name: 'Choose all' }).check();
  const chosen = page.getByRole('group', { name: 'The chosen pieces' });
  await expect(chosen).toContainText('11 pieces chosen');
  await page.getByRole('checkbox', { name: /Choose Dara Kowal/ }).uncheck();
  await expect(chosen).toContainText('10 pieces chosen');
  await chosen.getByRole('button', { name: 'Return pieces' }).click();
  await page.getByRole('button', { name: 'Return 10 pieces' }).click();
  await expect(page.getByText('10 pieces were returned')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(cards).toHaveCount(1);

  // More time for two who have not handed in.
  await page.getByRole('button', { name: /^Handed in/ }).click();
  await chosen.getByRole('button', { name: 'Choose none' }).click();

  await page.getByRole('checkbox', { name: /Choose Dara Kowal/ }).check();
  await expect(chosen.getByRole('button', { name: 'Side by side' })).toHaveCount(0);
  await page.getByRole('checkbox', { name: /Choose Hana Tanabe/ }).check();
  await chosen.getByRole('button', { name: 'Side by side' }).click();
  await expect(cards).toHaveCount(2);
  await expect(cards.nth(1)).toContainText('Hana Tanabe');
  await chosen.getByRole('button', { name: 'Back to all' }).click();
  await expect(cards).toHaveCount(26);
  await chosen.getByRole('button', { name: 'Side by side' }).click();
  await page.getByRole('checkbox', { name: /Choose Hana Tanabe/ }).uncheck();
  await expect(cards).toHaveCount(26);
  await chosen.getByRole('button', { name: 'Choose none' }).click();
  await page.getByRole('button', { name: /^Not begun/ }).click();
  await page.getByRole('checkbox', { name: 'Choose all' }).check();
  await chosen.getByRole('button', { name: /More time/ }).click();
  await page.getByRole('textbox', { name: /More time/ }).fill('2031-05-06 09:00');
  await page.keyboard.press('Enter');
  await expect(cards.first()).toContainText('until');
});

test('those who miss the same are told together, and get a sheet of their own', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'crab' }).first().click();
  const margin = page.getByRole('complementary', { name: 'The class so far' });
  const give = margin.getByRole('button', { name: /^A sheet for / }).first();
  const names = (await give.getAttribute('aria-label'))!.replace('A sheet for ', '').split(/, | and /);
  const cards = page.locator('.spread_card');
  await margin.locator('.spread_next').first().getByRole('button').first().press('Enter');
  await expect(cards).toHaveCount(names.length);

  // Offline it says so, and goes on.
  await page.context().setOffline(true);
  await give.click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('alert')).toContainText('can’t be fetched');
  // It is asked for again by itself.
  await page.context().setOffline(false);
  const meant = await dialog
    .getByRole('link', { name: 'Parts of the grey heron' })
    .evaluate((link) => (link as HTMLAnchorElement).href);
  await dialog.getByRole('link', { name: 'Parts of the grey heron' }).click();

  await page.waitForURL(/\/hand-out/);
  const some = page.getByRole('group', { name: 'Who of Avocet' });
  for (const name of names) await expect(some.getByRole('checkbox', { name })).toBeChecked();
  await expect(some.getByRole('checkbox', { checked: true })).toHaveCount(names.length);
  // Whoever is added stays over a reload.
  await some.getByRole('checkbox', { checked: false }).first().check();
  await page.reload();
  await expect(some.getByRole('checkbox', { checked: true })).toHaveCount(names.length + 1);

  // Chosen for them once more, also in a window of its own, what was written stays.
  await page.getByLabel('Brief').fill('Once more, with the parts.');
  await page.goto(meant);
  await expect(some.getByRole('checkbox', { checked: true })).toHaveCount(names.length);
  await expect(page.getByLabel('Brief')).toHaveValue('Once more, with the parts.');
});

test('two pieces that are alike are asked about: both stand side by side, and what they share is framed and lit', async ({
  browser,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  const pair = page.getByRole('button', { name: /^Chidi Mbeki and Tane Parata/ });
  await expect(pair).toContainText('14 words alike');
  await pair.click();
  const cards = page.locator('.spread_card');
  await expect(cards.locator('strong')).toHaveText(['Chidi Mbeki', 'Tane Parata']);
  await expect(page.getByRole('img', { name: 'Framed: 1 shared' })).toHaveCount(2);
  await pair.click();
  await expect(cards).toHaveCount(26);
  await cards.filter({ hasText: 'Chidi' }).click();
  const card = page.getByRole('region', { name: 'Like Tane Parata’s piece' });
  await expect(card.getByRole('img', { name: 'Tane Parata’s piece' })).toBeVisible();
  // Without names, the other piece is told by its number, and not shown.
  await page.getByRole('button', { name: 'Hide names' }).click();
  const nameless = page.getByRole('region', { name: /^Like Piece \d+’s piece$/ });
  await expect(nameless).toContainText('14 words also stand in Piece');
  await expect(nameless.getByRole('img')).toHaveCount(0);
  await page.getByRole('button', { name: 'Show names' }).click();
  await card.getByRole('link', { name: 'Tane Parata’s piece' }).first().click();
  await expect(page).toHaveTitle(/^Tane Parata/);
  await expect(page.getByRole('region', { name: 'Like Chidi Mbeki’s piece' })).toBeVisible();
});
