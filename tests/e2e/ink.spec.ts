import type { Page } from '@playwright/test';
import { SECRET } from '../../demo/school';
import { drag, drawn, expect, handIn, join, press, readHeron, signedIn, test } from './house';

const card = (page: Page, words: string) => page.locator('.margin-card', { hasText: words });
const hand = (page: Page) => page.getByRole('img', { name: /^Drawn by hand/ });

test('a piece is drawn and stamped on, also without a network, the student sees it, and it stays beside the next go', async ({
  browser,
  house,
}) => {
  const teacher = await signedIn(browser, house, 'Maren');
  await readHeron(teacher, 'Tane Parata');
  await teacher.getByRole('button', { name: 'Draw' }).click();
  const rail = teacher.getByRole('toolbar', { name: 'Drawing on the piece' });
  await rail.getByRole('button', { name: 'thick blue pen' }).click();
  await drag(teacher, [300, 200], [420, 260]);
  await expect(hand(teacher)).toHaveAccessibleName('Drawn by hand: 1 stroke');
  // Nothing else was begun where the pen went.
  await expect(teacher.getByLabel('Note on this spot')).toHaveCount(0);

  await teacher.context().setOffline(true);
  await rail.getByRole('button', { name: 'Well done' }).click();
  await press(teacher, 500, 320);
  await drag(teacher, [520, 420], [560, 420]);
  await rail.getByRole('button', { name: 'thin red pen' }).click();
  await drag(teacher, [200, 420], [320, 420]);
  await expect(card(teacher, 'Drawn by hand')).toContainText('2 strokes and 2 stamps (Well done)');
  await teacher.keyboard.press('Control+z');
  await expect(card(teacher, 'Drawn by hand')).toContainText('1 stroke and 2 stamps');
  await rail.getByRole('button', { name: 'Rubber' }).click();
  await press(teacher, 520, 420);
  await expect(card(teacher, 'Drawn by hand')).toContainText('1 stroke and 1 stamp');
  await teacher.context().setOffline(false);
  await expect(teacher.getByText('On its way')).toHaveCount(0);

  // The pen stays in hand, also on another piece, until Escape puts it down.
  const piece = teacher.url();
  await teacher.keyboard.press('ArrowLeft');
  await expect(teacher).not.toHaveURL(piece);
  await expect(rail).toBeVisible();
  await teacher.keyboard.press('Escape');
  await expect(rail).toHaveCount(0);
  await teacher.goto(piece);
  await drawn(teacher);
  await expect(hand(teacher)).toHaveAccessibleName('Drawn by hand: 1 stroke and 1 stamp (Well done)');
  await press(teacher, 60, 60);
  await teacher.getByLabel('Note on this spot').fill('Compare this with the picture.');
  await teacher.getByRole('button', { name: 'Save', exact: true }).click();
  await teacher.getByRole('button', { name: 'Another go' }).click();
  await expect(teacher.getByRole('status').filter({ hasText: 'Tane Parata' })).toBeVisible();

  const student = await join(browser, house, 'CURLW', 'Tane Parata', SECRET.split(' '));
  await student
    .getByRole('link', { name: /grey heron/ })
    .first()
    .click();
  await drawn(student);
  await expect(hand(student)).toHaveAccessibleName('Drawn by hand: 1 stroke and 1 stamp (Well done)');
  await card(student, 'Your teacher drew').getByRole('button', { name: 'Hide it' }).click();
  await expect(hand(student)).toHaveCount(0);
  await student.getByRole('button', { name: 'Go 1 beside it' }).click();
  await expect(hand(student)).toHaveCount(1);
  await handIn(student);
  await expect(student.getByRole('button', { name: 'Take it back' })).toBeVisible();

  await teacher.goto(piece);
  await drawn(teacher);
  const before = card(teacher, 'Said on go 1');
  await expect(before).toContainText('Compare this with the picture.');
  await expect(before).toContainText('1 stroke and 1 stamp (Well done)');
  await before.getByRole('button', { name: 'Say it again' }).click();
  await expect(card(teacher, 'Your note')).toContainText('Compare this with the picture.');
  await expect(before.getByRole('button', { name: 'Say it again' })).toHaveCount(0);
  await teacher.getByTitle('Last go').click();
  await expect(hand(teacher)).toHaveCount(1);
});
