import type { Page } from '@playwright/test';
import { SECRET } from '../../demo/school';
import { drag, drawn, dueBy, enter, expect, join, openSheet, press, saved, supply, test } from './house';

/** One after the other: change a diagram, hand it out, fill it in, review it on the spot, return it, have another go. */
test.describe.serial('the whole job', () => {
  let teacher: Page;
  let student: Page;
  test.beforeAll(async ({ browser, house }) => {
    teacher = await enter(browser, house, 'Maren');
    student = await join(browser, house, 'avct4', 'Ilse Brandt', SECRET.split(' '));
  });

  test('the teacher changes the sheet', async () => {
    await openSheet(teacher, 'Parts of the grey heron');
    await press(teacher, 150, 50, 2);
    await teacher.keyboard.press('End');
    await teacher.keyboard.type(' up close');
    await teacher.keyboard.press('Escape');
    await saved(teacher);
  });

  test('and hands it out', async () => {
    await teacher.getByRole('link', { name: 'Hand out' }).click();
    await expect(teacher.getByRole('heading', { name: /Hand out:/ })).toBeVisible();
    await expect(teacher.getByText('on yours: 9 of 9')).toBeVisible();
    await teacher.getByRole('button', { name: 'Hand it out' }).click();
    await expect(teacher.getByText('Choose who gets it')).toBeVisible();
    await teacher.getByRole('checkbox', { name: /Avocet/ }).check();
    await dueBy(teacher, '1 Jan 2020, 10:00');
    await teacher.getByRole('button', { name: 'Hand it out' }).click();
    await expect(teacher.getByText('The due time is already past')).toBeVisible();
    await dueBy(teacher, '2099-01-01 10:00');
    await teacher.getByLabel('Name of the handout').fill('Heron for Avocet');
    await teacher.getByLabel(/Brief/).fill('Name the parts.');
    await teacher.getByRole('button', { name: 'Add a row' }).click();
    await teacher.getByLabel('Row of the rubric').fill('Names');
    await teacher.getByText('what each level means').click();
    await teacher.getByLabel('Level 3 of Names', { exact: true }).fill('most of them');
    await teacher.getByLabel('If it comes late').click();
    await teacher.getByTitle('Points are taken off for each day').click();
    await teacher.getByLabel('Points taken off').fill('0.5');
    await teacher.getByRole('button', { name: 'Hand it out' }).click();
    await teacher.waitForURL(/\/handouts\//);
    await expect(teacher.locator('.spread_card')).toHaveCount(9);
    await expect(teacher.getByText('0 of 9 have begun')).toBeVisible();
  });

  test('a student fills it in, from blank to blank with Tab', async () => {
    await student.goto('/tray');
    await student.locator('.tray_copy', { hasText: 'Heron for Avocet' }).click();
    await drawn(student);
    await expect(student.getByText('Name the parts.')).toBeVisible();
    await expect(student.getByText('0.5 points are taken off for each day that it comes late.')).toBeVisible();
    await expect(student.locator('body')).not.toContainText('breast feathers');
    await press(student, 640, 52);
    await student.keyboard.type('Ilse');
    await expect(
      student.locator('.student_lookfors li', { hasText: 'Your name' }).getByRole('img', { name: 'there' }),
    ).toBeVisible();
    await press(student, 690, 127);
    for (const [word, last] of [['eye'], ['crest'], ['beak'], ['plumes'], ['wing'], ['neck', true]] as [
      string,
      boolean?,
    ][]) {
      await student.keyboard.type(word);
      if (!last) await student.keyboard.press('Tab');
    }
    await student.keyboard.press('Escape');
    await saved(student);
    await expect(student.getByText('6 of 9')).toBeVisible();
  });

  test('hands it in after a last look at what is missing, takes it back, hands it in again', async () => {
    await student.getByRole('button', { name: 'Hand in' }).click();
    const look = student.getByRole('region', { name: 'A last look' });
    await expect(look).toContainText('4 boxes are empty');
    // Every gap is lit: what is empty, and what is missed.
    await expect(student.locator('.light_light mask > ellipse').first()).toBeAttached();
    await look.getByRole('button', { name: 'Every part has its name' }).click();
    await expect(student.getByRole('button', { name: /^Every part has its name/, pressed: true })).toBeVisible();
    await look.getByRole('button', { name: 'Go on working' }).click();
    await expect(look).toHaveCount(0);
    await student.getByRole('button', { name: 'Hand in' }).click();
    await student.getByRole('button', { name: 'Hand in anyway' }).click();
    await expect(student.getByText('With your teacher since')).toBeVisible();
    await expect(student.getByRole('button', { name: 'Next one' })).toHaveCount(0);
    await student.getByRole('button', { name: 'Take it back' }).click();
    await expect(student.getByRole('button', { name: 'Hand in' })).toBeVisible();
    await student.getByRole('button', { name: 'Hand in' }).click();
    await student.getByRole('button', { name: 'Hand in anyway' }).click();
    await expect(student.getByRole('button', { name: 'Take it back' })).toBeVisible();
    await press(student, 690, 127);
    await student.keyboard.type('nothing');
    await expect(student.getByRole('textbox', { name: /Words of/ })).toHaveCount(0);
  });

  test('the teacher sees what is wrong on the piece, says so there, and gives it back', async () => {
    await teacher.reload();
    await expect(teacher.locator('.spread_card', { hasText: 'Ilse Brandt' })).toContainText('Handed in');
    await teacher.getByRole('link', { name: 'Start reading' }).click();
    await drawn(teacher);
    const card = teacher.locator('.margin-card', { hasText: '“plumes” is swapped with “neck”' });
    await expect(card).toBeVisible();
    await card.getByRole('button', { name: 'write a note here' }).click();
    await teacher.getByLabel('Note on this spot').fill('Follow the line to its dot.');
    await teacher.keyboard.press('Enter');
    await expect(teacher.locator('.margin-card', { hasText: 'Follow the line to its dot.' })).toBeVisible();
    await press(teacher, 300, 470);
    await teacher.getByLabel('Note on this spot').fill('What is this part called?');
    await teacher.keyboard.press('Enter');
    await expect(teacher.locator('.margin-card', { hasText: 'What is this part called?' })).toBeVisible();
    await teacher.getByRole('radio', { name: '3' }).click();
    await expect(teacher.getByText('3 of 4 points')).toBeVisible();
    await teacher.getByRole('button', { name: 'not met' }).first().click();
    await expect(teacher.getByText('your ruling')).toBeVisible();
    await teacher.getByRole('button', { name: 'Another go' }).click();
    await teacher.waitForURL(/\/handouts\/[^/]+$/);
  });

  test('the student finds the notes on their spots and has another go', async () => {
    await student.reload();
    await expect(student.locator('.margin-card', { hasText: 'Follow the line to its dot.' })).toBeVisible();
    const tick = student.locator('.margin-card', { hasText: 'Follow the line to its dot.' }).getByRole('checkbox');
    // Before hydration the page hears no press. The light goes on to the next note.
    await expect(async () => {
      await tick.check({ timeout: 2000 });
      await expect(student.locator('.margin-card.lit')).toContainText('What is this part called?', { timeout: 3000 });
    }).toPass();
    await student.getByRole('button', { name: '3 of 4 points' }).click();
    await expect(student.getByText('of 4: most of them')).toBeVisible();
    await press(student, 690, 265);
    await student.keyboard.press('Control+A');
    await student.keyboard.type('neck');
    await student.keyboard.press('Escape');
    await saved(student);
    // The last go beside the new one, with its notes by number.
    await student.getByRole('button', { name: 'Go 1 beside it' }).click();
    const last = student.getByRole('region', { name: 'Go 1, as it was handed in' });
    await expect(last.locator('.beside_tick')).toHaveCount(2);
    await expect(last).toContainText('Follow the line to its dot.');
    await expect(last.getByRole('img')).toHaveJSProperty('complete', true);
    await student.getByRole('button', { name: 'Go 1 beside it' }).click();
    await expect(last).toHaveCount(0);
    await student.getByRole('button', { name: 'Hand in' }).click();
    await student.getByRole('button', { name: 'Hand in anyway' }).click();
    await expect(student.getByRole('button', { name: 'Take it back' })).toBeVisible();
  });

  test('the second go keeps the first, and reading shows either', async () => {
    await teacher.reload();
    await teacher.getByRole('link', { name: 'Start reading' }).click();
    await drawn(teacher);
    await expect(teacher.getByText('go 2, handed in')).toBeVisible();
    await expect(teacher.locator('.margin-card', { hasText: 'is swapped with' })).toHaveCount(0);
    await teacher.getByRole('link', { name: 'go 1' }).click();
    await expect(teacher.locator('.margin-card', { hasText: '“plumes” is swapped with “neck”' })).toBeVisible();
    await expect(teacher.locator('.margin-card', { hasText: 'Follow the line to its dot.' })).toContainText(
      'dealt with it',
    );
    await teacher.getByRole('link', { name: 'go 2' }).click();
    await teacher.getByRole('button', { name: 'Return as done' }).click();
    await teacher.waitForURL(/\/handouts\/[^/]+$/);
    await expect(teacher.locator('.spread_card', { hasText: 'Ilse Brandt' })).toContainText('Done');
    await student.goto('/tray');
    await expect(student.locator('.tray_copy', { hasText: 'Heron for Avocet' })).toContainText('Done');
  });
});

test('a student can lead nothing astray: fixed parts are glass, what is added is the student’s own', async ({
  browser,
  house,
}) => {
  const student = await join(browser, house, 'AVCT4', 'Gift Moyo', SECRET.split(' '));
  await student.locator('.tray_copy', { hasText: 'Life between the tides' }).click();
  await drawn(student);
  // The shore is a fixed shape: pressing it chooses nothing.
  await press(student, 80, 700);
  await expect(student.locator('.mark-frame')).toHaveCount(0);
  await supply(student, 'Shapes', 'star');
  await expect(student.locator('.mark-frame')).toHaveCount(1);
  await drag(student, [306, 396], [200, 600]);
  await saved(student);
  await student.keyboard.press('Control+z');
  await student.keyboard.press('Control+z');
  await expect(student.locator('.mark-frame')).toHaveCount(0);
  await saved(student);
});
