import { drawn, expect, handingTides, House, pressed, saved, test, tidesOfAyo } from './house';

/** A brief in steps: built with the look-fors, opening as the student works, and staying open. */

test('the next step opens when the look-for of the first is met, also for work that was done offline', async ({
  browser,
}) => {
  const house = await House.open();
  const teacher = await handingTides(browser, house);
  const steps = teacher.getByRole('list', { name: 'Steps' }).locator('> li');
  await pressed(teacher.getByRole('button', { name: 'Work in steps …' }), steps.first());
  await expect(steps).toHaveCount(2);
  await teacher.getByLabel('What to do in step 1').fill('Write your name.');
  await teacher.getByLabel('What to do in step 2').fill('Now the mudflat: γη ή θάλασσα?');
  await teacher.getByRole('button', { name: 'Hand it out' }).click();
  await expect(teacher.locator('.ant-alert-error')).toContainText(
    'Step 2 would never open: choose what has to be met in step 1.',
  );
  await steps.nth(0).getByRole('checkbox', { name: 'Your name' }).check();
  await steps
    .nth(1)
    .getByRole('checkbox', { name: /words of your own/ })
    .check();
  // What was typed is there after a reload, and a look-for that goes is gone from its step.
  await teacher.reload();
  await expect(teacher.getByLabel('What to do in step 2')).toHaveValue('Now the mudflat: γη ή θάλασσα?');
  await expect(steps.nth(0).getByRole('checkbox', { name: 'Your name' })).toBeChecked();
  await teacher.getByRole('button', { name: 'Hand it out' }).click();
  await teacher.waitForURL(/\/handouts\//);

  const ayo = await tidesOfAyo(browser, house);
  const about = ayo.getByRole('list', { name: 'Steps' });
  await expect(about).toContainText('Write your name.');
  await expect(about).toContainText('Step 2 opens when this is there:');
  await expect(ayo.getByRole('button', { name: 'Step 1 of 2' })).toBeVisible();
  await expect(ayo.getByText(/mudflat: γη/)).toHaveCount(0);
  expect(await ayo.content()).not.toContain('words of your own');
  await ayo.getByRole('button', { name: 'Hand in', exact: true }).click();
  await expect(ayo.getByText('Step 2 has not opened yet')).toBeVisible();
  await ayo.getByRole('button', { name: 'Go on working' }).click();

  // What is saved just before the network fails opens nothing yet, and the copy stays as it is.
  await ayo.route(/\/copies\/[^/]+\.data/, (route) => route.abort());
  await ayo.locator('.margin-card.lit').getByRole('button', { name: 'Write here' }).click();
  await ayo.keyboard.type('Ayo');
  await saved(ayo);
  await expect(ayo.getByRole('button', { name: 'Step 1 of 2' })).toBeVisible();
  await ayo.unroute(/\/copies\/[^/]+\.data/);

  // Without a network nothing opens; with it, what was done opens the step by itself.
  await ayo.context().setOffline(true);
  await ayo.keyboard.type(' Bankole');
  await expect(ayo.locator('.save-words_words')).toContainText(/offline/i);
  await expect(ayo.getByRole('button', { name: 'Step 1 of 2' })).toBeVisible();
  await ayo.context().setOffline(false);
  await saved(ayo);
  await expect(ayo.getByRole('button', { name: 'Step 2 of 2' })).toBeVisible();
  await expect(about).toContainText('Now the mudflat: γη ή θάλασσα?');
  await expect(ayo.getByText('Step 2 has opened.')).toBeVisible();
  await ayo.getByRole('button', { name: /^Checks 1 of 2/ }).click();
  await expect(ayo.getByText(/words of your own/)).toBeVisible();

  // What is undone closes nothing.
  await ayo.keyboard.press('Control+a');
  await ayo.keyboard.press('Delete');
  await saved(ayo);
  await ayo.reload();
  await drawn(ayo);
  await expect(ayo.getByRole('button', { name: 'Step 2 of 2' })).toBeVisible();
  await teacher.reload();
  await expect(teacher.locator('.spread_card').filter({ hasText: 'Ayo Bankole' })).toContainText('step 2 of 2');
  await house.close();
});
